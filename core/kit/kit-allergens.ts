/** Allergens in the kit of one seat, after its exchanges. Usual ones: the labels of what is bought have the last word. */
import { amountOfSeat } from './bill'
import { MATERIAL_ALLERGENS, type AllergenSource } from '../design/allergens'
import { ALLERGENS, type Allergen } from '../vocabulary/allergen'
import type { Paste } from '../vocabulary/paste'
import { PASTE_ALLERGENS } from '../materials/pastes'
import type { ClassKit } from './class-kit'

type Bills = Pick<ClassKit, 'lines' | 'paste' | 'supplies' | 'recipes'>

/**
 * @param seatNumber - from 1
 * @returns in the order of `ALLERGENS`, each with what brings it
 */
export function allergensOfKit({ lines, paste, supplies, recipes }: Bills, seatNumber: number): AllergenSource[] {
	const isIn = ({ shares }: { shares: { kits: number[] } }) => amountOfSeat(shares, seatNumber - 1) > 0
	const brought: { name: string; allergens: readonly Allergen[] }[] = [
		...paste.filter(isIn).map(({ item }) => ({ name: item.paste, allergens: allergensOfPaste(item.paste, lines) })),
		...lines.filter(isIn).map(({ part }) => ({ name: part.name.toLowerCase(), allergens: part.allergens ?? [] })),
		...supplies.filter(isIn).map(({ item }) => ({
			name: item.name,
			allergens: [
				...(item.material && item.kind === 'material' ? (MATERIAL_ALLERGENS[item.material] ?? []) : []),
				...(recipes.find(({ name }) => name === item.name)?.ingredients ?? []).flatMap((one) => one.allergens ?? []),
			],
		})),
	]
	return ALLERGENS.map((allergen) => ({
		allergen,
		sources: [...new Set(brought.filter(({ allergens }) => allergens.includes(allergen)).map(({ name }) => name))],
	})).filter(({ sources }) => sources.length > 0)
}

/** A studio's own paste counts as the usual one that it is like; what is taken in exchange brings none that is known. */
function allergensOfPaste(name: string, lines: Bills['lines']): readonly Allergen[] {
	const like = lines.find(({ part }) => part.ownPaste?.name === name)?.part.paste ?? (name as Paste)
	return PASTE_ALLERGENS[like] ?? []
}
