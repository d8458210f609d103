/** A copy read into a studio in which nothing is yet. */
import { InputError } from '../../core/errors'
import { present } from '../../core/present'
import { getStudio, type Studio } from '../../db/repositories/accounts.server'
import { getCourse } from '../../db/repositories/courses.server'
import { confirmPlan } from '../../db/repositories/plans.server'
import { checkColumns } from '../../db/whole-studio/check-columns.server'
import { putStudioRows } from '../../db/whole-studio/put-rows.server'
import { readStudioArchive } from '../../exchange/studio/studio-archive'
import { readPlanInputs, type PlanInputs } from '../plan/read-plan.server'
import { checkContents } from './check-contents.server'
import { CURRENT } from './write-copy.server'

const PROBLEMS_TOLD = 20

/**
 * All of it, or nothing.
 *
 * @param packed - the file
 * @throws {InputError} it is no whole copy, or says what no studio could; with the file and the row of each problem
 * @throws {ConflictError} the studio has something in it
 */
export async function readStudioCopy(studioId: number, packed: Uint8Array): Promise<void> {
	const rows = readStudioArchive(packed)
	const misfits = checkColumns(rows)
	if (misfits.length > 0) throw new InputError(misfits.slice(0, PROBLEMS_TOLD))
	await checkContents(rows)
	const idOf = await putStudioRows(studioId, rows)
	// Whoever stops it here sees plans told as outdated, and loses nothing.
	const studio = await getStudio(studioId)
	for (const [p, { fingerprint, courseId }] of (rows.tables['plans'] ?? []).entries()) {
		if (fingerprint !== CURRENT) continue
		const id = present(idOf('courses', Number(courseId)), 'the course of a plan')
		const inputs = await readInputs(studio, id)
		if (inputs) await confirmPlan(studioId, present(idOf('plans', p + 1), 'a plan'), inputs.fingerprint)
	}
}

/** @returns undefined: a file that says of a course without its design that it has a plan */
async function readInputs(studio: Studio, courseId: number): Promise<PlanInputs | undefined> {
	try {
		return await readPlanInputs(studio, await getCourse(studio.id, courseId))
	} catch (error) {
		if (error instanceof InputError) return undefined
		throw error
	}
}
