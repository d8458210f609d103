/**
 * Exact solutions for a body with a linear film at its surface, by series. Crank, The Mathematics of Diffusion, 2nd
 * ed. 1975, ch. 4–6 (from memory).
 */
const TERMS = 60

export type SeriesGeometry = 'sheet' | 'cylinder' | 'sphere'

/** J_n(x) by Bessel's integral, whose trapezoid rule is exact to machine precision once it has more points than x. */
function bessel(order: 0 | 1, x: number): number {
	const points = Math.ceil(Math.abs(x)) + 40
	let sum = 0
	for (let i = 0; i < points; i++) {
		const angle = (2 * Math.PI * i) / points
		sum += Math.cos(order * angle - x * Math.sin(angle))
	}
	return sum / points
}

/** Whose roots β the series runs over; it changes sign once in each interval. */
const CHARACTERISTICS: Record<SeriesGeometry, (b: number, biot: number) => number> = {
	sheet: (b, biot) => b * Math.sin(b) - biot * Math.cos(b),
	cylinder: (b, biot) => b * bessel(1, b) - biot * bessel(0, b),
	sphere: (b, biot) => b * Math.cos(b) + (biot - 1) * Math.sin(b),
}

/** θ = (X − Xe)/(X0 − Xe): mean over the body, and at a fraction ξ of the half thickness or radius. */
export function exactTheta(geometry: SeriesGeometry, biot: number, fourier: number) {
	const betas = roots(geometry, biot)
	const sum = (term: (b: number) => number) => {
		return betas.reduce((total, b) => total + term(b) * Math.exp(-b * b * fourier), 0)
	}
	switch (geometry) {
		case 'sheet':
			return {
				mean: sum((b) => (2 * biot ** 2) / (b * b * (b * b + biot * biot + biot))),
				at: (xi: number) => sum((b) => (2 * biot * Math.cos(b * xi)) / ((b * b + biot * biot + biot) * Math.cos(b))),
			}
		case 'cylinder':
			return {
				mean: sum((b) => (4 * biot ** 2) / (b * b * (b * b + biot * biot))),
				at: (xi: number) => sum((b) => (2 * biot * bessel(0, b * xi)) / ((b * b + biot * biot) * bessel(0, b))),
			}
		case 'sphere':
			return {
				mean: sum((b) => (6 * biot ** 2) / (b * b * (b * b + biot * (biot - 1)))),
				at: (xi: number) => sum((b) => (2 * biot * sinc(b, xi)) / ((b * b + biot * (biot - 1)) * Math.sin(b))),
			}
	}
}

function sinc(b: number, xi: number): number {
	return xi === 0 ? b : Math.sin(b * xi) / xi
}

function roots(geometry: SeriesGeometry, biot: number): number[] {
	const f = (b: number) => CHARACTERISTICS[geometry](b, biot)
	const found: number[] = []
	const step = 0.05
	for (let b = 1e-6; found.length < TERMS && b < 250; b += step) {
		if (Math.sign(f(b)) === Math.sign(f(b + step))) continue
		let [low, high] = [b, b + step]
		for (let i = 0; i < 50; i++) {
			const middle = (low + high) / 2
			if (Math.sign(f(middle)) === Math.sign(f(low))) low = middle
			else high = middle
		}
		found.push((low + high) / 2)
	}
	return found
}
