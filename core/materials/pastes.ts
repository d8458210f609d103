/**
 * What is known of each paste. Allergens are usual ones (common practice, no source): the label of what is bought has
 * the last word.
 */
import type { Allergen } from '../vocabulary/allergen'
import type { Paste } from '../vocabulary/paste'

/** g/cm³, of gum paste and sugarpaste alike; from memory, a setting. */
export const PASTE_DENSITY_G_PER_CM3 = 1.38

/** Allergens that a paste often brings: dried egg white in gum paste. */
export const PASTE_ALLERGENS: Record<Paste, readonly Allergen[]> = {
	'gum paste': ['egg'],
	'modelling paste': [],
	'sugarpaste with CMC': [],
	'sugarpaste with icing sugar': [],
	sugarpaste: [],
}
