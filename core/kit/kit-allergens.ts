/** Allergens in the kit of one seat, after its exchanges. Usual ones: the labels of what is bought have the last word. */
import { amountOfSeat } from './bill'
import { MATERIAL_ALLERGENS, type AllergenSource } from '../design/allergens'
import { ALLERGENS, type Allergen } from '../vocabulary/allergen'
import { PASTES } from '../vocabulary/paste'
import { allergensOfMixture, allergensOfPaste, type PasteMaker } from '../design/paste-makers'
import type { ClassKit } from './class-kit'

type Bills = Pick<ClassKit, 'lines' | 'paste' | 'supplies' | 'recipes' | 'pasteMakers'>

/**
 * @param seatNumber - from 1
 * @returns in the order of `ALLERGENS`, each with what brings it
 */
export function allergensOfKit(
	{ lines, paste, supplies, recipes, pasteMakers }: Bills,
	seatNumber: number,
): AllergenSource[] {
	const isIn = ({ shares }: { shares: { kits: number[] } }) => amountOfSeat(shares, seatNumber - 1) > 0
	const brought: { name: string; allergens: readonly Allergen[] }[] = [
		...paste
			.filter(isIn)
			.map(({ item }) => ({ name: item.paste, allergens: allergensOfItem(item.paste, lines, pasteMakers) })),
		...lines.filter(isIn).map(({ part }) => ({ name: part.name.toLowerCase(), allergens: part.allergens ?? [] })),
		...supplies.filter(isIn).map(({ item }) => ({
			name: item.name,
			allergens: [
				...(item.material && item.kind === 'material' ? (MATERIAL_ALLERGENS[item.material] ?? []) : []),
				...recipes
					.filter(({ name }) => name === item.name)
					.flatMap((recipe) => allergensOfMixture(recipe, recipes, pasteMakers)),
			],
		})),
	]
	return ALLERGENS.map((allergen) => ({
		allergen,
		sources: [...new Set(brought.filter(({ allergens }) => allergens.includes(allergen)).map(({ name }) => name))],
	})).filter(({ sources }) => sources.length > 0)
}

/** A studio's own paste counts as the usual one that it is like; what is taken in exchange brings none that is known. */
function allergensOfItem(name: string, lines: Bills['lines'], makers: readonly PasteMaker[]): readonly Allergen[] {
	const like = lines.find(({ part }) => part.ownPaste?.name === name)?.part.paste ?? PASTES.find((one) => one === name)
	return like ? allergensOfPaste(like, makers) : []
}
