/** Waits over a night in which clocks change, seen from the plan. */
import { describe, expect, test } from 'vitest'
import { toSessionSpans, toWindows } from '../../../../core/plan/compile/session-windows'
import { planCourse } from '../../../../core/plan/plan-course'
import { ORDINARY_TERMS } from '../../../../core/plan/compile/drying-terms'
import { tellPlan } from '../../../../core/plan/tell/plan-story'
import { demoCourse, demoDesign } from '../../../support/demo-designs'

const course = demoCourse('Magnolia on Thursdays')
const [first] = course.sessions
const at = (dates: readonly string[]) => dates.map((date) => ({ ...first!, date }))

describe.each([
	{ zone: 'Europe/London', dates: ['2026-03-28', '2026-03-29', '2026-03-30'], hours: [23, 24] },
	{ zone: 'Europe/London', dates: ['2026-10-24', '2026-10-25', '2026-10-26'], hours: [25, 24] },
	{ zone: 'Australia/Sydney', dates: ['2026-10-03', '2026-10-04', '2026-10-05'], hours: [23, 24] },
])('evenings of $dates in $zone', ({ zone, dates, hours }) => {
	test('lie as far apart as time really passes', () => {
		const spans = toSessionSpans(at(dates), zone)

		expect(spans.slice(1).map(({ start }, s) => (start - (spans[s]?.start ?? 0)) / 60)).toEqual(hours)
		expect(toWindows(at(dates), zone).windows.map(({ open, close }) => close - open)).toEqual(
			toWindows(at(dates), 'UTC').windows.map(({ open, close }) => close - open),
		)
	})

	test('are told on the wall clock that the class sees', () => {
		const documents = course.designs.map(({ designId }) => demoDesign(designId))
		const dated = { ...course, sessions: at(dates) }
		const { compiled, plan } = planCourse(dated, documents, { ...ORDINARY_TERMS, zone })
		if (!plan) throw new Error('no plan')

		const { sessions, threads } = tellPlan(compiled, plan, dated.sessions)

		for (const { tiles, session } of sessions)
			for (const { startMin } of tiles) {
				expect(startMin).toBeGreaterThanOrEqual(session.startMin + session.setUpMinutes)
				expect(startMin).toBeLessThan(session.endMin)
			}
		for (const { from, to, hangsMinutes } of threads.filter((thread) => thread.to.session > thread.from.session)) {
			const wall = 1440 * (to.session - from.session) + to.minute - from.minute
			const passed = hours.slice(from.session, to.session).reduce((sum, night) => sum + 60 * (night - 24), wall)
			expect(hangsMinutes).toBe(passed)
		}
	})
})
