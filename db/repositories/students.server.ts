/** The people of a course: kept as one list with a version of its own, and deleted as one. */
import { Op, QueryTypes, type Transaction } from 'sequelize'
import { ConflictError, InputError, NotFoundError } from '../../core/errors'
import { addMonths } from '../../core/time/calendar'
import type { Student } from '../../core/kit/student'
import { personOf } from '../../core/learn/student-speed'
import { hashPerson, tellDeletion } from '../deletions.server'
import { getDatabase, inTransaction } from '../connection.server'
import { CourseModel, CourseSessionModel } from '../models/courses.server'
import { StudentModel } from '../models/kits.server'
import { StudentSpeedModel } from '../models/learning.server'
import { requireCourse } from '../require-course.server'

export interface Roster {
	students: Student[]
	version: number
}

/**
 * In the order of the seats.
 *
 * @throws {NotFoundError} the studio has no such course
 */
export async function getRoster(studioId: number, courseId: number): Promise<Roster> {
	const { peopleVersion } = await requireCourse(studioId, courseId)
	const rows = await StudentModel.findAll({ where: { courseId }, order: [['position', 'ASC']] })
	return { students: rows.map(toStudent), version: peopleVersion }
}

function toStudent({ name, level, isLeftHanded, avoids, diet, isChild, notes }: StudentModel): Student {
	return { name, ...(level !== null && { level }), isLeftHanded, avoids, diet, isChild, notes }
}

/** Somebody on the list of a course. */
export interface ListedStudent {
	courseId: number
	courseName: string
	/** Of its last session, YYYY-MM-DD; undefined: it has none. */
	lastDate: string | undefined
	student: Student
}

/** Everybody on the lists of the studio's courses, the newest course first. */
export async function listStudents(studioId: number): Promise<ListedStudent[]> {
	const courses = await CourseModel.findAll({ where: { studioId }, attributes: ['id', 'name'], raw: true })
	const where = { courseId: courses.map(({ id }) => id) }
	const [rows, sessions] = await Promise.all([
		StudentModel.findAll({ where, order: ['courseId', 'position'] }),
		CourseSessionModel.findAll({ where, attributes: ['courseId', 'date'], order: ['date'], raw: true }),
	])
	const names = new Map(courses.map(({ id, name }) => [id, name]))
	const last = new Map(sessions.map(({ courseId, date }) => [courseId, date]))
	const listed = rows.map((row): ListedStudent => {
		const { courseId } = row
		return { courseId, courseName: names.get(courseId) ?? '', lastDate: last.get(courseId), student: toStudent(row) }
	})
	return listed.toSorted((a, b) => ((a.lastDate ?? '' < (b.lastDate ?? '')) ? 1 : -1))
}

/** How many places on lists have a name; who stands on two counts twice. */
export async function countStudents(studioId: number): Promise<number> {
	const courses = await CourseModel.findAll({ where: { studioId }, attributes: ['id'], raw: true })
	return StudentModel.count({ where: { courseId: courses.map(({ id }) => id) } })
}

/**
 * Takes somebody off every list of the studio, with what was learnt of her pace.
 *
 * @param person - as `personOf` gives her
 * @throws {NotFoundError} nobody of that name is known
 */
export async function forgetPerson(studioId: number, person: string): Promise<void> {
	const isHer = ({ name }: { name: string }) => personOf(name) === person
	const lists = (await listStudents(studioId)).filter(({ student }) => isHer(student))
	const courseIds = [...new Set(lists.map(({ courseId }) => courseId))].toSorted((a, b) => a - b)
	await inTransaction(async (transaction) => {
		for (const courseId of courseIds) {
			await requireCourse(studioId, courseId, { transaction, lock: true })
			const list = { where: { courseId }, order: ['position'], transaction, lock: true }
			const students = (await StudentModel.findAll(list)).filter((row) => !isHer(row)).map(toStudent)
			await replaceStudents(studioId, courseId, { students }, transaction)
		}
		const speeds = await StudentSpeedModel.destroy({ where: { studioId, person }, transaction })
		if (courseIds.length === 0 && speeds === 0) throw new NotFoundError('Nobody of that name is known.')
	})
	tellDeletion({ kind: 'person', studioId, personHash: hashPerson(person) })
}

/** A list as it is to be. */
interface NewList {
	students: readonly Student[]
	/** As the one before was read; undefined: whatever stands there goes. */
	version?: number | undefined
}

/**
 * @param within - whoever commits it tells who is deleted by it, too
 * @throws {InputError} more people than the course has places
 * @throws {ConflictError} somebody else has changed the list since
 * @throws {NotFoundError} the studio has no such course
 */
export async function replaceStudents(
	studioId: number,
	courseId: number,
	list: NewList,
	within?: Transaction,
): Promise<void> {
	const gone = await putStudents(studioId, courseId, list, within)
	if (within) return
	for (const person of gone) tellDeletion({ kind: 'listed', courseId, personHash: hashPerson(person) })
}

/** @returns who is on the list no more, as `personOf` gives them */
function putStudents(
	studioId: number,
	courseId: number,
	{ students, version }: NewList,
	within?: Transaction,
): Promise<string[]> {
	return inTransaction(async (transaction) => {
		const course = await requireCourse(studioId, courseId, { transaction, lock: true })
		if (students.length > course.studentCount) {
			const message = `The course has ${course.studentCount} places, and these are ${students.length} people`
			throw new InputError([{ path: 'students', message }])
		}
		await raiseVersion(course, version, transaction)
		const before = await StudentModel.findAll({ where: { courseId }, attributes: ['name'], raw: true, transaction })
		await StudentModel.destroy({ where: { courseId }, transaction })
		// Who is on the list no more is forgotten altogether.
		const people = students.map(({ name }) => personOf(name))
		await StudentSpeedModel.destroy({ where: { courseId, person: { [Op.notIn]: people } }, transaction })
		await StudentModel.bulkCreate(
			students.map(({ level = null, ...student }, position) => ({ ...student, level, courseId, position })),
			{ transaction },
		)
		return [...new Set(before.map(({ name }) => personOf(name)))].filter((person) => !people.includes(person))
	}, within)
}

/**
 * Forgets everybody of the course; what is planned and packed stays.
 *
 * @param version - of the list as it was read; undefined: whatever stands there goes
 * @throws {ConflictError} somebody else has changed the list since
 * @throws {NotFoundError} the studio has no such course
 */
export async function deleteStudents(studioId: number, courseId: number, version?: number): Promise<void> {
	await putStudents(studioId, courseId, { students: [], version })
	tellDeletion({ kind: 'people', courseId })
}

/**
 * Courses whose people are still known though the studio keeps nobody that long after the last session.
 *
 * @param todayIn - the day by a studio's clock, YYYY-MM-DD
 */
export async function listOverdueCourses(
	todayIn: (zone: string) => string,
): Promise<{ id: number; studioId: number }[]> {
	const rows = await getDatabase().query<{ id: number; studioId: number; zone: string; months: number; last: string }>(
		`SELECT c.id, c.studio_id AS studioId, s.time_zone AS zone, s.people_months AS months, MAX(n.date) AS last
		FROM courses c JOIN studios s ON s.id = c.studio_id JOIN course_sessions n ON n.course_id = c.id
		WHERE s.people_months > 0
		AND (EXISTS (SELECT 1 FROM students p WHERE p.course_id = c.id)
			OR EXISTS (SELECT 1 FROM student_speeds v WHERE v.course_id = c.id))
		GROUP BY c.id, c.studio_id, s.time_zone, s.people_months`,
		{ type: QueryTypes.SELECT },
	)
	return rows.filter(({ zone, months, last }) => addMonths(last, months) <= todayIn(zone))
}

async function raiseVersion(course: CourseModel, version: number | undefined, transaction: Transaction): Promise<void> {
	if (version !== undefined && version !== course.peopleVersion)
		throw new ConflictError('The people of this course were changed in another window meanwhile.')
	await course.update({ peopleVersion: course.peopleVersion + 1 }, { transaction })
}
