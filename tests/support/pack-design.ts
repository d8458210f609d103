/** A small class of one design, packed: the shortest way from a design to its bills. */
import type { Course } from '../../core/course/course'
import type { Design } from '../../core/design/design'
import { packClassKit } from '../../core/kit/class-kit'
import { USUAL_KIT_TERMS } from '../../core/kit/kit-terms'
import type { Student } from '../../core/kit/student'
import type { PlanTerms } from '../../core/plan/compile/drying-terms'
import type { Plan } from '../../core/plan/problem/plan'
import { planCourse, resolveCourse } from '../../core/plan/plan-course'
import { demoCourse } from './demo-designs'

interface Terms {
	roster?: Student[]
	studentCount?: number
	flowers?: number
	picks?: Record<string, string>
	course?: Partial<Course>
	terms?: PlanTerms
	kitTerms?: Partial<typeof USUAL_KIT_TERMS>
	/** Instead of those of the plan that is found. */
	placements?: Plan['placements']
}

/** Plans and packs; four students make one flower each unless it is said otherwise. */
export function packDesign(design: Design, given: Terms = {}) {
	const { roster = [], studentCount = 4, flowers = 1, picks = {}, terms, kitTerms } = given
	const course: Course = {
		...demoCourse('Magnolia on Thursdays'),
		studentCount,
		pace: 'practised',
		planFor: 'middle',
		demoFlowers: 0,
		designs: [{ designId: design.id, flowersPerStudent: flowers, picks }],
		...given.course,
	}
	const made = planCourse(course, [design], terms)
	const { compiled, plan: found } = made
	const plan = found && { ...found, placements: given.placements ?? found.placements }
	if (!plan) throw new Error(`no plan: ${made.status}`)
	const resolved = resolveCourse(course, [design])
	const studio = { stockLengthsMm: [360], terms: { ...USUAL_KIT_TERMS, ...kitTerms } }
	return {
		course,
		made,
		compiled,
		plan,
		resolved,
		kit: packClassKit(course, resolved, { compiled, plan, studio, roster }),
	}
}
