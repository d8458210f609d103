/** Loaders and actions called as functions with a Request, on the real database. */
import { RouterContextProvider } from 'react-router'
import { beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { requireMember } from '../../app/account/require-member.server'
import { memberContext } from '../../app/shared/http/contexts'
import * as choose from '../../app/course/routes/course-choose/route'
import * as remove from '../../app/course/routes/course-delete/route'
import * as kits from '../../app/kit/routes/course-kits/route'
import * as courses from '../../app/course/routes/courses/route'
import * as newCourse from '../../app/course/routes/course-new/route'
import * as plan from '../../app/plan/routes/course-plan/route'
import * as design from '../../app/design/routes/design/route'
import * as signIn from '../../app/account/routes/sign-in/route'
import * as signOut from '../../app/account/routes/sign-out/route'
import * as studioPage from '../../app/studio/routes/studio/route'
import { loadToday } from '../../app/today/load-today.server'
import { USUAL_PREP_TERMS } from '../../core/prepare/prep-terms'
import { USUAL_STRAIN_TERMS } from '../../core/plan/compile/strain-terms'
import { USUAL_KIT_TERMS } from '../../core/kit/kit-terms'
import type { Course } from '../../core/course/course'
import { listCourses } from '../../db/repositories/course-list.server'
import { getCourse } from '../../db/repositories/courses.server'
import { answerOf, call, thrownBy } from '../support/call-route'
import { demoCourse } from '../support/demo-designs'
import { contextOf, foundStudio, freshDatabase, type TestStudio } from '../support/studios'

const course = demoCourse('Magnolia on Thursdays')
let studio: TestStudio
let stranger: TestStudio

beforeAll(freshDatabase)
beforeEach(async () => {
	studio = await foundStudio(['magnolia', 'calla-lily'])
	stranger = await foundStudio(['magnolia'])
})

async function makeCourse(values: Partial<Course> = {}): Promise<number> {
	const { to } = await answerOf(newCourse.action(call(studio, '/courses/new', { body: { ...course, ...values } })))
	return Number(/\/courses\/(\d+)\/plan/.exec(to ?? '')?.[1])
}

describe('making a course', () => {
	test('plans it, and leads to its plan', async () => {
		const id = await makeCourse()

		const loaded = await plan.loader(call(studio, `/courses/${id}/plan`, { params: { courseId: String(id) } }))

		expect(loaded.story?.sessions).toHaveLength(3)
		expect(loaded.isOutdated).toBe(false)
	})

	test.each<[string, Partial<Record<keyof Course, unknown>>, string]>([
		['no name', { name: '  ' }, 'name'],
		['half a student', { studentCount: 2.5 }, 'studentCount'],
		['a crowd', { studentCount: 61 }, 'studentCount'],
		['no design', { designs: [] }, 'designs'],
		['two items of one key', { designs: [1, 2].map(() => ({ ...course.designs[0], key: 'a' })) }, 'designs[0].key'],
		['a design too often', { designs: Array.from({ length: 7 }, () => course.designs[0]) }, 'designs'],
		['a day that does not exist', { sessions: [{ ...course.sessions[0], date: '2026-02-30' }] }, 'sessions[0].date'],
		['an end before its start', { sessions: [{ ...course.sessions[0], endMin: 600 }] }, 'sessions[0].endMin'],
		['sessions out of order', { sessions: course.sessions.toReversed() }, 'sessions[1].date'],
		[
			'a design of somebody else',
			{ designs: [{ designId: 'shells-and-starfish', flowersPerStudent: 1, picks: {} }] },
			'designs[0].designId',
		],
		[
			'an option that the design lacks',
			{ designs: [{ designId: 'magnolia', flowersPerStudent: 1, picks: { leaves: 'many' } }] },
			'designs[0].picks.leaves',
		],
	])('with %s is refused at the field, and nothing is saved', async (_, change, path) => {
		const answer = await answerOf(newCourse.action(call(studio, '/courses/new', { body: { ...course, ...change } })))

		expect(answer.status).toBe(400)
		expect(answer.refusal?.problems.map((problem) => problem.path)).toContain(path)
		expect((await listCourses(studio.studioId)).courses).toEqual([])
	})

	test.each([
		['not JSON', '{'],
		['a list', '[]'],
		['nothing', 'null'],
		['strange fields', '{"__proto__":{"x":1},"constructor":{"prototype":1},"toString":2}'],
	])('with a body that is %s is refused', async (_, text) => {
		const request = new Request('http://localhost/courses/new', {
			method: 'POST',
			headers: { 'Content-Type': 'application/json' },
			body: text,
		})

		const answer = await answerOf(newCourse.action({ request, params: {}, context: contextOf(studio) } as never))

		expect(answer.status).toBe(400)
	})
})

describe('changing a course', () => {
	test('plans anew: more students, more pieces', async () => {
		const id = await makeCourse()
		const params = { courseId: String(id) }
		const totalOf = async () => {
			const loaded = await kits.loader(call(studio, `/courses/${id}/kits`, { params }))
			return loaded.kit?.lines.reduce((sum, { shares }) => sum + shares.total, 0)
		}
		const before = await totalOf()

		const answer = await answerOf(
			choose.action(call(studio, `/courses/${id}`, { params, body: { ...course, studentCount: 9, version: 1 } })),
		)

		expect(answer.to).toBe(`/courses/${id}/plan`)
		const perStudent = 16
		expect(await totalOf()).toBe((before ?? 0) + perStudent)
	})

	test('in two windows tells the second what the first saved', async () => {
		const id = await makeCourse()
		const params = { courseId: String(id) }
		const change = (name: string) =>
			choose.action(call(studio, `/courses/${id}`, { params, body: { ...course, name, version: 1 } }))
		await change('First')

		const answer = await answerOf(change('Second'))

		expect(answer.status).toBe(409)
		expect(answer.refusal).toMatchObject({ refused: true, current: { name: 'First', version: 2 } })
	})

	test('is not for other studios: not found, whatever is asked', async () => {
		const id = await makeCourse()
		const params = { courseId: String(id) }
		const at = (path: string, body?: unknown) => call(stranger, path, { params, ...(body !== undefined && { body }) })

		for (const load of [choose.loader, plan.loader, kits.loader]) {
			expect(await thrownBy(() => load(at(`/courses/${id}`)))).toMatchObject({ init: { status: 404 } })
		}
		for (const result of [
			choose.action(at('/', { ...course, version: 1 })),
			plan.action(at('/', { intent: 'plan-anew', version: 1, planId: 1 })),
			remove.action(at('/', {})),
		]) {
			expect((await answerOf(result)).status).toBe(404)
		}
		expect((await getCourse(studio.studioId, id)).version).toBe(1)
	})

	test('ends with its deletion', async () => {
		const id = await makeCourse()

		const answer = await answerOf(
			remove.action(call(studio, '/', { params: { courseId: String(id) }, body: { version: 1 } })),
		)

		expect(answer.to).toBe('/courses')
		expect((await listCourses(studio.studioId)).courses).toEqual([])
	})
})

describe('the list of courses', () => {
	const page = (query: string) => courses.loader(call(studio, `/courses${query}`))
	const remove = (who: TestStudio, chosen: { id: number; version: number }[]) =>
		courses.action(call(who, '/courses', { body: { intent: 'delete', courses: chosen } }))

	test('is narrowed by its address, and what is not understood narrows nothing', async () => {
		await makeCourse({ name: 'Beginners on Mondays' })
		await makeCourse({ name: 'Advanced' })
		const names = async (query: string) => (await page(query)).courses.map(({ name }) => name)

		expect(await names('?q=mondays')).toEqual(['Beginners on Mondays'])
		expect(await names('?order=name')).toEqual(['Advanced', 'Beginners on Mondays'])
		expect(await names('?when=never&plan=perhaps&order=colour&page=-1')).toHaveLength(2)
		expect((await page('?q=a&when=soon')).filter).toEqual({ search: 'a' })
	})

	test('loses those that are chosen, and says how many of them were still as they were shown', async () => {
		const [one, two] = [await makeCourse(), await makeCourse()]
		await choose.action(
			call(studio, '/', { params: { courseId: String(two) }, body: { ...course, name: 'Changed', version: 1 } }),
		)
		const chosen = [one, two].map((id) => ({ id, version: 1 }))

		expect(await remove(stranger, chosen)).toEqual({ deleted: 0, asked: 2 })
		expect(await remove(studio, chosen)).toEqual({ deleted: 1, asked: 2 })
		expect((await page('')).courses.map(({ name }) => name)).toEqual(['Changed'])
	})

	test.each([{ chosen: [] }, { chosen: [{ id: 0, version: 1 }] }, { chosen: [{ id: 1 }] }])(
		'refuses to delete $chosen',
		async ({ chosen }) => {
			expect((await answerOf(remove(studio, chosen as never))).status).toBe(400)
		},
	)
})

describe('a course that does not fit', () => {
	const evening = {
		...course,
		sessions: course.sessions.slice(0, 1).map((session) => ({ ...session, endMin: session.startMin + 75 })),
	}

	test('says what is missing, and takes one more session', async () => {
		const id = await makeCourse(evening)
		const params = { courseId: String(id) }

		const { story, version } = await plan.loader(call(studio, '/', { params }))
		expect(story?.shortfall?.minutes).toBeGreaterThan(0)

		const answer = await answerOf(plan.action(call(studio, '/', { params, body: { intent: 'add-session', version } })))
		expect(answer.status).toBe(302)
		expect((await getCourse(studio.studioId, id)).sessions).toHaveLength(2)
	})

	test('takes none if it was changed meanwhile', async () => {
		const id = await makeCourse(evening)
		const params = { courseId: String(id) }

		const answer = await answerOf(
			plan.action(call(studio, '/', { params, body: { intent: 'add-session', version: 7 } })),
		)

		expect(answer.status).toBe(409)
		expect((await getCourse(studio.studioId, id)).sessions).toHaveLength(1)
	})
})

describe('signing in', () => {
	const attempt = (body: unknown, url = '/sign-in') => signIn.action(call(new RouterContextProvider(), url, { body }))

	test('gives a cookie that scripts cannot read, and goes where the visitor wanted', async () => {
		const { email, password } = studio

		const answer = (await attempt({ email, password }, '/sign-in?to=%2Fdesigns')) as Response

		expect(answer.headers.get('Location')).toBe('/designs')
		const [token, look] = answer.headers.getSetCookie()
		expect(token).toMatch(/^calycine=.+; Max-Age=1209600; Path=\/; HttpOnly; SameSite=Lax$/)
		expect(look).toMatch(/^calycine-look=.+; HttpOnly; SameSite=Lax$/)
	})

	test.each([
		'//evil.example',
		'https://evil.example',
		'/\\evil.example',
		'/\t/evil.example',
		'/\n/evil.example',
		'\n//evil.example',
		'/./\t/evil.example',
	])('goes nowhere else: %s', async (to) => {
		const { email, password } = studio

		expect((await answerOf(attempt({ email, password }, `/sign-in?to=${encodeURIComponent(to)}`))).to).toBe('/')
	})

	test('says the same of a wrong address and a wrong password', async () => {
		const wrongPassword = await answerOf(attempt({ email: studio.email, password: 'wrong' }))
		const wrongAddress = await answerOf(attempt({ email: 'who@studio.example', password: 'wrong' }))

		expect(wrongPassword).toEqual(wrongAddress)
		expect(wrongPassword.status).toBe(400)
	})

	test('is slowed down after eight wrong passwords, for that account', async () => {
		const answers = []
		for (let a = 0; a < 9; a++) answers.push(await answerOf(attempt({ email: stranger.email, password: 'wrong' })))

		expect(answers.at(-1)?.refusal?.problems[0]?.message).toMatch(/Too many attempts.*1[45] minutes/)
		expect((await answerOf(attempt({ email: stranger.email, password: stranger.password }))).status).toBe(400)
		expect((await answerOf(attempt({ email: studio.email, password: studio.password }))).status).toBe(302)
	})

	test('ends the sign-in that the browser had, and signing out ends the new one', async () => {
		const { email, password } = studio
		const cookieOf = (response: Response) => response.headers.get('Set-Cookie')?.split(';')[0] ?? ''
		const withCookie = (cookie: string, body?: unknown) =>
			new Request('http://localhost/', {
				headers: { Cookie: cookie, 'Content-Type': 'application/json' },
				...(body !== undefined && { method: 'POST', body: JSON.stringify(body) }),
			})
		const isSignedIn = async (cookie: string) => {
			const context = new RouterContextProvider()
			const thrown = await thrownBy(() =>
				requireMember(
					{ request: withCookie(cookie), url: new URL('http://localhost/'), context } as never,
					async () => new Response(),
				),
			)
			if (thrown) return false
			return context.get(memberContext).studio.id === studio.studioId
		}
		const first = cookieOf((await attempt({ email, password })) as Response)
		expect(await isSignedIn(first)).toBe(true)

		const request = withCookie(first, { email, password })
		const second = cookieOf(
			(await signIn.action({ request, context: new RouterContextProvider(), params: {} } as never)) as Response,
		)
		expect([await isSignedIn(first), await isSignedIn(second)]).toEqual([false, true])
		expect(await isSignedIn(`${second}x`)).toBe(false)

		await signOut.action({ request: withCookie(second, {}) } as never)
		expect(await isSignedIn(second)).toBe(false)
	})

	test('is asked of whoever comes without, who then comes back', async () => {
		const request = new Request('http://localhost/courses/3/plan?step=a%2Fb')
		const thrown = await thrownBy(() =>
			requireMember(
				{ request, url: new URL(request.url), context: new RouterContextProvider() } as never,
				async () => new Response(),
			),
		)

		expect((thrown as Response).headers.get('Location')).toBe('/sign-in?to=%2Fcourses%2F3%2Fplan%3Fstep%3Da%252Fb')
	})
})

test('a design shows the options that its address names, and refuses ones that it lacks', async () => {
	const at = (query: string) => call(studio, `/designs/magnolia${query}`, { params: { slug: 'magnolia' } })
	const [full, half] = await Promise.all([design.loader(at('')), design.loader(at('?extent=half-open&utm=x'))])

	expect(half.figures.handsOnMinutes).toBeLessThan(full.figures.handsOnMinutes)
	expect(await thrownBy(() => design.loader(at('?extent=many')))).toMatchObject({ init: { status: 400 } })
})

test('the studio’s settings are checked, and told apart by version', async () => {
	const settings = {
		name: 'New name',
		timeZone: 'Australia/Sydney',
		gaugeStandard: 'awg',
		wireLengthsMm: [360, 500],
		dryingConfidence: 0.9,
		readingMaxAgeMinutes: 60,
		peopleMonths: 12,
		ownPastes: [],
		units: 'imperial',
		paper: 'letter',
		kitTerms: { ...USUAL_KIT_TERMS, boardWidthMm: 420 },
		strainTerms: { ...USUAL_STRAIN_TERMS, split: 20 },
		prepTerms: USUAL_PREP_TERMS,
		version: 1,
	}
	const save = (change: object) => studioPage.action(call(studio, '/studio', { body: { ...settings, ...change } }))

	expect((await answerOf(save({ wireLengthsMm: [12] }))).refusal?.problems[0]?.path).toBe('wireLengthsMm[0]')
	const tooMuch = await answerOf(save({ kitTerms: { ...settings.kitTerms, rerollLoss: 0.9 } }))
	expect(tooMuch.refusal?.problems[0]).toEqual({ path: 'kitTerms.rerollLoss', message: 'A number from 0 to 0.5' })
	const half = await answerOf(save({ strainTerms: { ...settings.strainTerms, split: 0.5 } }))
	expect(half.refusal?.problems[0]).toEqual({ path: 'strainTerms.split', message: 'A whole number from 0 to 100' })
	expect(await save({})).toEqual({ saved: 2 })
	expect((await answerOf(save({ name: 'Late' }))).status).toBe(409)
})

describe('today', () => {
	test('of a new studio is clear', async () => {
		expect(await loadToday(studio.member, '2026-03-02')).toMatchObject({
			hasCourses: false,
			next: undefined,
			others: [],
		})
	})

	test('says what comes next, what to prepare for it, and what comes after', async () => {
		const id = await makeCourse()
		await makeCourse({
			name: 'Later',
			sessions: course.sessions.map((session) => ({ ...session, date: session.date.replace('2026', '2027') })),
		})

		const { next, others, work, workCount, late } = await loadToday(studio.member, course.sessions[1]?.date ?? '')

		expect(next).toMatchObject({ id, sessionNumber: 2, daysAway: 0 })
		// What is to be done for the second session: its trays, and nothing of what the first one needed.
		expect(work.every(({ words }) => /tray|Make/.test(words))).toBe(true)
		expect(workCount).toBeGreaterThanOrEqual(work.length)
		expect(late).toEqual([])
		expect(others.map(({ name }) => name)).toEqual(['Later'])
	})
})
