import { describe, expect, test } from 'vitest'
import { planExactly } from '../../../../core/plan/exact/plan-exactly'
import { planCourse, resolveCourse } from '../../../../core/plan/plan-course'
import type { Instance } from '../../../../core/plan/problem/instance'
import { findReliefSets } from '../../../../core/plan/ways-out/find-relief-sets'
import type { Relaxed } from '../../../../core/plan/ways-out/relax-instance'
import { rankWays, type TriedWay } from '../../../../core/plan/ways-out/way-out'
import { tryWaysOut } from '../../../../core/plan/ways-out/ways-out'
import { demoCourse } from '../../../support/demo-designs'
import { makeDesign, makePart, makeStep } from '../../../support/make-design'

/** Shells and stars that each dry for hours before they are painted, in one short morning: one brought dry is not enough. */
const design = makeDesign({
	parts: [makePart('shells', { piecesPerFlower: 2 }), makePart('stars', { piecesPerFlower: 2 })],
	steps: ['shells', 'stars'].flatMap((part) => [
		makeStep(`${part}-shape`, part),
		makeStep(`${part}-paint`, part, [{ after: `${part}-shape`, wait: { usualMinutes: 300, isByHand: true } }]),
	]),
})
const course = {
	...demoCourse('Magnolia on Thursdays'),
	designs: [{ designId: design.id, flowersPerStudent: 1, picks: {} }],
}
const morning = { ...course, sessions: course.sessions.slice(0, 1) }
const made = planCourse(morning, [design])
const find = (most?: number) =>
	rankWays([
		...tryWaysOut(made, resolveCourse(morning, [design]), {
			effortOf: () => ({ nodes: 500 }),
			...(most !== undefined && { most }),
		}),
	])
const fitting = (ways: readonly TriedWay[]) => ways.filter(({ verdict }) => verdict === 'fits')
const kindsOf = ({ ways }: TriedWay) => ways.map((way) => (way.kind === 'ahead' ? way.partName : way.kind))

describe('ways out', () => {
	test('of a course that lacks two dried pieces are both together, where either alone does not help', () => {
		const ways = find()

		expect(made.status).toBe('infeasible')
		const pairs = fitting(ways).map(kindsOf)
		expect(pairs).toContainEqual(['swap', 'swap'])
		const alone = ways.filter(({ ways: [way, second] }) => way?.kind === 'swap' && !second)
		expect(alone.map(({ verdict }) => verdict)).toEqual(alone.map(() => 'does not fit'))
		expect(alone.length).toBeGreaterThanOrEqual(2)
	})

	test('one change at a time are found where that is asked for', () => {
		expect(find(1).every(({ ways }) => ways.length === 1)).toBe(true)
		expect(fitting(find(1)).map(kindsOf)).toEqual([['session']])
	})

	test('come with a plan that fits, and none contains another', () => {
		const sets = fitting(find()).map(({ ways, objective }) => {
			expect(objective?.shortfall).toBe(0)
			return new Set(ways.map((way) => JSON.stringify(way)))
		})

		expect(sets.length).toBeGreaterThan(1)
		sets.forEach((own, k) => {
			sets.forEach((other, o) => expect(o !== k && [...other].every((way) => own.has(way)), `${k} ${o}`).toBe(false))
		})
	})

	test('none that asks more than another in every respect is shown, and the least asking come first', () => {
		const way = (ways: TriedWay['ways'], prepMinutes: number): TriedWay => {
			return { ways, verdict: 'fits', objective: { shortfall: 0, valueLost: 0, prepMinutes } }
		}
		const session = { kind: 'session' as const, date: '2026-03-09' }
		const longer = (minutes: number) => ({ kind: 'longer' as const, minutes })
		const lost: TriedWay = { ways: [longer(5)], verdict: 'does not fit' }

		const tried = [lost, way([session], 0), way([longer(30)], 0), way([longer(40)], 10), way([longer(10), session], 0)]
		expect(rankWays(tried)).toEqual([way([longer(30)], 0), way([session], 0), lost])
	})
})

test('another option of the design is one, where it helps; what does not help is said not to', () => {
	const choice = {
		id: 'far',
		name: 'How far',
		options: ['painted', 'plain', 'signed'].map((id) => ({ id, name: id })),
	}
	const open = makeDesign({
		parts: design.parts,
		steps: design.steps.map((step) =>
			step.id.endsWith('paint') ? { ...step, when: { far: ['painted', 'signed'] } } : step,
		),
		choices: [choice],
	})
	const course = { ...morning, designs: [{ designId: open.id, flowersPerStudent: 1, picks: {} }] }
	const planned = planCourse(course, [open])

	const ways = rankWays([
		...tryWaysOut(planned, resolveCourse(course, [open]), {
			effortOf: () => ({ nodes: 500 }),
			most: 1,
			documents: [open],
		}),
	])

	const verdicts = ways.flatMap(({ ways: [way], verdict }) => (way?.kind === 'option' ? [[way.option, verdict]] : []))
	expect(verdicts).toEqual([
		['plain', 'fits'],
		['signed', 'does not fit'],
	])
	const taken = { ...course, designs: [{ designId: open.id, flowersPerStudent: 1, picks: { far: 'plain' } }] }
	expect(planCourse(taken, [open]).objective?.shortfall).toBe(0)
})

describe('sets of reliefs', () => {
	const instance: Instance = {
		name: 'three of four',
		windows: [{ open: 0, close: 60, session: 1 }],
		tasks: ['a', 'b', 'c'].flatMap((id) => [
			{ id, minutes: 10 },
			{ id: `${id}2`, minutes: 10 },
		]),
		arcs: ['a', 'b', 'c'].map((id) => ({ from: id, to: `${id}2`, lag: 500, swap: id })),
		prepared: ['a', 'b', 'c'].map((id, k) => ({ id, minutes: 10 + k })),
	}
	const relaxed: Relaxed = {
		instance,
		reliefs: ['a', 'b', 'c'].map((id) => ({
			way: { kind: 'longer', minutes: 0 },
			relief: { sets: [id], ahead: [] },
		})),
	}
	const search = (most: number) => findReliefSets(relaxed, { most, limit: 5, effortOf: () => ({}) })

	test('are as many as it takes, no others are left', () => {
		expect(search(3)).toEqual({
			sets: [{ used: [0, 1, 2], objective: expect.objectContaining({ shortfall: 0, prepMinutes: 33 }) }],
			isComplete: true,
		})
	})

	test('are none where more would be needed than may be', () => {
		expect(search(2)).toEqual({ sets: [], isComplete: true })
	})

	test('limit any search for a plan', () => {
		const reliefs = relaxed.reliefs.map(({ relief }) => relief)

		expect(planExactly(instance, { limits: {}, reliefs: { reliefs, most: 3, refused: [[0]] } }).status).toBe(
			'impossible',
		)
	})
})
