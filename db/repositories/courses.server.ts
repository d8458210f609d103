/** A studio's courses, each with its designs and sessions. */
import { QueryTypes, type Transaction } from 'sequelize'
import type { Course } from '../../core/course/course'
import { ConflictError, InputError, NotFoundError } from '../../core/errors'
import { giveKeys } from '../../core/course/course-items'
import { NO_MONEY, type CourseMoney } from '../../core/kit/price-course'
import { getDatabase, writing } from '../connection.server'
import { CourseDesignModel, CourseModel, CourseSessionModel } from '../models/courses.server'
import { StudentModel } from '../models/kits.server'
import { PlaceModel } from '../models/places.server'
import { requireCourse } from '../require-course.server'

/** A course as it is stored; `version` rises with every change. */
export interface StoredCourse extends Course {
	id: number
	version: number
}

/** The id of the course whose next session is the first from `date` on, or undefined. */
export async function findNextCourseId(studioId: number, date: string): Promise<number | undefined> {
	const [row] = await query<{ id: number }>(
		`SELECT c.id FROM courses c JOIN course_sessions s ON s.course_id = c.id
		WHERE c.studio_id = :studioId AND s.date >= :date ORDER BY s.date, s.start_min, c.id LIMIT 1`,
		{ studioId, date },
	)
	return row?.id
}

/** @throws {NotFoundError} the studio has no such course */
export async function getCourse(studioId: number, id: number): Promise<StoredCourse> {
	// Three plain reads at once: joined, every session would come once for every design.
	const parts = { where: { courseId: id }, order: [['position', 'ASC']] as [string, string][], raw: true as const }
	const [row, designs, sessions] = await Promise.all([
		CourseModel.findOne({ where: { studioId, id }, raw: true }),
		CourseDesignModel.findAll(parts),
		CourseSessionModel.findAll(parts),
	])
	if (!row) throw new NotFoundError('There is no such course.')
	return toCourse(row, designs, sessions)
}

/** @returns the id of the new course */
export async function createCourse(studioId: number, course: Course, transaction: Transaction): Promise<number> {
	await refuseForeignPlaces(studioId, course, transaction)
	const { id } = await CourseModel.create({ ...ownColumns(course), studioId }, { transaction })
	await createParts(id, course, transaction)
	return id
}

/**
 * Replaces the course.
 *
 * @param course.version - as it was read
 * @throws {InputError} by field: a place that is not the studio's, or fewer places than people are named
 * @throws {ConflictError} someone else has saved it since
 * @throws {NotFoundError} the studio has no such course
 */
export async function updateCourse(studioId: number, course: StoredCourse, transaction: Transaction): Promise<void> {
	await refuseForeignPlaces(studioId, course, transaction)
	await refuseTooFewPlaces(course, transaction)
	const { id, version } = course
	const values = { ...ownColumns(course), version: version + 1 }
	const [changed] = await CourseModel.update(values, { where: { studioId, id, version }, transaction })
	if (changed === 0) await explainUnchanged(studioId, id, transaction)
	await CourseDesignModel.destroy({ where: { courseId: id }, transaction })
	await CourseSessionModel.destroy({ where: { courseId: id }, transaction })
	await createParts(id, course, transaction)
}

/** What the instructor asks and pays for a course, as it is stored. */
export interface StoredMoney {
	money: CourseMoney
	version: number
}

/** @throws {NotFoundError} the studio has no such course */
export async function getCourseMoney(studioId: number, id: number): Promise<StoredMoney> {
	const { money, moneyVersion } = await requireCourse(studioId, id)
	return { money: money ?? NO_MONEY, version: moneyVersion }
}

/**
 * @param stored.version - as it was read
 * @throws {ConflictError} someone else has saved other amounts since
 * @throws {NotFoundError} the studio has no such course
 */
export async function updateCourseMoney(
	studioId: number,
	id: number,
	{ money, version }: StoredMoney,
	transaction?: Transaction,
): Promise<void> {
	const [changed] = await writing(() =>
		CourseModel.update(
			{ money, moneyVersion: version + 1 },
			{ where: { studioId, id, moneyVersion: version }, transaction },
		),
	)
	if (changed > 0) return
	await requireCourse(studioId, id, { transaction })
	throw new ConflictError('These amounts were changed in another window meanwhile.')
}

/**
 * @param version - as it was read
 * @throws {ConflictError} someone else has saved it since
 * @throws {NotFoundError} the studio has no such course
 */
export async function deleteCourse(studioId: number, id: number, version: number): Promise<void> {
	if ((await writing(() => CourseModel.destroy({ where: { studioId, id, version } }))) > 0) return
	await requireCourse(studioId, id)
	throw new ConflictError('This course was changed in another window meanwhile: look at it before it goes.')
}

function query<T extends object>(sql: string, replacements: Record<string, unknown>): Promise<T[]> {
	return getDatabase().query<T>(sql, { replacements, type: QueryTypes.SELECT })
}

async function explainUnchanged(studioId: number, id: number, transaction: Transaction): Promise<never> {
	const exists = await CourseModel.count({ where: { studioId, id }, transaction })
	if (exists === 0) throw new NotFoundError('There is no such course. It may have been deleted meanwhile.')
	throw new ConflictError('This course was changed in another window meanwhile. Nothing of yours is lost: see below.')
}

async function createParts(courseId: number, { designs, sessions }: Course, transaction: Transaction): Promise<void> {
	const designRows = giveKeys(designs).map((item, position) => {
		const { designId, key: itemKey, name: itemName = null, flowersPerStudent, picks, designVersion = null } = item
		return { courseId, position, slug: designId, itemKey, itemName, flowersPerStudent, picks, designVersion }
	})
	await CourseDesignModel.bulkCreate(designRows, { transaction })
	await CourseSessionModel.bulkCreate(
		sessions.map(({ roomId = null, bufferMinutes = null, ...session }, position) => {
			return { courseId, position, ...session, roomId, bufferMinutes }
		}),
		{ transaction },
	)
}

type PlainColumn = 'name' | 'studentCount' | 'pace' | 'planFor' | 'spareConfidence' | 'demoFlowers' | 'homeworkMinutes'

function plainColumns(course: Pick<Course, PlainColumn>) {
	const { name, studentCount, pace, planFor, spareConfidence, demoFlowers, homeworkMinutes } = course
	return { name, studentCount, pace, planFor, spareConfidence, demoFlowers, homeworkMinutes }
}

function ownColumns(course: Course) {
	const { storeId = null, waits = {}, pins = [], homeAfterDays = 0, endEarly = false } = course
	return { ...plainColumns(course), homeAfterDays, endEarly, storeId, waits, pins }
}

/**
 * Rooms and stores that a course names must be the studio's own.
 *
 * @throws {InputError} by field
 */
async function refuseForeignPlaces(studioId: number, { sessions, storeId }: Course, transaction: Transaction) {
	const named = [
		...sessions.map(({ roomId }, s) => ({ id: roomId, path: `sessions[${s}].roomId` })),
		{ id: storeId, path: 'storeId' },
	].filter((place): place is { id: number; path: string } => place.id !== undefined)
	if (named.length === 0) return
	const own = await PlaceModel.findAll({ where: { studioId }, attributes: ['id'], transaction })
	const known = new Set(own.map(({ id }) => id))
	const problems = named
		.filter(({ id }) => !known.has(id))
		.map(({ path }) => ({ path, message: 'There is no such place any more: choose another' }))
	if (problems.length > 0) throw new InputError(problems)
}

/**
 * Nobody who is named may fall off the list without a word.
 *
 * @throws {InputError} fewer places than people
 */
async function refuseTooFewPlaces({ id, studentCount }: StoredCourse, transaction: Transaction): Promise<void> {
	const named = await StudentModel.count({ where: { courseId: id }, transaction })
	if (named <= studentCount) return
	const message = `${named} people are named already: take some off the list first`
	throw new InputError([{ path: 'studentCount', message }])
}

function toCourse(
	row: CourseModel,
	designs: readonly CourseDesignModel[],
	sessions: readonly CourseSessionModel[],
): StoredCourse {
	return {
		id: row.id,
		version: row.version,
		...plainColumns(row),
		...(row.homeAfterDays > 0 && { homeAfterDays: row.homeAfterDays }),
		// Read raw, a yes is a 1.
		...(Boolean(row.endEarly) && { endEarly: true }),
		...(row.storeId !== null && { storeId: row.storeId }),
		...(row.waits !== null && Object.keys(row.waits).length > 0 && { waits: row.waits }),
		...(row.pins && row.pins.length > 0 && { pins: row.pins }),
		designs: designs.map(({ slug, itemKey, itemName, flowersPerStudent, picks, designVersion }) => ({
			designId: slug,
			...(itemKey !== null && itemKey !== slug && { key: itemKey }),
			...(itemName && { name: itemName }),
			flowersPerStudent,
			picks,
			...(designVersion !== null && { designVersion }),
		})),
		sessions: sessions.map(toSession),
	}
}

function toSession({ roomId, bufferMinutes, ...row }: CourseSessionModel): Course['sessions'][number] {
	const { date, startMin, endMin, setUpMinutes, clearAwayMinutes, breaks } = row
	return {
		...{ date, startMin, endMin, setUpMinutes, clearAwayMinutes, breaks },
		...(roomId !== null && { roomId }),
		...(bufferMinutes !== null && { bufferMinutes }),
	}
}
