/** Hours for one piece over temperature and humidity: where it dries in time, where late, where never. */
import type { DryingStage } from '../vocabulary/drying-stage'
import type { AirMovement } from './air-film'
import { steadyPath, type Air } from './climate'
import type { DryingPiece } from './drying-piece'
import { timesModel, type PaceBelief } from './pace-belief'
import { predictStages } from './predict-stages'

export const MAP_TEMPERATURES_C = [14, 16, 18, 20, 22, 24, 26, 28, 30]
export const MAP_HUMIDITIES = [0.3, 0.35, 0.4, 0.45, 0.5, 0.55, 0.6, 0.65, 0.7, 0.75, 0.8]

/** One row of the map: hours by humidity, undefined where never. */
export interface MapRow {
	temperatureC: number
	/** Median by humidity; undefined: never. */
	hours: (number | undefined)[]
}

/**
 * Row by row, so that the caller can show how far it is.
 *
 * @param hoursIn - hours in steady air, undefined where never: of the solver, or of a table
 */
export function* mapHours(hoursIn: (air: Air) => number | undefined): Generator<MapRow, void, undefined> {
	for (const temperatureC of MAP_TEMPERATURES_C)
		yield { temperatureC, hours: MAP_HUMIDITIES.map((humidity) => hoursIn({ temperatureC, humidity })) }
}

/** The solver's hours in steady air with a confidence in (0, 1). */
export function solvedHours(
	piece: DryingPiece,
	movement: AirMovement,
	stage: DryingStage,
	{ belief, confidence }: { belief: PaceBelief; confidence: number },
): (air: Air) => number | undefined {
	const rateFactor = 1 / timesModel(belief, confidence)
	return (air) => predictStages(piece, steadyPath(air, movement), { until: stage, rateFactor })[stage]
}
