/** What is kneaded and stirred before class: pastes made of others, and mixtures by their recipes. */
import { neededBy } from './course-dates'
import type { ClassKit } from './class-kit'
import { takeApart, type MadeAmount } from './take-apart'
import { scaleRecipe } from './recipes'

export interface MakeBatch extends MadeAmount {
	/** It is a paste, which is coloured and handed out. */
	isPaste: boolean
	/** On this day at the latest, YYYY-MM-DD. */
	makeBy: string
}

/** The earliest first; among those of a day pastes before mixtures, and what goes into another before that. */
export function listMakes({ paste, pasteMakers, supplies, recipes, dates }: ClassKit): MakeBatch[] {
	const batches = new Map<string, MakeBatch>()
	for (const { item, handOut } of paste) {
		const makeBy = neededBy(dates, handOut)
		for (const made of takeApart(item.paste, handOut.total, pasteMakers).made) {
			const before = batches.get(made.name)
			batches.set(made.name, {
				...made,
				amount: (before?.amount ?? 0) + made.amount,
				ingredients: made.ingredients.map((one, i) => ({
					...one,
					amount: one.amount + (before?.ingredients[i]?.amount ?? 0),
				})),
				isPaste: true,
				makeBy: before && before.makeBy < makeBy ? before.makeBy : makeBy,
			})
		}
	}
	const mixtures = supplies.flatMap(({ item, shares }): MakeBatch[] => {
		const recipe = item.kind === 'mixture' ? recipes.find(({ name }) => name === item.name) : undefined
		if (!recipe || (item.unit !== 'mg' && item.unit !== 'µl')) return []
		const ingredients = scaleRecipe(recipe, shares.total)
		const makeBy = neededBy(dates, shares)
		return [{ name: item.name, unit: item.unit, amount: shares.total, ingredients, isPaste: false, makeBy }]
	})
	return [...batches.values(), ...mixtures].toSorted((a, b) => a.makeBy.localeCompare(b.makeBy))
}
