/** What the figures of one flower are made of, so that each can tell where it comes from. */
import { pasteMassG, pieceMassG } from '../materials/piece-mass'
import { longestChain, type ChainLink } from './design-effort'
import { bundleCount, layerTapeMm } from './design-figures'
import type { ResolvedDesign } from './resolve-design'

/** What one part adds, per flower. */
export interface PartShare {
	name: string
	pieceCount: number
	workMinutes: number
	/** Of one piece; 0 where it is made of none. */
	pasteG: number
	/** Of one piece, without wire. */
	massG: number
	/** In all pieces and bundles. */
	wireCount: number
}

export interface FigureShares {
	parts: PartShare[]
	/** Putting together. */
	assemblyMinutes: number
	/** Layers that are taped, by the name of their part. */
	tape: { name: string; pieceCount: number; tapeMm: number }[]
	/** What nothing can be faster than, with the words of its steps. */
	chain: (ChainLink & { label: string })[]
}

/** @throws {PathError} an outline of its own that is none */
export function shareFigures(design: ResolvedDesign): FigureShares {
	const { parts, steps, layers } = design
	const names = new Map(parts.map(({ id, name }) => [id, name]))
	const labels = new Map(steps.map(({ id, label }) => [id, label]))
	const minutesOf = (partId: string | undefined, count: number) =>
		steps
			.filter(({ part }) => part === partId)
			.reduce((total, { fixedMinutes, minutesPerPiece }) => total + fixedMinutes + minutesPerPiece * count, 0)
	return {
		parts: parts.map(({ id, name, paste, form, wire, bundles, piecesPerFlower: pieceCount }) => ({
			name,
			pieceCount,
			workMinutes: minutesOf(id, pieceCount),
			pasteG: paste ? pasteMassG(form) : 0,
			massG: pieceMassG(form),
			wireCount:
				(wire ? pieceCount * (wire.perPiece ?? 1) : 0) +
				(bundles?.wire ? bundleCount(pieceCount, bundles) * (bundles.wire.perPiece ?? 1) : 0),
		})),
		assemblyMinutes: minutesOf(undefined, 1),
		tape: layers.flatMap((layer) => {
			const tapeMm = layerTapeMm(layer)
			return tapeMm > 0 ? [{ name: names.get(layer.part) ?? layer.part, pieceCount: layer.pieceCount, tapeMm }] : []
		}),
		chain: longestChain(design).map((link) => ({ ...link, label: labels.get(link.stepId) ?? link.stepId })),
	}
}
