/**
 * Pastes that are kneaded of others and powders before class, instead of being bought ready; and what they and mixtures
 * bring of allergens: what labels say, and what bought pastes are known for.
 */
import { PASTE_ALLERGENS } from '../materials/pastes'
import type { Allergen } from '../vocabulary/allergen'
import { PASTES, type Paste } from '../vocabulary/paste'
import type { Mixture } from './design'

/** What a paste is kneaded of, wherever it is used. */
export interface PasteMaker {
	paste: Paste
	recipe: Mixture
	/** Of the design that has the recipe; some may be in it. */
	mixtures: readonly Mixture[]
}

/**
 * Of every paste the first recipe among the designs, but for what is bought ready: a paste is bought or made, never both.
 *
 * @param boughtReady - though a design has a recipe for it
 */
export function listPasteMakers(
	designs: readonly { mixtures?: readonly Mixture[] }[],
	boughtReady: readonly Paste[] = [],
): PasteMaker[] {
	return PASTES.filter((paste) => !boughtReady.includes(paste)).flatMap((paste): PasteMaker[] => {
		const design = designs.find(({ mixtures = [] }) => mixtures.some(({ makes }) => makes === paste))
		const recipe = design?.mixtures?.find(({ makes }) => makes === paste)
		return recipe ? [{ paste, recipe, mixtures: design?.mixtures ?? [] }] : []
	})
}

/** As it is bought, or of what it is kneaded. What the recipe of one design takes may be made by that of another. */
export function allergensOfPaste(paste: Paste, makers: readonly PasteMaker[]): readonly Allergen[] {
	const maker = makers.find((one) => one.paste === paste)
	if (!maker) return PASTE_ALLERGENS[paste]
	// Where recipes go round in a circle, the paste in it is bought.
	const others = makers.filter((one) => one !== maker)
	return allergensOfMixture(maker.recipe, maker.mixtures, others)
}

/**
 * Of everything in it.
 *
 * @param mixtures - of its design; some may be in it
 */
export function allergensOfMixture(
	{ ingredients }: Mixture,
	mixtures: readonly Mixture[],
	makers: readonly PasteMaker[],
): Allergen[] {
	const found = ingredients.flatMap(({ allergens = [], mixture, paste }) => {
		const inner = mixtures.find(({ id }) => id === mixture)
		const others = mixtures.filter((one) => one !== inner)
		return [
			...allergens,
			...(inner ? allergensOfMixture(inner, others, makers) : []),
			...(paste ? allergensOfPaste(paste, makers) : []),
		]
	})
	return [...new Set(found)]
}
