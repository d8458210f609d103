/** What a list shows of a design, worked out once when it is saved. */
import { allergensOf } from './allergens'
import { measureEffort, type DesignEffort } from './design-effort'
import type { Audience, Design } from './design'
import type { Allergen } from '../vocabulary/allergen'
import { resolveDesign } from './resolve-design'

export interface DesignCard extends DesignEffort {
	/** One line, for lists. */
	summary: string
	audience: Audience
	/** In any of its options. */
	hasWires: boolean
	/** Of everything that it may be made with, in any of its options. */
	allergens: Allergen[]
	/** Names of its choices. */
	choices: string[]
}

/** Of the design with its usual options. */
export function makeCard(design: Design): DesignCard {
	const resolved = resolveDesign(design, {})
	return {
		...measureEffort(resolved),
		summary: design.summary,
		audience: design.audience ?? 'adults',
		hasWires: resolved.parts.some(({ wire, bundles }) => wire ?? bundles?.wire),
		allergens: allergensOf(resolved).map(({ allergen }) => allergen),
		choices: design.choices.map(({ name }) => name),
	}
}
