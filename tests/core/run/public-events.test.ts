/** What anybody in the room may see of a run is enough for the wall, and has no word of anybody. */
import { describe, expect, test } from 'vitest'
import { foldRun } from '../../../core/run/fold-run'
import { projectEnd } from '../../../core/run/project-end'
import { publicEvents } from '../../../core/run/public-events'
import { EventWriter, type RunFact } from '../../../core/run/run-event'
import { makeRunPlan } from '../../support/run-plan'

const PLAN = makeRunPlan()
const OPENING = Date.UTC(2026, 2, 5, 18, 30)
const at = (minutes: number) => OPENING + minutes * 60_000
const SECRET = 'Wren wept'
const FACTS: [number, RunFact][] = [
	[0, { type: 'opened', planId: 3 }],
	[4, { type: 'attendance', place: 2, is: 'late' }],
	[31, { type: 'entry', entry: 'cut#1', is: 'most' }],
	[32, { type: 'tray', batch: 'petals@1', pieces: 5, where: SECRET }],
	[33, { type: 'student', entry: 'cut#1', place: 2 }],
	[34, { type: 'broken', kind: 'petals', count: 1, place: 2 }],
	[35, { type: 'note', text: SECRET }],
	[36, { type: 'paused' }],
	[39, { type: 'resumed' }],
	[
		40,
		{
			type: 'plan',
			reason: SECRET,
			entries: PLAN.entries.slice(0, 4).map(({ id, startMin, endMin }) => ({ entry: id, startMin, endMin })),
			closeMin: PLAN.closeMin,
			pins: [{ kind: 'session', task: SECRET, session: 2 }],
			coursePlan: { placements: {}, swaps: [SECRET], extension: 0 },
		},
	],
	[50, { type: 'look', batch: 'petals@1', stage: 'set', isReached: false }],
]

let count = 0
const writer = new EventWriter({ runId: 'run', device: 'tablet' }, [], () => `event ${count++}`)
const events = FACTS.map(([minutes, fact]) => writer.write(fact, at(minutes)))

describe('what anybody may see', () => {
	test('has no word of anybody', () => {
		const told = JSON.stringify(publicEvents(events))
		expect(told).not.toContain(SECRET)
		expect(told).not.toContain('place')
	})

	test('stands at every minute where the run stands', () => {
		for (let minute = 0; minute < 120; minute += 3) {
			const [whole, seen] = [events, publicEvents(events)].map((list) => {
				const state = foldRun(
					PLAN,
					list.filter(({ when }) => when <= at(minute)),
					at(minute),
				)
				const { entries, current, pauses } = state
				const { currentLeft } = projectEnd(state, PLAN.openMin + minute, at(minute))
				return {
					entries: entries.map(({ entry, status, begun, most }) => ({ entry, status, begun, most })),
					current,
					pauses,
					currentLeft,
				}
			})
			expect(seen).toEqual(whole)
		}
	})
})
