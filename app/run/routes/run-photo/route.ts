/** A photo that was taken in class: put in once by the device that took it, and seen by the studio. */
import { addRunPhoto, readRunPhoto, type RunPhotoKey } from '../../../../db/repositories/run-photos.server'
import { NotFoundError } from '../../../../core/errors'
import { stripJpeg } from '../../../../exchange/photo/strip-jpeg'
import { memberContext } from '../../../shared/http/contexts'
import { readUpload } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { readRunKey } from '../../read-run.server'
import { runPhotoSchema } from '../../schemas/run-photo'
import type { Route } from './+types/route'

/** A photo as the browser makes it has some 300 kB. */
const MOST_BYTES = 3 * 1024 * 1024

/** @throws {NotFoundError} no photo is called so */
function readPhotoKey(params: Route.ActionArgs['params']): RunPhotoKey {
	const { courseId } = readRunKey(params)
	if (!/^[\w-]{1,36}$/.test(params.photoId)) throw new NotFoundError('There is no such photo.')
	return { courseId, photoId: params.photoId }
}

export function action({ params, request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		const key = readPhotoKey(params)
		const { file } = await readUpload(request, runPhotoSchema, { field: 'photo', maxBytes: MOST_BYTES })
		await addRunPhoto(studio.id, key, stripJpeg(file).bytes, new Date())
		return { done: true }
	})
}

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const bytes = await readRunPhoto(context.get(memberContext).studio.id, readPhotoKey(params))
		return new Response(new Uint8Array(bytes), {
			headers: {
				'Content-Type': 'image/jpeg',
				'Cache-Control': 'private, max-age=86400, immutable',
				'X-Content-Type-Options': 'nosniff',
			},
		})
	})
}
