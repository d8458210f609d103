/** The people of a course: kept as one list with a version of its own, and deleted as one. */
import { Op, QueryTypes, type Transaction } from 'sequelize'
import { ConflictError, InputError } from '../../core/errors'
import { addMonths } from '../../core/time/calendar'
import type { Student } from '../../core/kit/student'
import { personOf } from '../../core/learn/student-speed'
import { tellDeletion } from '../deletions.server'
import { getDatabase, inTransaction } from '../connection.server'
import type { CourseModel } from '../models/courses.server'
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
	const students = rows.map(({ name, level, isLeftHanded, avoids, diet, isChild, notes }): Student => {
		return { name, ...(level !== null && { level }), isLeftHanded, avoids, diet, isChild, notes }
	})
	return { students, version: peopleVersion }
}

/**
 * @param version - of the list as it was read; undefined: whatever stands there goes
 * @throws {InputError} more people than the course has places
 * @throws {ConflictError} somebody else has changed the list since
 * @throws {NotFoundError} the studio has no such course
 */
export function replaceStudents(
	studioId: number,
	courseId: number,
	{ students, version }: { students: readonly Student[]; version?: number | undefined },
	within?: Transaction,
): Promise<void> {
	return inTransaction(async (transaction) => {
		const course = await requireCourse(studioId, courseId, { transaction, lock: true })
		if (students.length > course.studentCount) {
			const message = `The course has ${course.studentCount} places, and these are ${students.length} people`
			throw new InputError([{ path: 'students', message }])
		}
		await raiseVersion(course, version, transaction)
		await StudentModel.destroy({ where: { courseId }, transaction })
		// Who is on the list no more is forgotten altogether.
		const people = students.map(({ name }) => personOf(name))
		await StudentSpeedModel.destroy({ where: { courseId, person: { [Op.notIn]: people } }, transaction })
		await StudentModel.bulkCreate(
			students.map(({ level = null, ...student }, position) => ({ ...student, level, courseId, position })),
			{ transaction },
		)
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
	await replaceStudents(studioId, courseId, { students: [], version })
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
