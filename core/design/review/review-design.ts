/** A review that thinks along: every rule over one design, under the options shown. */
import type { GaugeStandard } from '../../materials/wire-gauge'
import { resolveDesign, type Picks } from '../resolve-design'
import type { Design } from '../design'
import type { Finding } from './finding'
import { closeGaps, evenAlternation, fitBaseToPetal, layerWithoutRoom, sourceTooSmall } from './flower-rules'
import { allergenInFreeDesign, hazardsForChildren, wiresForChildren } from './people-rules'
import { giveStepsTime, partWithoutSteps, stageNeverReached, tooLongForASession } from './step-rules'
import { strengthenWires } from './wire-rules'

/** In the order in which they are told: how the flower holds together, its steps, whom it suits. */
const RULES = [
	strengthenWires,
	fitBaseToPetal,
	closeGaps,
	evenAlternation,
	layerWithoutRoom,
	sourceTooSmall,
	giveStepsTime,
	tooLongForASession,
	stageNeverReached,
	partWithoutSteps,
	wiresForChildren,
	hazardsForChildren,
	allergenInFreeDesign,
]

/** In the order of the rules; empty where nothing is to be said. */
export function reviewDesign(design: Design, picks: Picks, standard: GaugeStandard): Finding[] {
	const resolved = resolveDesign(design, picks)
	return RULES.flatMap((rule) => rule({ design, resolved, picks, standard }))
}
