/**
 * Waits without paste: a smear of gel colour, colour let down in strong alcohol, glaze, edible glue. Medians; spread
 * log-normally with a sigma of 0.30. All strengths are calibrated on the practice of the trade; on a sheet of 40 mm.
 */
import { AIR_SPEEDS, airFilm, type AirFilm, type AirMovement } from './air-film'
import type { Air } from './climate'
import { USUAL_SHEET_MM } from './drying-piece'
import { KELVIN, saturationDensity } from './humid-air'
import { Z90 } from './normal-distribution'
import { diffusivityAt, PASTE_TERMS, type PasteTerms } from './paste-terms'

export const FILM_WAITS = ['gel smear', 'alcohol paint', 'glaze', 'glue grips', 'glue holds'] as const
export type FilmWait = (typeof FILM_WAITS)[number]

/** Of ln t. */
const FILM_WAIT_SIGMA = 0.3
/** How many times its median such a wait takes at most, 9 times in 10. */
export const FILM_SPREAD = Math.exp(Z90 * FILM_WAIT_SIGMA)

/** A smear does not dry where the air is damper than this, and hardly just below. */
const GEL_ACTIVITY = 0.8
/** From this humidity on a smear of gel does not dry. */
export const GEL_NEVER_AT = 0.78
const GEL_KG_PER_M2 = 3e-3
const PAINT_KG_PER_M2 = 0.03
const GLAZE_KG_PER_M2 = 0.022
/** Several coats of thinner leave through a skin of resin. */
const GLAZE_FACTOR = 6
/** A fan cannot hurry the resin beyond this; common practice is 10 to 30 minutes. */
const LEAST_GLAZE_SEC = 480
/** Water that the paste takes up from glue, and how much damper it may stay (kg/kg). */
const GLUE_KG_PER_M2 = 0.0133
/** Glue grips while the paste under it may stay so much damper, and holds when it is nearly as dry as before. */
const GRIP_MOISTURE = 0.08
const HOLD_MOISTURE = 0.02
/** The universal gas constant over the molar mass of ethanol. */
const ETHANOL_GAS_CONSTANT = 8.314462618 / 0.046068 // J/(kg K)
/** J/kg. */
const ETHANOL_LATENT_HEAT = 8.5e5
/** Diffusivity of ethanol against water vapour in air, for the analogy. */
const ETHANOL_DIFFUSIVITY_RATIO = 1.18 / 2.5
/** Antoine's constants for ethanol are tabulated in mmHg. */
const PA_PER_MMHG = 133.322

/**
 * Median seconds, or undefined: not in air as damp as this.
 *
 * @param paste - what the glue soaks into; gum paste if absent
 */
export function filmWaitSec(
	kind: FilmWait,
	air: Air & { movement: AirMovement },
	paste: PasteTerms = PASTE_TERMS['gum paste'],
): number | undefined {
	switch (kind) {
		case 'glue grips':
			return glueSec(paste, air.temperatureC, GRIP_MOISTURE)
		case 'glue holds':
			return glueSec(paste, air.temperatureC, HOLD_MOISTURE)
		case 'gel smear': {
			if (air.movement === 'sealed' || air.humidity >= GEL_NEVER_AT) return undefined
			const { effective } = filmOf(air)
			return GEL_KG_PER_M2 / (effective * saturationDensity(air.temperatureC) * (GEL_ACTIVITY - air.humidity))
		}
		case 'alcohol paint':
			return air.movement === 'sealed' ? undefined : ethanolSec(air, PAINT_KG_PER_M2)
		case 'glaze':
			return air.movement === 'sealed'
				? undefined
				: Math.max(LEAST_GLAZE_SEC, GLAZE_FACTOR * ethanolSec(air, GLAZE_KG_PER_M2))
	}
}

/** Colour let down in alcohol takes dust while it is nearly dry: from this share of its drying time on. */
const DAMP_FROM_SHARE = 0.3

/** Seconds from when it was painted. */
export interface DampWindow {
	/** At even odds. */
	fromSec: number
	toSec: number
	/** Within it 9 times in 10 at either end. */
	sureFromSec: number
	sureToSec: number
}

/** While colour let down in strong alcohol is still slightly damp, for dust; undefined: not in closed air. */
export function dampWindow(air: Air & { movement: AirMovement }): DampWindow | undefined {
	const dry = filmWaitSec('alcohol paint', air)
	if (dry === undefined) return undefined
	const from = DAMP_FROM_SHARE * dry
	return { fromSec: from, toSec: dry, sureFromSec: from * FILM_SPREAD, sureToSec: dry / FILM_SPREAD }
}

/** The air over a film lying on a petal of usual size. */
function filmOf({ temperatureC, movement }: Air & { movement: AirMovement }): AirFilm {
	return airFilm(temperatureC, AIR_SPEEDS[movement], 'sheet', USUAL_SHEET_MM / 1000)
}

/** Glue is dry when the paste has soaked its water up: neither damp air nor a fan matters. */
function glueSec(paste: PasteTerms, temperatureC: number, moisture: number): number {
	const depth = GLUE_KG_PER_M2 / (paste.solidsDensity * moisture)
	return depth ** 2 / (4 * Math.PI * diffusivityAt(paste, temperatureC))
}

/** Drying of a film of strong alcohol; vapour pressure by Antoine's equation (from memory). */
function ethanolSec(air: Air & { movement: AirMovement }, kgPerM2: number): number {
	const { temperatureC } = air
	const { massTransfer, heatTransfer, radiation } = filmOf(air)
	const density = ethanolDensity(temperatureC)
	const slope = (ethanolDensity(temperatureC + 0.01) - ethanolDensity(temperatureC - 0.01)) / 0.02
	const transfer = massTransfer * ETHANOL_DIFFUSIVITY_RATIO ** (2 / 3)
	const cooling = 1 + (0.7 * transfer * slope * ETHANOL_LATENT_HEAT) / (heatTransfer + radiation)
	return (kgPerM2 * cooling) / (transfer * 0.9 * density)
}

/** kg/m³ of saturated vapour. */
function ethanolDensity(temperatureC: number): number {
	const pressurePa = PA_PER_MMHG * 10 ** (8.1122 - 1592.864 / (226.184 + temperatureC))
	return pressurePa / (ETHANOL_GAS_CONSTANT * (temperatureC + KELVIN))
}
