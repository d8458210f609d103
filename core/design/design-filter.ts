import type { Audience, DesignKind } from './design'

/** What a list is narrowed to, and its order. */
export interface DesignFilter {
	/** Words that all stand in the name or the summary. */
	search?: string | undefined
	kind?: DesignKind | undefined
	level?: number | undefined
	audience?: Audience | undefined
	hasWires?: boolean | undefined
	order?: DesignOrder | undefined
}

/** The first is the usual one. */
export const DESIGN_ORDERS = ['name', 'newest', 'easiest', 'quickest'] as const
export type DesignOrder = (typeof DESIGN_ORDERS)[number]
