/** On what pieces lie that are made before class, and how many of them. */
import { formerKey, type FormerPlaces } from '../kit/stock'
import type { DesignInCourse } from '../plan/compile/compile-course'
import type { TaskSource } from '../plan/compile/compiled-course'
import { kindsOfStep } from '../design/step-work'

export interface Lying {
	/** As `formerKey` names it. */
	former: string
	/** Pieces, whole, >= 1. */
	count: number
}

/**
 * Of pieces of several kinds on several formers, those on the former with the least room for them. Undefined where they lie
 * on nothing, or on nothing that the studio counts.
 *
 * @param times - how often what one student makes is made
 */
export function liesOn(
	source: TaskSource,
	{ designs, places, times }: { designs: readonly DesignInCourse[]; places: FormerPlaces; times: number },
): Lying | undefined {
	if (source.type !== 'step') return undefined
	const design = designs.find(({ design: { id } }) => id === source.designId)?.design
	const last = source.alsoSteps?.at(-1) ?? source.stepId
	const step = design?.steps.find(({ id }) => id === last)
	if (!design || !step) return undefined
	const count = source.pieceCount * times
	const kinds = kindsOfStep(design, step)
	const shareOf = (former: string) => {
		if (step.restsOn !== undefined) return step.restsOn === former ? 1 : 0
		const sum = (own: typeof kinds) => own.reduce((pieces, { piecesPerFlower }) => pieces + piecesPerFlower, 0)
		return sum(kinds.filter(({ drying }) => drying?.former === former)) / Math.max(1, sum(kinds))
	}
	const formers = step.restsOn === undefined ? kinds.flatMap(({ drying }) => drying?.former ?? []) : [step.restsOn]
	const roomOf = (former: string) => places[formerKey(former)] ?? 0
	return (
		[...new Set(formers)]
			.map((former) => ({ former, count: Math.ceil(count * shareOf(former) - 1e-6) }))
			// Without a single place nothing could be planned: the kit says that it is missing.
			.filter((lying) => roomOf(lying.former) > 0 && lying.count > 0)
			.toSorted((a, b) => b.count / roomOf(b.former) - a.count / roomOf(a.former))
			.map((lying) => ({ ...lying, former: formerKey(lying.former) }))[0]
	)
}
