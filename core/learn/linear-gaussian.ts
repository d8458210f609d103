/**
 * A linear model with normal effects: each value is a sum of some effects, one of a group that it shares with others, and a
 * normal rest. Exact by its normal equations; the effects of groups, which are many, are eliminated first. A value that is
 * only known to lie in an interval is taken in by expectation propagation, to a fixed point.
 */
import { CholeskyDecomposition, Matrix } from 'ml-matrix'
import { AT_ONCE, solveTogether, type Sought } from './triangle'
import { truncatedMoments, type Moments } from './truncated-normal'

/** Before any value: normal, all independent. */
export interface Effect {
	mean: number
	/** > 0. */
	sd: number
}

export interface Value {
	/** Indices of effects, each at most once. */
	effects: readonly number[]
	/** Of those that share an effect; absent: it belongs to none. */
	group?: string
	/** Equal: it is known. Low may be -Infinity, high Infinity. */
	low: number
	high: number
	/** Of the rest, > 0. */
	sd: number
}

/** Sums of effects, as they are believed once the values are known. */
export interface Posterior {
	/** Of the sum of these effects. */
	sumOf: (effects: readonly number[]) => Moments
	/** Of a group's own effect together with these; a group without values is as before any. */
	sumInGroup: (effects: readonly number[], group: string) => Moments
	/** Rounds that it took. */
	rounds: number
}

export interface ModelTerms {
	/** Of the groups' effects around 0; 0: there are none. */
	groupSd: number
}

/** What a value says of its own sum: precision, and precision times mean. */
interface Site {
	precision: number
	weighted: number
}

/** Largest change of a site, against its size, at the fixed point. */
const TOLERANCE = 1e-10
const MOST_ROUNDS = 500
/** Whole steps on the way come soonest; where they swing, halves come at all. */
const WHOLE_STEPS = 40

/**
 * @param values - in any order
 * @throws {RangeError} an interval without width below 0, or a spread that is none
 * @complexity O(values · values of a group + effects³) a round; one round where all values are known
 */
export function inferEffects(effects: readonly Effect[], values: readonly Value[], { groupSd }: ModelTerms): Posterior {
	for (const { low, high, sd } of values)
		if (!(low <= high && sd > 0)) throw new RangeError(`no value: ${low} to ${high}, sd ${sd}`)
	const places = placesOf(effects.length, values)
	const place = (own: readonly number[]) => own.map((e) => places[e]!)
	const placed: Effect[] = []
	for (const [e, effect] of effects.entries()) placed[places[e]!] = effect
	const model = new Model(
		placed,
		values.map((value) => ({ ...value, effects: place(value.effects) })),
		groupSd,
	)
	for (let round = 1; ; round++) {
		const change = model.solve()
		if (change >= TOLERANCE && round < MOST_ROUNDS) continue
		return {
			sumOf: (own) => model.sumOf(place(own)),
			sumInGroup: (own, group) => model.sumInGroup(place(own), group),
			rounds: round,
		}
	}
}

/** Of each effect in the order in which they are eliminated: what few values share comes first, and a sum begins late. */
function placesOf(count: number, values: readonly Value[]): number[] {
	const uses = Array<number>(count).fill(0)
	for (const { effects } of values) for (const e of effects) uses[e]!++
	const order = uses.map((_, e) => e).toSorted((a, b) => uses[a]! - uses[b]!)
	const places = Array<number>(count).fill(0)
	for (const [place, e] of order.entries()) places[e] = place
	return places
}

interface Group {
	values: number[]
	/** Of the group's effect, given all others. */
	precision: number
	weighted: number
	/** Effects of its values, and of each the sum of the precisions of those. */
	touched: number[]
	weights: number[]
}

class Model {
	readonly #effects: readonly Effect[]
	readonly #values: readonly Value[]
	readonly #groupSd: number
	readonly #groups = new Map<string, Group>()
	readonly #sites: Site[]
	/** Cholesky's triangle of the precision, by rows. */
	#triangle: readonly (readonly number[])[] = []
	#means: readonly number[] = []
	/** With P = LLᵀ, L⁻¹ of sums and of groups, as they were asked for in this round. */
	readonly #solvedSums = new Map<string, Float64Array>()
	readonly #solvedGroups = new Map<Group, Float64Array>()
	/** By effect, for one group after the other. */
	readonly #scratch: Float64Array
	#round = 0

	constructor(effects: readonly Effect[], values: readonly Value[], groupSd: number) {
		this.#effects = effects
		this.#values = values
		this.#groupSd = groupSd
		this.#scratch = new Float64Array(effects.length)
		this.#sites = values.map(({ low, high, sd }): Site => {
			if (low < high) return { precision: 0, weighted: 0 }
			return { precision: 1 / (sd * sd), weighted: low / (sd * sd) }
		})
		if (groupSd > 0)
			for (const [v, { group }] of values.entries()) {
				if (group === undefined) continue
				const own: Group = this.#groups.get(group) ?? {
					values: [],
					precision: 0,
					weighted: 0,
					touched: [],
					weights: [],
				}
				own.values.push(v)
				this.#groups.set(group, own)
			}
	}

	/**
	 * The normal equations with the sites as they are; then the sites of what is only known to lie somewhere.
	 *
	 * @returns the largest change of a site; 0: there are none
	 */
	solve(): number {
		this.#solveEffects()
		return this.#refineSites()
	}

	#solveEffects(): void {
		const size = this.#effects.length
		this.#solvedSums.clear()
		this.#solvedGroups.clear()
		if (size === 0) return
		const precision = Array.from({ length: size }, () => new Float64Array(size))
		const weighted = this.#effects.map(({ mean, sd }) => mean / (sd * sd))
		for (const [e, { sd }] of this.#effects.entries()) precision[e]![e] = 1 / (sd * sd)
		for (const [v, { effects }] of this.#values.entries()) {
			const site = this.#sites[v]!
			if (site.precision === 0) continue
			for (const a of effects) {
				weighted[a]! += site.weighted
				for (const b of effects) if (b <= a) precision[a]![b]! += site.precision
			}
		}
		for (const group of this.#groups.values()) this.#eliminate(group, precision, weighted)
		// Only below the diagonal were they summed up.
		for (const [a, row] of precision.entries()) for (let b = 0; b < a; b++) precision[b]![a] = row[b]!
		const solver = new CholeskyDecomposition(new Matrix(precision))
		this.#triangle = solver.lowerTriangularMatrix.to2DArray()
		this.#means = solver.solve(Matrix.columnVector(weighted)).to1DArray()
	}

	/** What the group's values say beside its own effect. */
	#eliminate(group: Group, precision: readonly Float64Array[], weighted: number[]): void {
		group.precision = 1 / this.#groupSd ** 2
		group.weighted = 0
		const scratch = this.#scratch
		for (const v of group.values) {
			const site = this.#sites[v]!
			group.precision += site.precision
			group.weighted += site.weighted
			for (const e of this.#values[v]!.effects) scratch[e]! += site.precision
		}
		if (group.touched.length === 0)
			group.touched = [...new Set(group.values.flatMap((v) => this.#values[v]!.effects))].toSorted((a, b) => a - b)
		const { touched } = group
		group.weights = touched.map((e) => scratch[e]!)
		for (const [k, a] of touched.entries()) {
			const row = precision[a]!
			const share = group.weights[k]! / group.precision
			weighted[a]! -= share * group.weighted
			// In order: those that come before it lie below the diagonal.
			for (let j = 0; j <= k; j++) row[touched[j]!]! -= share * group.weights[j]!
		}
		for (const e of touched) scratch[e] = 0
	}

	#refineSites(): number {
		let largest = 0
		const step = this.#round++ < WHOLE_STEPS ? 1 : 0.5
		this.#solveForSites()
		for (const [v, { effects, group, low, high, sd }] of this.#values.entries()) {
			if (low === high) continue
			const site = this.#sites[v]!
			const believed = group === undefined ? this.sumOf(effects) : this.sumInGroup(effects, group)
			const cavity = withoutSite(believed, site)
			if (!cavity) continue
			const wanted = siteOf(cavity, { low, high, sd })
			const next = {
				precision: site.precision + step * (wanted.precision - site.precision),
				weighted: site.weighted + step * (wanted.weighted - site.weighted),
			}
			const size = Math.max(1e-3, Math.abs(wanted.precision), Math.abs(wanted.weighted))
			const change = Math.abs(wanted.precision - site.precision) + Math.abs(wanted.weighted - site.weighted)
			largest = Math.max(largest, change / size)
			this.#sites[v] = next
		}
		return largest
	}

	/** All that the sites of this round ask for, several at a time: the triangle is larger than what lies near a processor. */
	#solveForSites(): void {
		const waiting: Sought[] = []
		for (const { effects, group: name, low, high } of this.#values) {
			if (low === high) continue
			const key = effects.join()
			if (!this.#solvedSums.has(key)) waiting.push(this.#seekSum(effects, key))
			const group = name === undefined ? undefined : this.#groups.get(name)
			if (group && !this.#solvedGroups.has(group)) waiting.push(this.#seekGroup(group))
		}
		// Those that begin late have less to be solved, and stay together.
		waiting.sort((a, b) => a.first - b.first)
		for (let k = 0; k < waiting.length; k += AT_ONCE) solveTogether(this.#triangle, waiting.slice(k, k + AT_ONCE))
	}

	sumOf(effects: readonly number[]): Moments {
		const solved = this.#solveSum(effects)
		return { mean: this.#meanOf(effects), variance: solved.reduce((sum, value) => sum + value * value, 0) }
	}

	sumInGroup(effects: readonly number[], name: string): Moments {
		const group = this.#groups.get(name)
		if (!group) {
			const { mean, variance } = this.sumOf(effects)
			return { mean, variance: variance + this.#groupSd ** 2 }
		}
		const [solved, ofGroup] = [this.#solveSum(effects), this.#solveGroup(group)]
		let variance = 1 / group.precision
		// Counted by hand: iterators took most of the time here.
		for (let e = 0; e < solved.length; e++) variance += (solved[e]! - ofGroup[e]!) ** 2
		const own = group.touched.reduce((rest, e, k) => rest - group.weights[k]! * this.#means[e]!, group.weighted)
		return { mean: this.#meanOf(effects) + own / group.precision, variance }
	}

	#meanOf(effects: readonly number[]): number {
		return effects.reduce((sum, e) => sum + this.#means[e]!, 0)
	}

	#solveSum(effects: readonly number[]): Float64Array {
		const key = effects.join()
		return this.#solvedSums.get(key) ?? this.#solved(this.#seekSum(effects, key))
	}

	#solveGroup(group: Group): Float64Array {
		return this.#solvedGroups.get(group) ?? this.#solved(this.#seekGroup(group))
	}

	#solved(sought: Sought): Float64Array {
		solveTogether(this.#triangle, [sought])
		return sought.vector
	}

	#seekSum(effects: readonly number[], key: string): Sought {
		const sought = this.#seek(effects, () => 1)
		this.#solvedSums.set(key, sought.vector)
		return sought
	}

	#seekGroup(group: Group): Sought {
		const sought = this.#seek(group.touched, (k) => group.weights[k]! / group.precision)
		this.#solvedGroups.set(group, sought.vector)
		return sought
	}

	/** A sum of effects by weights: solved, the square of its length is the sum's variance. */
	#seek(effects: readonly number[], weightOf: (k: number) => number): Sought {
		const vector = new Float64Array(this.#effects.length)
		for (const [k, e] of effects.entries()) vector[e]! += weightOf(k)
		return { vector, first: Math.min(...effects) }
	}
}

/** What is believed without what the value itself says. @returns undefined: nothing is left of it */
function withoutSite({ mean, variance }: Moments, { precision, weighted }: Site): Moments | undefined {
	const left = 1 / variance - precision
	return left > 1e-12 ? { mean: (mean / variance - weighted) / left, variance: 1 / left } : undefined
}

/** The site with which the sum has the mean and the variance that it has once its value is known to lie there. */
function siteOf(cavity: Moments, { low, high, sd }: Pick<Value, 'low' | 'high' | 'sd'>): Site {
	const total = cavity.variance + sd * sd
	const value = truncatedMoments({ mean: cavity.mean, variance: total }, low, high)
	const share = cavity.variance / total
	const mean = cavity.mean + share * (value.mean - cavity.mean)
	const variance = cavity.variance - share * cavity.variance + share * share * value.variance
	const precision = Math.max(0, 1 / variance - 1 / cavity.variance)
	return { precision, weighted: mean / variance - cavity.mean / cavity.variance }
}
