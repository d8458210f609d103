/** Ways to go on with a session that is behind: each fits this evening and the rest of the course. */
import { describe, expect, test } from 'vitest'
import { applyEdits } from '../../../core/plan/edit/course-edit'
import { resolvePins } from '../../../core/plan/pins/course-pins'
import { adoptPlan } from '../../../core/plan/plan-course'
import { ORDINARY_TERMS } from '../../../core/plan/compile/drying-terms'
import { findOffers } from '../../../core/run/find-offers'
import { foldRun } from '../../../core/run/fold-run'
import { EventWriter, supposing, type RunFact } from '../../../core/run/run-event'
import { minutesOfTask } from '../../../core/plan/problem/plan-times'
import { taskOfEntry, toRunPlan } from '../../../core/run/run-plan'
import { demoDesign } from '../../support/demo-designs'
import { packDemo } from '../../support/demo-kit'

interface Evening {
	/** From 1. */
	session: number
	/** Minutes after its time. */
	late: number
	/** Entries that are over, each after so much of its minutes. */
	done?: number
	pace?: number
}

/** What is offered to a session as it stands then. */
function offersOf(name: string, { session, late, done = 0, pace = 1 }: Evening) {
	const { course, compiled, plan, story } = packDemo(name)
	const opened = toRunPlan(story, session - 1)
	const at = (wallMin: number) => Date.UTC(2026, 2, 19, 19) + (wallMin - opened.openMin) * 60_000
	let nowMin = opened.openMin + late
	const facts: [number, RunFact][] = [[nowMin, { type: 'opened' }]]
	for (const { id, startMin, endMin } of opened.entries.slice(0, done)) {
		nowMin += pace * (endMin - startMin)
		facts.push([nowMin, { type: 'entry', entry: id, is: 'most' }])
	}
	let count = 0
	const writer = new EventWriter({ runId: 'run', device: 'tablet' }, [], () => `event ${count++}`)
	const events = facts.map(([wallMin, fact]) => writer.write(fact, at(wallMin)))
	const now = at(nowMin)
	const problem = { compiled, plan, pins: resolvePins(course, compiled).pins }
	const state = foldRun(opened, events, now)
	const terms = { effortOf: () => ({ nodes: 60 }) }
	const offers = [...findOffers(problem, opened, state, { nowMin, now }, terms)]
	return { course, opened, events, state, nowMin, now, offers }
}

const EVENINGS: [string, Evening][] = [
	['Magnolia on Thursdays', { session: 1, late: 25 }],
	['Magnolia on Thursdays', { session: 2, late: 10, done: 1, pace: 1.3 }],
	['Magnolia on Thursdays', { session: 3, late: 25 }],
	['Calla lily taster', { session: 1, late: 10, done: 1, pace: 1.3 }],
	['Hellebores and foliage on Tuesdays', { session: 1, late: 10, done: 1, pace: 1.3 }],
	['Hellebores and foliage on Tuesdays', { session: 4, late: 10, done: 1, pace: 1.3 }],
]

describe.each(EVENINGS)('%s, %j', (name, evening) => {
	const { opened, events, state, nowMin, now, offers } = offersOf(name, evening)

	test('is offered something', () => {
		expect(offers.length).toBeGreaterThan(0)
	})

	test('each way fits between now and its close, one thing after the other, and leaves what is done as it was', () => {
		const isOpen = new Set(state.entries.flatMap(({ entry, status }) => (status === 'to come' ? [entry.id] : [])))
		for (const { taken, change } of offers) {
			const left = taken.entries.filter(({ entry }) => isOpen.has(entry))
			const told = JSON.stringify(change)
			expect(Math.min(...left.map(({ startMin }) => startMin)), told).toBeGreaterThanOrEqual(Math.floor(nowMin))
			for (const [k, { startMin }] of left.slice(1).entries())
				expect(startMin, told).toBeGreaterThanOrEqual(left[k]!.endMin)
			expect(Math.max(...left.map(({ endMin }) => endMin)), told).toBeLessThanOrEqual(taken.closeMin)
			// Of what is going on pieces may be left out.
			const isOver = new Set(state.entries.flatMap(({ entry, status }) => (status === 'done' ? [entry.id] : [])))
			const over = (list: { entry: string }[]) => list.filter(({ entry }) => isOver.has(entry))
			const before = state.entries.map(({ entry: { id, startMin, endMin } }) => ({ entry: id, startMin, endMin }))
			expect(over(taken.entries)).toEqual(over(before))
		}
	})

	test('each way, taken, is what the session goes by', () => {
		for (const { taken } of offers) {
			const then = foldRun(opened, supposing(events, { type: 'plan', reason: '', ...taken }, now), now)
			expect(then.plan.entries.map(({ id }) => id)).toEqual(taken.entries.map(({ entry }) => entry))
			expect(then.plan.closeMin).toBe(taken.closeMin)
		}
	})

	test('what leaves is none of the session any more, and what stays is', () => {
		for (const { taken, change } of offers) {
			const there = new Set(taken.entries.map(({ entry }) => taskOfEntry({ id: entry })))
			if (change.kind === 'later') for (const task of change.tasks) expect(there).not.toContain(task)
			if (change.kind === 'tea' || change.kind === 'longer' || change.kind === 'order')
				expect([...taken.entries.map(({ entry }) => entry)].sort()).toEqual(
					state.entries.map(({ entry }) => entry.id).sort(),
				)
		}
	})
})

describe.each(EVENINGS)('what is settled for the rest of the course by %s, %j', (name, evening) => {
	test('goes with the plan that comes with it, and lacks nothing', () => {
		const { course, offers } = offersOf(name, evening)
		const designs = course.designs.map(({ designId }) => demoDesign(designId))
		for (const { taken, change } of offers) {
			if (taken.pins.length === 0) continue
			const changed = applyEdits(
				course,
				taken.pins.map((pin) => ({ kind: 'pin', pin })),
			)
			const adopted = taken.coursePlan && adoptPlan(changed, designs, ORDINARY_TERMS, taken.coursePlan)
			expect(adopted?.objective.shortfall, JSON.stringify(change)).toBe(0)
		}
	})
})

test('two pieces less each take their minutes off this evening, and nothing leaves it', () => {
	const told = EVENINGS.flatMap(([name, evening]) => {
		const { state, offers } = offersOf(name, evening)
		const { compiled } = packDemo(name)
		return offers.flatMap(({ change, taken }) => (change.kind === 'fewer' ? [{ state, change, taken, compiled }] : []))
	})
	expect(told.length).toBeGreaterThan(0)
	for (const { state, change, taken, compiled } of told) {
		const minutesOf = (entries: { id: string; startMin: number; endMin: number }[], task: string) => {
			const own = entries.filter(({ id }) => taskOfEntry({ id }) === task)
			return own.reduce((sum, { startMin, endMin }) => sum + endMin - startMin, 0)
		}
		const before = state.entries.map(({ entry }) => entry)
		const after = taken.entries.map(({ entry, ...times }) => ({ id: entry, ...times }))
		expect(after.map(({ id }) => id).sort()).toEqual(before.map(({ id }) => id).sort())
		for (const task of change.tasks) {
			const source = compiled.tasks[task]
			if (source?.type !== 'step') throw new Error('not a step')
			// Of the minutes of the whole step no more than of its pieces, and not much less.
			const whole = compiled.instance.tasks.find(({ id }) => id === task)
			const due = (minutesOfTask(whole!) * change.pieces) / source.pieceCount
			const saved = minutesOf(before, task) - minutesOf(after, task)
			expect(saved).toBeLessThanOrEqual(due + 1e-9)
			expect(saved).toBeGreaterThanOrEqual(due / 2)
		}
	}
})

test('what has left by a way that was taken does not come back with the next', () => {
	const first = offersOf('Magnolia on Thursdays', { session: 1, late: 25 })
	const { course, compiled, plan } = packDemo('Magnolia on Thursdays')
	const problem = { compiled, plan, pins: resolvePins(course, compiled).pins }
	const leaving = first.offers.filter(({ change }) => change.kind === 'later' || change.kind === 'dried')
	expect(leaving.length).toBeGreaterThan(0)
	for (const { taken } of leaving) {
		const events = supposing(first.events, { type: 'plan', reason: '', ...taken }, first.now)
		const state = foldRun(first.opened, events, first.now)
		const terms = { effortOf: () => ({ nodes: 60 }) }
		const next = [...findOffers(problem, first.opened, state, { nowMin: first.nowMin, now: first.now }, terms)]
		const here = new Set(taken.entries.map(({ entry }) => entry))
		expect(next.length).toBeGreaterThan(0)
		for (const { taken: then } of next) for (const { entry } of then.entries) expect(here).toContain(entry)
	}
})

test('when nothing is left to do there is nothing to offer', () => {
	const { offers } = offersOf('Magnolia on Thursdays', { session: 3, late: 0, done: 4 })
	expect(offers).toEqual([])
})
