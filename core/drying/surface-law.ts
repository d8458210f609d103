/** What crosses a face: the flux that the outermost cell drives through half its width and the air film. */
import type { PasteTerms } from './paste-terms'

/** Everything as a function of the cell's moisture X_p (kg/kg) and its conductance to the face q = D / half width (m/s). */
export interface SurfaceLaw {
	/** Out of the paste, m/s · kg/kg. */
	flux(cellMoisture: number, conductance: number): number
	/** d flux / d cellMoisture, m/s. */
	slope(cellMoisture: number, conductance: number): number
	/** Moisture at the face, kg/kg. */
	surfaceMoisture(cellMoisture: number, conductance: number): number
}

/**
 * Evaporation through a film: D ∂X/∂r = −κφ (a(X_s) − RH). X_s is the positive root of a quadratic.
 *
 * @param coefficient - κ·φ in m/s, > 0
 * @param humidity - relative, of the air
 */
export function filmLaw({ isothermK: k }: PasteTerms, coefficient: number, humidity: number): SurfaceLaw {
	const surfaceMoisture = (cell: number, q: number) => {
		const b = q * (cell - k) - coefficient * (1 - humidity)
		return (b + Math.sqrt(b * b + 4 * q * k * (q * cell + coefficient * humidity))) / (2 * q)
	}
	return {
		surfaceMoisture,
		flux: (cell, q) => q * (cell - surfaceMoisture(cell, q)),
		slope: (cell, q) => {
			const activitySlope = k / (surfaceMoisture(cell, q) + k) ** 2
			return (q * coefficient * activitySlope) / (q + coefficient * activitySlope)
		},
	}
}

/** Newton's law with a constant coefficient k in m/s, as the exact series have it: flux = k (X_s − X_e). */
export function linearLaw(coefficient: number, equilibrium: number): SurfaceLaw {
	const series = (q: number) => (q * coefficient) / (q + coefficient)
	return {
		flux: (cell, q) => series(q) * (cell - equilibrium),
		slope: (_, q) => series(q),
		surfaceMoisture: (cell, q) => (q * cell + coefficient * equilibrium) / (q + coefficient),
	}
}
