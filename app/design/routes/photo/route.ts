import { readPhoto } from '../../../../db/repositories/photos.server'
import { memberContext } from '../../../shared/http/contexts'
import { readId } from '../../../shared/http/read-input.server'
import { loading } from '../../../shared/http/responses.server'
import type { Route } from './+types/route'

/** The picture itself; it never changes, only what is said of it. */
export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const bytes = await readPhoto(context.get(memberContext).studio.id, readId(params.photoId))
		return new Response(new Uint8Array(bytes), {
			headers: {
				'Content-Type': 'image/jpeg',
				'Cache-Control': 'private, max-age=86400, immutable',
				'X-Content-Type-Options': 'nosniff',
			},
		})
	})
}
