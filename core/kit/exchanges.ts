/**
 * What a student gets instead of something that she avoids or a child must not have, or the warning that nothing is
 * known. Common practice, no source; labels have the last word.
 */
import type { MaterialKind, Mixture } from '../design/design'
import { allergensOfPaste, type PasteMaker } from '../design/paste-makers'
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
	/** Absent: whoever reads it is not told. */
	reason?: Allergen | 'child'
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
	{ reason: 'child', fits: isCleaner, instead: () => HOUSEHOLD.soap },
	{ reason: 'child', fits: isKind('strong alcohol'), instead: () => HOUSEHOLD.lemonWater },
	{ reason: 'child', fits: isKind('hot glue'), instead: () => 'edible glue' },
	{ reason: 'child', fits: isKind('glaze'), instead: () => 'water-based glaze' },
	{ reason: 'child', fits: isKind('spray') },
	{ reason: 'child', fits: isKind('steam') },
]

/** What stands in for an ingredient of a mixture; what is not here has no exchange. */
const INGREDIENT_INSTEAD: Partial<Record<Allergen, string>> = {
	gelatine: 'cornmeal',
	alcohol: HOUSEHOLD.lemonWater,
	egg: 'chickpea water',
}

/**
 * A mixture without the ingredient that a student avoids; undefined where she takes it as it is, or nothing stands in.
 * It is called by what it holds: nothing keeps the name of what was taken out.
 *
 * @param makers - of the course's pastes, which may be in it
 */
export function exchangeInMixture(
	{ number, student }: Seat,
	mixture: Mixture,
	makers: readonly PasteMaker[],
): { exchanges: Exchange[]; recipe: Mixture } | undefined {
	if (!student) return undefined
	const avoided = avoidedBy(student)
	const exchanges: Exchange[] = []
	let recipe = mixture
	for (const ingredient of mixture.ingredients) {
		const { allergens = [], paste, ...rest } = ingredient
		const ofPaste = paste ? allergensOfPaste(paste, makers) : []
		const reason = avoided.find(
			(one) => [...allergens, ...ofPaste].includes(one) && INGREDIENT_INSTEAD[one] !== undefined,
		)
		const instead = reason && (paste ? `${paste} without ${reason}` : INGREDIENT_INSTEAD[reason])
		if (!instead) continue
		exchanges.push({ seatNumber: number, what: `${ingredient.name} in ${mixture.name}`, instead, reason })
		recipe = {
			...recipe,
			name: renamed(recipe.name, ingredient.name, instead),
			ingredients: recipe.ingredients.map((one) => (one === ingredient ? { ...rest, name: instead } : one)),
		}
	}
	return exchanges.length > 0 ? { exchanges, recipe } : undefined
}

/** The mixture's name with the new ingredient in the place of the old one, or told beside it. */
function renamed(name: string, ingredient: string, instead: string): string {
	const at = name.toLowerCase().indexOf(ingredient.toLowerCase())
	if (at < 0) return `${name}, ${instead} instead of ${ingredient}`
	const changed = name.slice(0, at) + instead + name.slice(at + ingredient.length)
	return changed.charAt(0).toUpperCase() + changed.slice(1)
}

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
