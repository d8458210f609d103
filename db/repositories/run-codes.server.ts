/** Codes under which students' phones see the wall of a session: for one evening, to read, without names. */
import { randomInt } from 'node:crypto'
import { Op } from 'sequelize'
import { inTransaction } from '../connection.server'
import { RunCodeModel } from '../models/runs.server'
import { requireCourse } from '../require-course.server'
import { findMemberById, type Member } from './sign-ins.server'
import type { RunKey } from './runs.server'

/** Read from a screen and typed with wet fingers: none that looks like another. */
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789'
const LENGTH = 8
/** An evening, with what comes before and after it. */
const HOURS = 8

/**
 * The code of a session: the one that there is, or a new one.
 *
 * @param userId - who opens it
 * @throws {NotFoundError} the studio has no such course
 */
export function openRunCode(studioId: number, userId: number, run: RunKey, now: Date): Promise<string> {
	const { courseId, session } = run
	return inTransaction(async (transaction) => {
		// One at a time: two tablets show one code.
		await requireCourse(studioId, courseId, { transaction, lock: true })
		await RunCodeModel.destroy({ where: { courseId, session, expiresAt: { [Op.lte]: now } }, transaction })
		const known = await RunCodeModel.findOne({ where: { courseId, session }, transaction })
		if (known) return known.code
		const code = Array.from({ length: LENGTH }, () => LETTERS[randomInt(LETTERS.length)]).join('')
		const expiresAt = new Date(now.getTime() + HOURS * 3_600_000)
		await RunCodeModel.create({ code, courseId, session, userId, expiresAt }, { transaction })
		return code
	})
}

/** @returns undefined: there is none, or its evening is over */
export async function findRunCode(code: string, now: Date): Promise<{ member: Member; run: RunKey } | undefined> {
	const row = await RunCodeModel.findOne({ where: { code, expiresAt: { [Op.gt]: now } } })
	const member = row && (await findMemberById(row.userId))
	return member ? { member, run: { courseId: row.courseId, session: row.session } } : undefined
}
