/** What goes by itself: studios that nobody took back, and people whose course is long over; a restore deletes it again. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { demoCourse } from '../support/demo-designs'
import { listKnownPeople } from '../../app/keep/known-people.server'
import { NotFoundError } from '../../core/errors'
import { addMonths } from '../../core/time/calendar'
import { deleteDueStudios, getStudio, setLeaving } from '../../db/repositories/accounts.server'
import { createCourse } from '../../db/repositories/courses.server'
import { findMemberById } from '../../db/repositories/sign-ins.server'
import { forgetStudent, keepStudentSpeeds, listStudentSpeeds } from '../../db/repositories/student-speeds.server'
import {
	deleteStudents,
	forgetPerson,
	getRoster,
	listOverdueCourses,
	replaceStudents,
} from '../../db/repositories/students.server'
import { inTransaction } from '../../db/connection.server'
import { backUp, checkBackup, restoreBackup } from '../../scripts/machine/backup.mjs'
import { deleteAgain } from '../../scripts/machine/deletions.mjs'
import type { Student } from '../../core/kit/student'
import { foundStudio, freshDatabase } from '../support/studios'

const folder = mkdtempSync(path.join(os.tmpdir(), 'calycine-going-'))
const deletions = path.join(folder, 'deletions.jsonl')
const url = () => process.env['CALYCINE_DATABASE_URL'] ?? ''

beforeAll(async () => {
	await freshDatabase()
	process.env['CALYCINE_DELETIONS_FILE'] = deletions
})
beforeEach(() => rmSync(deletions, { force: true }))
afterAll(() => {
	delete process.env['CALYCINE_DELETIONS_FILE']
	rmSync(folder, { recursive: true, force: true })
})

const MIRA: Student = { name: 'Mira', isLeftHanded: false, avoids: ['egg'], diet: 'any', isChild: false, notes: 'shy' }
const DAY_MS = 86_400_000

/** A studio with a course of the demo on that day, and Mira in it. */
async function studioWithMira(date = '2026-03-07') {
	const studio = await foundStudio(['calla-lily'])
	const course = demoCourse('Calla lily taster')
	const sessions = course.sessions.map((session) => ({ ...session, date }))
	const courseId = await inTransaction((transaction) =>
		createCourse(studio.studioId, { ...course, sessions }, transaction),
	)
	await replaceStudents(studio.studioId, courseId, { students: [MIRA] })
	return { ...studio, courseId }
}

describe('a studio', () => {
	test('is deleted when its week is over, not before, and not where it was taken back', async () => {
		const [going, kept, staying] = [await foundStudio(), await foundStudio(), await foundStudio()]
		const now = new Date()
		const due = new Date(now.getTime() + 7 * DAY_MS)
		await setLeaving(going.studioId, due)
		await setLeaving(kept.studioId, due)
		await setLeaving(kept.studioId, null)

		expect(await deleteDueStudios(new Date(due.getTime() - 1000))).toEqual([])
		expect(await deleteDueStudios(due)).toEqual([going.studioId])
		expect(await deleteDueStudios(due)).toEqual([])
		expect(await findMemberById(going.userId)).toBeUndefined()
		for (const { userId } of [kept, staying]) expect(await findMemberById(userId)).toBeDefined()
	})
})

describe('people', () => {
	test('are overdue once their months are over by the studio’s day, and those of other courses are not', async () => {
		const { studioId, courseId } = await studioWithMira('2026-03-31')
		const ids = async (today: string) => {
			const due = await listOverdueCourses(() => today)
			return due.filter((course) => course.studioId === studioId).map(({ id }) => id)
		}
		expect(await ids('2027-03-30')).toEqual([])
		expect(await ids('2027-03-31')).toEqual([courseId])
		await deleteStudents(studioId, courseId)
		expect(await ids('2027-03-31')).toEqual([])
		expect((await getRoster(studioId, courseId)).students).toEqual([])
	})
})

describe('somebody who comes to class', () => {
	test('is known from all courses, and forgotten on every list with her pace, and nobody else', async () => {
		const { studioId, courseId } = await studioWithMira()
		const again = await inTransaction((transaction) =>
			createCourse(studioId, demoCourse('Calla lily taster'), transaction),
		)
		const odd = { ...MIRA, name: ' MIRA ', isLeftHanded: true }
		const hal = { ...MIRA, name: 'Hal' }
		await replaceStudents(studioId, again, { students: [hal, odd] })
		await keepStudentSpeeds(studioId, { courseId, session: 1 }, [
			{ id: 'mira 1', person: 'mira', name: 'Mira', date: '2026-03-07', logRatio: 0.1 },
		])
		const stranger = await studioWithMira()
		const studio = await getStudio(studioId)

		const [first, mira] = await listKnownPeople(studio)
		expect(first).toMatchObject({ person: 'hal', courses: [{ id: again }], pace: undefined })
		expect(mira?.courses.map(({ id }) => id).toSorted((a, b) => a - b)).toEqual([courseId, again])
		expect(mira?.needs.toSorted()).toEqual(['without egg, left-handed, shy', 'without egg, shy'])
		expect(mira?.pace).toMatch(/times as long/)
		// Twelve months after the later of her courses.
		const days = ['2026-03-07', ...demoCourse('Calla lily taster').sessions.map(({ date }) => date)]
		expect(mira?.until).toBe(addMonths(days.toSorted().at(-1) ?? '', 12))

		await forgetPerson(studioId, 'mira')
		expect((await listKnownPeople(studio)).map(({ person }) => person)).toEqual(['hal'])
		expect((await getRoster(studioId, again)).students).toEqual([hal])
		expect((await getRoster(stranger.studioId, stranger.courseId)).students).toEqual([MIRA])
		await expect(forgetPerson(studioId, 'mira')).rejects.toThrow(NotFoundError)
	})
})

describe('after a restore', () => {
	test('what was deleted for good since is deleted again, and nothing else', async () => {
		const [forgotten, kept, leaving] = [await studioWithMira(), await studioWithMira(), await studioWithMira()]
		const [known, listed] = [await studioWithMira(), await studioWithMira()]
		const hal = { ...MIRA, name: 'Hal' }
		for (const { studioId, courseId } of [known, listed])
			await replaceStudents(studioId, courseId, { students: [{ ...MIRA, name: ' Mira' }, hal] })
		for (const { studioId, courseId } of [forgotten, kept, listed])
			await keepStudentSpeeds(studioId, { courseId, session: 1 }, [
				{ id: 'mira 1', person: 'mira', name: 'Mira', date: '2026-03-07', logRatio: 0.1 },
			])
		const file = await backUp(url(), { folder, key: undefined })
		expect(Math.abs((await checkBackup(file, undefined)).getTime() - Date.now())).toBeLessThan(60_000)

		await deleteStudents(forgotten.studioId, forgotten.courseId)
		await forgetStudent(kept.studioId, 'mira')
		await forgetPerson(known.studioId, 'mira')
		await replaceStudents(listed.studioId, listed.courseId, { students: [hal] })
		await setLeaving(leaving.studioId, new Date())
		await deleteDueStudios(new Date())
		// Nobody is named where it is told.
		expect(readFileSync(deletions, 'utf8')).not.toMatch(/mira/i)

		const completed = await restoreBackup(file, url(), undefined)
		expect((await getRoster(forgotten.studioId, forgotten.courseId)).students).toHaveLength(1)
		expect(await deleteAgain(deletions, url(), completed)).toBe(5)

		expect((await getRoster(forgotten.studioId, forgotten.courseId)).students).toEqual([])
		expect((await getRoster(kept.studioId, kept.courseId)).students).toEqual([MIRA])
		// Of a list on which others stay she alone goes.
		expect((await getRoster(known.studioId, known.courseId)).students).toEqual([hal])
		expect((await getRoster(listed.studioId, listed.courseId)).students).toEqual([hal])
		for (const { studioId } of [kept, listed]) expect(await listStudentSpeeds(studioId)).toEqual([])
		expect(await findMemberById(leaving.userId)).toBeUndefined()
		expect(await findMemberById(kept.userId)).toBeDefined()
	})

	test('what was deleted long before the backup is left as it is there', async () => {
		const { studioId, courseId } = await studioWithMira()
		await deleteStudents(studioId, courseId)
		await replaceStudents(studioId, courseId, { students: [MIRA] })
		expect(await deleteAgain(deletions, url(), new Date(Date.now() + 3_600_000))).toBe(0)
		expect((await getRoster(studioId, courseId)).students).toEqual([MIRA])
		expect(await deleteAgain(path.join(folder, 'none.jsonl'), url(), new Date(0))).toBe(0)
	})
})
