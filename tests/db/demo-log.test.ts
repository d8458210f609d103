/** The demo's year of past classes: what is learnt from it comes nearer to its hidden truth than what is stated. */
import { expect, test } from 'vitest'
import { backtestMinutes } from '../../core/learn/backtest'
import { MinutesBelief } from '../../core/learn/minutes-belief'
import { STEP_SD, TECHNIQUE_SD } from '../../core/vocabulary/spreads'
import { playPastClasses } from '../../db/demo-log'
import { truthOf } from '../../db/demo-truth'
import { packDemo } from '../support/demo-kit'

const COURSES = [
	'Magnolia on Thursdays',
	'Calla lily taster',
	'Hellebores and foliage on Tuesdays',
	'A hellebore in a day',
]
const year = COURSES.flatMap((name, seed) => {
	const { course, designs, compiled, plan } = packDemo(name)
	return playPastClasses({ course, designs, compiled, plan }, { today: '2026-03-02', seed })
})
const observations = year.flatMap((own) => (own.kind === 'minutes' ? [own.observation] : []))

test('lies in the year before, each occasion once, some cut off by the close', () => {
	expect(new Set(observations.map(({ id }) => id)).size).toBe(observations.length)
	for (const { date } of observations) {
		expect(date >= '2025-03-01').toBe(true)
		expect(date < '2026-03-02').toBe(true)
	}
	expect(observations.some(({ to }) => to === Infinity)).toBe(true)
	expect(observations.length).toBeGreaterThan(150)
})

test('is foretold better by what was learnt than by what is stated, and better late than early', () => {
	const { figures, thirds } = backtestMinutes(observations)
	expect(figures.error.learnt).toBeLessThan(figures.error.stated)
	expect(thirds.last.error.learnt).toBeLessThan(thirds.first.error.learnt)
	expect(figures.insideNinety).toBeGreaterThan(0.8)
	expect(figures.insideHalf).toBeGreaterThan(0.4)
	expect(figures.insideHalf).toBeLessThan(0.62)
})

test('the truth lies where nine in ten are said to lie, about as often as that', () => {
	const belief = new MinutesBelief(observations)
	const steps = [...new Map(observations.map((own) => [own.step, own])).values()]
	const inside = steps.filter((own) => {
		const truth = truthOf(own.step, STEP_SD) * (own.technique === undefined ? 1 : truthOf(own.technique, TECHNIQUE_SD))
		const { mean, variance } = belief.stepFactor(own)
		return Math.abs(Math.log(truth) - mean) < 1.645 * Math.sqrt(variance)
	})
	expect(steps.length).toBeGreaterThan(25)
	expect(inside.length / steps.length).toBeGreaterThan(0.8)
})

test('has paste by kind of piece, wires that were counted back, and queues where tools are shared', () => {
	const { course, designs, compiled, plan } = packDemo('Magnolia on Thursdays')
	const owned = { 'petal veiner': 2 }
	const seen = playPastClasses({ course, designs, compiled, plan, owned }, { today: '2026-03-02', seed: 1 })
	const kindsOf = seen.flatMap((own) => (own.kind === 'paste' ? [own.observation.kind] : []))
	expect(kindsOf).toContain('leaf')
	for (const { kind, observation } of seen) {
		if (kind === 'wires') expect(observation.used).toBeLessThanOrEqual(observation.handed)
		if (kind === 'queue') expect(observation.waiting).toBeLessThanOrEqual(observation.studentCount - 2)
	}
	expect(seen.filter(({ kind }) => kind === 'wires').length).toBeGreaterThan(4)
	expect(new Set(seen.flatMap((own) => (own.kind === 'queue' ? [own.observation.tool] : [])))).toEqual(
		new Set(['petal veiner']),
	)
})
