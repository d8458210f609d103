/** A resolved design in figures for one flower: paste by colour, wires, tape, weight; no spares. */
import { pasteMassG, pieceMassG } from '../materials/piece-mass'
import { spiralLengthMm, turnsLengthMm, USUAL_STRETCH } from '../materials/tape-length'
import { wireDiameterMm, type GaugeStandard } from '../materials/wire-gauge'
import type { Paste } from '../vocabulary/paste'
import { measureEffort, type DesignEffort } from './design-effort'
import type { ResolvedBundle, ResolvedDesign, ResolvedLayer, ResolvedStep } from './resolve-design'
import { countOfStep } from './step-work'

export interface DesignFigures extends DesignEffort {
	/** Grams of one flower, without spares. */
	paste: { paste: Paste; colour: string; massG: number }[]
	/** Paste of one flower. */
	pasteG: number
	/** Of one flower, mm each. */
	wires: { gauge: number; colour: string; lengthMm: number; count: number }[]
	/** Of unstretched tape, full width. */
	tapeMm: number
	/** Everything that is known to weigh something: paste, bought things, wires. */
	massG: number
	/** Mixtures used for one flower, in their units. */
	mixtures: { name: string; amount: number; unit: 'ml' | 'g' }[]
}

/** Steel, g/mm³; any table of densities: 7.85 g/cm³. */
const STEEL_G_PER_MM3 = 0.00785
/** Share of the full width by how the tape is split. */
const TAPE_SHARES = { full: 1, half: 1 / 2, third: 1 / 3 }
/** A bundle of wires that tape goes round, and the stem that it is laid down, mm; common practice, no source. */
const STEM_DIAMETER_MM = 4
/** Length of a stem that is taped beyond the flower. */
export const USUAL_STEM_MM = 120

/** @throws {PathError} an outline of its own that is none */
export function measureDesign(design: ResolvedDesign, standard: GaugeStandard): DesignFigures {
	const { parts, steps, mixtures = [] } = design
	const wires = countWires(design)
	const wireG = wires.reduce((total, { gauge, lengthMm, count }) => {
		return total + count * lengthMm * (Math.PI / 4) * wireDiameterMm(gauge, standard) ** 2 * STEEL_G_PER_MM3
	}, 0)
	const paste = sumPaste(design)
	return {
		...measureEffort(design),
		paste,
		pasteG: paste.reduce((total, { massG }) => total + massG, 0),
		wires,
		tapeMm: tapeOfFlower(design).reduce((total, { tapeMm }) => total + tapeMm, 0),
		massG: wireG + parts.reduce((total, { form, piecesPerFlower }) => total + piecesPerFlower * pieceMassG(form), 0),
		mixtures: mixtures.flatMap(({ id, name, unit }) => {
			const amount = steps.reduce((total, step) => total + mixtureEach(step, id) * countOfStep(design, step, ONE), 0)
			return amount > 0 ? [{ name, amount, unit }] : []
		}),
	}
}

const ONE = { flowers: 1 }

/** Of a mixture at each piece, in its unit. */
function mixtureEach({ uses = [] }: ResolvedStep, id: string): number {
	return uses.reduce((sum, { mixture, amountPerPiece }) => sum + (mixture === id ? amountPerPiece : 0), 0)
}

/** Paste by kind and colour, in the order of the parts; a marbled piece is of all its colours. */
function sumPaste({ parts }: ResolvedDesign): DesignFigures['paste'] {
	const sums = new Map<string, DesignFigures['paste'][number]>()
	for (const { paste, colour, marbled, form, piecesPerFlower } of parts) {
		// What is made from other pieces has no paste of its own.
		const massG = piecesPerFlower * pasteMassG(form)
		if (!paste || massG === 0) continue
		for (const one of marbled ?? [{ colour, share: 1 }]) {
			const key = `${paste} ${one.colour}`
			sums.set(key, { paste, colour: one.colour, massG: (sums.get(key)?.massG ?? 0) + massG * one.share })
		}
	}
	return [...sums.values()]
}

/** Wires of one flower by gauge, colour and length: of its pieces and of its bundles. */
function countWires({ parts, bundles }: ResolvedDesign): DesignFigures['wires'] {
	const sums = new Map<string, DesignFigures['wires'][number]>()
	const add = ({ gauge, colour, lengthMm }: { gauge: number; colour: string; lengthMm: number }, count: number) => {
		const key = `${gauge} ${colour} ${lengthMm}`
		sums.set(key, { gauge, colour, lengthMm, count: (sums.get(key)?.count ?? 0) + count })
	}
	for (const { wire, piecesPerFlower } of parts) if (wire) add(wire, piecesPerFlower * (wire.perPiece ?? 1))
	for (const { wire, count } of bundles) if (wire) add(wire, count * (wire.perPiece ?? 1))
	return [...sums.values()].toSorted((a, b) => a.gauge - b.gauge || b.lengthMm - a.lengthMm)
}

/** Tape that something of a flower takes, and the steps with which it goes. */
export interface TapeUse {
	/** The part of a layer, the bundle, or the stem. */
	name: string
	/** In the layer, or bundles; absent of the stem. */
	pieceCount?: number
	/** Of one flower, unstretched, as full width. */
	tapeMm: number
	/** Left out where all of these steps are; none: never. */
	stepIds: string[]
}

/** Turns at every taped layer and bundle, and the stem of the flower once. */
export function tapeOfFlower(design: ResolvedDesign, stretch = USUAL_STRETCH): TapeUse[] {
	const { layers, bundles, steps, parts, tapedStemMm } = design
	const ofLayers = layers.flatMap((layer): TapeUse[] => {
		const tapeMm = layerTapeMm(layer, stretch)
		if (tapeMm === 0) return []
		const name = parts.find(({ of }) => of === layer.part)?.partName ?? layer.part
		const stepIds = steps
			.filter(({ lays = [] }) => layer.id !== undefined && lays.includes(layer.id))
			.map(({ id }) => id)
		return [{ name, pieceCount: layer.pieceCount, tapeMm, stepIds }]
	})
	const ofBundles = bundles.flatMap((bundle): TapeUse[] => {
		const tapeMm = bundleTapeMm(bundle, stretch)
		const stepIds = steps.filter((step) => step.bundle === bundle.id).map(({ id }) => id)
		return tapeMm === 0 ? [] : [{ name: bundle.name, pieceCount: bundle.count, tapeMm, stepIds }]
	})
	const stemMm = tapedStemMm ?? (ofLayers.length > 0 ? USUAL_STEM_MM : 0)
	// The widest of the layers' tape goes down the stem.
	const width = Math.max(0, ...layers.filter(({ joining }) => joining === 'taped').map(widthShare))
	const tapeMm = spiralLengthMm(stemMm, Math.PI / 4, stretch) * (width || 1)
	const stem = { name: 'stem', tapeMm, stepIds: [...new Set(ofLayers.flatMap(({ stepIds }) => stepIds))] }
	return [...ofLayers, ...ofBundles, ...(stemMm > 0 ? [stem] : [])]
}

/** Turns round each piece, and those that lock the layer. */
function layerTapeMm(layer: ResolvedLayer, stretch: number): number {
	const { joining, tapeTurns, lockTurns = 0, pieceCount } = layer
	if (joining !== 'taped') return 0
	const each = tapeTurns ?? (lockTurns > 0 ? 0 : USUAL_TURNS)
	return turnsLengthMm(each * pieceCount + lockTurns, STEM_DIAMETER_MM, stretch) * widthShare(layer)
}

function bundleTapeMm({ turns = 0, count }: ResolvedBundle, stretch: number): number {
	return turnsLengthMm(turns * count, STEM_DIAMETER_MM, stretch)
}

function widthShare({ tapeWidth = 'full' }: Pick<ResolvedLayer, 'tapeWidth'>): number {
	return TAPE_SHARES[tapeWidth]
}

/** Of tape round a piece; common practice, no source. */
export const USUAL_TURNS = 2
