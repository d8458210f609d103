/**
 * A chilled piece in room air: until its face is warm enough it takes up water, and below the dew point water beads
 * on it. The fridge is no place for sugar flowers; this says how long one that was there must stay closed in its box.
 */
import { AIR_SPEEDS, airFilm, type AirMovement } from './air-film'
import type { Air } from './climate'
import { USUAL_SHEET_MM } from './drying-piece'
import { dewPointC } from './humid-air'
import { SUGAR_DISSOLVES_AT } from './paste-terms'

/** J/(m³ K), of paste. */
const HEAT_CAPACITY = 2.1e6

export interface FridgeWarning {
	/** The face is below the dew point: drops of water. */
	isWetted: boolean
	/** From this temperature on sugar takes up no more water, °C. */
	safeAtC: number
	/** Until then, in the open; 0 if it is warm enough. */
	seconds: number
}

/** @param depthM - volume over exposed area; a whole cake is slower than this says */
export function warnOfFridge(pieceC: number, air: Air & { movement: AirMovement }, depthM: number): FridgeWarning {
	const { temperatureC, humidity, movement } = air
	const safeAtC = dewPointC(temperatureC, Math.min(1, humidity / SUGAR_DISSOLVES_AT))
	const { heatTransfer, radiation } = airFilm(temperatureC, AIR_SPEEDS[movement], 'sheet', USUAL_SHEET_MM / 1000)
	const constant = (HEAT_CAPACITY * depthM) / (heatTransfer + radiation)
	const isCold = pieceC < safeAtC
	return {
		isWetted: pieceC < dewPointC(temperatureC, humidity),
		safeAtC,
		seconds:
			isCold && safeAtC < temperatureC ? constant * Math.log((temperatureC - pieceC) / (temperatureC - safeAtC)) : 0,
	}
}
