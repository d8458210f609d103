import type { SheetGroup } from '../../../../core/kit/paste-bill'
import type { UnitSystem } from '../../../../core/materials/units'
import { amountWords, lengthWords } from '../../../shared/words/amounts'
import { count } from '../../../shared/words/times'

/** Drawn at so many pixels a millimetre. */
const SCALE = 1.1
/** More sheets than this are alike: the rest is counted. */
const SHOWN = 6

const MAKER_WORDS: Record<SheetGroup['maker'], string> = {
	kit: 'one kit',
	ahead: 'what you make ahead',
	demo: 'the pieces to show',
	swapOuts: 'the dried pieces you bring',
}

/** The sheets of one paste, colour and thickness as they are rolled, cut, kneaded back and rolled again. */
export function SheetDrawings({ group, units }: { group: SheetGroup; units: UnitSystem }) {
	const { item, thicknessMm, maker, massMg, sheets, parts, tooLarge } = group
	const tints = new Map(parts.map(({ id, tint }) => [id, tint]))
	return (
		<article className="sheet-group">
			<h3>
				{item.colour}, {thicknessMm} mm: {amountWords(massMg, 'mg', units)}{' '}
				<span className="soft">
					{item.paste}, for {MAKER_WORDS[maker]}
				</span>
			</h3>
			<p className="soft">
				{parts.map(({ name }) => name).join(', ')}
				{sheets.length > 1 && `; rolled ${sheets.length} times, what is left kneaded back each time`}
			</p>
			{tooLarge.length > 0 && <p>{tooLarge.join(', ')}: larger than the board, rolled one by one.</p>}
			<div className="sheet-drawings">
				{sheets.slice(0, SHOWN).map(({ widthMm, heightMm, pieces, yield: share }, s) => (
					<figure key={s}>
						<svg
							width={widthMm * SCALE}
							height={heightMm * SCALE}
							viewBox={`-1 -1 ${widthMm + 2} ${heightMm + 2}`}
							role="img"
							aria-label={`Sheet ${s + 1}: ${count(pieces.length, 'piece')}`}
						>
							<rect className="sheet-paste" width={widthMm} height={heightMm} rx={2} />
							{pieces.map(({ id, xMm, yMm, points }, p) => (
								<polygon
									key={p}
									className={`sheet-piece tint-${tints.get(id) ?? 'none'}`}
									points={points.map(({ x, y }) => `${(x + xMm).toFixed(1)},${(y + yMm).toFixed(1)}`).join(' ')}
								/>
							))}
						</svg>
						<figcaption className="soft small">
							{lengthWords(widthMm, units)} × {lengthWords(heightMm, units)}, {count(pieces.length, 'piece')},{' '}
							{Math.round(100 * share)} % used
						</figcaption>
					</figure>
				))}
			</div>
			{sheets.length > SHOWN && <p className="soft">and {sheets.length - SHOWN} more.</p>}
		</article>
	)
}
