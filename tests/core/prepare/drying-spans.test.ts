/** What dries on which days: made ahead as it is laid, or left in class. */
import { expect, test } from 'vitest'
import { listCalendar } from '../../../core/prepare/course-calendar'
import { listDryingSpans } from '../../../core/prepare/drying-spans'
import { USUAL_FREE_TIME } from '../../../core/prepare/free-time'
import { layPreparation } from '../../../core/prepare/lay-preparation'
import { listPrepTasks } from '../../../core/prepare/prep-tasks'
import { addDays } from '../../../core/time/calendar'
import { toMoment } from '../../../core/time/wall-clock'
import { instantOf } from '../../../core/time/zone'
import { packDemo } from '../../support/demo-kit'

const ZONE = 'Europe/London'

test('is left at the end of a session, ready when the plan says, and wanted by a later one', () => {
	const { course, story } = packDemo('Magnolia on Thursdays')
	const spans = listDryingSpans([{ id: 7, entries: listCalendar(course, story) }], [], ZONE)

	expect(spans.length).toBeGreaterThan(0)
	for (const { courseId, from, readyAt, neededOn } of spans) {
		expect(courseId).toBe(7)
		expect(course.sessions.some(({ date, endMin }) => date === from.date && endMin === from.minuteOfDay)).toBe(true)
		expect(toMoment(from) < toMoment(readyAt)).toBe(true)
		expect(readyAt.date <= neededOn).toBe(true)
	}
	expect(spans.map(({ from }) => toMoment(from))).toEqual(spans.map(({ from }) => toMoment(from)).toSorted())
})

test('made ahead, begins to dry when it is made, for as long as the plan reckons, and is dry before the class', () => {
	const { course, story, kit, designs } = packDemo('Calla lily taster')
	const { sessions } = course
	const tasks = listPrepTasks({ id: 1, sessions, story, kit, designs })
	const now = { date: addDays(sessions[0]!.date, -5), minuteOfDay: 480 }
	const terms = { zone: ZONE, now, freeTime: USUAL_FREE_TIME, busy: sessions }
	const { laid } = layPreparation(tasks, terms, { steps: 0 })
	const [span] = listDryingSpans([], laid, ZONE)
	const made = laid.find(({ task }) => task.dryMinutes)!

	expect(span?.from).toEqual(made.end)
	expect(instantOf(span!.readyAt, ZONE) - instantOf(span!.from, ZONE)).toBe(60_000 * made.task.dryMinutes!)
	expect(instantOf(span!.readyAt, ZONE)).toBeLessThanOrEqual(
		instantOf({ date: sessions[0]!.date, minuteOfDay: sessions[0]!.startMin }, ZONE),
	)
})
