/** What a studio's waits are reckoned with: its places, its confidence, its log of drying, its clock. */
import type { DryingTerms } from '../../core/plan/compile/drying-terms'
import type { DryingObservation } from '../../core/drying/pace-belief'
import { learnPlacePaces, type PlacedObservation, type PlacePace } from '../../core/learn/place-pace'
import type { Paste } from '../../core/vocabulary/paste'
import type { Studio } from '../../db/repositories/accounts.server'
import { listDryingNotes } from '../../db/repositories/drying-notes.server'
import { listPlaces } from '../../db/repositories/places.server'
import { remember } from '../shared/http/remember.server'

/** Learning takes its time, and is the same until something is noted. */
const rememberPaces = remember<PlacePace[]>(50)

export interface KnownDrying extends DryingTerms {
	/** What was found of places where something was seen to dry. */
	paces: PlacePace[]
}

/** The log is given oldest first, as it is learnt; what a place does to its times is taken off them. */
export async function readDryingTerms(studio: Studio): Promise<DryingTerms> {
	const { paces: _, ...terms } = await readKnownDrying(studio)
	return terms
}

/** The same, with what was found of each place. */
export async function readKnownDrying(studio: Studio): Promise<KnownDrying> {
	const [places, notes] = await Promise.all([listPlaces(studio.id), listDryingNotes(studio.id)])
	const seen = notes
		.toReversed()
		.map(
			({
				paste,
				placeId,
				modelHours,
				notReadyHours,
				readyHours,
				batchSize = 1,
			}): PlacedObservation & { paste: Paste } => ({
				...{ paste, modelHours, notReadyHours, batchSize },
				...(readyHours !== undefined && { readyHours }),
				...(placeId !== undefined && { placeId }),
			}),
		)
	const paces = rememberPaces(seen, () => learnPlacePaces(seen))
	// To the hundredth: what is finer changes no wait, and would outdate plans.
	const paceOf = new Map(paces.map(({ placeId, pace }) => [placeId, Math.round(100 * pace.at) / 100]))
	const observations: Partial<Record<Paste, DryingObservation[]>> = {}
	for (const { paste, placeId, modelHours, ...rest } of seen) {
		const here = placeId === undefined ? 1 : (paceOf.get(placeId) ?? 1)
		;(observations[paste] ??= []).push({ ...rest, modelHours: modelHours / here })
	}
	return {
		places: places.map(({ id, kind, name, climate, movement }) => {
			const pace = paceOf.get(id)
			return { id, kind, name, climate, movement, ...(pace !== undefined && pace !== 1 && { pace }) }
		}),
		confidence: studio.dryingConfidence,
		standard: studio.gaugeStandard,
		zone: studio.timeZone,
		observations,
		paces,
	}
}
