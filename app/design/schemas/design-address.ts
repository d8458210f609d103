/** What an address says about a design: options and paper. */
import type { Design } from '../../../core/design/design'
import type { Picks } from '../../../core/design/resolve-design'
import { PAPERS, type PaperName } from '../../../core/outlines/template-sheet'

/** Other things may stand in the address; only choices of the design count. */
export function readPicks({ choices }: Pick<Design, 'choices'>, search: URLSearchParams): Picks {
	const known = new Set(choices.map(({ id }) => id))
	return Object.fromEntries([...search].filter(([key]) => known.has(key)))
}

/** @param usual - of the studio */
export function readPaper(search: URLSearchParams, usual: PaperName): PaperName {
	const paper = search.get('paper') ?? ''
	return paper in PAPERS ? (paper as PaperName) : usual
}
