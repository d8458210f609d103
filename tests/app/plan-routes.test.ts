/** The plan's screen: a plan chosen, an earlier one brought back, ways out taken; called as functions, on the real database. */
import { beforeAll, beforeEach, describe, expect, test } from 'vitest'
import * as newCourse from '../../app/course/routes/course-new/route'
import * as plan from '../../app/plan/routes/course-plan/route'
import * as history from '../../app/plan/routes/course-plan-history/route'
import * as problem from '../../app/plan/routes/course-plan-problem/route'
import * as waysOut from '../../app/plan/routes/course-ways-out/route'
import type { Course } from '../../core/course/course'
import type { TriedWay } from '../../core/plan/ways-out/way-out'
import { findAlternatives } from '../../core/plan/exact/find-alternatives'
import type { Instance } from '../../core/plan/problem/instance'
import { OBJECTIVE_LEVELS } from '../../core/plan/problem/objective'
import type { Plan } from '../../core/plan/problem/plan'
import { getCourse } from '../../db/repositories/courses.server'
import { answerOf, call, thrownBy } from '../support/call-route'
import { demoCourse } from '../support/demo-designs'
import { foundStudio, freshDatabase, type TestStudio } from '../support/studios'

const calla = demoCourse('Calla lily taster')
let studio: TestStudio
let stranger: TestStudio

beforeAll(freshDatabase)
beforeEach(async () => {
	studio = await foundStudio(['calla-lily'])
	stranger = await foundStudio(['calla-lily'])
})

async function makeCourse(values: Partial<Course> = {}): Promise<{ id: number; params: { courseId: string } }> {
	const { to } = await answerOf(newCourse.action(call(studio, '/courses/new', { body: { ...calla, ...values } })))
	const id = Number(/\/courses\/(\d+)\/plan/.exec(to ?? '')?.[1])
	return { id, params: { courseId: String(id) } }
}

async function fetchProblem(params: object): Promise<{ instance: Instance; plan: Plan }> {
	const response = (await problem.loader(call(studio, '/', { params }))) as Response
	const { compiled, plan: stands } = (await response.json()) as { compiled: { instance: Instance }; plan: Plan }
	return { instance: compiled.instance, plan: stands }
}

describe('a plan chosen instead of the one that stands', () => {
	test('is kept, told for what it is, and the earlier one can be brought back', async () => {
		const { params } = await makeCourse()
		const before = await plan.loader(call(studio, '/', { params }))
		const { instance, plan: stands } = await fetchProblem(params)
		const other = findAlternatives(instance, stands, { nodes: 500 }).find(({ objective }) => {
			return JSON.stringify(objective) !== JSON.stringify(before.objective)
		})
		const { version, planId } = before
		const body = { intent: 'keep-plan', version, planId, plan: JSON.stringify(other?.plan) }

		expect((await answerOf(plan.action(call(studio, '/', { params, body })))).status).toBe(302)
		const after = await plan.loader(call(studio, '/', { params }))
		expect(after.objective).toEqual(other?.objective)
		expect(after.status).toBe('feasible')
		expect(after.planId).not.toBe(before.planId)
		// Only what its own values bear out.
		for (const level of OBJECTIVE_LEVELS)
			expect(after.proven[level] ?? after.objective?.[level]).toBe(after.objective?.[level])

		const { plans } = await history.loader(call(studio, '/', { params }))
		expect(plans.map(({ id }) => id)).toEqual([after.planId, before.planId])
		expect(plans[0]?.differences?.length).toBeGreaterThan(0)
		const back = { intent: 'bring-back', version: before.version, planId: before.planId }
		expect((await answerOf(plan.action(call(studio, '/', { params, body: back })))).status).toBe(302)
		expect((await plan.loader(call(studio, '/', { params }))).objective).toEqual(before.objective)
	})

	test.each([
		{ name: 'no JSON', text: '{' },
		{ name: 'no plan', text: '{"placements":7}' },
		{ name: 'a plan of something else', text: '{"placements":{},"swaps":[],"extension":0}' },
	])('is refused where it is $name', async ({ text }) => {
		const { params } = await makeCourse()
		const { version, planId } = await plan.loader(call(studio, '/', { params }))

		const answer = await answerOf(
			plan.action(call(studio, '/', { params, body: { intent: 'keep-plan', version, planId, plan: text } })),
		)

		expect(answer.status).toBe(400)
		expect((await plan.loader(call(studio, '/', { params }))).planId).toBe(planId)
	})

	test('an earlier plan is not brought back once the course has changed', async () => {
		const { id, params } = await makeCourse()
		const { version, planId } = await plan.loader(call(studio, '/', { params }))
		const later = { intent: 'end-later', version, minutes: 30 }
		await answerOf(plan.action(call(studio, '/', { params, body: later })))
		expect((await getCourse(studio.studioId, id)).sessions.at(-1)?.endMin).toBe(
			(calla.sessions.at(-1)?.endMin ?? 0) + 30,
		)

		const answer = await answerOf(
			plan.action(call(studio, '/', { params, body: { intent: 'bring-back', version: version + 1, planId } })),
		)

		expect(answer.status).toBe(409)
	})

	test('of another studio can be neither seen nor kept', async () => {
		const { params } = await makeCourse()
		const body = { intent: 'bring-back', version: 1, planId: 1 }

		for (const work of [
			() => problem.loader(call(stranger, '/', { params })),
			() => waysOut.loader(call(stranger, '/', { params })),
			() => history.loader(call(stranger, '/', { params })),
		]) {
			expect(await thrownBy(work)).toMatchObject({ init: { status: 404 } })
		}
		expect((await answerOf(plan.action(call(stranger, '/', { params, body })))).status).toBe(404)
	})
})

describe('why a step lies where it does', () => {
	test('names what holds it, in the words of the course', async () => {
		const { params } = await makeCourse()
		const { story } = await plan.loader(call(studio, '/', { params }))
		const tile = story?.sessions[0]?.tiles.at(-1)

		const { why } = await plan.loader(
			call(studio, `/?${new URLSearchParams({ step: tile?.taskId ?? '' })}`, { params }),
		)

		expect(why?.holds.length).toBeGreaterThan(0)
		expect(why?.earlierMinutes).toBe(0)
	})
})

describe('ways out of a course that does not fit', () => {
	const tight = {
		sessions: calla.sessions.map((session) => ({ ...session, endMin: session.startMin + 75, breaks: [] })),
	}

	async function listWays(params: object): Promise<TriedWay[]> {
		const response = (await waysOut.loader(call(studio, '/', { params }))) as Response
		return ((await response.json()) as { ways: TriedWay[] }).ways
	}

	test('are tried, and what is said to fit does fit when it is taken', async () => {
		const { params } = await makeCourse(tight)
		const { version } = await plan.loader(call(studio, '/', { params }))

		const found = (await listWays(params)).filter(({ verdict }) => verdict === 'fits')
		const [longer] = found.flatMap(({ ways: [way, second] }) => (way?.kind === 'longer' && !second ? [way] : []))
		const minutes = longer?.minutes ?? 0
		expect(minutes).toBeGreaterThan(0)
		await answerOf(plan.action(call(studio, '/', { params, body: { intent: 'end-later', version, minutes } })))

		expect((await plan.loader(call(studio, '/', { params }))).objective?.shortfall).toBe(0)
	})

	test('there are none to look for where the course fits', async () => {
		const { params } = await makeCourse()

		expect(await listWays(params)).toEqual([])
	})

	test('fewer flowers, and no such number', async () => {
		const { id, params } = await makeCourse({
			designs: calla.designs.map((item) => ({ ...item, flowersPerStudent: 3 })),
		})
		const { version } = await plan.loader(call(studio, '/', { params }))
		const fewer = (flowers: unknown) => {
			return answerOf(
				plan.action(call(studio, '/', { params, body: { intent: 'fewer-flowers', version, design: 0, flowers } })),
			)
		}

		expect((await fewer(0)).status).toBe(400)
		expect((await fewer(2)).status).toBe(302)
		expect((await getCourse(studio.studioId, id)).designs[0]?.flowersPerStudent).toBe(2)
	})
})
