/** What chance gives one simulated class: how fast it is, how long things dry, who is away, and what happens at each piece. */
import { Z90 } from '../drying/normal-distribution'
import { PASTE_PACE_SD, DRYING_PIECE_SD } from '../vocabulary/spreads'
import { drawFrom, exponential, hashOf, NORMAL_QUANTILES, numberOf, uniform } from './luck'
import type { Drying, RehearsalTerms } from './script'

/** What a draw is for. */
const PURPOSES = {
	classPace: 1,
	technique: 2,
	step: 3,
	student: 4,
	studentTechnique: 5,
	paste: 6,
	batch: 7,
	air: 8,
	away: 9,
	late: 10,
	lateMinutes: 11,
	call: 12,
	help: 13,
	piece: 14,
	breakage: 15,
} as const

/** Of the doubt of a drying time, the part that is the paste's: the rest is the batch's. */
const PASTE_SHARE = PASTE_PACE_SD / Math.hypot(PASTE_PACE_SD, DRYING_PIECE_SD)
/** In air that does not let it get there: so many times what nine in ten take. */
const DAMP_FACTOR = 3

/** The luck of one class. Tasks and techniques are given as `numberOf` their names. */
export class ClassLuck {
	readonly #terms: RehearsalTerms
	readonly #base: number

	constructor(terms: RehearsalTerms, classNumber: number) {
		this.#terms = terms
		this.#base = hashOf(terms.seed, classNumber)
	}

	/** Factor on all minutes of the class. */
	classFactor(): number {
		return this.#factor(this.#terms.spreads.class, this.#of('classPace'))
	}

	/**
	 * Factor on a task's minutes that the whole class shares.
	 *
	 * @param doubt - learnt, with that of its technique; where nothing is left to chance it is none
	 */
	taskFactor(task: number, doubt?: number): number {
		const { step } = this.#terms.spreads
		return this.#factor(step === 0 ? 0 : (doubt ?? step), hashOf(this.#of('step'), task))
	}

	/** The same of a technique, for tasks of which no doubt is learnt. */
	techniqueFactor(technique: number): number {
		return this.#factor(this.#terms.spreads.technique, hashOf(this.#of('technique'), technique))
	}

	/** Factor on all minutes of a student. */
	studentFactor(student: number): number {
		return this.#factor(this.#terms.spreads.student, hashOf(this.#of('student'), student))
	}

	/** Factor on a student's minutes at a technique. */
	studentTechniqueFactor(student: number, technique: number): number {
		const hash = hashOf(hashOf(this.#of('studentTechnique'), student), technique)
		return this.#factor(this.#terms.spreads.studentTechnique, hash)
	}

	/** Minutes that something dries. */
	dryingMinutes(drying: Drying): number {
		if (drying.kind === 'fixed') return drying.minutes
		const { id, median, sd, paste, airChance, leastMinutes } = drying
		const ofBatch = drawFrom(NORMAL_QUANTILES, hashOf(this.#of('batch'), numberOf(id)))
		const ofPaste = paste === undefined ? 0 : drawFrom(NORMAL_QUANTILES, hashOf(this.#of('paste'), numberOf(paste)))
		const share = paste === undefined ? 0 : PASTE_SHARE
		const z = share * ofPaste + Math.sqrt(1 - share * share) * ofBatch
		const isDamp = uniform(hashOf(this.#of('air'), numberOf(id))) >= airChance
		const minutes = isDamp ? DAMP_FACTOR * median * Math.exp(Z90 * sd) : median * Math.exp(sd * z)
		return Math.max(leastMinutes, minutes)
	}

	isAway(student: number, session: number): boolean {
		return uniform(hashOf(hashOf(this.#of('away'), student), session)) < this.#terms.awayChance
	}

	/** Minutes after the opening at which a student comes. */
	arrival(student: number, session: number): number {
		const { lateChance, lateMinutes } = this.#terms
		if (!(uniform(hashOf(hashOf(this.#of('late'), student), session)) < lateChance)) return 0
		return exponential(lateMinutes, hashOf(hashOf(this.#of('lateMinutes'), student), session))
	}

	/** Under which a student's calls for help, and the helps, are drawn one after another. */
	callHash(student: number): number {
		return hashOf(this.#of('call'), student)
	}

	helpHash(student: number): number {
		return hashOf(this.#of('help'), student)
	}

	/** Under which the pieces of a student's tasks are drawn: task by task, then by their number. */
	pieceHash(student: number): number {
		return hashOf(this.#of('piece'), student)
	}

	breakageHash(student: number): number {
		return hashOf(this.#of('breakage'), student)
	}

	#of(purpose: keyof typeof PURPOSES): number {
		return hashOf(this.#base, PURPOSES[purpose])
	}

	/** Of median 1. */
	#factor(sd: number, hash: number): number {
		return sd === 0 ? 1 : Math.exp(sd * drawFrom(NORMAL_QUANTILES, hash))
	}
}
