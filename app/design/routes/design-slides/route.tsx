import { LinkButton } from '../../../shared/components/link-button'
import { useEffect } from 'react'
import { useNavigate } from 'react-router'
import { resolveDesign, type ResolvedDesign } from '../../../../core/design/resolve-design'
import { getDesign } from '../../../../db/repositories/designs.server'
import { FlowerPicture } from '../../components/flower-picture/flower-picture'
import { PhotoList } from '../../components/photo-list/photo-list'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { listPhotos } from '../../../../db/repositories/photos.server'
import { withSteps } from '../../words/photos'
import { readPicks } from '../../schemas/design-address'
import { ARRANGEMENT_WORDS, turnsWords } from '../../words/layers'
import type { Route } from './+types/route'
import './design-slides.css'

export function meta({ loaderData }: Route.MetaArgs) {
	return [{ title: `${loaderData?.design.name ?? 'Design'}, layer by layer · Calycine` }]
}

export function loader({ params, request, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { document } = await getDesign(studio.id, params.slug)
		const { searchParams } = new URL(request.url)
		const design = resolveDesign(document, readPicks(document, searchParams))
		const last = Math.max(1, design.layers.length)
		const layer = Math.min(last, Math.max(1, Math.floor(Number(searchParams.get('layer')) || 1)))
		const photos = withSteps(await listPhotos(studio.id, params.slug), document)
		return { design, last, layer, photos: photos.filter(({ stepId }) => showsLayer(design, layer, stepId)) }
	})
}

/** Photos of the steps of a layer stand on its slide; those of the whole piece on the last. */
function showsLayer({ layers, parts, steps }: ResolvedDesign, layer: number, stepId: string | undefined): boolean {
	const current = layers[layer - 1]
	const step = steps.find(({ id }) => id === stepId)
	if (!step) return layer >= layers.length
	if (current?.id !== undefined && step.lays?.includes(current.id)) return true
	return step.part !== undefined && parts.find(({ id }) => id === current?.kinds[0])?.of === step.part
}

/** One slide a layer, large enough for the whole table; arrow keys turn them. */
export default function DesignSlides({ loaderData: { design, layer, last, photos } }: Route.ComponentProps) {
	const navigate = useNavigate()
	useEffect(() => {
		const turn = (event: KeyboardEvent) => {
			const to = event.key === 'ArrowRight' ? layer + 1 : event.key === 'ArrowLeft' ? layer - 1 : layer
			if (to !== layer && to >= 1 && to <= last) void navigate(`?layer=${to}`, { replace: true })
		}
		window.addEventListener('keydown', turn)
		return () => window.removeEventListener('keydown', turn)
	}, [layer, last, navigate])
	const current = design.layers[layer - 1]
	const part = design.parts.find(({ id }) => id === current?.kinds[0])
	return (
		<>
			<div className="page-head">
				<h1>{design.name}</h1>
				<p className="soft">
					layer {layer} of {last}
				</p>
				<LinkButton className="push no-print" to={`/designs/${design.id}`}>
					Back to the design
				</LinkButton>
			</div>
			<div className="slide">
				<FlowerPicture design={design} layerCount={layer} size={520} seed={1} />
				<div className="stack" aria-live="polite">
					{current && part ? (
						<>
							<p className="slide-count">
								{current.pieceCount} × {part.partName.toLowerCase()}
							</p>
							<p className="soft">
								{ARRANGEMENT_WORDS[current.arrangement]}
								{current.joining && `, ${current.joining}`}
								{current.joining === 'taped' && `, ${turnsWords(current)}`}
							</p>
							<ol>
								{design.steps
									.filter((step) => step.part === part.of)
									.map(({ id, sentence }) => (
										<li key={id}>{sentence}</li>
									))}
							</ol>
						</>
					) : (
						<p className="soft">This design has no layers.</p>
					)}
					<PhotoList photos={photos} label="Photos of this layer" />
					<div className="row no-print">
						{layer > 1 && (
							<LinkButton to={`?layer=${layer - 1}`} replace>
								← Before
							</LinkButton>
						)}
						{layer < last && (
							<LinkButton type="primary" to={`?layer=${layer + 1}`} replace>
								Next layer →
							</LinkButton>
						)}
					</div>
				</div>
			</div>
		</>
	)
}
