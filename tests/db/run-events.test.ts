/** Events of a run as nodes of a cluster write them: each numbers its rows by itself. */
import { afterAll, beforeAll, expect, test } from 'vitest'
import type { RunEvent } from '../../core/run/run-event'
import { inTransaction } from '../../db/connection.server'
import { RunEventModel } from '../../db/models/runs.server'
import { createCourse } from '../../db/repositories/courses.server'
import { addRunEvents, readRunEvents } from '../../db/repositories/runs.server'
import { demoCourse } from '../support/demo-designs'
import { foundStudio, freshDatabase } from '../support/studios'

beforeAll(async () => {
	await freshDatabase()
	process.env['CALYCINE_DATABASE_CLUSTER'] = '1'
})
afterAll(() => void delete process.env['CALYCINE_DATABASE_CLUSTER'])

function noted(id: string): RunEvent {
	return { id, runId: 'run', device: 'tablet', seq: 1, at: 1, when: 1, type: 'note', text: id }
}

test('one that came in late under a lower number is still read, an old one is not read again', async () => {
	const { studioId } = await foundStudio(['calla-lily'])
	const course = demoCourse('Calla lily taster')
	const courseId = await inTransaction((transaction) => createCourse(studioId, course, transaction))
	const run = { courseId, session: 1 }
	const row = (id: number, event: RunEvent, receivedAt: Date) => ({ ...run, id, eventId: event.id, event, receivedAt })
	await RunEventModel.create(row(100, noted('early'), new Date(Date.now() - 3_600_000)))
	await addRunEvents(studioId, run, [noted('first')], new Date())
	const { events, cursor } = await readRunEvents(studioId, run, 0)
	expect(events.map(({ id }) => id)).toEqual(['early', 'first'])

	await RunEventModel.create(row(50, noted('late'), new Date()))
	const later = await readRunEvents(studioId, run, cursor)
	expect(later.events.map(({ id }) => id)).toContain('late')
	expect(later.events.map(({ id }) => id)).not.toContain('early')
	expect(later.cursor).toBe(cursor)
})
