/**
 * A flower whose petals are glued layer on layer over a core dries as one body, not as sheets: its petals are ready soon,
 * its foot, where the layers lie on one another, late. The water of the glue is left out: with very thin petals the foot
 * is later than told. A dry core takes up no water: assumed, late rather than early.
 */
import type { DryingStage } from '../vocabulary/drying-stage'
import type { DryingPath } from './climate'
import { inscribedRadiusMm, type DryingPiece } from './drying-piece'
import type { PasteTerms } from './paste-terms'
import { predictStages, type PredictOptions, type StageHours } from './predict-stages'
import { byStage } from './stages'

/** How far the last layer stands off. A closed covering has no free petals: it is all foot. */
export type Openness = 'open' | 'half' | 'closed'

export interface BuiltFlower {
	paste: PasteTerms
	/** Of one petal; of tiny balls on a cone, their diameter. */
	petalMm: number
	core: ({ radiusMm: number } | { baseRadiusMm: number; heightMm: number }) & {
		/** A core that dried before, or of polystyrene. */
		isDry: boolean
	}
	/** On one another at the foot, > 0; not always whole. */
	layers: number
	openness: Openness
	/** Across, along the air; absent: as its foot is thick. */
	sizeMm?: number
	paceFactor?: number
}

/** The two bodies as which it dries. */
export interface FlowerBodies {
	/** Absent of a closed covering. */
	petal?: DryingPiece
	foot: DryingPiece
}

/** Anything whose drying can be asked for. */
export type DryingSubject = DryingPiece | FlowerBodies

/** What each stage of a flower asks of its petals and of its foot: it is handled by its foot once that is set. */
const ASKED: Record<DryingStage, { petal: DryingStage; foot: DryingStage }> = {
	skin: { petal: 'skin', foot: 'skin' },
	touch: { petal: 'touch', foot: 'touch' },
	set: { petal: 'set', foot: 'set' },
	firm: { petal: 'firm', foot: 'set' },
	hard: { petal: 'hard', foot: 'hard' },
	settled: { petal: 'settled', foot: 'settled' },
	through: { petal: 'through', foot: 'through' },
}

/**
 * Layers at the foot of petals that overlap round a core.
 *
 * @param petalCount - glued round the core
 * @param gluedWidthMm - of the foot of one petal; about half of the petal's width where nobody knows
 */
export function layersAtFoot(petalCount: number, gluedWidthMm: number, coreRadiusMm: number): number {
	return (petalCount * gluedWidthMm) / (2 * Math.PI * coreRadiusMm)
}

/** Radius of the largest ball in a core. */
export function coreRadiusMm(core: BuiltFlower['core']): number {
	return 'radiusMm' in core ? core.radiusMm : inscribedRadiusMm(core)
}

/** The clock of both begins when the last petal is glued. */
export function toBodies({ paste, petalMm, core, layers, openness, sizeMm, paceFactor }: BuiltFlower): FlowerBodies {
	const inner = coreRadiusMm(core)
	const pace = paceFactor === undefined ? {} : { paceFactor }
	const foot: DryingPiece = {
		paste,
		body: {
			type: 'sphere',
			radiusMm: inner + layers * petalMm,
			...(core.isDry && { coreRadiusMm: inner }),
			...(sizeMm !== undefined && { sizeMm }),
		},
		...pace,
	}
	if (openness === 'closed') return { foot }
	const back = openness === 'open' ? 'ventilated' : 'tissue'
	return { foot, petal: { paste, body: { type: 'sheet', thicknessMm: petalMm, back }, ...pace } }
}

/**
 * When a piece or a flower first reaches each stage.
 *
 * @returns hours > 0; undefined where a stage is not reached
 * @throws {RangeError} a piece without depth, or a path without stays
 */
export function predictSubject(subject: DryingSubject, path: DryingPath, options: PredictOptions = {}): StageHours {
	if (!('foot' in subject)) return predictStages(subject, path, options)
	const foot = predictStages(subject.foot, path, options)
	// A closed covering is taken by nothing but what it is.
	if (!subject.petal) return foot
	const petal = predictStages(subject.petal, path, options)
	return byStage((stage) => {
		const [ofPetal, ofFoot] = [petal[ASKED[stage].petal], foot[ASKED[stage].foot]]
		return ofPetal === undefined || ofFoot === undefined ? undefined : Math.max(ofPetal, ofFoot)
	})
}

/** The paste of a piece, or of all of a flower. */
export function pasteOf(subject: DryingSubject): PasteTerms {
	return 'foot' in subject ? subject.foot.paste : subject.paste
}
