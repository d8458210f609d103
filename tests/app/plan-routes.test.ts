/** The plan's screen: a plan chosen, an earlier one brought back, ways out taken; called as functions, on the real database. */
import { beforeAll, beforeEach, describe, expect, test } from 'vitest'
import * as again from '../../app/course/routes/course-again/route'
import * as choose from '../../app/course/routes/course-choose/route'
import * as importing from '../../app/course/routes/course-import/route'
import * as newCourse from '../../app/course/routes/course-new/route'
import * as plan from '../../app/plan/routes/course-plan/route'
import * as cost from '../../app/kit/routes/kit-cost/route'
import * as files from '../../app/prepare/routes/course-files/route'
import * as compare from '../../app/plan/routes/course-plan-compare/route'
import * as history from '../../app/plan/routes/course-plan-history/route'
import * as problem from '../../app/plan/routes/course-plan-problem/route'
import * as waysOut from '../../app/plan/routes/course-ways-out/route'
import { updatePlannedCourse } from '../../app/plan/save-course.server'
import type { PlanProblem } from '../../app/plan/solving/use-plan-search'
import { TrialDesk } from '../../app/plan/trial/try-course'
import { memberContext } from '../../app/shared/http/contexts'
import type { Course } from '../../core/course/course'
import { NO_MONEY } from '../../core/kit/price-course'
import type { CoursePin } from '../../core/course/course-pin'
import { applyEdit } from '../../core/plan/edit/course-edit'
import type { TriedWay } from '../../core/plan/ways-out/way-out'
import { findAlternatives } from '../../core/plan/exact/find-alternatives'
import type { Instance } from '../../core/plan/problem/instance'
import { OBJECTIVE_LEVELS } from '../../core/plan/problem/objective'
import type { Plan } from '../../core/plan/problem/plan'
import { getCourse, updateCourseMoney } from '../../db/repositories/courses.server'
import { getRoster, replaceStudents } from '../../db/repositories/students.server'
import { answerOf, call, thrownBy } from '../support/call-route'
import { demoCourse } from '../support/demo-designs'
import { contextOf, foundStudio, freshDatabase, type TestStudio } from '../support/studios'

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

	test('what is to be spare at the end of a session is planned with, and the page that asked stays', async () => {
		const { id, params } = await makeCourse()
		const { version, planId } = await plan.loader(call(studio, '/', { params }))
		const body = { intent: 'set-buffer', version, session: 1, minutes: 23 }
		const answer = await answerOf(plan.action(call(studio, '/courses/1/plan?stay', { params, body })))

		expect(answer.status).toBe(200)
		expect((await getCourse(contextOf(studio).get(memberContext).studio.id, id)).sessions[0]?.bufferMinutes).toBe(23)
		const after = await plan.loader(call(studio, '/', { params }))
		expect(after.planId).not.toBe(planId)
		expect(after.course.sessions[0]?.bufferMinutes).toBe(23)
	})

	test('an earlier plan comes back with the course as it was for it', async () => {
		const { id, params } = await makeCourse()
		const before = await plan.loader(call(studio, '/', { params }))
		const { version, planId } = before
		const later = { intent: 'end-later', version, minutes: 30 }
		await answerOf(plan.action(call(studio, '/', { params, body: later })))
		const end = calla.sessions.at(-1)?.endMin ?? 0
		expect((await getCourse(studio.studioId, id)).sessions.at(-1)?.endMin).toBe(end + 30)

		const answer = await answerOf(
			plan.action(call(studio, '/', { params, body: { intent: 'bring-back', version: version + 1, planId } })),
		)

		expect(answer.status).toBe(302)
		expect((await getCourse(studio.studioId, id)).sessions.at(-1)?.endMin).toBe(end)
		expect((await plan.loader(call(studio, '/', { params }))).objective).toEqual(before.objective)
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

describe('what was tried by hand', () => {
	/** A step of the course settled in its last session, with the plan that this gives. */
	async function tryPin(params: object) {
		const response = (await problem.loader(call(studio, '/', { params }))) as Response
		const materials = (await response.json()) as PlanProblem
		const desk = new TrialDesk(materials)
		const { story } = await plan.loader(call(studio, '/', { params }))
		const tiles = story?.sessions.flatMap(({ tiles: own }) => own) ?? []
		const last = story?.sessions.length ?? 1
		for (const { taskId } of tiles.toReversed()) {
			const pin: CoursePin = { kind: 'start', task: taskId, session: last, minuteOfDay: tiles.at(-1)?.endMin ?? 0 }
			const course = applyEdit(materials.course, { kind: 'pin', pin })
			const { plan: found, shown } = desk.lay(course, { nodes: 600 })
			if (found && shown.objective?.shortfall === 0) return { pin, course: writable(course), found, shown }
		}
		throw new Error('no step can be moved')
	}

	/** As the page sends it. */
	function writable({ designs, ...rest }: Course): string {
		return JSON.stringify({ ...rest, designs: designs.map(({ designVersion: _, ...item }) => item) })
	}

	test('is kept with the very plan that was seen, and the pin is lifted without scripts too', async () => {
		const { id, params } = await makeCourse()
		const { version, planId } = await plan.loader(call(studio, '/', { params }))
		const { pin, course, found, shown } = await tryPin(params)
		const body = { intent: 'keep-trial', version, planId, course, plan: JSON.stringify(found) }

		const kept = await answerOf(plan.action(call(studio, '/', { params, body })))

		expect(kept.status).toBe(200)
		expect((await getCourse(studio.studioId, id)).pins).toEqual([pin])
		const after = await plan.loader(call(studio, '/', { params }))
		expect([after.isOutdated, after.objective]).toEqual([false, shown.objective])
		// Once more from a window that has not seen it.
		expect((await answerOf(plan.action(call(studio, '/', { params, body })))).status).toBe(409)

		const lift = { intent: 'lift-pin', version: version + 1, pin: JSON.stringify(pin) }
		await answerOf(plan.action(call(studio, '/', { params, body: lift })))
		expect((await getCourse(studio.studioId, id)).pins).toBeUndefined()
	})

	test('stays with the course when its form is saved, but for sessions that go', async () => {
		const { id, params } = await makeCourse({
			sessions: [...calla.sessions, { ...calla.sessions[0]!, date: '2027-01-04' }],
		})
		const { version, planId } = await plan.loader(call(studio, '/', { params }))
		const { pin, course, found } = await tryPin(params)
		const body = { intent: 'keep-trial', version, planId, course, plan: JSON.stringify(found) }
		await answerOf(plan.action(call(studio, '/', { params, body })))
		const { id: _, version: now, pins, waits: __, ...stored } = await getCourse(studio.studioId, id)
		expect(pins).toEqual([pin])

		const form = { ...stored, designs: calla.designs, sessions: stored.sessions.slice(0, -1), version: now }
		await answerOf(choose.action(call(studio, '/', { params, body: form })))

		expect((await getCourse(studio.studioId, id)).pins).toBeUndefined()
	})

	test('is set aside, compared, taken, and forgotten; the plan that stands stays', async () => {
		const { id, params } = await makeCourse()
		const { version, planId } = await plan.loader(call(studio, '/', { params }))
		await updateCourseMoney(studio.studioId, id, {
			money: { ...NO_MONEY, payCentsPerHour: 2400, roomCents: 500 },
			version: 1,
		})
		const { pin, course, found } = await tryPin(params)
		const aside = { intent: 'set-aside', version, name: 'Later', course, plan: JSON.stringify(found) }
		expect((await answerOf(plan.action(call(studio, '/', { params, body: aside })))).status).toBe(200)

		expect((await plan.loader(call(studio, '/', { params }))).planId).toBe(planId)
		expect((await getCourse(studio.studioId, id)).pins).toBeUndefined()
		const { compared, offered } = await compare.loader(call(studio, '/', { params }))
		expect(offered.map(({ name }) => name.asideName)).toEqual([null, 'Later'])
		expect(compared.map(({ figures }) => figures.pins)).toEqual([0, 1])
		expect(compared[1]?.differences).not.toEqual([])
		const { price } = await cost.loader(call(studio, '/', { params }))
		expect(compared[0]?.figures.costCents).toBe(price?.totalCents)
		expect(price?.totalCents).toBeGreaterThan(500)

		const later = compared[1]?.id ?? 0
		const take = { intent: 'bring-back', version, planId: later }
		expect((await answerOf(plan.action(call(studio, '/', { params, body: take })))).status).toBe(302)
		expect((await getCourse(studio.studioId, id)).pins).toEqual([pin])
		const forget = { intent: 'forget-aside', version: version + 1, planId: later }
		expect((await answerOf(plan.action(call(studio, '/', { params, body: forget })))).status).toBe(302)
		// One that stood is no plan to forget.
		const other = { ...forget, planId }
		expect((await answerOf(plan.action(call(studio, '/', { params, body: other })))).status).toBe(404)
		expect((await compare.loader(call(studio, '/', { params }))).offered.map(({ name }) => name.stands)).toEqual([
			true,
			false,
		])
	})

	test.each([
		{ name: 'no course', change: { course: '{' }, status: 400 },
		{
			name: 'a pin of no kind',
			change: { course: JSON.stringify({ ...calla, pins: [{ kind: 'glue' }] }) },
			status: 400,
		},
		{ name: 'a plan of something else', change: { plan: '{"placements":{},"swaps":[],"extension":0}' }, status: 400 },
		{ name: 'another plan that stood', change: { planId: 4_000_000 }, status: 409 },
	])('is refused where it is $name', async ({ change, status }) => {
		const { id, params } = await makeCourse()
		const { version, planId } = await plan.loader(call(studio, '/', { params }))
		const { course, found } = await tryPin(params)
		const body = { intent: 'keep-trial', version, planId, course, plan: JSON.stringify(found), ...change }

		expect((await answerOf(plan.action(call(studio, '/', { params, body })))).status).toBe(status)
		expect((await getCourse(studio.studioId, id)).version).toBe(version)
	})
})

describe('a course for others', () => {
	const idOf = (to: string | undefined) => Number(/\/courses\/(\d+)\/plan/.exec(to ?? '')?.[1])

	test('is made again for a new group, with its plan', async () => {
		const { id, params } = await makeCourse()
		const before = await plan.loader(call(studio, '/', { params }))
		const body = { name: 'Callas again', firstDate: '2026-09-03', studentCount: 5 }

		const { to } = await answerOf(again.action(call(studio, '/', { params, body })))

		const copy = await getCourse(studio.studioId, idOf(to))
		expect(copy).toMatchObject({ name: 'Callas again', studentCount: 5 })
		expect(copy.sessions[0]?.date).toBe('2026-09-03')
		expect((await getCourse(studio.studioId, id)).name).toBe(calla.name)
		const after = await plan.loader(call(studio, '/', { params: { courseId: String(copy.id) } }))
		expect([after.isOutdated, after.objective?.shortfall]).toEqual([false, before.objective?.shortfall])
	})

	test('goes out as one file and comes in as it was, at another studio too', async () => {
		const { id, params } = await makeCourse()
		const { version, names } = await plan.loader(call(studio, '/', { params }))
		const [task = ''] = Object.keys(names)
		const stored = await getCourse(studio.studioId, id)
		const pins: CoursePin[] = [{ kind: 'session', task, session: 1 }]
		await updatePlannedCourse(contextOf(studio).get(memberContext).studio, { ...stored, pins })
		expect((await getCourse(studio.studioId, id)).version).toBe(version + 1)
		const download = async (who: TestStudio, courseId: number) => {
			const at = { params: { courseId: String(courseId), file: 'course.json' } }
			return ((await files.loader(call(who, '/', at))) as Response).text()
		}
		const text = await download(studio, id)

		const { to } = await answerOf(importing.action(call(stranger, '/', { body: { text } })))

		expect(JSON.parse(await download(stranger, idOf(to)))).toEqual(JSON.parse(text))
		const { to: twice } = await answerOf(importing.action(call(stranger, '/', { body: { text } })))
		expect((await getCourse(stranger.studioId, idOf(twice))).designs).toEqual(
			(await getCourse(stranger.studioId, idOf(to))).designs,
		)
		expect((await answerOf(importing.action(call(stranger, '/', { body: { text: '{}' } })))).status).toBe(400)
	})

	test('comes in with the people that a file names, though a file that goes out names none', async () => {
		const { id } = await makeCourse()
		const wren = { name: 'Wren', isLeftHanded: true, avoids: [], diet: 'any' as const, isChild: false, notes: '' }
		await replaceStudents(studio.studioId, id, { students: [wren] })
		const at = { params: { courseId: String(id), file: 'course.json' } }
		const text = await ((await files.loader(call(studio, '/', at))) as Response).text()
		expect(text).not.toContain('Wren')
		const named = JSON.stringify({ ...(JSON.parse(text) as object), students: [wren] })

		const { to } = await answerOf(importing.action(call(stranger, '/', { body: { text: named } })))

		expect((await getRoster(stranger.studioId, idOf(to))).students).toEqual([wren])
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

	test('another option, and no such option', async () => {
		const { id, params } = await makeCourse()
		const { items, version } = await plan.loader(call(studio, '/', { params }))
		const [item] = items
		const [choice] = item?.choices ?? []
		const last = choice?.options.at(-1)?.id ?? ''
		const take = (option: string) => {
			const body = { intent: 'take-option', version, item: item?.key, choice: choice?.id, option }
			return answerOf(plan.action(call(studio, '/', { params, body })))
		}

		expect((await take('nothing-like-that')).status).toBe(400)
		expect((await take(last)).status).toBe(302)
		expect((await getCourse(studio.studioId, id)).designs[0]?.picks).toMatchObject({ [choice?.id ?? '']: last })
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
