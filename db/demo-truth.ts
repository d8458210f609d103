/** The hidden truth behind the demo's year of past classes: what nobody knows of its techniques, steps, parts and pastes. */
import type { Course } from '../core/course/course'
import type { DesignInCourse } from '../core/plan/compile/compile-course'
import type { CompiledCourse } from '../core/plan/compile/compiled-course'
import type { Plan } from '../core/plan/problem/plan'
import type { OwnedTools } from '../core/materials/sharing/tool-sharing'
import { createRng } from '../core/random'

export interface PlannedDemo {
	course: Course
	designs: readonly DesignInCourse[]
	compiled: CompiledCourse
	plan: Plan
	/** Of each tool on the shelf; absent: of every one enough. */
	owned?: OwnedTools
}

export interface PastClass {
	seed: number
	classId: string
	/** YYYY-MM-DD: of its first session. */
	first: string
}

/** The same for a name, whoever asks. */
export function truthOf(name: string, sd: number): number {
	const rng = createRng([...name].reduce((hash, letter) => (31 * hash + letter.charCodeAt(0)) | 0, 7))
	return Math.exp(sd * Math.sqrt(-2 * Math.log(1 - rng())) * Math.cos(2 * Math.PI * rng()))
}
