/** The people of a course: kept as one list, and deleted as one. */
import type { Transaction } from 'sequelize'
import { InputError, NotFoundError } from '../../core/errors'
import type { Student } from '../../core/kits/student'
import { getDatabase } from '../connection.server'
import { CourseModel } from '../models/courses.server'
import { StudentModel } from '../models/kits.server'

/** In the order of the seats. */
export async function listStudents(studioId: number, courseId: number): Promise<Student[]> {
	await requireCourse(studioId, courseId)
	const rows = await StudentModel.findAll({ where: { courseId }, order: [['position', 'ASC']] })
	return rows.map(({ name, level, isLeftHanded, avoids, diet, isChild, notes }) => {
		return { name, ...(level !== null && { level }), isLeftHanded, avoids, diet, isChild, notes }
	})
}

/**
 * @throws {InputError} more people than the course has places
 * @throws {NotFoundError} the studio has no such course
 */
export async function replaceStudents(
	studioId: number,
	courseId: number,
	students: readonly Student[],
	transaction: Transaction,
): Promise<void> {
	const { studentCount } = await requireCourse(studioId, courseId, transaction)
	if (students.length > studentCount) {
		const message = `The course has ${studentCount} places, and these are ${students.length} people`
		throw new InputError([{ path: 'students', message }])
	}
	await StudentModel.destroy({ where: { courseId }, transaction })
	await StudentModel.bulkCreate(
		students.map(({ level = null, ...student }, position) => ({ ...student, level, courseId, position })),
		{ transaction },
	)
}

/**
 * Forgets everybody of the course; what is planned and packed stays.
 *
 * @throws {NotFoundError} the studio has no such course
 */
export async function deleteStudents(studioId: number, courseId: number): Promise<void> {
	await requireCourse(studioId, courseId)
	await StudentModel.destroy({ where: { courseId } })
}

async function requireCourse(studioId: number, id: number, transaction?: Transaction): Promise<CourseModel> {
	getDatabase()
	const row = await CourseModel.findOne({ where: { studioId, id }, attributes: ['id', 'studentCount'], transaction })
	if (!row) throw new NotFoundError('There is no such course.')
	return row
}
