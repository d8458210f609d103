import { listTemplates } from '../../../../core/design/design-templates'
import { resolveDesign } from '../../../../core/design/resolve-design'
import { layTemplates, PAPERS } from '../../../../core/outlines/template-sheet'
import { getDesign } from '../../../../db/repositories/designs.server'
import { drawTemplatePdf } from '../../components/template-page/draw-template-pdf.server'
import { memberContext } from '../../../shared/http/contexts'
import { answerFile } from '../../../shared/http/file-answer'
import { loading } from '../../../shared/http/responses.server'
import { readPaper, readPicks } from '../../schemas/design-address'
import type { Route } from './+types/route'

/** The templates as a PDF in true size. */
export function loader({ params, request, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { document } = await getDesign(studio.id, params.slug)
		const { searchParams } = new URL(request.url)
		const design = resolveDesign(document, readPicks(document, searchParams))
		const pages = layTemplates(listTemplates(design), PAPERS[readPaper(searchParams, studio.paper)])
		const pdf = await drawTemplatePdf(pages, design.name)
		return answerFile(pdf, { name: `${params.slug}-templates.pdf`, type: 'application/pdf' })
	})
}
