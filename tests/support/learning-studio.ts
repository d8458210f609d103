/** A studio whose truth is known: what its levels, classes, techniques and steps really add, and the classes it taught. */
import type { Pace } from '../../core/course/course'
import { levelFactor } from '../../core/course/pace'
import { scoreOfDone, type MinutesObservation } from '../../core/learn/minutes-belief'
import { createRng } from '../../core/random'
import {
	CLASS_SD,
	LEVEL_SD,
	OCCASION_SD,
	STEP_SD,
	STUDENT_SD,
	STUDENT_TECHNIQUE_SD,
	TECHNIQUE_SD,
} from '../../core/vocabulary/spreads'

const LEVELS: Pace[] = ['improvers', 'beginners', 'children']
const TECHNIQUES = 10
const STEPS = 20
const STUDENTS = 8
const DONE = 7

export interface LearningStudio {
	/** Minutes of the student in the middle, of any class. */
	trueMinutes: (observation: MinutesObservation) => number
	observations: MinutesObservation[]
}

/** Each class holds all steps, one evening a week. @param cutShare - of what ends at its close, in [0, 1) */
export function makeLearningStudio(seed: number, classCount: number, cutShare = 0): LearningStudio {
	const rng = createRng(seed)
	// Box and Muller.
	const normal = (sd: number) => sd * Math.sqrt(-2 * Math.log(1 - rng())) * Math.cos(2 * Math.PI * rng())
	const list = (count: number, sd: number) => Array.from({ length: count }, () => normal(sd))
	const levels = new Map(LEVELS.map((level) => [level, Math.log(levelFactor(level)) + normal(LEVEL_SD)]))
	const techniques = list(TECHNIQUES, TECHNIQUE_SD)
	const steps = list(STEPS, STEP_SD)
	const stated = Array.from({ length: STEPS }, () => 5 + 30 * rng())
	const among = Math.hypot(STUDENT_SD, STUDENT_TECHNIQUE_SD)
	const middle = ({ level, step }: Pick<MinutesObservation, 'level' | 'step'>) => {
		const s = Number(step)
		return Math.log(stated[s]!) + (levels.get(level) ?? 0) + techniques[s % TECHNIQUES]! + steps[s]!
	}
	const observations = Array.from({ length: classCount }, (_, c) => {
		const level = LEVELS[c % LEVELS.length]!
		const ofClass = normal(CLASS_SD)
		return Array.from({ length: STEPS }, (__, s): MinutesObservation => {
			const students = list(STUDENTS, among).toSorted((a, b) => a - b)
			const occasion = ofClass + normal(OCCASION_SD)
			const real = Math.exp(middle({ level, step: String(s) }) + occasion + students[DONE - 1]!)
			// A close does not know how slow the class is: it comes at about the median, or not at all.
			const usual = middle({ level, step: String(s) }) + among * scoreOfDone(DONE, STUDENTS)
			const cut = rng() < 2 * cutShare ? Math.exp(usual + normal(0.3)) : Infinity
			return {
				id: `${String(c).padStart(3, '0')} ${s}`,
				classId: `class ${c}`,
				date: new Date(Date.UTC(2026, 0, 6 + 7 * c)).toISOString().slice(0, 10),
				...{ level, technique: `technique ${s % TECHNIQUES}`, step: String(s), statedMinutes: stated[s]! },
				...{ studentCount: STUDENTS, doneCount: DONE, from: Math.min(real, cut), to: cut < real ? Infinity : real },
			}
		})
	}).flat()
	return { trueMinutes: (own) => Math.exp(middle(own)), observations }
}
