/** `npm run -s kit -- course.json`: kits, totals, cutting plans, sheets, tools and shopping of a course, as JSON. */
import { InputError } from '../core/errors'
import { planCourse } from '../core/plan/plan-course'
import { readCourseDocument } from '../exchange/course/course-document'
import { ownedIn, tellKit } from '../exchange/kit/kit-answer'
import { runDoor } from './json-door'

runDoor('kit', ['course.json'], ([file]) => {
	const document = readCourseDocument(file)
	const { course, designs, terms } = document
	const planTerms = { ...terms, ownedTools: ownedIn(document) }
	const { compiled, plan, status, objective } = planCourse(course, designs, planTerms)
	if (!plan) throw new InputError([{ path: '/course/sessions', message: 'the course has no plan in these sessions' }])
	return { plan: { status, objective }, ...tellKit(document, { compiled, plan }) }
})
