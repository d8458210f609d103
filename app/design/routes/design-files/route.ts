import { resolveDesign } from '../../../../core/design/resolve-design'
import { NotFoundError } from '../../../../core/errors'
import { partsCsv, stepsCsv } from '../../../../exchange/design/design-csv'
import { outlinesSvg } from '../../../../exchange/design/outline-svg'
import { getDesign } from '../../../../db/repositories/designs.server'
import { memberContext } from '../../../shared/http/contexts'
import { answerFile } from '../../../shared/http/file-answer'
import { loading } from '../../../shared/http/responses.server'
import type { Route } from './+types/route'

/** A design as files for other people's tools. */
export function loader({ params: { slug, file }, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { document } = await getDesign(context.get(memberContext).studio.id, slug)
		const resolved = resolveDesign(document, {})
		const name = `${slug}-${file}`
		switch (file) {
			case 'design.json':
				return answerFile(`${JSON.stringify(document, null, '\t')}\n`, { name, type: 'application/json' })
			case 'parts.csv':
				return answerFile(partsCsv(resolved), { name, type: 'text/csv; charset=utf-8' })
			case 'steps.csv':
				return answerFile(stepsCsv(resolved), { name, type: 'text/csv; charset=utf-8' })
			case 'outlines.svg':
				return answerFile(outlinesSvg(resolved), { name, type: 'image/svg+xml' })
			default:
				throw new NotFoundError('There is no such file.')
		}
	})
}
