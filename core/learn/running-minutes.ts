/** What is believed of minutes as class comes after class: what was known on any day of the past, without beginning anew. */
import {
	delayOf,
	keysOf,
	priorOf,
	ratioOf,
	type MinutesObservation,
	type MinutesTerms,
	type Occasion,
} from './minutes-belief'
import { RunningEffects } from './running-effects'
import type { Moments } from './truncated-normal'

export class RunningMinutes {
	readonly #terms: MinutesTerms
	readonly #effects = new RunningEffects()
	/** Numbers of effects, those of classes among them. */
	readonly #numbers = new Map<string, number>()
	readonly #keys: string[] = []

	constructor(terms: MinutesTerms) {
		this.#terms = terms
	}

	/** As `MinutesBelief` does, from what was taken in so far. */
	predict(occasion: Occasion): Moments {
		const { mean, variance } = this.#effects.sumOf(this.#numbersOf(occasion))
		return {
			mean: Math.log(occasion.statedMinutes) + delayOf(occasion) + mean,
			variance: variance + this.#terms.occasion ** 2,
		}
	}

	take(observation: MinutesObservation): void {
		this.#effects.take(this.#numbersOf(observation), { ...ratioOf(observation), sd: this.#terms.occasion })
	}

	/** The class is over: nothing will be asked of it. */
	leave(classId: string): void {
		const key = classKey(classId)
		const number = this.#numbers.get(key)
		if (number === undefined) return
		const moved = this.#effects.drop(number)
		this.#numbers.delete(key)
		const last = this.#keys.pop()
		if (moved === undefined || last === undefined) return
		this.#keys[number] = last
		this.#numbers.set(last, number)
	}

	#numbersOf(occasion: Occasion): number[] {
		const { classId } = occasion
		return [...keysOf(occasion), classKey(classId)].map((key) => {
			const known = this.#numbers.get(key)
			if (known !== undefined) return known
			const prior = key === classKey(classId) ? { mean: 0, sd: this.#terms.class } : priorOf(key, this.#terms)
			const number = this.#effects.add(prior)
			this.#numbers.set(key, number)
			this.#keys[number] = key
			return number
		})
	}
}

function classKey(classId: string): string {
	return `class ${classId}`
}
