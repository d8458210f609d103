/**
 * What the drying model needs of a paste, and its isotherm X_e(a) = K·a/(1−a): K lumps everything dissolved that does
 * not crystallise (glucose, invert sugar, glycerol, gum, egg).
 * Calibrated on statements of practice: D of gum paste on two of them, K on what never gets firm; docs/drying.md tells.
 * Order of size: confections have a water activity of 0.7–0.85 (Ergun, Lietha & Hartel 2010, Crit. Rev. Food Sci. Nutr.
 * 50:162, from memory).
 */
import type { Paste } from '../vocabulary/paste'
import { KELVIN } from './humid-air'

/** J/(mol K). */
const GAS_CONSTANT = 8.314462618
/** Of the tabulated diffusivities: 21 °C. */
const REFERENCE_K = 294.15

/** From here on sugar itself dissolves: paste takes up water and turns sticky. From memory (Robinson & Stokes). */
export const SUGAR_DISSOLVES_AT = 0.84

export interface PasteTerms {
	/** Water when fresh, kg per kg of dry solids. */
	freshMoisture: number
	/** K of the isotherm, kg/kg. */
	isothermK: number
	/** m²/s at 21 °C. */
	diffusivity: number
	/** Dry solids, kg/m³ of paste. */
	solidsDensity: number
	/** Of diffusion, J/mol. */
	activationEnergy: number
}

/** m²/s at 21 °C: practice does not tell the pastes apart. */
const DIFFUSIVITY = 5.5e-12
/** Of icing sugar in the whole, by mass, where a paste is stiffened by it; from 5 to 25 % in use. */
const USUAL_ICING_SHARE = 0.15
const SUGARPASTE = terms(0.115, 0.05, 1280)

/**
 * Calibrated together with the stages on fifty statements of practice. CMC binds little of the water: it makes the paste
 * stiffer at the same moisture, which in this model is the same as a lower K and a lower moisture when fresh.
 */
export const PASTE_TERMS: Record<Paste, PasteTerms> = {
	'gum paste': terms(0.1, 0.018, 1300),
	'modelling paste': terms(0.105, 0.034, 1300),
	'sugarpaste with CMC': terms(0.112, 0.039, 1290),
	'sugarpaste with icing sugar': withIcingSugar(SUGARPASTE, USUAL_ICING_SHARE),
	sugarpaste: SUGARPASTE,
}

/**
 * @param freshMoisture - kg of water per kg of solids
 * @param isothermK - of the paste's isotherm, in (0, 1)
 * @param solidsDensity - kg/m³ of fresh paste
 */
function terms(freshMoisture: number, isothermK: number, solidsDensity: number): PasteTerms {
	return { freshMoisture, isothermK, diffusivity: DIFFUSIVITY, solidsDensity, activationEnergy: 40_000 }
}

/** Moisture in equilibrium with air of that water activity, kg/kg; activity in [0, 1). */
export function equilibriumMoisture({ isothermK }: Pick<PasteTerms, 'isothermK'>, activity: number): number {
	return (isothermK * activity) / (1 - activity)
}

/** Water activity of paste with that moisture. */
export function waterActivity({ isothermK }: Pick<PasteTerms, 'isothermK'>, moisture: number): number {
	return moisture / (moisture + isothermK)
}

/** m²/s, by Arrhenius from 21 °C. */
export function diffusivityAt({ diffusivity, activationEnergy }: PasteTerms, temperatureC: number): number {
	return diffusivity * Math.exp((-activationEnergy / GAS_CONSTANT) * (1 / (temperatureC + KELVIN) - 1 / REFERENCE_K))
}

/**
 * Paste with dry icing sugar kneaded in: less water, and less that holds it.
 *
 * @param share - of the whole by mass, in [0, 1)
 */
export function withIcingSugar(paste: PasteTerms, share: number): PasteTerms {
	return { ...paste, isothermK: paste.isothermK * (1 - share), freshMoisture: paste.freshMoisture * (1 - share) }
}

/** Two pastes kneaded together; everything mixes by mass. */
export function blend(first: PasteTerms, second: PasteTerms, shareOfFirst: number): PasteTerms {
	const mix = (key: keyof PasteTerms) => shareOfFirst * first[key] + (1 - shareOfFirst) * second[key]
	return {
		freshMoisture: mix('freshMoisture'),
		isothermK: mix('isothermK'),
		diffusivity: mix('diffusivity'),
		solidsDensity: mix('solidsDensity'),
		activationEnergy: mix('activationEnergy'),
	}
}
