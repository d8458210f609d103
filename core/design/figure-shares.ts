/** What the figures of one flower are made of, so that each can tell where it comes from. */
import { pasteMassG, pieceMassG } from '../materials/piece-mass'
import { longestChain, type ChainLink } from './design-effort'
import { tapeOfFlower } from './design-figures'
import type { ResolvedDesign, ResolvedPart } from './resolve-design'
import { workOfStep } from './step-work'

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
	/** Bundles that are tied, with their wires. */
	bundles: { name: string; count: number; wireCount: number }[]
	/** Layers and bundles that are taped, and the stem. */
	tape: { name: string; pieceCount?: number; tapeMm: number }[]
	/** What nothing can be faster than, with the words of its steps. */
	chain: (ChainLink & { label: string })[]
}

/** @throws {PathError} an outline of its own that is none */
export function shareFigures(design: ResolvedDesign): FigureShares {
	const { parts, steps, bundles } = design
	const labels = new Map(steps.map(({ id, label }) => [id, label]))
	const work = steps.flatMap((step) => {
		const shares = workOfStep(design, step, { flowers: 1 })
		// What a step takes once is shared among the kinds that it is done to.
		const fixed = step.fixedMinutes / Math.max(1, shares.length)
		const kinds = parts.filter(({ of }) => of === step.part)
		return shares.map(({ kind, count, minutesEach }) => ({
			kind: kind ?? kinds[0],
			minutes: fixed + count * minutesEach,
		}))
	})
	const minutesOf = (kind: ResolvedPart | undefined) =>
		work.reduce((total, one) => total + (one.kind === kind ? one.minutes : 0), 0)
	return {
		parts: parts.map((part) => ({
			name: part.name,
			pieceCount: part.piecesPerFlower,
			workMinutes: minutesOf(part),
			pasteG: part.paste ? pasteMassG(part.form) : 0,
			massG: pieceMassG(part.form),
			wireCount: part.wire ? part.piecesPerFlower * (part.wire.perPiece ?? 1) : 0,
		})),
		bundles: bundles.map(({ name, count, wire }) => ({
			name,
			count,
			wireCount: wire ? count * (wire.perPiece ?? 1) : 0,
		})),
		assemblyMinutes: minutesOf(undefined),
		tape: tapeOfFlower(design).map(({ name, pieceCount, tapeMm }) => ({
			name,
			...(pieceCount !== undefined && { pieceCount }),
			tapeMm,
		})),
		chain: longestChain(design).map((link) => ({ ...link, label: labels.get(link.stepId) ?? link.stepId })),
	}
}
