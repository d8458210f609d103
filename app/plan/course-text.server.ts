/** A course as a file that is handed on. */
import type { Design } from '../../core/design/design'
import { namePlan } from '../../core/plan/named-plan'
import type { CoursePlan } from '../../core/plan/plan-course'
import type { PlanTerms } from '../../core/plan/compile/drying-terms'
import type { Studio } from '../../db/repositories/accounts.server'
import type { StoredCourse } from '../../db/repositories/courses.server'
import { writeCourseDocument } from '../../exchange/course/course-document'

interface WrittenCourse {
	course: StoredCourse
	documents: Design[]
	coursePlan: Pick<CoursePlan, 'compiled'> & { plan?: CoursePlan['plan']; terms: PlanTerms }
}

/** In the exchange form, without its people: a file that is handed on holds none. */
export function writeCourseText(studio: Studio, { course, documents, coursePlan }: WrittenCourse): string {
	const { id: _, version: __, ...plain } = course
	const document = writeCourseDocument({
		course: plain,
		designs: documents,
		students: [],
		stockLengthsMm: studio.wireLengthsMm,
		terms: coursePlan.terms,
		plan: coursePlan.plan && namePlan(coursePlan.plan, coursePlan.compiled.instance),
	})
	return `${JSON.stringify(document, null, '\t')}\n`
}
