/** What the screen of the people can change. */
import { InputError } from '../../../core/errors'
import { inTransaction } from '../../../db/connection.server'
import { deleteStudents, replaceStudents } from '../../../db/repositories/students.server'
import { readPeopleCsv } from '../../../exchange/people-csv'
import { readBody } from '../../http/read-input.server'
import { peopleActionSchema, peopleSchema, toStudent } from '../../schemas/people'

/**
 * The form is sent as JSON, everything else as a plain form with its intent.
 *
 * @throws {InputError} by field, or by line of a file
 * @throws {NotFoundError} the studio has no such course
 */
export async function changePeople(studioId: number, courseId: number, request: Request) {
	if (request.headers.get('Content-Type')?.includes('application/json')) {
		const { students } = await readBody(request, peopleSchema)
		await inTransaction((transaction) => replaceStudents(studioId, courseId, students.map(toStudent), transaction))
		return { saved: students.length }
	}
	const { intent, text = '' } = await readBody(request, peopleActionSchema)
	if (intent === 'forget') {
		await deleteStudents(studioId, courseId)
		return { forgotten: true }
	}
	const { students, bad } = readPeopleCsv(text)
	if (bad.length > 0)
		throw new InputError(
			bad.slice(0, 20).map(({ line, problem }) => ({ path: 'text', message: `Line ${line}: ${problem}` })),
		)
	if (students.length === 0) throw new InputError([{ path: 'text', message: 'The file names nobody' }])
	await inTransaction((transaction) => replaceStudents(studioId, courseId, students, transaction))
	return { saved: students.length }
}
