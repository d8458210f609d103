/** What asks for the eye of who teaches, and what would be used too early. */
import { describe, expect, test } from 'vitest'
import { callsOf } from '../../../core/run/calls'
import { earlyEntry } from '../../../core/run/early-entry'
import { foldRun } from '../../../core/run/fold-run'
import { EventWriter, type RunFact } from '../../../core/run/run-event'
import { makeRunPlan } from '../../support/run-plan'

const PLAN = makeRunPlan()
const OPENING = Date.UTC(2026, 2, 5, 18, 30)
const at = (minutes: number) => OPENING + minutes * 60_000
const most = (entry: string): RunFact => ({ type: 'entry', entry, is: 'most' })
const OPENED: readonly [number, RunFact] = [0, { type: 'opened' }]

function stateAt(minute: number, ...facts: readonly (readonly [number, RunFact])[]) {
	let count = 0
	const writer = new EventWriter({ runId: 'run', device: 'tablet' }, [], () => `event ${count++}`)
	const events = facts.map(([minutes, fact]) => writer.write(fact, at(minutes)))
	return foldRun(PLAN, events, at(minute))
}

const calls = (minute: number, ...facts: readonly (readonly [number, RunFact])[]) =>
	callsOf(stateAt(minute, ...facts), at(minute))

describe('what calls', () => {
	test('is nothing before the class and after it', () => {
		expect(calls(50)).toEqual([])
		expect(calls(200, OPENED, [190, { type: 'closed' }])).toEqual([])
	})

	test('is a step from when its minutes are over until it is', () => {
		expect(calls(29, OPENED)).toEqual([])
		expect(calls(31, OPENED)).toEqual(['over cut#1'])
		expect(calls(33, OPENED, [32, most('cut#1')])).toEqual([])
	})

	test('is a tray that is worth a look, until it was felt to be there or not yet', () => {
		const laid = [OPENED, [20, most('cut#1')]] as const
		const look = (isReached: boolean): RunFact => ({ type: 'look', batch: 'petals@1', stage: 'set', isReached })
		expect(calls(59, ...laid)).not.toContain('look petals@1 tape')
		expect(calls(61, ...laid)).toContain('look petals@1 tape')
		expect(calls(62, ...laid, [61, look(true)])).not.toContain('look petals@1 tape')
		expect(calls(62, ...laid, [61, look(false)])).not.toContain('look petals@1 tape')
	})
})

describe('what would be used before it is dry', () => {
	const early = (minute: number, ...facts: readonly (readonly [number, RunFact])[]) =>
		earlyEntry(stateAt(minute, ...facts), PLAN.openMin + minute, at(minute))

	test('is what comes next, where its tray is not likely to be ready by then', () => {
		// Cut late and set at 95: veined at the usual pace it is in time, veined in no time it is not.
		const late = [OPENED, [55, most('cut#1')]] as const
		expect(early(74, ...late, [72, most('vein-shown#1')])).toBeUndefined()
		expect(early(77, ...late, [76, most('vein#1')])).toBe('tape#1')
	})

	test('is nothing where it was cut in time, or all is over', () => {
		expect(early(60, OPENED, [30, most('cut#1')])).toBeUndefined()
		expect(early(90, OPENED, [55, most('cut#1')], [80, { type: 'closed' }])).toBeUndefined()
	})
})
