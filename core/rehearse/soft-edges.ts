/** Steps of an evening as shares of its picture: as planned, and from when to when most are really done. */
import type { ItemFigures, Quantiles } from './rehearsal'

/** Minutes past the close that the picture shows at most. */
const MOST_PAST = 45

/** All in [0, 1] of the picture's width. */
export interface SoftEdge {
	plannedStart: number
	plannedEnd: number
	/** From here on the edge is soft: one in ten is done. */
	firmUntil: number
	/** Nine in ten are done; 1: not in the picture. */
	softUntil: number
}

/**
 * @param open - of the evening; it and the close in the clock minutes of the items
 * @returns by item, and where the close lies
 */
export function layEdges(
	items: readonly ItemFigures[],
	{ open, close }: { open: number; close: number },
): { edges: SoftEdge[]; close: number } {
	const last = Math.max(close, ...items.map(({ end }) => Math.min(end.p90, close + MOST_PAST)))
	const at = (moment: number) => Math.max(0, Math.min(1, (moment - open) / Math.max(1, last - open)))
	return {
		close: at(close),
		edges: items.map(({ plannedStart, plannedEnd, end }) => ({
			plannedStart: at(plannedStart),
			plannedEnd: at(plannedEnd),
			firmUntil: Math.max(at(plannedStart), at(end.p10)),
			softUntil: Math.max(at(plannedStart), at(end.p90)),
		})),
	}
}

/** When most are done, in words' terms: in the evening, perhaps after its close, or mostly another time. */
export function whenDone({ p10, p90 }: Quantiles, close: number): 'this evening' | 'perhaps later' | 'another time' {
	if (p10 > close) return 'another time'
	return p90 > close ? 'perhaps later' : 'this evening'
}
