/**
 * What is believed of how long steps take, learnt from real classes: ln(real / stated) of the student in the middle is the
 * sum of what her level, her class, the technique and the step add, and a rest. *Stated* is what the design says of a
 * practised adult, with the waiting for tools that the class shares.
 */
import { levelFactor } from '../course/pace'
import type { Pace } from '../course/course'
import { normalQuantile } from '../drying/normal-distribution'
import {
	CLASS_SD,
	LEVEL_SD,
	OCCASION_SD,
	STEP_SD,
	STUDENT_SD,
	STUDENT_TECHNIQUE_SD,
	TECHNIQUE_SD,
} from '../vocabulary/spreads'
import { inferEffects, type Effect, type Posterior } from './linear-gaussian'
import type { Moments } from './truncated-normal'

/** A step in a class. */
export interface Occasion {
	/** Of the group that met. */
	classId: string
	level: Pace
	/** Absent: the step uses none that has a name. */
	technique?: string
	/** In all designs. */
	step: string
	/** Of a practised adult, with this class's sharing of tools, > 0. */
	statedMinutes: number
	/** Whole, >= 1. */
	studentCount: number
	/** Of them so many were done, >= 1: most, or all. */
	doneCount: number
}

export interface MinutesObservation extends Occasion {
	id: string
	/** YYYY-MM-DD. */
	date: string
	/** Steps that are done together with it at each piece; absent: none. */
	alsoSteps?: string[]
	/** Real minutes, without breaks and what interrupted: between these, equal where they are known; `to` Infinity: it was cut off. */
	from: number
	to: number
}

/** Standard deviations of natural logarithms. */
export interface MinutesTerms {
	level: number
	class: number
	technique: number
	step: number
	occasion: number
}

export const USUAL_MINUTES_TERMS: MinutesTerms = {
	level: LEVEL_SD,
	class: CLASS_SD,
	technique: TECHNIQUE_SD,
	step: STEP_SD,
	occasion: OCCASION_SD,
}

/** Of students of one class at one step. */
export const AMONG_STUDENTS_SD = Math.hypot(STUDENT_SD, STUDENT_TECHNIQUE_SD)
/** What was over at once took at least so long. */
const LEAST_MINUTES = 0.25
/** What is known to be below it may have taken any time down to none. */
const NO_MINUTES = 1e-9

/**
 * How much longer than the student in the middle the last of those takes who are done, as a factor of their spread: her
 * expected normal score.
 *
 * @param doneCount - in [1, studentCount]
 * @see G. Blom, Statistical estimates and transformed beta-variables, 1958 (from memory)
 */
export function scoreOfDone(doneCount: number, studentCount: number): number {
	const key = `${doneCount} of ${studentCount}`
	const score = knownScores.get(key) ?? normalQuantile((doneCount - 0.375) / (studentCount + 0.25))
	knownScores.set(key, score)
	return score
}

/** Of classes of all sizes: there are not many. */
const knownScores = new Map<string, number>()

export class MinutesBelief {
	readonly #terms: MinutesTerms
	readonly #index: EffectIndex
	readonly #posterior: Posterior
	readonly #classes = new Map<string, Set<string>>()

	/** @param observations - in any order; the belief is the same */
	constructor(observations: readonly MinutesObservation[], terms: MinutesTerms = USUAL_MINUTES_TERMS) {
		this.#terms = terms
		this.#index = new EffectIndex(terms)
		// In one order, so that the last digits are the same whatever came first.
		const ordered = observations.toSorted((a, b) => (a.id < b.id ? -1 : 1))
		const values = ordered.map((own) => {
			return { effects: this.#index.of(own), group: own.classId, ...ratioOf(own), sd: terms.occasion }
		})
		this.#posterior = inferEffects(this.#index.effects, values, { groupSd: terms.class })
		for (const own of observations)
			for (const key of keysOf(own)) {
				const classes = this.#classes.get(key) ?? new Set()
				this.#classes.set(key, classes.add(own.classId))
			}
	}

	/** ln of the factor on stated minutes that technique and step add, of any level. */
	stepFactor(step: Pick<Occasion, 'technique' | 'step'>): Moments {
		return this.#sumOf(stepKeys(step))
	}

	/** The same of a technique by itself. */
	techniqueFactor(technique: string): Moments {
		return this.#sumOf([techniqueKey(technique)])
	}

	/** ln of the factor of a level against a practised adult. */
	levelFactor(level: Pace): Moments {
		return this.#sumOf([levelKey(level)])
	}

	/** From how many classes it is known. */
	classesOfStep(step: string): number {
		return this.#classes.get(stepKey(step))?.size ?? 0
	}

	classesOfTechnique(technique: string): number {
		return this.#classes.get(techniqueKey(technique))?.size ?? 0
	}

	/**
	 * ln of the minutes that a step will take a class; a class that is known already has its own pace.
	 *
	 * @returns with all that is in doubt, the class and the occasion among it
	 */
	predict(occasion: Occasion): Moments {
		const { known, mean, variance } = this.#index.known(keysOf(occasion))
		const sum = this.#posterior.sumInGroup(known, occasion.classId)
		return {
			mean: Math.log(occasion.statedMinutes) + delayOf(occasion) + sum.mean + mean,
			variance: sum.variance + variance + this.#terms.occasion ** 2,
		}
	}

	#sumOf(keys: readonly string[]): Moments {
		const { known, mean, variance } = this.#index.known(keys)
		const sum = this.#posterior.sumOf(known)
		return { mean: sum.mean + mean, variance: sum.variance + variance }
	}
}

/** ln of real to stated minutes of the student in the middle: between these. */
export function ratioOf(own: MinutesObservation): { low: number; high: number } {
	const ratio = (minutes: number) => Math.log(Math.max(LEAST_MINUTES, minutes) / own.statedMinutes) - delayOf(own)
	return {
		low: own.from > NO_MINUTES ? ratio(own.from) : -Infinity,
		high: own.to === Infinity ? Infinity : ratio(own.to),
	}
}

/** ln of what the last of those who are done takes against the student in the middle. */
export function delayOf({ doneCount, studentCount }: Occasion): number {
	return AMONG_STUDENTS_SD * scoreOfDone(doneCount, studentCount)
}

const levelKey = (level: Pace) => `level ${level}`
const techniqueKey = (technique: string) => `technique ${technique}`
const stepKey = (step: string) => `step ${step}`

function stepKeys({ technique, step }: Pick<Occasion, 'technique' | 'step'>): string[] {
	return [...(technique === undefined ? [] : [techniqueKey(technique)]), stepKey(step)]
}

/** Of the effects that its minutes have in them, beside that of its class. */
export function keysOf(occasion: Pick<Occasion, 'level' | 'technique' | 'step'>): string[] {
	return [levelKey(occasion.level), ...stepKeys(occasion)]
}

/** Numbers of the effects that values have named. */
class EffectIndex {
	readonly effects: Effect[] = []
	readonly #terms: MinutesTerms
	readonly #byKey = new Map<string, number>()

	constructor(terms: MinutesTerms) {
		this.#terms = terms
	}

	of(occasion: Occasion): number[] {
		return keysOf(occasion).map((key) => {
			const known = this.#byKey.get(key)
			if (known !== undefined) return known
			this.#byKey.set(key, this.effects.length)
			this.effects.push(this.#priorOf(key))
			return this.effects.length - 1
		})
	}

	/** Those that are known, and what is believed of the others before anything is. */
	known(keys: readonly string[]): { known: number[] } & Moments {
		const unknown = keys.filter((key) => !this.#byKey.has(key)).map((key) => this.#priorOf(key))
		return {
			known: keys.flatMap((key) => this.#byKey.get(key) ?? []),
			mean: unknown.reduce((sum, { mean }) => sum + mean, 0),
			variance: unknown.reduce((sum, { sd }) => sum + sd * sd, 0),
		}
	}

	#priorOf(key: string): Effect {
		return priorOf(key, this.#terms)
	}
}

/** What is believed of an effect before anything is known. */
export function priorOf(key: string, terms: MinutesTerms): Effect {
	const [kind, name] = key.split(/ (.*)/s)
	if (kind === 'level') return { mean: Math.log(levelFactor(name as Pace)), sd: terms.level }
	return { mean: 0, sd: kind === 'technique' ? terms.technique : terms.step }
}
