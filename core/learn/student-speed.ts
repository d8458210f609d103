/**
 * How fast a person is who comes again, against a student of her level: ln of her minutes to those of the student in the
 * middle of her class at the same step, normal around her own pace.
 */
import { STUDENT_SD, STUDENT_TECHNIQUE_SD } from '../vocabulary/spreads'
import { spanOf, type BeliefSpan } from './belief-span'

export interface StudentObservation {
	/** By which she is known from class to class. */
	person: string
	/** YYYY-MM-DD. */
	date: string
	/** ln of her minutes to those that are usual for her level. */
	logRatio: number
}

export interface BelievedStudent {
	person: string
	/** On the minutes of her level: above 1 she is slower. */
	factor: BeliefSpan
	/** From so many steps, and days. */
	steps: number
	days: number
}

/** Of one step: how she is at its technique, and how well the middle of her class is known. */
const STEP_NOISE_SD = Math.hypot(STUDENT_TECHNIQUE_SD, 0.1)

/** By which a person is known again: her name, however it is written. */
export function personOf(name: string): string {
	return name.trim().toLowerCase()
}

/** @returns by name */
export function learnStudents(observations: readonly StudentObservation[]): BelievedStudent[] {
	const people = [...new Set(observations.map(({ person }) => person))].toSorted()
	return people.map((person) => {
		const own = observations.filter((one) => one.person === person)
		const precision = 1 / STUDENT_SD ** 2 + own.length / STEP_NOISE_SD ** 2
		const mean = own.reduce((sum, { logRatio }) => sum + logRatio, 0) / STEP_NOISE_SD ** 2 / precision
		return {
			person,
			factor: spanOf({ mean, variance: 1 / precision }),
			steps: own.length,
			days: new Set(own.map(({ date }) => date)).size,
		}
	})
}
