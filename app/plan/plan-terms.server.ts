/** What a studio's plans are made with: its places, its confidence, its log, the tools that it counts. */
import type { DryingTerms, PlanTerms } from '../../core/plan/compile/drying-terms'
import type { Design, Paste } from '../../core/design/design'
import type { DryingObservation } from '../../core/drying/pace-belief'
import { ownedToolsOf } from '../../core/kit/stock'
import type { Studio } from '../../db/repositories/accounts.server'
import { listDryingNotes } from '../../db/repositories/drying-notes.server'
import { listPlaces } from '../../db/repositories/places.server'
import { listTools } from '../../db/repositories/stock.server'

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

/** The same, with the tools of the designs that the studio counts. */
export async function readPlanTerms(studio: Studio, designs: readonly Design[]): Promise<PlanTerms> {
	const [terms, items] = await Promise.all([readDryingTerms(studio), listTools(studio.id)])
	return { ...terms, ownedTools: ownedToolsOf({ items }, designs.flatMap(namesOfTools)) }
}

function namesOfTools({ steps }: Design): string[] {
	return steps.flatMap(({ tools, variants = [] }) => [...tools, ...variants.flatMap(({ set }) => set.tools ?? [])])
}
