/** What is left of a course in the middle of a session: if all goes as planned, the plan stays one of what is left. */
import { describe, expect, test } from 'vitest'
import { checkPlan } from '../../../core/plan/checker/check-plan'
import { resolvePins } from '../../../core/plan/pins/course-pins'
import { findBrokenPins, type Pin } from '../../../core/plan/pins/pin'
import { runsOf } from '../../../core/plan/problem/plan-times'
import { foldRun } from '../../../core/run/fold-run'
import { remainingProblem } from '../../../core/run/remaining-problem'
import { EventWriter, type RunFact } from '../../../core/run/run-event'
import { toRunPlan } from '../../../core/run/run-plan'
import { packDemo } from '../../support/demo-kit'

const COURSES = ['Magnolia on Thursdays', 'Calla lily taster', 'Hellebores and foliage on Tuesdays'] as const

/** A session as it stands at a minute, by what was pressed at which minutes of the wall. */
function standing(name: string, s: number) {
	const { course, compiled, plan, story } = packDemo(name)
	const opened = toRunPlan(story, s)
	const at = (wallMin: number) => Date.UTC(2026, 2, 19, 19) + (wallMin - opened.openMin) * 60_000
	const problem = { compiled, plan, pins: resolvePins(course, compiled).pins }
	const leftAt = (nowMin: number, ...facts: readonly (readonly [number, RunFact])[]) => {
		let count = 0
		const writer = new EventWriter({ runId: 'run', device: 'tablet' }, [], () => `event ${count++}`)
		const events = facts.map(([wallMin, fact]) => writer.write(fact, at(wallMin)))
		const state = foldRun(opened, events, at(nowMin))
		return remainingProblem(problem, opened, state, { nowMin, now: at(nowMin) })
	}
	return { opened, leftAt, sessionCount: course.sessions.length }
}

const OPENED: RunFact = { type: 'opened' }
const most = (entry: string): RunFact => ({ type: 'entry', entry, is: 'most' })

describe.each(COURSES)('%s, taught as planned', (name) => {
	test('has at every step the rest of its plan left to do', () => {
		const { sessionCount } = standing(name, 0)
		for (let s = 0; s < sessionCount; s++) {
			const { opened, leftAt } = standing(name, s)
			const done: [number, RunFact][] = [[opened.openMin, OPENED]]
			for (const { id, endMin } of opened.entries) {
				const left = leftAt(done.at(-1)![0], ...done)
				const { objective, errors } = checkPlan(left.instance, left.near)
				expect(errors, `${name}, session ${s + 1}, before ${id}`).toEqual([])
				expect(objective?.shortfall).toBe(0)
				// The plan waits until pieces are dry in nine of ten cases, a class until they are.
				const isSooner = (pin: Pin) =>
					pin.kind === 'start' && pin.task === left.running && pin.minute < runsOf(left.near, pin.task)[0]!.start
				expect(findBrokenPins(left.instance, left.near, left.pins).filter((pin) => !isSooner(pin))).toEqual([])
				done.push([endMin, most(id)])
			}
		}
	})
})

describe('what is left', () => {
	const { opened, leftAt } = standing('Magnolia on Thursdays', 1)
	const [first, second] = opened.entries.filter(({ kind }) => kind === 'step')
	const taskOf = (id: string) => id.slice(0, id.lastIndexOf('#'))

	test('does not begin before the present, and what is done is not in it', () => {
		const late = opened.openMin + 50
		const left = leftAt(late, [opened.openMin + 10, OPENED], [late, most(first!.id)])
		expect(left.instance.tasks.map(({ id }) => id)).not.toContain(taskOf(first!.id))
		// Something is shown after it: so long nobody works.
		const next = opened.entries[opened.entries.indexOf(first!) + 1]!
		expect(next.kind).toBe('show')
		expect(left.instance.windows[0]!.open).toBe(left.clockOf(late + next.endMin - next.startMin))
		expect(left.tonight[0]).toBe(taskOf(second!.id))
	})

	test('waits for what was made later than planned, and as long as a look says', () => {
		const batch = opened.batches[0]!
		const wait = batch.waits[0]!
		const maker = opened.entries.find(({ id }) => id === batch.entry)!
		const before = opened.entries.slice(0, opened.entries.indexOf(maker)).filter(({ kind }) => kind === 'step')
		const facts = (endMin: number): [number, RunFact][] => [
			[opened.openMin, OPENED],
			...before.map(({ id, endMin: end }): [number, RunFact] => [end, most(id)]),
			[endMin, most(maker.id)],
		]
		const notBefore = (left: ReturnType<typeof leftAt>) =>
			left.pins.flatMap((pin) => (pin.kind === 'notBefore' && pin.task === wait.toTaskId ? [pin.minute] : []))[0]!
		const onTime = notBefore(leftAt(maker.endMin, ...facts(maker.endMin)))
		const late = maker.endMin + 7
		expect(notBefore(leftAt(late, ...facts(late)))).toBe(onTime + 7)
		const stage = wait.stage!
		const felt: RunFact = { type: 'look', batch: batch.id, stage, isReached: true }
		const looked = leftAt(maker.endMin + 5, ...facts(maker.endMin), [maker.endMin + 5, felt])
		expect(notBefore(looked)).toBe(looked.clockOf(maker.endMin + 5))
	})

	test('is of what is going on only its minutes that are left', () => {
		const half = (first!.startMin + first!.endMin) / 2
		const left = leftAt(
			half,
			[first!.startMin, OPENED],
			[first!.startMin, { type: 'entry', entry: first!.id, is: 'begun' }],
		)
		const own = left.instance.tasks.find(({ id }) => id === taskOf(first!.id))!
		const minutes = 'units' in own ? own.units * own.unitMinutes : own.minutes
		expect(left.running).toBe(taskOf(first!.id))
		expect(minutes).toBeLessThan(first!.endMin - first!.startMin)
		expect(minutes).toBeGreaterThanOrEqual((first!.endMin - first!.startMin) / 2 - 1)
	})
})
