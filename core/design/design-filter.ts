import type { Audience, DesignKind } from './design'

/** What a list is narrowed to. */
export interface DesignFilter {
	/** Words that all stand in the name or the summary. */
	search?: string | undefined
	kind?: DesignKind | undefined
	level?: number | undefined
	audience?: Audience | undefined
	hasWires?: boolean | undefined
}
