/** What the screen of the people can change. */
import { InputError } from '../../../../core/errors'
import { getCourse } from '../../../../db/repositories/courses.server'
import { deleteStudents, replaceStudents } from '../../../../db/repositories/students.server'
import { readPeopleCsv } from '../../../../exchange/course/people-csv'
import { isJson, readBody, readIntent } from '../../../shared/http/read-input.server'
import { peopleActions, peopleSchema, toStudent } from '../../schemas/people'

/**
 * The form is sent as JSON, everything else as a plain form with its intent.
 *
 * @throws {InputError} by field, or by line of a file
 * @throws {ConflictError} somebody else has changed the list since it was read
 * @throws {NotFoundError} the studio has no such course
 */
export async function changePeople(studioId: number, courseId: number, request: Request) {
	await getCourse(studioId, courseId)
	if (isJson(request)) {
		const { students, version } = await readBody(request, peopleSchema)
		await replaceStudents(studioId, courseId, { students: students.map(toStudent), version })
		return { saved: students.length }
	}
	const input = await readIntent(request, peopleActions)
	if (input.intent === 'forget') {
		await deleteStudents(studioId, courseId, input.version)
		return { forgotten: true }
	}
	const { students, bad } = readPeopleCsv(input.text)
	if (bad.length > 0)
		throw new InputError(
			bad.slice(0, 20).map(({ line, problem }) => ({ path: 'text', message: `Line ${line}: ${problem}` })),
		)
	if (students.length === 0) throw new InputError([{ path: 'text', message: 'The file names nobody' }])
	await replaceStudents(studioId, courseId, { students, version: input.version })
	return { saved: students.length }
}
