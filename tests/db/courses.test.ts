import { beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { ORDINARY_TERMS } from '../../core/plan/compile/drying-terms'
import { ORDINARY_PLACE } from '../../core/drying/place'
import { planCourse } from '../../core/plan/plan-course'
import { ConflictError, NotFoundError } from '../../core/errors'
import { inTransaction } from '../../db/connection.server'
import { fingerprintOf } from '../../db/fingerprint.server'
import { deleteCourses, listCourses } from '../../db/repositories/course-list.server'
import {
	createCourse,
	deleteCourse,
	findNextCourseId,
	getCourse,
	updateCourse,
} from '../../db/repositories/courses.server'
import {
	createDesign,
	deleteDesign,
	getDesign,
	getDesigns,
	listDesignOptions,
	listDesigns,
	listDocuments,
	updateDesign,
} from '../../db/repositories/designs.server'
import { makeCard } from '../../core/design/design-card'
import type { Design } from '../../core/design/design'
import type { DesignFilter } from '../../core/design/design-filter'
import { createPlan, findNewestPlan } from '../../db/repositories/plans.server'
import { demoCourse, demoDesign } from '../support/demo-designs'
import { foundStudio, freshDatabase, type TestStudio } from '../support/studios'

const course = demoCourse('Magnolia on Thursdays')
const magnolia = demoDesign('magnolia')
let studio: TestStudio
let stranger: TestStudio

beforeAll(freshDatabase)
beforeEach(async () => {
	studio = await foundStudio(['magnolia'])
	stranger = await foundStudio()
})

const save = (values = course) => inTransaction((transaction) => createCourse(studio.studioId, values, transaction))

describe('a course', () => {
	test('keeps the days to finish at home, and a plan made without them is another', async () => {
		const id = await save({ ...course, homeAfterDays: 3 })

		const kept = await getCourse(studio.studioId, id)
		expect(kept.homeAfterDays).toBe(3)
		expect(await getCourse(studio.studioId, await save())).not.toHaveProperty('homeAfterDays')
		expect(fingerprintOf(kept, [magnolia], ORDINARY_TERMS)).not.toBe(fingerprintOf(course, [magnolia], ORDINARY_TERMS))
	})

	test('makes one design in several ways: each comes back with its key and its name', async () => {
		const [own] = course.designs
		if (!own) throw new Error('no design')
		const twice = { ...course, designs: [own, { ...own, name: 'In modelling paste', flowersPerStudent: 2 }] }

		const id = await save(twice)
		const { designs } = await getCourse(studio.studioId, id)

		expect(designs.map(({ key, name, flowersPerStudent }) => [key, name, flowersPerStudent])).toEqual([
			[undefined, undefined, 1],
			['magnolia-2', 'In modelling paste', 2],
		])
		// Once it has its key it keeps it, whatever stands before it.
		const turned = { ...twice, designs: designs.toReversed(), id, version: 1 }
		await inTransaction((transaction) => updateCourse(studio.studioId, turned, transaction))
		expect((await getCourse(studio.studioId, id)).designs.map(({ key }) => key)).toEqual(['magnolia-2', undefined])
	})

	test('comes back as it was saved, its designs and sessions in order', async () => {
		const id = await save()

		expect(await getCourse(studio.studioId, id)).toEqual({ ...course, id, version: 1 })
	})

	test('is replaced whole, and its version rises', async () => {
		const id = await save()
		const changed = { ...course, studentCount: 11, sessions: course.sessions.slice(0, 2) }

		await inTransaction((transaction) => updateCourse(studio.studioId, { ...changed, id, version: 1 }, transaction))

		expect(await getCourse(studio.studioId, id)).toEqual({ ...changed, id, version: 2 })
	})

	test('changed from an old version is refused, and stays as the first change left it', async () => {
		const id = await save()
		const change = (name: string) =>
			inTransaction((transaction) => updateCourse(studio.studioId, { ...course, name, id, version: 1 }, transaction))
		await change('First')

		await expect(change('Second')).rejects.toThrow(ConflictError)
		expect(await getCourse(studio.studioId, id)).toMatchObject({ name: 'First', sessions: course.sessions })
	})

	test('of another studio is not there: not to read, to change, to delete or to plan', async () => {
		const id = await save()
		const theirs = stranger.studioId
		const document = planCourse(course, [magnolia])

		await expect(getCourse(theirs, id)).rejects.toThrow(NotFoundError)
		await expect(
			inTransaction((transaction) => updateCourse(theirs, { ...course, id, version: 1 }, transaction)),
		).rejects.toThrow(NotFoundError)
		await expect(deleteCourse(theirs, id, 1)).rejects.toThrow(NotFoundError)
		await expect(createPlan(theirs, { courseId: id, fingerprint: 'x', document })).rejects.toThrow(NotFoundError)
		expect((await listCourses(theirs)).courses).toEqual([])
		expect(await findNextCourseId(theirs, '2026-01-01')).toBeUndefined()
	})

	test('that fails half-way leaves nothing behind', async () => {
		const broken = inTransaction(async (transaction) => {
			await createCourse(studio.studioId, course, transaction)
			throw new Error('the power went')
		})

		await expect(broken).rejects.toThrow('the power went')
		expect((await listCourses(studio.studioId)).courses).toEqual([])
	})
})

describe('the list of courses', () => {
	test('has the latest first, with the state of the newest plan', async () => {
		const id = await save()
		const later = {
			...course,
			name: 'Later',
			sessions: course.sessions.map((session) => ({ ...session, date: '2027-01-01' })).slice(0, 1),
		}
		await save(later)
		await createPlan(studio.studioId, { courseId: id, fingerprint: 'x', document: planCourse(course, [magnolia]) })

		const { courses, pageCount } = await listCourses(studio.studioId)

		expect(pageCount).toBe(1)
		expect(courses.map(({ name, planStatus }) => [name, planStatus])).toEqual([
			['Later', undefined],
			['Magnolia on Thursdays', 'optimal'],
		])
		expect(courses[1]).toMatchObject({
			designNames: ['Magnolia'],
			coverSlug: 'magnolia',
			sessionCount: 3,
			firstDate: course.sessions[0]?.date,
		})
	})

	describe('is narrowed and put in order', () => {
		const day = (date: string) => course.sessions.slice(0, 1).map((session) => ({ ...session, date }))
		const names = async (filter: Parameters<typeof listCourses>[1]) => {
			const { courses, count } = await listCourses(studio.studioId, { date: '2026-06-01', ...filter })
			expect(count).toBe(courses.length)
			return courses.map(({ name }) => name)
		}
		beforeEach(async () => {
			await save({ ...course, name: 'Beginners', sessions: day('2026-05-01'), studentCount: 3 })
			const id = await save({ ...course, name: 'Advanced 100%', sessions: day('2026-07-01'), studentCount: 9 })
			await createPlan(studio.studioId, { courseId: id, fingerprint: 'x', document: planCourse(course, [magnolia]) })
		})

		test.each([
			[{}, ['Advanced 100%', 'Beginners']],
			[{ order: 'soonest' }, ['Beginners', 'Advanced 100%']],
			[{ order: 'name' }, ['Advanced 100%', 'Beginners']],
			[{ order: 'largest' }, ['Advanced 100%', 'Beginners']],
			[{ when: 'ahead' }, ['Advanced 100%']],
			[{ when: 'over' }, ['Beginners']],
			[{ plan: 'fits' }, ['Advanced 100%']],
			[{ plan: 'open' }, ['Beginners']],
			[{ search: 'begin' }, ['Beginners']],
			[{ search: 'magnolia advanced' }, ['Advanced 100%']],
			[{ search: '0%' }, ['Advanced 100%']],
			[{ search: '_dvanced' }, []],
		] as const)('%o', async (filter, found) => {
			expect(await names(filter)).toEqual(found)
		})

		test('many are deleted at once, but none that has changed since, and none of another studio', async () => {
			const { courses } = await listCourses(studio.studioId)
			const [changed, other] = courses
			const before = await getCourse(studio.studioId, changed?.id ?? 0)
			await inTransaction((transaction) => updateCourse(studio.studioId, { ...before, name: 'Changed' }, transaction))
			const { studioId: theirs } = await foundStudio(['magnolia'])

			expect(await deleteCourses(theirs, courses)).toBe(0)
			expect(await deleteCourses(studio.studioId, courses)).toBe(1)
			expect((await listCourses(studio.studioId)).courses.map(({ name }) => name)).toEqual(['Changed'])
			expect(other?.name).toBe('Beginners')
		})
	})

	test('comes by pages of fifty', async () => {
		for (let c = 0; c < 51; c++) await save({ ...course, name: `Course ${c}` })

		const [first, second] = await Promise.all([listCourses(studio.studioId), listCourses(studio.studioId, { page: 2 })])

		expect(first.pageCount).toBe(2)
		expect([first.courses.length, second.courses.length]).toEqual([50, 1])
	})

	test('knows the next course from a day on, that day included', async () => {
		const id = await save()
		const [first, , last] = course.sessions

		expect(await findNextCourseId(studio.studioId, first?.date ?? '')).toBe(id)
		expect(await findNextCourseId(studio.studioId, last?.date ?? '')).toBe(id)
		expect(await findNextCourseId(studio.studioId, '2026-12-31')).toBeUndefined()
	})
})

describe('plans', () => {
	const document = planCourse(course, [magnolia])

	test('are kept as they were made, the newest found, the twenty newest kept', async () => {
		const courseId = await save()
		for (let p = 1; p <= 22; p++) await createPlan(studio.studioId, { courseId, fingerprint: `print ${p}`, document })

		const newest = await findNewestPlan(studio.studioId, courseId)

		expect(newest).toMatchObject({ fingerprint: 'print 22' })
		expect(newest?.document.plan).toEqual(document.plan)
		expect(await findNewestPlan(stranger.studioId, courseId)).toBeUndefined()
	})

	test('go with their course', async () => {
		const courseId = await save()
		await createPlan(studio.studioId, { courseId, fingerprint: 'x', document })

		await deleteCourse(studio.studioId, courseId, 1)

		expect(await findNewestPlan(studio.studioId, courseId)).toBeUndefined()
	})

	test('know by a fingerprint whether their inputs changed: by what is planned, not by names or key order', () => {
		const print = fingerprintOf(course, [magnolia], ORDINARY_TERMS)
		const reordered = Object.fromEntries(Object.entries(magnolia).toReversed()) as unknown as typeof magnolia

		expect(fingerprintOf({ ...course, name: 'Other' }, [reordered], ORDINARY_TERMS)).toBe(print)
		expect(fingerprintOf({ ...course, studentCount: 9 }, [magnolia], ORDINARY_TERMS)).not.toBe(print)
		expect(fingerprintOf(course, [{ ...magnolia, level: 4 }], ORDINARY_TERMS)).not.toBe(print)
		const damp = { ...ORDINARY_PLACE, climate: { type: 'steady' as const, temperatureC: 21, humidity: 0.6 } }
		expect(fingerprintOf(course, [magnolia], { ...ORDINARY_TERMS, places: [damp] })).not.toBe(print)
		// A place where the course never is.
		const store = { ...damp, id: 9, kind: 'store' as const }
		const room = { ...ORDINARY_PLACE, id: 4 }
		const usual = fingerprintOf(course, [magnolia], { ...ORDINARY_TERMS, places: [room, { ...room, id: 5 }] })
		expect(fingerprintOf(course, [magnolia], { ...ORDINARY_TERMS, places: [room] })).toBe(usual)
		expect(fingerprintOf(course, [magnolia], { ...ORDINARY_TERMS, places: [room, store] })).not.toBe(usual)
	})
})

const change = (studioId: number, design: Design, version: number) =>
	inTransaction((transaction) => updateDesign(studioId, design, version, transaction))
const make = (studioId: number, design: Design) =>
	inTransaction((transaction) => createDesign(studioId, design, transaction))

describe('designs', () => {
	test('come back as the documents they were', async () => {
		expect(await getDesign(studio.studioId, 'magnolia')).toEqual({ document: magnolia, version: 1 })
		expect(await listDocuments(studio.studioId)).toEqual([magnolia])
		expect(await listDesignOptions(studio.studioId)).toEqual([
			{ slug: 'magnolia', name: 'Magnolia', choices: magnolia.choices },
		])
	})

	test('are found in the order asked for, and one that is missing is named', async () => {
		await make(studio.studioId, demoDesign('calla-lily'))

		const found = await getDesigns(studio.studioId, [{ slug: 'magnolia' }, { slug: 'calla-lily' }])

		expect(found.map(({ document }) => document.id)).toEqual(['magnolia', 'calla-lily'])
		await expect(getDesigns(stranger.studioId, [{ slug: 'magnolia' }])).rejects.toThrow(/"magnolia"/)
	})

	test('are read once in each version, and nobody can change what all share', async () => {
		const [first, again] = [await getDesign(studio.studioId, 'magnolia'), await getDesign(studio.studioId, 'magnolia')]

		expect(again.document).toBe(first.document)
		expect(() => first.document.steps.pop()).toThrow(TypeError)
		await inTransaction((transaction) =>
			updateDesign(studio.studioId, { ...magnolia, notes: 'Other words' }, 1, transaction),
		)
		expect((await getDesign(studio.studioId, 'magnolia')).document.notes).toBe('Other words')
		expect((await getDesign(studio.studioId, 'magnolia', 1)).document).toBe(first.document)
	})

	test('of another database are not taken for those of this one', async () => {
		await getDesign(studio.studioId, 'magnolia')
		await freshDatabase()
		const other = await foundStudio()
		await make(other.studioId, { ...magnolia, notes: 'Of the other database' })

		expect((await getDesign(other.studioId, 'magnolia')).document.notes).toBe('Of the other database')
	})

	test('have an id once in a studio, and again in another', async () => {
		await expect(make(studio.studioId, magnolia)).rejects.toThrow(ConflictError)
		await expect(make(stranger.studioId, magnolia)).resolves.toBeUndefined()
	})

	test('keep every version, and refuse a change of an old one', async () => {
		const changed = { ...magnolia, level: 4 }
		expect(await change(studio.studioId, changed, 1)).toBe(2)

		expect(await getDesign(studio.studioId, 'magnolia')).toEqual({ document: changed, version: 2 })
		expect(await getDesign(studio.studioId, 'magnolia', 1)).toEqual({ document: magnolia, version: 1 })
		await expect(change(studio.studioId, magnolia, 1)).rejects.toThrow(ConflictError)
		await expect(change(stranger.studioId, magnolia, 1)).rejects.toThrow(NotFoundError)
		await expect(getDesign(studio.studioId, 'magnolia', 7)).rejects.toThrow(NotFoundError)
	})

	test('in use by a course are not deleted; the course is named', async () => {
		const id = await save()

		await expect(deleteDesign(studio.studioId, 'magnolia', 1)).rejects.toThrow(/Magnolia on Thursdays/)
		await deleteCourse(studio.studioId, id, 1)
		await deleteDesign(studio.studioId, 'magnolia', 1)
		await expect(getDesign(studio.studioId, 'magnolia')).rejects.toThrow(NotFoundError)
		await expect(deleteDesign(stranger.studioId, 'magnolia', 1)).rejects.toThrow(NotFoundError)
	})

	test.each<{ name: string; filter: DesignFilter; found: string[] }>([
		{ name: 'words of name and summary, all of them', filter: { search: 'petal spadix' }, found: ['calla-lily'] },
		{ name: 'words that are patterns elsewhere', filter: { search: '100%' }, found: [] },
		{ name: 'a kind', filter: { kind: 'ornament' }, found: ['shells-and-starfish'] },
		{ name: 'a level', filter: { level: 3 }, found: ['magnolia'] },
		{ name: 'children', filter: { audience: 'children' }, found: ['shells-and-starfish'] },
		{ name: 'wires', filter: { hasWires: true }, found: ['calla-lily', 'magnolia'] },
		{ name: 'no wires', filter: { hasWires: false }, found: ['shells-and-starfish'] },
	])('are narrowed by $name', async ({ filter, found }) => {
		await make(studio.studioId, demoDesign('calla-lily'))
		await make(studio.studioId, demoDesign('shells-and-starfish'))

		const { designs, count } = await listDesigns(studio.studioId, filter)

		expect(designs.map(({ slug }) => slug)).toEqual(found)
		expect(count).toBe(found.length)
	})

	test.each<{ order: DesignFilter['order']; slugs: string[] }>([
		{ order: undefined, slugs: ['calla-lily', 'magnolia', 'shells-and-starfish'] },
		{ order: 'newest', slugs: ['calla-lily', 'shells-and-starfish', 'magnolia'] },
		{ order: 'easiest', slugs: ['calla-lily', 'shells-and-starfish', 'magnolia'] },
	])('are in the order $order', async ({ order, slugs }) => {
		await inTransaction(async (transaction) => {
			for (const slug of ['shells-and-starfish', 'calla-lily'])
				await createDesign(studio.studioId, demoDesign(slug), transaction)
		})

		expect((await listDesigns(studio.studioId, { order })).designs.map(({ slug }) => slug)).toEqual(slugs)
	})

	test('are quickest first by the minutes that they take', async () => {
		await inTransaction(async (transaction) => {
			for (const slug of ['shells-and-starfish', 'calla-lily'])
				await createDesign(studio.studioId, demoDesign(slug), transaction)
		})

		const { designs } = await listDesigns(studio.studioId, { order: 'quickest' })
		const minutes = designs.map(({ slug }) => makeCard(demoDesign(slug)).handsOnMinutes)

		expect(new Set(minutes).size).toBe(3)
		expect(minutes).toEqual(minutes.toSorted((a, b) => a - b))
	})
})
