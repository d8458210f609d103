/** What pastes are made of, down to what is bought. */
import type { Mixture } from '../design/design'
import type { PasteMaker } from '../design/paste-makers'
import { toSmallUnit, scaleRecipe, type IngredientAmount } from './recipes'

/** So much of something that is bought, for what is made. */
export interface BoughtAmount {
	kind: 'paste' | 'ingredient'
	name: string
	unit: IngredientAmount['unit']
	/** Of the unit. */
	amount: number
}

/** So much of something that is kneaded or stirred before class. */
export interface MadeAmount {
	name: string
	unit: IngredientAmount['unit']
	/** Of the unit. */
	amount: number
	/** Each as it goes in; what is itself made stands before. */
	ingredients: IngredientAmount[]
}

/**
 * What so much of a paste is made of, down to what is bought, with what is made on the way, the innermost first.
 *
 * @param mg - of the paste
 * @returns the paste itself, bought, where nobody makes it
 */
export function takeApart(
	paste: string,
	mg: number,
	makers: readonly PasteMaker[],
): { bought: BoughtAmount[]; made: MadeAmount[] } {
	const made: MadeAmount[] = []
	const bought: BoughtAmount[] = []
	const makePaste = (name: string, amount: number, outer: readonly string[]) => {
		const maker = outer.includes(name) ? undefined : makers.find((one) => one.paste === name)
		if (!maker) bought.push({ kind: 'paste', name, unit: 'mg', amount })
		else mix(maker.recipe, amount, maker.mixtures, [...outer, name])
	}
	const mix = (recipe: Mixture, amount: number, mixtures: readonly Mixture[], outer: readonly string[]) => {
		const ingredients = scaleRecipe(recipe, amount)
		recipe.ingredients.forEach(({ mixture: id, paste }, i) => {
			const scaled = ingredients[i]
			const inner = mixtures.find((one) => one.id === id)
			if (!scaled) return
			if (paste) makePaste(paste, scaled.amount, outer)
			else if (inner && !outer.includes(inner.id)) mix(inner, scaled.amount, mixtures, [...outer, inner.id])
			else bought.push({ kind: 'ingredient', name: scaled.name, unit: scaled.unit, amount: scaled.amount })
		})
		made.push({ name: recipe.makes ?? recipe.name, unit: toSmallUnit(recipe.unit), amount, ingredients })
	}
	makePaste(paste, mg, [])
	return { bought, made }
}
