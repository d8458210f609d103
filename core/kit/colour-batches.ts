/** Colours to mix before class: how much paste, how much gel, and by when. */
import { neededBy, type CourseDates } from './course-dates'
import type { Shares } from './bill'
import { depthOf, type Depth, type KitTerms } from './kit-terms'
import type { PasteLine } from './paste-bill'

export interface ColourBatch {
	key: string
	paste: string
	colour: string
	/** How much gel it takes. */
	depth: Depth
	/** Of the paste that is coloured, as it is handed out, mg. */
	shares: Shares
	/** 0 for white. */
	gelMg: number
	/** To be coloured on this day, YYYY-MM-DD: paste rests a night before it is rolled. */
	colourBy: string
}

/** The earliest first, the largest first among those of a day. */
export function listColours(lines: readonly PasteLine[], dates: CourseDates, terms: KitTerms): ColourBatch[] {
	return lines
		.map(({ item, handOut: shares }): ColourBatch => {
			const depth = depthOf(item.colour)
			return {
				key: item.key,
				paste: item.paste,
				colour: item.colour,
				depth,
				shares,
				gelMg: Math.ceil((shares.total * terms.gelGPer100G[depth]) / 100),
				colourBy: neededBy(dates, shares),
			}
		})
		.toSorted((a, b) => a.colourBy.localeCompare(b.colourBy) || b.shares.total - a.shares.total)
}
