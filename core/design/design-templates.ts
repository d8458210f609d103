import { cutOutline } from '../outlines/families'
import type { Template } from '../outlines/template-sheet'
import type { ResolvedDesign } from './resolve-design'

/** Templates of the cut parts of a design, each once, named with how many a flower takes. */
export function listTemplates({ parts }: Pick<ResolvedDesign, 'parts'>): Template[] {
	return parts.flatMap(({ name, piecesPerFlower, form }) => {
		if (form.type !== 'cut') return []
		const { widthMm, lengthMm } = form
		return [
			{
				name,
				note: `${piecesPerFlower} a flower, ${widthMm} × ${lengthMm} mm`,
				outline: cutOutline(form),
				widthMm,
				lengthMm,
			},
		]
	})
}
