/** What a list of designs is narrowed to, as its address says it. */
import { DESIGN_ORDERS, type DesignFilter } from '../../../core/design/design-filter'
import type { DesignKind } from '../../../core/design/design'
import { readSearch } from '../../shared/address'

const KINDS: readonly DesignKind[] = ['flower', 'foliage', 'ornament', 'topper']

/** Reads the address; what is not understood narrows nothing. */
export function readDesignFilter(search: URLSearchParams): DesignFilter {
	const level = Number(search.get('level'))
	const wires = search.get('wires')
	return {
		search: readSearch(search) || undefined,
		kind: KINDS.find((kind) => kind === search.get('kind')),
		level: Number.isInteger(level) && level >= 1 && level <= 5 ? level : undefined,
		audience: search.get('for') === 'children' ? 'children' : undefined,
		hasWires: wires === 'yes' ? true : wires === 'no' ? false : undefined,
		order: DESIGN_ORDERS.find((order) => order === search.get('order')),
	}
}
