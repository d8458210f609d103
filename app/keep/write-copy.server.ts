/** A studio as one file, to keep or to take elsewhere. */
import { slugOf } from '../../core/design/edits/fresh-id'
import { InputError, NotFoundError } from '../../core/errors'
import type { Studio } from '../../db/repositories/accounts.server'
import { getCourse } from '../../db/repositories/courses.server'
import { listDocuments } from '../../db/repositories/designs.server'
import { listObservations } from '../../db/repositories/observations.server'
import { listPeople } from '../../db/repositories/people.server'
import { findNewestPlan } from '../../db/repositories/plans.server'
import { readStock, toStock } from '../../db/repositories/stock/read-stock.server'
import { getRoster } from '../../db/repositories/students.server'
import { takeStudioRows } from '../../db/whole-studio/take-rows.server'
import { peopleCsv } from '../../exchange/course/people-csv'
import { toCsv } from '../../exchange/csv'
import { toBook } from '../../exchange/design/design-book'
import { stockCsv } from '../../exchange/kit/stock-csv'
import { logCsv } from '../../exchange/learning/log-csv'
import { writeStudioArchive, type Row } from '../../exchange/studio/studio-archive'
import { writeCourseText } from '../plan/course-text.server'
import { readPlanInputs, type PlanInputs } from '../plan/read-plan.server'

/**
 * In place of the fingerprint of a plan that was made from what its course is now. Fingerprints hold ids of the database;
 * who reads the copy reckons them anew.
 */
export const CURRENT = 'current'

/** Everything but who signs in and with what. */
export async function writeStudioCopy(studio: Studio): Promise<Uint8Array<ArrayBuffer>> {
	const { courseIds, ...rows } = await takeStudioRows(studio.id)
	const forOthers: Record<string, string> = await plainTables(studio)
	for (const [c, id] of courseIds.entries()) {
		const course = await readCourse(studio, id)
		// It was deleted since the rows were read, or one of its designs.
		if (!course) continue
		const name = `${c + 1}-${slugOf(course.inputs.plain.name)}`
		if (course.text !== undefined) forOthers[`courses/${name}.json`] = course.text
		if (course.people !== undefined) forOthers[`people/${name}.csv`] = course.people
		rows.tables.plans = rows.tables.plans.map((row) => asCurrent(row, c + 1, course.inputs))
	}
	return writeStudioArchive(rows, forOthers)
}

function asCurrent(row: Row, courseNumber: number, { fingerprint }: PlanInputs): Row {
	const isCurrent = row['courseId'] === courseNumber && row['fingerprint'] === fingerprint
	return isCurrent ? { ...row, fingerprint: CURRENT } : row
}

async function plainTables(studio: Studio): Promise<Record<string, string>> {
	const [designs, stock, observations, members] = await Promise.all([
		listDocuments(studio.id),
		readStock(studio.id),
		listObservations(studio.id),
		listPeople(studio.id),
	])
	return {
		'designs.json': `${JSON.stringify(toBook(designs), null, '\t')}\n`,
		'shelf.csv': stockCsv(toStock(stock)),
		'log.csv': logCsv(observations),
		'who-signs-in.csv': toCsv(members.map(({ name, email, role }) => ({ name, email, role }))),
	}
}

async function readCourse(studio: Studio, id: number) {
	try {
		const course = await getCourse(studio.id, id)
		const [inputs, stored, { students }] = await Promise.all([
			readPlanInputs(studio, course),
			findNewestPlan(studio.id, id),
			getRoster(studio.id, id),
		])
		const { documents } = inputs
		const text = stored && writeCourseText(studio, { course, documents, coursePlan: stored.document })
		return { inputs, text, people: students.length > 0 ? peopleCsv(students) : undefined }
	} catch (error) {
		if (error instanceof InputError || error instanceof NotFoundError) return undefined
		throw error
	}
}
