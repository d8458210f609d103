/** Amounts in the units that a kitchen uses. Inside, all is metric; these are for the screens and papers. */

/** By definition. Source: international yard and pound agreement of 1959. */
export const MM_PER_INCH = 25.4
/** Avoirdupois, by definition. Source: the same agreement, 453.59237 g the pound of 16 ounces. */
export const G_PER_OUNCE = 28.349523125
/** Of US customary measure: the gallon of 231 cubic inches has 768 teaspoons. */
export const ML_PER_US_TEASPOON = (231 * MM_PER_INCH ** 3) / 768 / 1000
export const TEASPOONS_PER_TABLESPOON = 3

export const UNIT_SYSTEMS = ['metric', 'imperial'] as const
export type UnitSystem = (typeof UNIT_SYSTEMS)[number]

/** What is told of an amount: a number with its unit. */
export interface ToldAmount {
	value: number
	/** Digits after the point. */
	digits: number
	unit: 'g' | 'kg' | 'oz' | 'ml' | 'l' | 'tsp' | 'tbsp' | 'mm' | 'cm' | 'm' | 'in'
}

/** Mass in the units of the studio, rounded up where something is weighed out: never too little. */
export function tellMass(massG: number, system: UnitSystem): ToldAmount {
	if (system === 'imperial') return { value: roundUp(massG / G_PER_OUNCE, 2), digits: 2, unit: 'oz' }
	if (massG >= 1000) return { value: roundUp(massG / 1000, 2), digits: 2, unit: 'kg' }
	const digits = massG < 10 ? (massG < 1 ? 2 : 1) : 0
	return { value: roundUp(massG, digits), digits, unit: 'g' }
}

/** Volume in ml or spoons, rounded up. */
export function tellVolume(volumeMl: number, system: UnitSystem): ToldAmount {
	if (system === 'imperial') {
		const teaspoons = volumeMl / ML_PER_US_TEASPOON
		return teaspoons >= TEASPOONS_PER_TABLESPOON
			? { value: roundUp(teaspoons / TEASPOONS_PER_TABLESPOON, 1), digits: 1, unit: 'tbsp' }
			: { value: roundUp(teaspoons, 2), digits: 2, unit: 'tsp' }
	}
	if (volumeMl >= 1000) return { value: roundUp(volumeMl / 1000, 2), digits: 2, unit: 'l' }
	return { value: roundUp(volumeMl, volumeMl < 10 ? 1 : 0), digits: volumeMl < 10 ? 1 : 0, unit: 'ml' }
}

/** Length in cm, m or inches, rounded to the nearest. */
export function tellLength(lengthMm: number, system: UnitSystem): ToldAmount {
	if (system === 'imperial') return { value: round(lengthMm / MM_PER_INCH, 2), digits: 2, unit: 'in' }
	if (lengthMm >= 1000) return { value: round(lengthMm / 1000, 2), digits: 2, unit: 'm' }
	return { value: round(lengthMm / 10, 1), digits: lengthMm % 10 === 0 ? 0 : 1, unit: 'cm' }
}

/** For telling: nothing is reckoned on with it. */
function round(value: number, digits: number): number {
	return Math.round(value * 10 ** digits) / 10 ** digits
}

/** Rounding noise of a sum does not lift it to the next step. */
function roundUp(value: number, digits: number): number {
	return Math.ceil(value * 10 ** digits - 1e-6) / 10 ** digits
}
