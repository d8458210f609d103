import { memo, useMemo } from 'react'
import { FlowerPicture } from '../../../components/flower-picture/flower-picture'
import { changeWords, sumWords } from './figure-words'
import type { Look } from './use-look'

const PICTURE_PX = 108

/** The flower as it stands, its sums, and what has changed since it was saved. */
export const PicturePanel = memo(function PicturePanel({ now, before }: { now: Look; before: Look }) {
	// Names and minutes change nothing in the picture: it is drawn anew only when something in it does.
	const { parts, layers } = now.resolved
	const drawnKey = JSON.stringify([parts.map(({ id, form, tint }) => [id, form, tint]), layers])
	// eslint-disable-next-line react-hooks/exhaustive-deps -- the key stands for all that is drawn
	const pictures = useMemo(() => <Pictures look={now} />, [drawnKey])
	return (
		<section className="sheet editor-picture" aria-label="Picture">
			{pictures}
			<div>
				<p className="editor-sum">{sumWords(now.figures)}</p>
				<p className="soft small" aria-live="polite">
					{changeWords(before.figures, now.figures)}
				</p>
			</div>
		</section>
	)
})

function Pictures({ look: { resolved, rings } }: { look: Look }) {
	return (
		<div className="editor-pictures">
			<FlowerPicture design={resolved} view="above" size={PICTURE_PX} seed={1} rings={rings} />
			<FlowerPicture design={resolved} view="side" size={PICTURE_PX} seed={1} />
		</div>
	)
}
