/** Mean and variance of a normal value that is known to lie in an interval. */
import { normalDensity, normalDistribution } from '../drying/normal-distribution'

export interface Moments {
	mean: number
	/** > 0. */
	variance: number
}

/** Below it a mass is none. */
const LEAST_MASS = 1e-280

/**
 * @param low - may be -Infinity
 * @param high - > low, may be Infinity
 * @see N. L. Johnson, S. Kotz, N. Balakrishnan, Continuous Univariate Distributions 1, 13.10 (from memory)
 */
export function truncatedMoments({ mean, variance }: Moments, low: number, high: number): Moments {
	const sd = Math.sqrt(variance)
	const [from, to] = [(low - mean) / sd, (high - mean) / sd]
	// By the tails: above the middle the distribution function is all but one.
	const mass =
		from > 0 ? normalDistribution(-from) - normalDistribution(-to) : normalDistribution(to) - normalDistribution(from)
	if (mass < LEAST_MASS) {
		// As far out as that all of it lies at the nearer end.
		const nearer = from > 0 ? low : high
		return { mean: nearer, variance: variance / Math.max(1, Math.min(Math.abs(from), Math.abs(to))) ** 2 }
	}
	const [atFrom, atTo] = [normalDensity(from), normalDensity(to)]
	const shift = (atFrom - atTo) / mass
	const spread = (edge(from, atFrom) - edge(to, atTo)) / mass
	return { mean: mean + sd * shift, variance: Math.max(1e-12, 1 + spread - shift * shift) * variance }
}

/** Infinity times nothing is nothing. */
function edge(score: number, dense: number): number {
	return Number.isFinite(score) ? score * dense : 0
}
