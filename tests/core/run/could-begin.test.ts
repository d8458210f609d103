/** What a class that is ahead could begin already. */
import { describe, expect, test } from 'vitest'
import { resolvePins } from '../../../core/plan/pins/course-pins'
import { couldBegin } from '../../../core/run/could-begin'
import { foldRun } from '../../../core/run/fold-run'
import { EventWriter, type RunFact } from '../../../core/run/run-event'
import { taskOfEntry, toRunPlan } from '../../../core/run/run-plan'
import { packDemo } from '../../support/demo-kit'

const { course, compiled, plan, story } = packDemo('Magnolia on Thursdays')
const problem = { compiled, plan, pins: resolvePins(course, compiled).pins }

/** After so many entries of a session, each in so much of its minutes. */
function could(session: number, done: number, pace: number) {
	const opened = toRunPlan(story, session - 1)
	const at = (wallMin: number) => Date.UTC(2026, 2, 19, 19) + (wallMin - opened.openMin) * 60_000
	let nowMin = opened.openMin
	const facts: [number, RunFact][] = [[nowMin, { type: 'opened' }]]
	for (const { id, startMin, endMin } of opened.entries.slice(0, done)) {
		nowMin += pace * (endMin - startMin)
		facts.push([nowMin, { type: 'entry', entry: id, is: 'most' }])
	}
	let count = 0
	const writer = new EventWriter({ runId: 'run', device: 'tablet' }, [], () => `event ${count++}`)
	const events = facts.map(([wallMin, fact]) => writer.write(fact, at(wallMin)))
	return {
		list: couldBegin(problem, opened, foldRun(opened, events, at(nowMin)), { nowMin, now: at(nowMin) }),
		spare: opened.closeMin - nowMin,
	}
}

describe('what could be begun already', () => {
	test('is nothing for a class that is in time or late', () => {
		expect(could(1, 3, 1).list).toEqual([])
		expect(could(1, 3, 1.3).list).toEqual([])
	})

	test('for a class that is done early is what needs nothing that is missing, in the order of the plan, and fits', () => {
		const { list, spare } = could(1, 6, 0.5)
		expect(list.length).toBeGreaterThan(0)
		const later = new Set(toRunPlan(story, 1).entries.map((entry) => taskOfEntry(entry)))
		for (const { task, minutes } of list) {
			expect(minutes).toBeLessThanOrEqual(spare)
			// The wired petal was shown this evening, and the outer ones wait for nothing else.
			expect(later.has(task) || task.startsWith('magnolia/')).toBe(true)
			const waits = compiled.instance.arcs.filter(({ to, lag }) => to === task && lag !== 0)
			expect(waits).toEqual([])
		}
	})

	test('is nothing when the last session is done', () => {
		expect(could(3, 4, 0.5).list).toEqual([])
	})
})
