/** A studio's courses as a list: sought, narrowed, ordered, by pages; and many of them deleted at once. */
import { QueryTypes } from 'sequelize'
import type { CourseFilter, CourseOrder } from '../../core/course/course-filter'
import type { ExactPlan } from '../../core/plan/exact/plan-exactly'
import { likeWords } from '../like-words'
import { getDatabase, inTransaction } from '../connection.server'
import { CourseModel } from '../models/courses.server'

/** A course in a list. */
export interface CourseSummary {
	id: number
	version: number
	name: string
	studentCount: number
	designNames: string[]
	/** Of the first design, for the course's picture; undefined if it is gone. */
	coverSlug: string | undefined
	sessionCount: number
	firstDate: string
	lastDate: string
	/** Of the newest plan; undefined if there is none. */
	planStatus: ExactPlan['status'] | undefined
	shortfallMinutes: number
}

export interface CourseList {
	courses: CourseSummary[]
	/** Of all pages. */
	count: number
	pageCount: number
}

const COURSES_PER_PAGE = 50

const ORDERS: Record<CourseOrder, string> = {
	latest: 'lastDate DESC, c.id DESC',
	soonest: 'firstDate, c.id',
	name: 'c.name, c.id',
	largest: 'c.student_count DESC, lastDate DESC, c.id DESC',
}

/** With its dates, and its newest plan. */
const FROM = `FROM courses c
	JOIN (SELECT course_id, COUNT(*) AS sessionCount, MIN(date) AS firstDate, MAX(date) AS lastDate
		FROM course_sessions GROUP BY course_id) s ON s.course_id = c.id
	LEFT JOIN plans p ON p.id = (SELECT MAX(id) FROM plans WHERE course_id = c.id AND aside_name IS NULL)`

const NAMES = `(SELECT GROUP_CONCAT(d.name ORDER BY cd.position SEPARATOR '\\n') FROM course_designs cd
	JOIN designs d ON d.slug = cd.slug AND d.studio_id = c.studio_id WHERE cd.course_id = c.id)`

/**
 * One page of the studio's courses.
 *
 * @param page - from 1
 * @param date - today, as 2026-03-02: what lies ahead is told from it
 */
export async function listCourses(
	studioId: number,
	{ page = 1, date = '', ...filter }: CourseFilter & { page?: number; date?: string } = {},
): Promise<CourseList> {
	const { sql, values } = toWhere(filter)
	const replacements = { studioId, date, ...values, limit: COURSES_PER_PAGE, offset: (page - 1) * COURSES_PER_PAGE }
	const [rows, [total]] = await Promise.all([
		query<SummaryRow>(
			`SELECT c.id, c.version, c.name, c.student_count AS studentCount, ${NAMES} AS designNames,
				(SELECT cd.slug FROM course_designs cd JOIN designs d ON d.slug = cd.slug AND d.studio_id = c.studio_id
					WHERE cd.course_id = c.id ORDER BY cd.position LIMIT 1) AS coverSlug,
				s.sessionCount, s.firstDate, s.lastDate, p.status AS planStatus, p.shortfall_minutes AS shortfallMinutes
			${FROM} ${sql} ORDER BY ${ORDERS[filter.order ?? 'latest']} LIMIT :limit OFFSET :offset`,
			replacements,
		),
		query<{ count: number }>(`SELECT COUNT(*) AS count ${FROM} ${sql}`, replacements),
	])
	const count = Number(total?.count ?? 0)
	return { courses: rows.map(toSummary), count, pageCount: Math.max(1, Math.ceil(count / COURSES_PER_PAGE)) }
}

/**
 * Deletes courses with all that belongs to them; those that somebody has changed since they were listed stay.
 *
 * @returns how many went
 */
export function deleteCourses(
	studioId: number,
	listed: readonly Pick<CourseSummary, 'id' | 'version'>[],
): Promise<number> {
	return inTransaction(async (transaction) => {
		// In one order, so that two who delete do not wait for each other.
		const sorted = listed.toSorted((a, b) => a.id - b.id)
		let deleted = 0
		for (const { id, version } of sorted)
			deleted += await CourseModel.destroy({ where: { studioId, id, version }, transaction })
		return deleted
	})
}

function toWhere({ search = '', when, plan }: CourseFilter): { sql: string; values: Record<string, string> } {
	const words = likeWords(search)
	const conditions = [
		'c.studio_id = :studioId',
		...words.map((_, w) => `CONCAT(c.name, '\\n', COALESCE(${NAMES}, '')) LIKE :word${w}`),
		...(when === 'ahead' ? ['s.lastDate >= :date'] : when === 'over' ? ['s.lastDate < :date'] : []),
		...(plan === 'fits' ? [FITS] : plan === 'open' ? [`NOT COALESCE(${FITS}, FALSE)`] : []),
	]
	return {
		sql: `WHERE ${conditions.join(' AND ')}`,
		values: Object.fromEntries(words.map((word, w) => [`word${w}`, word])),
	}
}

const FITS = "(p.status IN ('optimal', 'feasible'))"

interface SummaryRow {
	id: number
	version: number
	name: string
	studentCount: number
	designNames: string | null
	coverSlug: string | null
	sessionCount: number | bigint
	firstDate: string
	lastDate: string
	planStatus: ExactPlan['status'] | null
	shortfallMinutes: number | null
}

function query<T extends object>(sql: string, replacements: Record<string, unknown>): Promise<T[]> {
	return getDatabase().query<T>(sql, { replacements, type: QueryTypes.SELECT })
}

function toSummary({
	designNames,
	coverSlug,
	sessionCount,
	planStatus,
	shortfallMinutes,
	...row
}: SummaryRow): CourseSummary {
	return {
		...row,
		designNames: designNames?.split('\n') ?? [],
		coverSlug: coverSlug ?? undefined,
		sessionCount: Number(sessionCount),
		planStatus: planStatus ?? undefined,
		shortfallMinutes: shortfallMinutes ?? 0,
	}
}
