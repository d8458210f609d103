import type { IngredientAmount } from '../../../core/kit/recipes'
import type { UnitSystem } from '../../../core/materials/units'
import { amountWords } from '../../shared/words/amounts'

/** '620 g sugarpaste + 8 g CMC powder'. */
export function recipeWords(ingredients: readonly IngredientAmount[], units: UnitSystem): string {
	return ingredients.map(({ name, unit, amount }) => `${amountWords(amount, unit, units)} ${name}`).join(' + ')
}
