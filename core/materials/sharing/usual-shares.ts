/**
 * For how much of a piece's time a tool is in the hand, where a design does not say. Common practice, no source; a
 * design can set each.
 */

/** The first word that the tool's name holds counts. */
const SHARES: readonly [word: RegExp, share: number][] = [
	[/wire cutters|pliers/i, 0.15],
	[/tape cutter/i, 0.15],
	[/cutter/i, 0.2],
	[/veiner/i, 0.2],
	[/mould/i, 0.5],
	[/clay gun|piping/i, 0.8],
	[/kettle|steamer|glue gun/i, 0.5],
	[/grooved board|pin/i, 0.3],
	[/rack|tray|bowl|sieve/i, 0.5],
]

/** A tool of no such name is in the hand half the time. */
const OTHER_SHARE = 0.5

/** In (0, 1]. */
export function usualShare(tool: string): number {
	return SHARES.find(([word]) => word.test(tool))?.[1] ?? OTHER_SHARE
}
