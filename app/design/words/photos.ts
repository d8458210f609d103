import type { Design } from '../../../core/design/design'
import type { Photo } from '../../../db/repositories/photos.server'
import type { ShownPhoto } from '../components/photo-list/photo-list'

/** Photos with the step that each shows, in words; those of steps that are gone show the whole. */
export function withSteps(photos: readonly Photo[], { steps }: Pick<Design, 'steps'>): ShownPhoto[] {
	return photos.map((photo) => {
		const step = steps.find(({ id }) => id === photo.stepId)
		return step ? { ...photo, of: step.label } : photo
	})
}
