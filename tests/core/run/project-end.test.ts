/** How far behind a session is. */
import { describe, expect, test } from 'vitest'
import { foldRun } from '../../../core/run/fold-run'
import { projectEnd, toldBehind } from '../../../core/run/project-end'
import { EventWriter, type RunEvent, type RunFact } from '../../../core/run/run-event'
import { makeRunPlan } from '../../support/run-plan'

const PLAN = makeRunPlan()
const OPEN_MIN = PLAN.openMin
const OPENING = Date.UTC(2026, 2, 5, 18, 30)
const at = (minutes: number) => OPENING + minutes * 60_000

function behind(minute: number, ...facts: readonly (readonly [number, RunFact])[]): number {
	let count = 0
	const writer = new EventWriter({ runId: 'run', device: 'tablet' }, [], () => `event ${count++}`)
	const events: RunEvent[] = facts.map(([minutes, fact]) => writer.write(fact, at(minutes)))
	const { behindMinutes } = projectEnd(foldRun(PLAN, events, at(minute)), OPEN_MIN + minute, at(minute))
	return behindMinutes
}

const OPENED: RunFact = { type: 'opened' }
const most = (entry: string): RunFact => ({ type: 'entry', entry, is: 'most' })

describe('behind', () => {
	test('is nothing where all goes as planned', () => {
		expect(behind(10, [0, OPENED])).toBeCloseTo(0, 9)
		expect(behind(31, [0, OPENED], [30, most('cut#1')])).toBeCloseTo(0, 9)
	})

	test('is what a late start costs', () => {
		expect(behind(12, [12, OPENED])).toBeCloseTo(12, 9)
	})

	test('is what a slow step costs, while it is going on and after it', () => {
		// Of the thirty minutes a seventh, as it takes longer than it should.
		expect(behind(40, [0, OPENED])).toBeCloseTo(10 + 4.5, 9)
		expect(behind(43, [0, OPENED], [43, most('cut#1')])).toBeCloseTo(13, 9)
	})

	test('uses up idle minutes first', () => {
		const idle = {
			...PLAN,
			entries: PLAN.entries.map((entry, k) => (k < 4 ? entry : { ...entry, startMin: 1195, endMin: 1225 })),
		}
		let count = 0
		const writer = new EventWriter({ runId: 'run', device: 'tablet' }, [], () => `event ${count++}`)
		const events = [writer.write(OPENED, at(8))]
		const { behindMinutes } = projectEnd(foldRun(idle, events, at(8)), OPEN_MIN + 8, at(8))
		expect(behindMinutes).toBeCloseTo(0, 9)
	})

	test('is also what drying takes, of what lies and of what is still to be laid', () => {
		// Set after 40 minutes at even odds: taped from minute 95 on if it is cut by then, in place of 75.
		expect(behind(55, [0, OPENED], [55, most('cut#1')])).toBeCloseTo(25, 9)
		const waits = [{ stage: 'set' as const, toTaskId: 'tape', p50Minutes: 80, p90Minutes: 90, feels: [] }]
		const slow = { ...PLAN, batches: [{ ...PLAN.batches[0]!, waits }] }
		const { behindMinutes } = projectEnd(foldRun(slow, [], at(0)), OPEN_MIN, at(0))
		// Cut after 30 minutes, set after 110, taped after 140 in place of 105.
		expect(behindMinutes).toBeCloseTo(35, 9)
	})

	test('stands still in a pause of the run', () => {
		const [before, after] = [20, 26].map((minute) => behind(minute, [0, OPENED], [20, { type: 'paused' }]))
		expect(after! - before!).toBeCloseTo(6, 9)
	})

	test('counts a pause once, also when it is over', () => {
		const paused = [
			[0, OPENED],
			[10, { type: 'paused' }],
			[18, { type: 'resumed' }],
		] as const
		expect(behind(20, ...paused)).toBeCloseTo(8, 9)
	})

	test('is told from five minutes on, in steps of five', () => {
		expect([-3, 4.9, 5, 9.9, 10, 23].map((behindMinutes) => toldBehind({ behindMinutes }))).toEqual([
			0, 0, 5, 5, 10, 20,
		])
	})
})
