import { describe, expect, test } from 'vitest'
import { compareCourses } from '../../../../core/course/course-differences'
import type { Course } from '../../../../core/course/course'
import { planCourse, resolveCourse } from '../../../../core/plan/plan-course'
import { tellPlan } from '../../../../core/plan/tell/plan-story'
import { tryWaysOut } from '../../../../core/plan/ways-out/ways-out'
import { tellStep } from '../../../../core/plan/tell/step-story'
import { checkPlan } from '../../../../core/plan/checker/check-plan'
import { demoCourse, demoDesign } from '../../../support/demo-designs'

function planDemo(name: string, change: Partial<Course> = {}) {
	const course = { ...demoCourse(name), ...change }
	const designs = course.designs.map(({ designId }) => demoDesign(designId))
	const made = planCourse(course, designs)
	if (!made.plan) throw new Error(`no plan for ${name}`)
	return { ...made, story: tellPlan(made.compiled, made.plan, course.sessions) }
}

describe('the demo', () => {
	test.each(['Magnolia on Thursdays', 'Calla lily taster'])('%s fits', (name) => {
		const { compiled, plan, story } = planDemo(name)

		expect(checkPlan(compiled.instance, plan).objective?.shortfall).toBe(0)
		expect(story.shortfall).toBeUndefined()
	})

	test('the children’s morning does not, and one more session would help', () => {
		const { story, ...made } = planDemo('Seaside morning for children')
		const { objective, proven, course } = made

		expect(objective).toEqual({ shortfall: story.shortfall?.minutes })
		expect(story.shortfall).toMatchObject({ workMinutes: expect.any(Number) as number })
		expect((story.shortfall?.workMinutes ?? 0) + (story.shortfall?.dryingMinutes ?? 0)).toBe(story.shortfall?.minutes)
		expect(proven).toEqual(objective)
		const designs = resolveCourse(
			course,
			course.designs.map(({ designId }) => demoDesign(designId)),
		)
		const ways = [...tryWaysOut(made, designs, { effortOf: () => ({ nodes: 1000 }) })]
		const alone = (kind: string) => ways.find(({ ways: [way, second] }) => way?.kind === kind && !second)
		expect(alone('session')?.verdict).toBe('fits')
		expect(alone('longer')).toMatchObject({ ways: [{ minutes: objective?.shortfall }], verdict: 'fits' })
	})
})

describe('a told plan', () => {
	const { story, compiled, plan } = planDemo('Magnolia on Thursdays')

	test('accounts for every hands-on minute of every session', () => {
		for (const { handsOnMinutes, workMinutes, waitingMinutes, spareMinutes } of story.sessions) {
			expect(workMinutes + waitingMinutes + spareMinutes).toBe(handsOnMinutes)
		}
	})

	test('shows every run of every class task once, on the wall clock of its session', () => {
		const runs = Object.values(plan.placements).flatMap((placement) => ('runs' in placement ? placement.runs : []))

		expect(story.sessions.flatMap(({ tiles }) => tiles)).toHaveLength(runs.length)
		for (const { session, tiles } of story.sessions) {
			for (const { startMin, endMin } of tiles) {
				expect(startMin).toBeGreaterThanOrEqual(session.startMin + session.setUpMinutes)
				expect(endMin).toBeLessThanOrEqual(session.endMin - session.clearAwayMinutes)
			}
		}
	})

	test('hangs no thread that is too short for its wait', () => {
		for (const { from, to, wait, isSwapped } of story.threads) {
			const days = (session: number) => Date.parse(story.sessions[session]?.session.date ?? '') / 60_000
			const waited = days(to.session) + to.minute - days(from.session) - from.minute
			if (!isSwapped) expect(waited).toBeGreaterThanOrEqual(wait.plannedMinutes ?? Infinity)
		}
	})

	test('tells of a step what it waits for and what waits for it', () => {
		const taping = tellStep(compiled, story, 'magnolia/tape-inner')

		expect(taping?.waitsFor.map(({ stage, wait }) => [stage, wait.usualMinutes, wait.basis])).toEqual([
			['hard', 1080, 'drying'],
		])
		expect(tellStep(compiled, story, 'magnolia/centre-snip')?.isWaitedForBy).toHaveLength(1)
		expect(tellStep(compiled, story, 'magnolia/nothing')).toBeUndefined()
	})
})

test('two states of a course differ in the fields that differ, whatever the order of keys', () => {
	const mine = demoCourse('Magnolia on Thursdays')
	const theirs = { ...structuredClone(mine), studentCount: 11, sessions: mine.sessions.slice(0, 2) }
	const reordered = { ...mine, sessions: mine.sessions.map(({ date, ...rest }) => ({ ...rest, date })) }

	expect(compareCourses(mine, reordered)).toEqual([])
	expect(compareCourses(mine, theirs)).toEqual([
		{ field: 'studentCount', mine: 8, theirs: 11 },
		{ field: 'sessions', mine: 3, theirs: 2 },
	])
})
