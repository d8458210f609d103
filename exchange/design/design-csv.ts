/** Parts and steps of a resolved design as CSV, guarded against formulas. */
import type { ResolvedDesign } from '../../core/design/resolve-design'
import { pasteMassG } from '../../core/materials/piece-mass'
import { toCsv } from '../csv'

export function partsCsv({ parts }: ResolvedDesign): string {
	return toCsv(
		parts.map(({ name, role, piecesPerFlower, form, paste, colour, wire, bundles, drying, breakage }) => ({
			part: name,
			role,
			pieces: piecesPerFlower,
			form: form.type === 'cut' ? form.outline : form.type === 'formed' ? form.body : form.type,
			'width mm': form.type === 'cut' ? form.widthMm : form.type === 'formed' ? form.diameterMm : '',
			'length mm': form.type === 'cut' ? form.lengthMm : form.type === 'formed' ? (form.lengthMm ?? '') : '',
			'thickness mm': form.type === 'cut' ? form.thicknessMm : '',
			'paste g each': Math.round(pasteMassG(form) * 100) / 100,
			paste: paste ?? '',
			colour,
			'wire gauge': wire?.gauge ?? '',
			'wire mm': wire?.lengthMm ?? '',
			'in bundles of': bundles?.pieces ?? '',
			'dries on': drying?.former ?? '',
			breakage,
		})),
	)
}

export function stepsCsv({ parts, steps, techniques }: ResolvedDesign): string {
	const partNames = new Map(parts.map(({ of, partName }) => [of, partName]))
	const labels = new Map(steps.map(({ id, label }) => [id, label]))
	return toCsv(
		steps.map(
			({ part, label, sentence, minutesPerPiece, fixedMinutes, technique, tools, places, teaching, needs }) => ({
				part: part === undefined ? 'putting together' : (partNames.get(part) ?? part),
				step: label,
				sentence,
				'minutes each': minutesPerPiece,
				'minutes once': fixedMinutes,
				technique: techniques.find(({ id }) => id === technique)?.name ?? '',
				tools: tools.join('; '),
				places: places.join('; '),
				teaching,
				after: needs.map(({ after }) => labels.get(after) ?? after).join('; '),
				'waits min': needs.map(({ wait }) => wait?.usualMinutes ?? 0).join('; '),
				'waits for': needs.map(({ wait }) => wait?.stage ?? '').join('; '),
			}),
		),
	)
}
