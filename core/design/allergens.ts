/** Allergens of a design, each with where it comes from. Usual ones: labels have the last word. */
import type { MaterialKind } from './design'
import { ALLERGENS, type Allergen } from '../vocabulary/allergen'
import { allergensOfMixture, allergensOfPaste, listPasteMakers } from './paste-makers'
import type { ResolvedDesign } from './resolve-design'

export interface AllergenSource {
	allergen: Allergen
	/** 'gum paste (petals, leaves)', 'royal icing', … */
	sources: string[]
}

/** In the order of `ALLERGENS`; only what the design's own parts, mixtures and materials bring. */
export function allergensOf({ parts, steps, mixtures = [] }: ResolvedDesign): AllergenSource[] {
	const used = new Set(steps.flatMap(({ uses = [] }) => uses.map(({ mixture }) => mixture)))
	const makers = listPasteMakers([{ mixtures }])
	const pastes = [...new Set(parts.flatMap(({ paste }) => paste ?? []))]
	const sourcesOf = (allergen: Allergen) => [
		...pastes.filter((paste) => allergensOfPaste(paste, makers).includes(allergen)),
		...parts.filter((part) => part.allergens?.includes(allergen)).map(({ name }) => name.toLowerCase()),
		...mixtures
			.filter((mixture) => used.has(mixture.id) && allergensOfMixture(mixture, mixtures, makers).includes(allergen))
			.map(({ name }) => name.toLowerCase()),
		...steps.flatMap(({ materials = [] }) => {
			return materials
				.filter(({ kind }) => MATERIAL_ALLERGENS[kind]?.includes(allergen))
				.map(({ name }) => name.toLowerCase())
		}),
	]
	return ALLERGENS.map((allergen) => ({ allergen, sources: [...new Set(sourcesOf(allergen))] })).filter(
		({ sources }) => sources.length > 0,
	)
}

/**
 * What a kind of material brings by itself: royal icing is made with egg white, colour let down in strong alcohol and
 * glaze leave traces; common practice, no source.
 */
export const MATERIAL_ALLERGENS: Partial<Record<MaterialKind, readonly Allergen[]>> = {
	'royal icing': ['egg'],
	'strong alcohol': ['alcohol'],
	glaze: ['alcohol'],
}
