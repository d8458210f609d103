/** A resolved design in figures for one flower: paste by colour, wires, tape, weight; no spares. */
import { pasteMassG, pieceMassG } from '../materials/piece-mass'
import { spiralLengthMm, turnsLengthMm, USUAL_STRETCH } from '../materials/tape-length'
import { wireDiameterMm, type GaugeStandard } from '../materials/wire-gauge'
import type { Paste } from '../vocabulary/paste'
import { measureEffort, type DesignEffort } from './design-effort'
import type { ResolvedDesign, ResolvedLayer } from './resolve-design'

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
const STEM_MM = 120

/** @throws {PathError} an outline of its own that is none */
export function measureDesign(design: ResolvedDesign, standard: GaugeStandard): DesignFigures {
	const { parts, steps, layers, mixtures = [] } = design
	const wires = countWires(design)
	const wireG = wires.reduce((total, { gauge, lengthMm, count }) => {
		return total + count * lengthMm * (Math.PI / 4) * wireDiameterMm(gauge, standard) ** 2 * STEEL_G_PER_MM3
	}, 0)
	const paste = sumPaste(design)
	const pieces = new Map(parts.map(({ id, piecesPerFlower }) => [id, piecesPerFlower]))
	return {
		...measureEffort(design),
		paste,
		pasteG: paste.reduce((total, { massG }) => total + massG, 0),
		wires,
		tapeMm: layers.reduce((total, layer) => total + layerTapeMm(layer), 0),
		massG: wireG + parts.reduce((total, { form, piecesPerFlower }) => total + piecesPerFlower * pieceMassG(form), 0),
		mixtures: mixtures.flatMap(({ id, name, unit }) => {
			const amount = steps.reduce((total, { part, uses = [] }) => {
				const each = uses
					.filter(({ mixture }) => mixture === id)
					.reduce((sum, { amountPerPiece }) => sum + amountPerPiece, 0)
				return total + each * (part === undefined ? 1 : (pieces.get(part) ?? 0))
			}, 0)
			return amount > 0 ? [{ name, amount, unit }] : []
		}),
	}
}

/** Paste by kind and colour, in the order of the parts. */
function sumPaste({ parts }: ResolvedDesign): DesignFigures['paste'] {
	const sums = new Map<string, DesignFigures['paste'][number]>()
	for (const { paste, colour, form, piecesPerFlower } of parts) {
		const massG = piecesPerFlower * pasteMassG(form)
		if (!paste || massG === 0) continue
		const key = `${paste} ${colour}`
		sums.set(key, { paste, colour, massG: (sums.get(key)?.massG ?? 0) + massG })
	}
	return [...sums.values()]
}

/** Wires of one flower by gauge, colour and length: of its pieces and of its bundles. */
function countWires({ parts }: ResolvedDesign): DesignFigures['wires'] {
	const sums = new Map<string, DesignFigures['wires'][number]>()
	const add = ({ gauge, colour, lengthMm }: { gauge: number; colour: string; lengthMm: number }, count: number) => {
		const key = `${gauge} ${colour} ${lengthMm}`
		sums.set(key, { gauge, colour, lengthMm, count: (sums.get(key)?.count ?? 0) + count })
	}
	for (const { wire, bundles, piecesPerFlower } of parts) {
		if (wire) add(wire, piecesPerFlower * (wire.perPiece ?? 1))
		if (bundles?.wire) add(bundles.wire, bundleCount(piecesPerFlower, bundles) * (bundles.wire.perPiece ?? 1))
	}
	return [...sums.values()].toSorted((a, b) => a.gauge - b.gauge || b.lengthMm - a.lengthMm)
}

/** Bundles that so many pieces make; the last may be smaller. */
export function bundleCount(pieceCount: number, { pieces }: { pieces: number }): number {
	return Math.ceil(pieceCount / pieces)
}

/** Unstretched tape of one layer of one flower, as full width. */
export function layerTapeMm(
	{ joining, tapeTurns, tapeWidth = 'full', pieceCount }: ResolvedLayer,
	stretch = USUAL_STRETCH,
): number {
	if (joining !== 'taped') return 0
	const turns = turnsLengthMm((tapeTurns ?? 2) * pieceCount, STEM_DIAMETER_MM, stretch)
	return (turns + spiralLengthMm(STEM_MM, Math.PI / 4, stretch)) * TAPE_SHARES[tapeWidth]
}
