/**
 * What a student gets instead of something that she avoids or a child must not have, or the warning that nothing is
 * known. Common practice, no source; labels have the last word.
 */
import type { MaterialKind } from '../design/design'
import type { Allergen } from '../vocabulary/allergen'
import { avoidedBy, type Seat } from './student'

/** Something in a kit, as far as exchanges look at it. */
export interface Ingredient {
	name: string
	/** Decides which rules speak of it. */
	kind: 'paste' | 'mixture' | MaterialKind
	allergens: readonly Allergen[]
}

export interface Exchange {
	/** From 1. */
	seatNumber: number
	/** What it would have been. */
	what: string
	/** Absent: no exchange is known. */
	instead?: string
	reason: Allergen | 'child'
}

/** What stands in every kitchen, and nobody buys for a class. */
export const HOUSEHOLD = { lemonWater: 'water with a drop of lemon', soap: 'soap and warm water' } as const

interface Rule {
	/** What it is exchanged for: what she avoids, or that she is a child. */
	reason: Allergen | 'child'
	/** Whether the rule speaks of it. */
	fits: (ingredient: Ingredient) => boolean
	/** What she has instead; absent: it is left out of her kit. */
	instead?: (name: string) => string
}

const isKind =
	(...kinds: Ingredient['kind'][]) =>
	({ kind }: Ingredient) =>
		kinds.includes(kind)

/** Brushes are cleaned with it; no colour is let down in it. */
function isCleaner({ name, kind }: Ingredient): boolean {
	return kind === 'strong alcohol' && /cleaner/i.test(name)
}

/** The first that fits counts; a rule without an exchange warns. */
const RULES: readonly Rule[] = [
	{ reason: 'egg', fits: isKind('paste'), instead: (name) => `${name} without egg` },
	{ reason: 'egg', fits: isKind('royal icing'), instead: () => 'icing of chickpea water' },
	{ reason: 'alcohol', fits: isCleaner, instead: () => HOUSEHOLD.soap },
	{ reason: 'alcohol', fits: isKind('strong alcohol'), instead: () => HOUSEHOLD.lemonWater },
	{ reason: 'alcohol', fits: isKind('glaze'), instead: () => 'water-based glaze' },
	{ reason: 'gelatine', fits: isKind('mixture'), instead: (name) => `${name} with cornmeal` },
	{ reason: 'child', fits: isCleaner, instead: () => HOUSEHOLD.soap },
	{ reason: 'child', fits: isKind('strong alcohol'), instead: () => HOUSEHOLD.lemonWater },
	{ reason: 'child', fits: isKind('hot glue'), instead: () => 'edible glue' },
	{ reason: 'child', fits: isKind('glaze'), instead: () => 'water-based glaze' },
	{ reason: 'child', fits: isKind('spray') },
	{ reason: 'child', fits: isKind('steam') },
]

/** The exchange of one ingredient for the student of a seat; undefined where she takes it as it is. */
export function findExchange({ number, student }: Seat, ingredient: Ingredient): Exchange | undefined {
	if (!student) return undefined
	const avoided = new Set<string>([...avoidedBy(student), ...(student.isChild ? ['child'] : [])])
	const brings = (reason: string) => reason === 'child' || ingredient.allergens.some((one) => one === reason)
	const rule = RULES.find((one) => avoided.has(one.reason) && brings(one.reason) && one.fits(ingredient))
	const what = ingredient.name
	if (rule)
		return { seatNumber: number, what, reason: rule.reason, ...(rule.instead && { instead: rule.instead(what) }) }
	const reason = ingredient.allergens.find((allergen) => avoided.has(allergen))
	return reason && { seatNumber: number, what, reason }
}
