/** Counts that do not go together, as far as that is certain under whatever options. */
import type { Condition, Design } from './design'
import { piecesTaken } from './piece-counts'
import { sourceOf, type DesignProblem } from './validate-design'
import { holdsUnder } from './variants'

/**
 * Counts that cannot be: layers of more pieces than there are, and more made from a part than it yields. A design in the
 * making may have them: there the review tells.
 */
export function countProblems(design: Design): DesignProblem[] {
	return [...yieldProblems(design), ...layerProblems(design), ...bundleProblems(design)]
}

/** What is made from a part, under the usual options, is no more than it yields. */
function yieldProblems(design: Design): DesignProblem[] {
	const { parts } = design
	return parts.flatMap(({ form, piecesPerFlower }, p): DesignProblem[] => {
		const source = parts.find(({ id }) => id === sourceOf(form))
		const isFirst = source && parts.findIndex((other) => sourceOf(other.form) === source.id) === p
		if (!isFirst) return []
		const taken = piecesTaken(parts.filter((other) => sourceOf(other.form) === source.id && isUsual(design, other)))
		if (taken <= source.piecesPerFlower) return []
		const message = `${piecesPerFlower} pieces take ${taken} of "${source.name}", which has ${source.piecesPerFlower}`
		return [{ path: `/parts/${p}/piecesPerFlower`, message }]
	})
}

/** There under the first option of every choice. */
function isUsual({ choices }: Design, { when }: { when?: Condition }): boolean {
	return holdsUnder(Object.fromEntries(choices.map(({ id, options }) => [id, options[0]?.id ?? ''])), when)
}

/** No layer holds more pieces than there are, in any one layer and in all that are there in any case. */
function layerProblems({ parts, layers }: Design): DesignProblem[] {
	const placed = new Map<string, number>()
	return layers.flatMap(({ part: id, pieceCount, when, bundle }, l) => {
		const part = parts.find((one) => one.id === id)
		if (!part || bundle !== undefined) return []
		const most = Math.max(part.piecesPerFlower, ...(part.variants ?? []).map(({ set }) => set.piecesPerFlower ?? 0))
		const before = when === undefined ? (placed.get(id) ?? 0) : 0
		if (when === undefined) placed.set(id, before + pieceCount)
		if (before + pieceCount <= most) return []
		const left = Math.max(0, most - before)
		return [
			{ path: `/layers/${l}/pieceCount`, message: `there are only ${left} of "${part.name}" left, got ${pieceCount}` },
		]
	})
}

/** Bundles that are there in any case hold no more of a part than it makes. */
function bundleProblems({ parts, bundles = [] }: Design): DesignProblem[] {
	const held = new Map<string, number>()
	return bundles.flatMap(({ of, count, when }, b) =>
		of.flatMap(({ part: id, pieces }, o): DesignProblem[] => {
			const part = parts.find((one) => one.id === id)
			if (!part || when !== undefined) return []
			const most = Math.max(part.piecesPerFlower, ...(part.variants ?? []).map(({ set }) => set.piecesPerFlower ?? 0))
			const before = held.get(id) ?? 0
			held.set(id, before + pieces * count)
			if (before + pieces * count <= most) return []
			const message = `${count} bundles of ${pieces} need ${pieces * count}, there are ${Math.max(0, most - before)} of "${part.name}" left`
			return [{ path: `/bundles/${b}/of/${o}/pieces`, message }]
		}),
	)
}
