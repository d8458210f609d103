/** Courses of several demo designs at once, as an instructor might put them together. For benches of the planner. */
import type { Course } from '../../core/course/course'
import { compileCourse } from '../../core/plan/compile/compile-course'
import { resolveCourse } from '../../core/plan/plan-course'
import type { Instance } from '../../core/plan/problem/instance'
import { minutesOfTask } from '../../core/plan/problem/plan-times'
import { createRng, type Rng } from '../../core/random'
import { addDays } from '../../core/time/calendar'
import { DEMO_TODAY, demoCourse, demoCourseNames, demoDesign, demoDesignIds } from './demo-designs'

const EVENING_STARTS = 18 * 60
/** Work by the hands-on minutes of all evenings: less is no course, more is none that fits. */
const [LEAST_LOAD, MOST_LOAD] = [0.5, 1.3]

/** The same seed and range of steps give the same instance; some of them do not fit. */
export function mixedCourse(seed: number, { least, most }: { least: number; most: number }): Instance {
	const rng = createRng(seed * 7919)
	for (;;) {
		const course = drawCourse(rng)
		const documents = course.designs.map(({ designId }) => demoDesign(designId))
		const { instance } = compileCourse(course, resolveCourse(course, documents))
		const minutes = instance.tasks.map(minutesOfTask)
		const count = minutes.filter((own) => own > 0).length
		const room = instance.windows.reduce((total, { open, close }) => total + close - open, 0)
		const load = minutes.reduce((total, own) => total + own, 0) / room
		if (count >= least && count <= most && load >= LEAST_LOAD && load <= MOST_LOAD) return instance
	}
}

/** One to four designs in two to six evenings of two to four hours, a day or a week apart, with tea in the middle. */
function drawCourse(rng: Rng): Course {
	const draw = (count: number) => Math.floor(rng() * count)
	const base = demoCourse(demoCourseNames()[0] ?? '')
	const ids = demoDesignIds()
	const chosen = new Set(Array.from({ length: 1 + draw(4) }, () => ids[draw(ids.length)] ?? ''))
	const count = 2 + draw(5)
	const length = [120, 150, 180, 240][draw(4)] ?? 150
	const days = [1, 7, 7][draw(3)] ?? 7
	const [first] = base.sessions
	if (!first) throw new Error(`${base.name} has no session`)
	return {
		...base,
		name: 'mixed',
		designs: [...chosen].map((designId) => ({ designId, flowersPerStudent: 1 + draw(2), picks: {} })),
		sessions: Array.from({ length: count }, (_, n) => ({
			...first,
			date: addDays(DEMO_TODAY, 1 + n * days),
			startMin: EVENING_STARTS,
			endMin: EVENING_STARTS + length,
			breaks: [{ startMin: EVENING_STARTS + length / 2, minutes: 10 }],
		})),
	}
}
