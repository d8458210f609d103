/**
 * `npm run -s course -- course.json [--time-ms N]`: the course planned in that time, with its waits, its kits and, where it
 * does not fit, what would help, as JSON. A course that does not fit is an answer; a bad document is not.
 */
import { planCourse } from '../core/plan/plan-course'
import { tellCourse } from '../exchange/course/course-answer'
import { readCourseDocument } from '../exchange/course/course-document'
import { ownedIn } from '../exchange/kit/kit-answer'
import { runDoor } from './json-door'
import { createTimeLimit } from './time-limit'

/** For each way out that is tried. */
const WAY_OUT_MS = 400

const limit = createTimeLimit(5_000)

runDoor(
	'course',
	['course.json'],
	([file]) => {
		const started = performance.now()
		const document = readCourseDocument(file)
		const { course, designs, terms } = document
		const planTerms = { ...terms, ownedTools: ownedIn(document) }
		const made = planCourse(course, designs, planTerms, { shouldStop: () => limit.isOverSince(started) })
		const ms = Math.round(performance.now() - started)
		return tellCourse(document, { made, ms }, () => {
			const begun = performance.now()
			return { shouldStop: () => performance.now() - begun >= WAY_OUT_MS }
		})
	},
	{ words: limit.readWords, hasJsonProblems: true },
)
