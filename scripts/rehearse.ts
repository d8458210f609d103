/**
 * `npm run -s rehearse -- course.json [--classes 2000] [--seed 7]`: a course played that many times: how sure the end of
 * each evening is, when each step ends, where minutes are lost, and what would help, as JSON.
 */
import { parseArgs } from 'node:util'
import { InputError } from '../core/errors'
import { planCourse } from '../core/plan/plan-course'
import { MOST_CLASSES } from '../core/rehearse/rehearsal'
import { readCourseDocument } from '../exchange/course/course-document'
import { ownedIn } from '../exchange/kit/kit-answer'
import { tellRehearsal } from '../exchange/rehearsal/rehearsal-answer'
import { runDoor, UsageError } from './json-door'

let options: { classes?: string; seed?: string } = {}

runDoor(
	'rehearse',
	['course.json'],
	([file]) => {
		const classCount = wholeOf('classes', options.classes ?? '2000', 1, MOST_CLASSES)
		const seed = wholeOf('seed', options.seed ?? '1', 0, 2 ** 31 - 1)
		const document = readCourseDocument(file)
		const { course, resolved: designs, terms, students } = document
		const owned = ownedIn(document)
		const planTerms = { ...terms, ownedTools: owned }
		const { compiled, plan, objective, status } = planCourse(course, document.designs, planTerms)
		if (!plan) throw new InputError([{ path: '/course/sessions', message: 'the course has no plan in these sessions' }])
		const levels = students.map(({ level }) => level)
		return {
			plan: { status },
			...tellRehearsal(
				{
					...{ course, designs, compiled, plan, objective, owned, levels },
					documents: document.designs,
					terms: planTerms,
				},
				{ classCount, seed },
			),
		}
	},
	{ words: readWords },
)

function readWords(): string[] {
	try {
		const { values, positionals } = parseArgs({
			options: { classes: { type: 'string' }, seed: { type: 'string' } },
			allowPositionals: true,
		})
		options = values
		return positionals
	} catch (error) {
		throw new UsageError((error as Error).message)
	}
}

/** @throws {UsageError} it is none, or out of its range */
function wholeOf(name: string, text: string, least: number, most: number): number {
	const value = Number(text)
	if (!(Number.isInteger(value) && value >= least && value <= most))
		throw new UsageError(`--${name} must be a whole number from ${least} to ${most}, got ${text}`)
	return value
}
