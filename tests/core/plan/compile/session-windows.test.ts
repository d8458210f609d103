import { describe, expect, test } from 'vitest'
import type { Session } from '../../../../core/course/course'
import { withExtraSession } from '../../../../core/course/extra-session'
import { handsOnMinutes } from '../../../../core/course/session-hours'
import { toWindows } from '../../../../core/plan/compile/session-windows'
import { addDays, daysBetween, weekdayFrom } from '../../../../core/time/calendar'
import { NO_ZONE, wallTimeAfter } from '../../../../core/time/zone'
import type { InputError } from '../../../../core/errors'
import { demoCourse } from '../../../support/demo-designs'

const evening: Session = {
	date: '2026-03-05',
	startMin: 1140,
	endMin: 1260,
	setUpMinutes: 5,
	clearAwayMinutes: 10,
	breaks: [{ startMin: 1200, minutes: 10 }],
}

describe('windows', () => {
	test('are the hours less setting up and clearing away, from the first opening', () => {
		const { origin, windows } = toWindows([evening, { ...evening, date: '2026-03-12', breaks: [] }], NO_ZONE)

		expect(origin).toEqual({ date: '2026-03-05', minuteOfDay: 1145, zone: NO_ZONE })
		expect(windows).toEqual([
			{ open: 0, close: 105, session: 1 },
			{ open: 10080, close: 10185, session: 2 },
		])
	})

	test('have breaks that move by a quarter of an hour, or as the course says, within the hands-on time', () => {
		const movingBy = (mayMoveMinutes?: number) => {
			const pause = { startMin: 1200, minutes: 10, ...(mayMoveMinutes !== undefined && { mayMoveMinutes }) }
			return toWindows([{ ...evening, breaks: [pause] }], NO_ZONE).breaks
		}

		expect(movingBy()).toEqual([{ session: 1, minutes: 10, earliest: 40, latest: 70 }])
		expect(movingBy(0)).toEqual([{ session: 1, minutes: 10, earliest: 55, latest: 55 }])
		expect(movingBy(120)).toEqual([{ session: 1, minutes: 10, earliest: 0, latest: 95 }])
	})

	test('are to have a tenth of them to spare, in whole minutes', () => {
		expect(toWindows([evening], NO_ZONE).sessions).toEqual([{ session: 1, bufferMinutes: 10 }])
	})

	test('lead back to the wall clock, over midnight too', () => {
		const { origin } = toWindows([evening], NO_ZONE)

		expect(wallTimeAfter(origin, 65)).toEqual({ date: '2026-03-05', minuteOfDay: 1210 })
		expect(wallTimeAfter(origin, 1440)).toEqual({ date: '2026-03-06', minuteOfDay: 1145 })
	})

	test('know no break of no minutes', () => {
		expect(toWindows([{ ...evening, breaks: [{ startMin: 1200, minutes: 0 }] }], NO_ZONE).breaks).toEqual([])
		expect(handsOnMinutes(evening)).toBe(95)
	})

	test.each<{ name: string; sessions: Session[]; path: string }>([
		{ name: 'no session', sessions: [], path: 'sessions' },
		{ name: 'an end before the start', sessions: [{ ...evening, endMin: 1100 }], path: 'sessions[0].endMin' },
		{
			name: 'no time left for the work',
			sessions: [{ ...evening, setUpMinutes: 110, breaks: [] }],
			path: 'sessions[0].endMin',
		},
		{
			name: 'a break outside',
			sessions: [{ ...evening, breaks: [{ startMin: 1141, minutes: 10 }] }],
			path: 'sessions[0].breaks[0].startMin',
		},
		{
			name: 'two breaks at once',
			sessions: [
				{
					...evening,
					breaks: [
						{ startMin: 1170, minutes: 15 },
						{ startMin: 1180, minutes: 5 },
					],
				},
			],
			path: 'sessions[0].breaks[1].startMin',
		},
		{
			name: 'sessions out of order',
			sessions: [evening, { ...evening, date: '2026-03-04' }],
			path: 'sessions[1].date',
		},
		{
			name: 'sessions at the same time',
			sessions: [evening, { ...evening, startMin: 1200, endMin: 1290, breaks: [] }],
			path: 'sessions[1].date',
		},
	])('refuse $name, by its field', ({ sessions, path }) => {
		expect.assertions(1)
		try {
			toWindows(sessions, NO_ZONE)
		} catch (error) {
			expect((error as InputError).problems.map((problem) => problem.path)).toContain(path)
		}
	})
})

test.each([
	['2026-02-28', 1, '2026-03-01'],
	['2028-02-28', 1, '2028-02-29'],
	['2026-12-30', 5, '2027-01-04'],
])('%s and %i days is %s', (from, days, to) => {
	expect(addDays(from, days)).toBe(to)
	expect(daysBetween(from, to)).toBe(days)
})

test.each([
	{ name: 'after the same interval', dates: ['2026-03-05', '2026-03-08'], next: '2026-03-11' },
	{ name: 'a week after an only one', dates: ['2026-03-05'], next: '2026-03-12' },
])('one more session comes $name', ({ dates, next }) => {
	const course = demoCourse('Calla lily taster')
	const sessions = course.sessions.slice(0, 1).flatMap((session) => dates.map((date) => ({ ...session, date })))

	expect(withExtraSession({ ...course, sessions }).sessions.map(({ date }) => date)).toEqual([...dates, next])
})

test.each([
	{ date: '2026-03-02', weekday: 1, first: '2026-03-02' },
	{ date: '2026-03-02', weekday: 4, first: '2026-03-05' },
	{ date: '2026-12-30', weekday: 0, first: '2027-01-03' },
])('the first day $weekday of a week from $date on is $first', ({ date, weekday, first }) => {
	expect(weekdayFrom(date, weekday)).toBe(first)
})
