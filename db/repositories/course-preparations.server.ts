/** What was reckoned of coming courses for their calendars, with what it was reckoned from; and a member's work as it was laid. */
import { QueryTypes } from 'sequelize'
import { getDatabase, writing } from '../connection.server'
import { CoursePreparationModel, LaidPreparationModel } from '../models/preparation.server'

/** A course that is to come, or under way, with the numbers that rise when it changes. */
export interface ComingCourse {
	id: number
	name: string
	firstDate: string
	lastDate: string
	version: number
	peopleVersion: number
	/** Of the newest plan; undefined: there is none yet. */
	planId: number | undefined
}

/**
 * The first ones first.
 *
 * @param date - today, as 2026-03-02
 * @param until - first sessions after that day are not looked at
 */
export async function listComingCourses(
	studioId: number,
	{ date, until, most }: { date: string; until: string; most: number },
): Promise<ComingCourse[]> {
	const rows = await getDatabase().query<Omit<ComingCourse, 'planId'> & { planId: number | null }>(
		`SELECT c.id, c.name, c.version, c.people_version AS peopleVersion, s.firstDate, s.lastDate,
			(SELECT MAX(id) FROM plans WHERE course_id = c.id AND aside_name IS NULL) AS planId
		FROM courses c
		JOIN (SELECT course_id, MIN(date) AS firstDate, MAX(date) AS lastDate FROM course_sessions GROUP BY course_id) s
			ON s.course_id = c.id
		WHERE c.studio_id = :studioId AND s.lastDate >= :date AND s.firstDate <= :until
		ORDER BY s.firstDate, c.id LIMIT :most`,
		{ type: QueryTypes.SELECT, replacements: { studioId, date, until, most } },
	)
	return rows.map(({ planId, ...row }) => ({ ...row, planId: planId ?? undefined }))
}

export interface KeptDocument {
	inputKey: string
	document: object
}

/** By course. */
export async function getCoursePreparations(courseIds: readonly number[]): Promise<Map<number, KeptDocument>> {
	const rows = await CoursePreparationModel.findAll({ where: { courseId: [...courseIds] }, raw: true })
	return new Map(rows.map(({ courseId, inputKey, document }) => [courseId, { inputKey, document: parsed(document) }]))
}

export async function keepCoursePreparation(courseId: number, { inputKey, document }: KeptDocument): Promise<void> {
	await writing(() => CoursePreparationModel.upsert({ courseId, inputKey, document }))
}

/** Undefined: nothing was laid yet. */
export async function getLaidPreparation(userId: number): Promise<KeptDocument | undefined> {
	const row = await LaidPreparationModel.findByPk(userId, { raw: true })
	return row ? { inputKey: row.inputKey, document: parsed(row.document) } : undefined
}

export async function keepLaidPreparation(userId: number, { inputKey, document }: KeptDocument): Promise<void> {
	await writing(() => LaidPreparationModel.upsert({ userId, inputKey, document }))
}

/** MariaDB keeps JSON as text, and a raw row has it so. */
function parsed(document: object | string): object {
	return typeof document === 'string' ? (JSON.parse(document) as object) : document
}
