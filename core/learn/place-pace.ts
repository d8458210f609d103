/**
 * How much faster or slower things dry in a place than its air says: a draught that nobody has measured, a hygrometer that
 * hangs too far off. Told apart from the pace of the paste by what was seen of several pastes, and of several places.
 */
import type { DryingObservation } from '../drying/pace-belief'
import { DRYING_PIECE_SD, PASTE_PACE_SD, PLACE_PACE_SD } from '../vocabulary/spreads'
import { spanOf, type BeliefSpan } from './belief-span'
import { inferEffects, type Value } from './linear-gaussian'

/** Something that was looked at while it dried; without a place it still says something of its paste. */
export interface PlacedObservation extends DryingObservation {
	paste: string
	placeId?: number
}

export interface PlacePace {
	placeId: number
	/** Multiplies diffusivity and film: above 1 it dries faster than its air says. */
	pace: BeliefSpan
	/** From so many entries. */
	entries: number
}

/** A time that is no time. */
const LEAST_HOURS = 1e-6

/**
 * @param observations - their model's times without what is learnt of places; in any order
 * @returns of each place that was seen, by its number
 * @throws {RangeError} an entry without a model time
 */
export function learnPlacePaces(observations: readonly PlacedObservation[]): PlacePace[] {
	const pastes = [...new Set(observations.map(({ paste }) => paste))].toSorted()
	const places = [...new Set(observations.flatMap(({ placeId }) => placeId ?? []))].toSorted((a, b) => a - b)
	if (places.length === 0) return []
	const effects = [
		...pastes.map(() => ({ mean: 0, sd: PASTE_PACE_SD })),
		...places.map(() => ({ mean: 0, sd: PLACE_PACE_SD })),
	]
	const numberOf = (placeId: number) => pastes.length + places.indexOf(placeId)
	const values = observations.map(({ paste, placeId, modelHours, notReadyHours, readyHours, batchSize = 1 }): Value => {
		if (!(modelHours > 0)) throw new RangeError(`modelHours must be > 0, got ${modelHours}`)
		return {
			effects: [pastes.indexOf(paste), ...(placeId === undefined ? [] : [numberOf(placeId)])],
			// What took longer than the model says is slower.
			low: readyHours === undefined ? -Infinity : Math.log(modelHours / readyHours),
			high: notReadyHours < LEAST_HOURS ? Infinity : Math.log(modelHours / notReadyHours),
			// Entries of one batch count as one together.
			sd: DRYING_PIECE_SD * Math.sqrt(batchSize),
		}
	})
	const ordered = values.toSorted((a, b) => a.low - b.low || a.high - b.high || a.sd - b.sd)
	const posterior = inferEffects(effects, ordered, { groupSd: 0 })
	return places.map((placeId) => ({
		placeId,
		pace: spanOf(posterior.sumOf([numberOf(placeId)])),
		entries: observations.filter((own) => own.placeId === placeId).length,
	}))
}
