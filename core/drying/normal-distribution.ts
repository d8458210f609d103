/** The normal distribution function, and its inverse. */

/** Φ⁻¹(0.9). */
export const Z90 = 1.28155

const ROOT_TWO_PI = Math.sqrt(2 * Math.PI)
/** From here on the continued fraction is the shorter one. */
const FAR = 3
/** Enough for all digits at `FAR`. */
const FRACTIONS = 80

/** The density φ(z). */
export function normalDensity(z: number): number {
	return Math.exp((-z * z) / 2) / ROOT_TWO_PI
}

/**
 * Φ(z), relative error below 1e-12 also far down; Φ(−∞) = 0, Φ(∞) = 1.
 *
 * @see M. Abramowitz, I. Stegun, Handbook of Mathematical Functions, 26.2.11 and 26.2.14 (from memory)
 */
export function normalDistribution(z: number): number {
	if (Math.abs(z) >= FAR) return z < 0 ? lowerTail(-z) : 1 - lowerTail(z)
	let [term, sum] = [z, 0]
	for (let n = 1; Math.abs(term) > 1e-17; n++) {
		sum += term
		term *= (z * z) / (2 * n + 1)
	}
	return 0.5 + normalDensity(z) * sum
}

/** Φ(−x) for x >= `FAR`. */
function lowerTail(x: number): number {
	if (x === Infinity) return 0
	let rest = 0
	for (let n = FRACTIONS; n > 0; n--) rest = n / (x + rest)
	return normalDensity(x) / (x + rest)
}

/** Wider than any share that the function above can tell from 0 or 1. */
const MOST_SCORE = 9
const ROUNDS = 60

/**
 * Φ⁻¹, by bisection: as exact as the function above.
 *
 * @param share - in (0, 1)
 */
export function normalQuantile(share: number): number {
	// By the lower tail: near 1 the function no longer tells shares apart.
	if (share > 0.5) return -normalQuantile(1 - share)
	let [low, high] = [-MOST_SCORE, 0]
	for (let round = 0; round < ROUNDS; round++) {
		const middle = (low + high) / 2
		if (normalDistribution(middle) < share) low = middle
		else high = middle
	}
	return (low + high) / 2
}
