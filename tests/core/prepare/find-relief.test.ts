/** What would help where work before class is not all in time: each is tried, and none is larger than it must be. */
import { describe, expect, test } from 'vitest'
import { findRelief, isHelpable, withSpan } from '../../../core/prepare/find-relief'
import { spansOn, USUAL_FREE_TIME, type FreeTime } from '../../../core/prepare/free-time'
import { layPreparation, type HandsTerms } from '../../../core/prepare/lay-preparation'
import { listPrepTasks } from '../../../core/prepare/prep-tasks'
import { addDays } from '../../../core/time/calendar'
import { packDemo } from '../../support/demo-kit'

const QUICK = { steps: 0 }
const { course, story, kit, designs } = packDemo('Calla lily taster')
const { sessions } = course
const tasks = listPrepTasks({ id: 1, sessions, story, kit, designs })
const now = { date: addDays(sessions[0]!.date, -5), minuteOfDay: 8 * 60 }

function termsOf(freeTime: Partial<FreeTime>): HandsTerms {
	return { zone: 'Europe/London', now, busy: sessions, freeTime: { ...USUAL_FREE_TIME, ...freeTime } }
}

function isAllInTime(freeTime: FreeTime, rest = tasks): boolean {
	const { unplaced, objective } = layPreparation(rest, termsOf(freeTime), QUICK)
	return unplaced.length === 0 && objective.late === 0
}

// One morning of half the time that it takes.
const scarce = { weekly: [{ weekday: 3, startMin: 540, endMin: 620 }] }
const short = layPreparation(tasks, termsOf(scarce), QUICK)
const relief = findRelief(tasks, termsOf(scarce), short)

describe('too little time', () => {
	test('is helped by more of it on one day, as little as is enough', () => {
		const more = relief.find((one) => one.kind === 'more time')
		if (more?.kind !== 'more time') throw new Error('nothing was found')
		const { freeTime } = termsOf(scarce)
		const minutes = more.span.endMin - more.span.startMin

		expect(isAllInTime(withSpan(freeTime, more.date, more.span))).toBe(true)
		// Half an hour less is not enough on any of the days.
		for (let d = 0; d <= 5; d++) {
			const span = { startMin: 18 * 60, endMin: 18 * 60 + minutes - 30 }
			if (minutes > 30) expect(isAllInTime(withSpan(freeTime, addDays(now.date, d), span))).toBe(false)
		}
	})

	test('or by somebody who does one thing of it, where nothing has to dry after that', () => {
		for (const one of relief) {
			if (one.kind !== 'helper') continue
			expect(
				isAllInTime(
					termsOf(scarce).freeTime,
					tasks.filter(({ id }) => id !== one.taskId),
				),
			).toBe(true)
			expect(tasks.flatMap(({ after }) => after).filter(({ id, lag }) => id === one.taskId && lag > 0)).toEqual([])
		}
	})

	test('of one day is helped by a longer day, no longer than it must be', () => {
		const weekly = [2, 3].map((weekday) => ({ weekday, startMin: 540, endMin: 1080 }))
		const limit = { weekly, mostMinutesADay: 60 }
		const terms = termsOf(limit)
		const longer = findRelief(tasks, terms, layPreparation(tasks, terms, QUICK)).find(
			({ kind }) => kind === 'longer days',
		)
		if (longer?.kind !== 'longer days') throw new Error('nothing was found')

		expect(isAllInTime({ ...terms.freeTime, mostMinutesADay: longer.mostMinutesADay })).toBe(true)
		expect(isAllInTime({ ...terms.freeTime, mostMinutesADay: longer.mostMinutesADay - 30 })).toBe(false)
	})
})

test('nothing is offered where all is in time, nor for what should have been done before', () => {
	const terms = termsOf({})
	expect(findRelief(tasks, terms, layPreparation(tasks, terms, QUICK))).toEqual([])

	const overdue = { ...tasks[0]!, latest: { date: addDays(now.date, -1), minuteOfDay: 600 } }
	const laid = layPreparation([overdue], terms, QUICK)
	expect(laid.objective.late).toBeGreaterThan(0)
	expect(isHelpable(laid, now)).toBe(false)
	expect(findRelief([overdue], terms, laid)).toEqual([])
})

test('a span more leaves the other days, and the pattern, as they are', () => {
	const changed = withSpan(USUAL_FREE_TIME, '2026-03-04', { startMin: 1080, endMin: 1140 })
	expect(spansOn(changed, '2026-03-04').map(({ startMin }) => startMin)).toEqual([540, 1080])
	expect(spansOn(changed, '2026-03-05')).toEqual(spansOn(USUAL_FREE_TIME, '2026-03-05'))
	expect(changed.mostMinutesADay).toBe(180)
	expect(changed.exceptions[0]?.mostMinutes).toBe(240)
	// And again on the same day.
	const more = withSpan(changed, '2026-03-04', { startMin: 1140, endMin: 1170 })
	expect(more.exceptions).toHaveLength(1)
	expect(more.exceptions[0]?.mostMinutes).toBe(270)
})
