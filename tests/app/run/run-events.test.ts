/** What a device may send: every event comes through with all that it says. */
import { expect, test } from 'vitest'
import { readValue } from '../../../app/shared/http/read-input.server'
import { sentEventsSchema } from '../../../app/run/schemas/run-events'
import type { EventHead, FactOf, RunFact } from '../../../core/run/run-event'

/** Whole: what a type may say stands there; a field that is added is missed by the compiler. */
const FACTS: { [Type in RunFact['type']]: Required<FactOf<Type>> } = {
	opened: { type: 'opened', planId: 3 },
	closed: { type: 'closed' },
	attendance: { type: 'attendance', place: 2, is: 'late' },
	entry: { type: 'entry', entry: 'petals#1', is: 'most' },
	student: { type: 'student', entry: 'petals#1', place: 1 },
	'way back': { type: 'way back', place: 1, is: 'dried' },
	home: { type: 'home', entry: 'petals#1', place: 0 },
	broken: { type: 'broken', kind: 'inner petals', count: 2, place: 4 },
	waited: { type: 'waited', tool: 'petal veiner', count: 3 },
	spare: { type: 'spare', kind: 'inner petals', count: 1, place: 4 },
	tray: { type: 'tray', batch: 'petals@1', pieces: 9, where: 'shelf by the window' },
	look: { type: 'look', batch: 'petals@1', stage: 'touch', isReached: true, isNoFurther: true },
	paused: { type: 'paused' },
	resumed: { type: 'resumed' },
	reading: { type: 'reading', temperatureC: 22.5, humidity: 0.48, by: 'hygrometer' },
	note: { type: 'note', text: 'warm tonight', about: 'next time', photo: 'photo-1' },
	plan: {
		type: 'plan',
		reason: 'Leave taping for Thursday',
		entries: [{ entry: 'petals#1', startMin: 1110, endMin: 1131.5 }],
		closeMin: 1230,
		pins: [{ kind: 'place', task: 'leaf', place: 'dropped' }],
		coursePlan: {
			placements: { petals: { place: 'class', runs: [{ start: 10, units: 3 }] }, leaf: { place: 'dropped' } },
			swaps: ['petals>tape'],
			breaks: [60],
			extension: 0,
		},
	},
	undo: { type: 'undo', of: 'event-7' },
}

const HEAD: EventHead = { id: 'event-1', runId: '/courses/1/run/1', device: 'tablet', seq: 1, at: 1_000, when: 900 }

test.each(Object.values(FACTS))('an event of type $type comes through as it was sent', async (fact) => {
	const sent = { events: [{ ...HEAD, ...fact }], after: 0 }
	expect(await readValue(sent, sentEventsSchema)).toEqual(sent)
})

test.each([
	{ name: 'exchanges by position', coursePlan: { placements: {}, swaps: [3], extension: 0 } },
	{ name: 'a task somewhere else', coursePlan: { placements: { petals: { place: 'moon' } }, swaps: [], extension: 0 } },
	{ name: 'a text', coursePlan: 'as before' },
])('a plan of the course with $name is refused', async ({ coursePlan }) => {
	const sent = { events: [{ ...HEAD, ...FACTS.plan, coursePlan }], after: 0 }
	await expect(readValue(sent, sentEventsSchema)).rejects.toThrow()
})
