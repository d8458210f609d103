/** Photos of a design and of its steps: put in, said what they show, taken out. */
import { useFetcher } from 'react-router'
import { useState } from 'react'
import { getDesign } from '../../../../db/repositories/designs.server'
import { addPhoto, changePhoto, deletePhoto, listPhotos } from '../../../../db/repositories/photos.server'
import type { Design } from '../../../../core/design/design'
import { InputError } from '../../../../core/errors'
import { stripJpeg } from '../../../../exchange/photo/strip-jpeg'
import { FileButton } from '../../../shared/components/file-button'
import { LinkButton } from '../../../shared/components/link-button'
import { memberContext } from '../../../shared/http/contexts'
import { readIntent, readUpload } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { newPhotoSchema, photoActions } from '../../schemas/photo'
import type { Route } from './+types/route'
import { PhotoForm } from './photo-form'
import { shrinkPhoto } from '../../../shared/shrink-photo'
import './design-photos.css'

export function meta({ loaderData }: Route.MetaArgs) {
	return [{ title: `Photos of ${loaderData?.name ?? 'a design'} · Calycine` }]
}

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { document } = await getDesign(studio.id, params.slug)
		return {
			slug: params.slug,
			name: document.name,
			steps: stepOptions(document),
			photos: await listPhotos(studio.id, params.slug),
		}
	})
}

/** A photo as the browser makes it has some 300 kB. */
const MOST_BYTES = 3 * 1024 * 1024

export function action({ params: { slug }, request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		const { document } = await getDesign(studio.id, slug)
		if (request.headers.get('Content-Type')?.startsWith('multipart/')) {
			const { file, fields } = await readUpload(request, newPhotoSchema, { field: 'photo', maxBytes: MOST_BYTES })
			await addPhoto(studio.id, slug, { caption: fields.caption, ...stepIn(document, fields), ...stripJpeg(file) })
			return { done: true }
		}
		const input = await readIntent(request, photoActions)
		if (input.intent === 'delete') await deletePhoto(studio.id, input.id, input.version)
		else await changePhoto(studio.id, { ...input, ...stepIn(document, input) })
		return { done: true }
	})
}

/** @throws {InputError} the design has no such step */
function stepIn({ steps }: Design, { stepId }: { stepId: string }): { stepId?: string } {
	if (stepId === '') return {}
	if (!steps.some(({ id }) => id === stepId))
		throw new InputError([{ path: 'stepId', message: 'The design has no such step' }])
	return { stepId }
}

function stepOptions({ steps, parts }: Design): { value: string; label: string }[] {
	const names = new Map(parts.map(({ id, name }) => [id, name]))
	return steps.map(({ id, part, label }) => ({
		value: id,
		label: `${part === undefined ? 'Putting together' : (names.get(part) ?? part)}: ${label.toLowerCase()}`,
	}))
}

/** All photos of a design, each with what it shows. */
export default function DesignPhotos({ loaderData: { slug, name, steps, photos } }: Route.ComponentProps) {
	return (
		<>
			<div className="page-head">
				<h1>Photos of {name}</h1>
				<LinkButton className="push" to={`/designs/${slug}`}>
					Back to the design
				</LinkButton>
			</div>
			<div className="stack">
				<AddPhoto hasPhotos={photos.length > 0} />
				<ul className="photo-forms">
					{photos.map((photo) => (
						<li key={photo.id} className="sheet">
							<PhotoForm photo={photo} steps={steps} />
						</li>
					))}
				</ul>
			</div>
		</>
	)
}

function AddPhoto({ hasPhotos }: { hasPhotos: boolean }) {
	const { submit, state, data } = useFetcher<typeof action>()
	const [problem, setProblem] = useState<string>()
	const send = async (file: File) => {
		setProblem(undefined)
		try {
			const form = new FormData()
			form.set('photo', await shrinkPhoto(file), 'photo.jpg')
			await submit(form, { method: 'post', encType: 'multipart/form-data' })
		} catch {
			setProblem('This file is no picture that the browser can read.')
		}
	}
	const refusal = state === 'idle' && data && 'message' in data ? data.message : undefined
	const told = problem ?? refusal
	return (
		<section className="stack" aria-label="Add a photo">
			{!hasPhotos && (
				<p>
					None yet. A photo of the finished piece, or of a step that words do not tell, stands on the design’s page and
					on its slides.
				</p>
			)}
			<FileButton
				label={state === 'idle' ? 'Add a photo…' : 'Adding…'}
				accept="image/*"
				onFile={(file) => void send(file)}
			/>
			{told && (
				<p className="alert" role="alert">
					{told}
				</p>
			)}
			<p className="soft small">
				It is made smaller here, and where and with what it was taken is left out. Photos stay in the studio: a design’s
				file has none. Ask before showing somebody’s face.
			</p>
		</section>
	)
}
