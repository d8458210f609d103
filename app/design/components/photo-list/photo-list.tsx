import type { Photo } from '../../../../db/repositories/photos.server'
import './photo-list.css'

export interface ShownPhoto extends Photo {
	/** Of the step that it shows, in words. */
	of?: string | undefined
}

/** Photos side by side, with what they show. */
export function PhotoList({ photos, label }: { photos: readonly ShownPhoto[]; label: string }) {
	if (photos.length === 0) return null
	return (
		<ul className="photo-list" aria-label={label}>
			{photos.map((photo) => (
				<li key={photo.id}>
					<PhotoFigure photo={photo} />
				</li>
			))}
		</ul>
	)
}

/** One photo with its caption below. */
export function PhotoFigure({ photo: { id, caption, widthPx, heightPx, of } }: { photo: ShownPhoto }) {
	const words = [of, caption].filter(Boolean).join(': ')
	return (
		<figure className="photo">
			<img
				src={`/photos/${id}`}
				width={widthPx}
				height={heightPx}
				loading="lazy"
				alt={words === '' ? 'The finished piece' : words}
			/>
			{words !== '' && <figcaption>{words}</figcaption>}
		</figure>
	)
}
