/**
 * The linear model with normal effects, one value after the other: what is believed after each is exact where values are
 * known, the same as from all of them at once. A value that lies in an interval is taken in once, when it comes, by its
 * mean and variance, and not looked at again.
 */
import type { Effect } from './linear-gaussian'
import { truncatedMoments, type Moments } from './truncated-normal'

export class RunningEffects {
	#means = new Float64Array(0)
	/** By rows, symmetric; rows are longer than there are effects, so that they grow seldom. */
	readonly #rows: Float64Array[] = []
	#scratch = new Float64Array(0)

	/** A further effect, independent of all others. @returns its number, until one is dropped */
	add({ mean, sd }: Effect): number {
		const number = this.#rows.length
		if (number === this.#means.length) this.#grow(Math.max(32, 2 * number))
		this.#means[number] = mean
		const row = new Float64Array(this.#means.length)
		row[number] = sd * sd
		for (const own of this.#rows) own[number] = 0
		this.#rows.push(row)
		return number
	}

	/**
	 * Nothing more will be asked of it.
	 *
	 * @returns the number of the effect that has its number from now on; undefined: of none
	 */
	drop(number: number): number | undefined {
		const last = this.#rows.length - 1
		const lastRow = this.#rows.pop()
		if (number === last || !lastRow) return undefined
		this.#rows[number] = lastRow
		for (const row of this.#rows) row[number] = row[last] ?? 0
		this.#means[number] = this.#means[last] ?? 0
		return last
	}

	/** Of the sum of these effects, each named once. */
	sumOf(numbers: readonly number[]): Moments {
		let [mean, variance] = [0, 0]
		for (const a of numbers) {
			mean += this.#means[a]!
			for (const b of numbers) variance += this.#rows[a]![b]!
		}
		return { mean, variance }
	}

	/**
	 * A value that is the sum of these effects and a normal rest.
	 *
	 * @param value - known, or between two; the rest's sd > 0
	 * @complexity O(effects²)
	 */
	take(numbers: readonly number[], { low, high, sd }: { low: number; high: number; sd: number }): void {
		const size = this.#rows.length
		const along = this.#scratch
		along.fill(0, 0, size)
		for (const a of numbers) {
			const row = this.#rows[a]!
			for (let e = 0; e < size; e++) along[e]! += row[e]!
		}
		const { mean, variance } = this.sumOf(numbers)
		const total = variance + sd * sd
		const told = low === high ? { mean: low, variance: 0 } : truncatedMoments({ mean, variance: total }, low, high)
		const shift = (told.mean - mean) / total
		const shrink = (total - told.variance) / (total * total)
		for (let a = 0; a < size; a++) {
			const own = along[a]!
			if (own === 0) continue
			this.#means[a]! += shift * own
			const row = this.#rows[a]!
			const share = shrink * own
			for (let b = 0; b < size; b++) row[b]! -= share * along[b]!
		}
	}

	#grow(capacity: number): void {
		const longer = (old: Float64Array) => {
			const grown = new Float64Array(capacity)
			grown.set(old)
			return grown
		}
		this.#means = longer(this.#means)
		this.#scratch = new Float64Array(capacity)
		for (const [k, row] of this.#rows.entries()) this.#rows[k] = longer(row)
	}
}
