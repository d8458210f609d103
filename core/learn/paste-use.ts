/** Paste used against what is reckoned: by paste, and by kind of piece where that was weighed by itself. */

/** Grams used for each that is reckoned, by `pasteUseKey`. */
export type PasteUse = Readonly<Record<string, number>>

/** @param kind - of pieces, as the design calls their role; absent: of all that is made of the paste */
export function pasteUseKey(paste: string, kind?: string): string {
	return kind === undefined ? paste : `${paste}, ${kind}`
}

/** Of pieces of a kind as they were seen; else of the paste; 1 where nothing is known of it. */
export function usedOfReckoned(use: PasteUse, paste: string, kind: string): number {
	return use[pasteUseKey(paste, kind)] ?? use[paste] ?? 1
}
