/** Recipes of mixtures, scaled. */
import type { Mixture } from '../design/design'

/** One ingredient of a mixture for so much of it, in the recipe's proportion, in small units. */
export interface IngredientAmount {
	name: string
	unit: 'µl' | 'mg'
	/** Of the unit. */
	amount: number
	/** Itself mixed, or paste: on a line of its own. */
	isMade?: true
}

/** A recipe scaled to an amount of the mixture, in its small unit, each ingredient rounded up. */
export function scaleRecipe(mixture: Mixture, amount: number): IngredientAmount[] {
	const makes = yieldOf(mixture)
	if (!(makes > 0)) return []
	return mixture.ingredients.map((one) => ({
		name: one.name,
		unit: toSmallUnit(one.unit),
		amount: toWhole((amount * one.amount) / makes),
		...((one.mixture ?? one.paste) && { isMade: true }),
	}))
}

/** Of one recipe, in the mixture's unit. */
export function yieldOf({ unit, ingredients, yields }: Mixture): number {
	return yields ?? ingredients.reduce((sum, one) => sum + (one.unit === unit ? one.amount : 0), 0)
}

/** In which amounts are whole. */
export function toSmallUnit(unit: Mixture['unit']): IngredientAmount['unit'] {
	return unit === 'ml' ? 'µl' : 'mg'
}

/** Amounts are whole in their small unit, rounded up. */
export function toWhole(amount: number): number {
	return Math.ceil(amount - 1e-6)
}
