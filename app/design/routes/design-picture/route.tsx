import { renderToStaticMarkup } from 'react-dom/server'
import { resolveDesign } from '../../../../core/design/resolve-design'
import { getDesign } from '../../../../db/repositories/designs.server'
import { FlowerPicture } from '../../components/flower-picture/flower-picture'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import type { Route } from './+types/route'

/** The design's picture as a file of its own: for lists, hand-outs, and other people's tools. */
export function loader({ params, request, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { searchParams } = new URL(request.url)
		const { document } = await getDesign(context.get(memberContext).studio.id, params.slug)
		const asked = searchParams.get('view')
		const view = asked === 'side' || asked === 'above' ? asked : undefined
		const svg = renderToStaticMarkup(
			<FlowerPicture design={resolveDesign(document, {})} view={view} size={400} seed={1} />,
		)
		return new Response(svg, {
			headers: {
				'Content-Type': 'image/svg+xml; charset=utf-8',
				// The version stands in the address: what it names never changes.
				'Cache-Control': searchParams.has('v') ? 'private, max-age=31536000, immutable' : 'private, no-cache',
				'Content-Security-Policy': "default-src 'none'; style-src 'unsafe-inline'",
			},
		})
	})
}
