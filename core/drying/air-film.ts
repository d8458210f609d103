/**
 * How fast the air takes water from a surface: convection by flat-plate, cylinder and sphere correlations, heat and mass
 * by the Chilton–Colburn analogy, radiation, and evaporative cooling as a resistance in series.
 * Source, all from memory: Incropera & DeWitt; Churchill & Bernstein 1977; Ranz & Marshall 1952; Chilton & Colburn 1934.
 */
import { KELVIN, saturationDensity, saturationDensitySlope } from './humid-air'

/** How the air moves past a piece. Speeds are assumed, not measured. */
export const AIR_MOVEMENTS = ['sealed', 'still', 'airy', 'fan', 'strong fan'] as const
export type AirMovement = (typeof AIR_MOVEMENTS)[number]

/** m/s. */
export const AIR_SPEEDS: Record<AirMovement, number> = { sealed: 0, still: 0.07, airy: 0.25, fan: 1, 'strong fan': 2 }

export type FilmShape = 'sheet' | 'cylinder' | 'sphere'

/**
 * Properties of air near room temperature; over the 15 to 30 °C of a studio they change by less than a
 * tenth, which is less than the speed of its air is known to.
 */
const CONDUCTIVITY = 0.0257 // W/(m K), of air
const VISCOSITY = 1.52e-5 // m²/s
/** Momentum against heat, and heat against water vapour: how far one correlation serves for the other. */
const PRANDTL = 0.71
const LEWIS = 0.87
/** Density times specific heat. */
const AIR_HEAT_CAPACITY = 1.2 * 1006 // J/(m³ K)
/** W/(m² K⁴). */
const STEFAN_BOLTZMANN = 5.670374e-8
/** Of paste, paper and most other surfaces that are no metal. */
const EMISSIVITY = 0.9
/** At room temperature. */
const LATENT_HEAT = 2.45e6 // J/kg, of water
/** Activity of the drying surface for which the cooling is reckoned. */
const USUAL_ACTIVITY = 0.7

export interface AirFilm {
	/** Convection, W/(m² K). */
	heatTransfer: number
	/** Radiation, W/(m² K). */
	radiation: number
	/** m/s. */
	massTransfer: number
	/** By how much evaporation slows itself, > 1. */
	cooling: number
	/** m/s, cooling included. */
	effective: number
}

/**
 * @param lengthM - along the air for a sheet, else the diameter; > 0
 * @throws {RangeError} a length that is not positive
 */
export function airFilm(temperatureC: number, speed: number, shape: FilmShape, lengthM: number): AirFilm {
	if (!(lengthM > 0)) throw new RangeError(`lengthM must be > 0, got ${lengthM}`)
	const heatTransfer = (nusselt((speed * lengthM) / VISCOSITY, shape) * CONDUCTIVITY) / lengthM
	const radiation = 4 * EMISSIVITY * STEFAN_BOLTZMANN * (temperatureC + KELVIN) ** 3
	const massTransfer = heatTransfer / (AIR_HEAT_CAPACITY * LEWIS ** (2 / 3))
	const cooling =
		1 +
		(massTransfer * USUAL_ACTIVITY * saturationDensitySlope(temperatureC) * LATENT_HEAT) / (heatTransfer + radiation)
	return { heatTransfer, radiation, massTransfer, cooling, effective: massTransfer / cooling }
}

/**
 * Mean Nusselt number of a plate along the air, a cylinder across it, and a sphere.
 *
 * @param reynolds - dimensionless, >= 0; 0 is air at rest, where a sheet gets nothing and is carried by radiation
 */
function nusselt(reynolds: number, shape: FilmShape): number {
	switch (shape) {
		case 'sheet':
			return 0.664 * Math.sqrt(reynolds) * PRANDTL ** (1 / 3)
		case 'cylinder':
			return 0.3 + (0.62 * Math.sqrt(reynolds) * PRANDTL ** (1 / 3)) / (1 + (0.4 / PRANDTL) ** (2 / 3)) ** 0.25
		case 'sphere':
			return 2 + 0.6 * Math.sqrt(reynolds) * PRANDTL ** (1 / 3)
	}
}

/** κ in m/s: the film against moisture of the paste, per unit of water activity; 0 in a sealed box. */
export function surfaceCoefficient(
	temperatureC: number,
	movement: AirMovement,
	{ shape, lengthM, solidsDensity }: { shape: FilmShape; lengthM: number; solidsDensity: number },
): number {
	if (movement === 'sealed') return 0
	const { effective } = airFilm(temperatureC, AIR_SPEEDS[movement], shape, lengthM)
	return (effective * saturationDensity(temperatureC)) / solidsDensity
}
