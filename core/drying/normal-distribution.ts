/** The normal distribution function. */

/** Chebyshev fit of ln(erfc(x)·e^(x²)/t), t = 2/(2+x); Press et al., Numerical Recipes, 2nd ed., 6.2 (from memory). */
const COEFFICIENTS = [
	-1.26551223, 1.00002368, 0.37409196, 0.09678418, -0.18628806, 0.27886807, -1.13520398, 1.48851587, -0.82215223,
	0.17087277,
]

/** Φ⁻¹(0.9). */
export const Z90 = 1.28155

/** Φ(z), relative error below 1.2e-7; Φ(−∞) = 0, Φ(∞) = 1. */
export function normalDistribution(z: number): number {
	if (z === Infinity) return 1
	if (z === -Infinity) return 0
	const x = Math.abs(z) / Math.SQRT2
	const t = 1 / (1 + x / 2)
	const tail = (t * Math.exp(-x * x + COEFFICIENTS.reduceRight((sum, c) => sum * t + c, 0))) / 2
	return z < 0 ? tail : 1 - tail
}
