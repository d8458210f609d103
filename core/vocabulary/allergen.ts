/** Allergens that are told apart. */
export const ALLERGENS = ['egg', 'milk', 'nuts', 'wheat', 'soya', 'gelatine', 'alcohol'] as const
export type Allergen = (typeof ALLERGENS)[number]
