/** One texture a tint, so that no part is told by its colour alone: on paper, and for colour-blind eyes. */
import type { TINTS } from '../../../../core/design/design'

const MARKS: Record<(typeof TINTS)[number] | 'none', string> = {
	blush: 'M0 3h6',
	plum: 'M3 0v6',
	fern: 'M0 6L6 0',
	straw: 'M0 0l6 6',
	apricot: 'M0 0l6 6M0 6L6 0',
	iris: 'M0 3h6M3 0v6',
	sea: 'M2 2h2v2h-2z',
	clay: 'M0 1h6M0 4h6',
	none: 'M0 0h6v6H0z',
}

/** @param id - prefix of the patterns' ids, unique on the page */
export function Textures({ id }: { id: string }) {
	return (
		<defs>
			{Object.entries(MARKS).map(([tint, mark]) => (
				<pattern
					key={tint}
					id={`${id}-${tint}`}
					width="6"
					height="6"
					patternUnits="userSpaceOnUse"
					className={`tint-${tint}`}
				>
					<rect width="6" height="6" className="texture-ground" />
					<path d={mark} className="texture-mark" />
				</pattern>
			))}
			<pattern id={`${id}-gap`} width="9" height="9" patternUnits="userSpaceOnUse">
				<path d="M0 9L9 0" className="texture-gap" />
			</pattern>
			<pattern id={`${id}-idle`} width="8" height="8" patternUnits="userSpaceOnUse">
				<circle cx="2" cy="2" r="1.1" className="texture-idle" />
			</pattern>
			<pattern id={`${id}-closed`} width="5" height="5" patternUnits="userSpaceOnUse">
				<path d="M0 5L5 0" className="texture-closed" />
			</pattern>
		</defs>
	)
}
