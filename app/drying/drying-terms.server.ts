/** What a studio's waits are reckoned with: its places, its confidence, its log of drying, its clock. */
import type { DryingTerms } from '../../core/plan/compile/drying-terms'
import type { DryingObservation } from '../../core/drying/pace-belief'
import type { Paste } from '../../core/vocabulary/paste'
import type { Studio } from '../../db/repositories/accounts.server'
import { listDryingNotes } from '../../db/repositories/drying-notes.server'
import { listPlaces } from '../../db/repositories/places.server'

/** The log is given oldest first, as it is learnt. */
export async function readDryingTerms(studio: Studio): Promise<DryingTerms> {
	const [places, notes] = await Promise.all([listPlaces(studio.id), listDryingNotes(studio.id)])
	const observations: Partial<Record<Paste, DryingObservation[]>> = {}
	for (const { paste, modelHours, notReadyHours, readyHours, batchSize = 1 } of notes.toReversed()) {
		const ready = readyHours === undefined ? {} : { readyHours }
		;(observations[paste] ??= []).push({ modelHours, notReadyHours, ...ready, batchSize })
	}
	return {
		places: places.map(({ id, kind, name, climate, movement }) => ({ id, kind, name, climate, movement })),
		confidence: studio.dryingConfidence,
		standard: studio.gaugeStandard,
		zone: studio.timeZone,
		observations,
	}
}
