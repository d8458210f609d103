/** Kits of the demo's courses. For tests of the product, not of facts of the trade. */
import type { Course } from '../../core/course/course'
import { planCourse, resolveCourse } from '../../core/plan/plan-course'
import { tellPlan } from '../../core/plan/tell/plan-story'
import { packClassKit, type KitStudio } from '../../core/kit/class-kit'
import type { Student } from '../../core/kit/student'
import { demoCourse, demoDesign } from './demo-designs'

export function makeStudent(terms: Partial<Student> = {}): Student {
	return { name: 'Somebody', isLeftHanded: false, avoids: [], diet: 'any', isChild: false, notes: '', ...terms }
}

const known = new Map<string, ReturnType<typeof planDemo>>()

function planDemo(name: string, change: Partial<Course>) {
	const course = { ...demoCourse(name), ...change }
	const documents = course.designs.map(({ designId }) => demoDesign(designId))
	const { compiled, plan } = planCourse(course, documents)
	if (!plan) throw new Error(`no plan for ${name}`)
	return {
		course,
		compiled,
		plan,
		designs: resolveCourse(course, documents),
		story: tellPlan(compiled, plan, course.sessions),
	}
}

/** A demo course, planned once for each change, with its kits. */
export function packDemo(
	name: string,
	change: Partial<Course> = {},
	{ roster = [], ...studio }: Partial<KitStudio> & { roster?: readonly Student[] } = {},
) {
	const key = name + JSON.stringify(change)
	const planned = known.get(key) ?? planDemo(name, change)
	known.set(key, planned)
	const { course, designs, compiled, plan } = planned
	const kit = packClassKit(course, designs, { compiled, plan, roster, studio: { stockLengthsMm: [360], ...studio } })
	return { ...planned, kit }
}
