/** What a studio's kits are reckoned with. Usual values are common practice or from memory, and settings. */
import type { MaterialKind } from '../design/design'
import { USUAL_STRETCH } from '../materials/tape-length'
import type { Paste } from '../vocabulary/paste'

/** How much gel a colour takes. */
export const DEPTHS = ['white', 'pastel', 'mid', 'deep'] as const
export type Depth = (typeof DEPTHS)[number]

export interface KitTerms {
	/** Board on which paste is rolled. */
	boardWidthMm: number
	/** Of the rolling board. */
	boardHeightMm: number
	/** Between pieces on the sheet. */
	gapMm: number
	/** Share of the scrap lost at each kneading, in [0, 0.5]. */
	rerollLoss: number
	/** On top of everything that is used up, in [0, 1]; it stays with the instructor. */
	reserveShare: number
	/** On top of the exact paste of a kit, so that it can be kneaded and rolled, in [0, 2]. */
	handlingShare: number
	/** Nobody rolls out of less than such a lump of a colour, g. */
	leastLumpG: number
	/** Gel colour for 100 g of paste. */
	gelGPer100G: Record<Depth, number>
	/** A shorter piece of wire is thrown away. */
	minOffcutMm: number
	/** Tape is pulled to so many times its length. */
	tapeStretch: number
	/** Tray on which pieces dry. */
	trayWidthMm: number
	/** Of a drying tray. */
	trayHeightMm: number
	/** Pastes that are bought ready, though a design has a recipe for them. */
	boughtReady: Paste[]
	/** Sign of the money that prices are in. */
	currency: string
}

export const USUAL_KIT_TERMS: KitTerms = {
	boardWidthMm: 300,
	boardHeightMm: 250,
	gapMm: 2,
	rerollLoss: 0.05,
	reserveShare: 0.05,
	// Common practice, no source.
	handlingShare: 0.15,
	leastLumpG: 20,
	gelGPer100G: { white: 0, pastel: 0.1, mid: 0.5, deep: 2 },
	minOffcutMm: 60,
	tapeStretch: USUAL_STRETCH,
	trayWidthMm: 400,
	trayHeightMm: 300,
	boughtReady: [],
	currency: '€',
}

/** Used up at each piece, g, where a design does not say; from memory. None of steam, which is not used up. */
export const USUAL_G_PER_PIECE: Partial<Record<MaterialKind, number>> = {
	dust: 0.02,
	'gel colour': 0.02,
	'strong alcohol': 0.3,
	glaze: 0.5,
	spray: 0.5,
	'hot glue': 0.3,
	'edible glue': 0.1,
	'royal icing': 2,
	starch: 0.3,
	fat: 0.1,
}

/** What the name of a colour says of how much gel it takes; the first word that is found decides. */
const DEPTH_WORDS: readonly [word: RegExp, depth: Depth][] = [
	[/^white$|undyed|natural/i, 'white'],
	[/pale|pastel|light|ivory|cream|blush|sand|baby/i, 'pastel'],
	[/deep|dark|black|red|navy|burgundy|brown|terracotta|plum/i, 'deep'],
]

/** How deep a colour is, by the words in its name. */
export function depthOf(colour: string): Depth {
	return DEPTH_WORDS.find(([word]) => word.test(colour))?.[1] ?? 'mid'
}
