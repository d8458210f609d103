/**
 * Mass of one piece from its form: cut by exact area, formed by the volume of its body, moulded as measured.
 * Assumes that a thinned edge loses nothing: the stroke moves paste, it does not take any off.
 */
import type { CutForm, FormedBody, FormedForm, PartForm } from '../vocabulary/piece-form'
import { cutOutline } from '../outlines/families'
import { outlineAreaMm2 } from '../outlines/measure-outline'
import { PASTE_DENSITY_G_PER_CM3 } from './pastes'

const MM3_PER_CM3 = 1000

/**
 * Paste in g; 0 for what is bought, and for derived pieces, whose paste is counted where they come from.
 *
 * @throws {PathError} an outline of its own that is none
 */
export function pasteMassG(form: PartForm): number {
	if (form.type === 'moulded') return form.massG
	if (form.type === 'cut') return toGrams(cutAreaMm2(form) * form.thicknessMm)
	return form.type === 'formed' ? toGrams(bodyVolumeMm3(form.body, form.diameterMm, form.lengthMm)) : 0
}

/**
 * Area of a cut piece without its holes.
 *
 * @throws {PathError} an outline of its own that is none
 */
export function cutAreaMm2(form: CutForm): number {
	const holes = (form.holes ?? []).reduce((sum, hole) => sum + (hole.count ?? 1) * outlineAreaMm2(cutOutline(hole)), 0)
	return Math.max(0, outlineAreaMm2(cutOutline(form)) - holes)
}

/** Volume of paste in mm³ of a moulded piece, by its mass. */
export function pasteVolumeMm3({ massG }: Extract<PartForm, { type: 'moulded' }>): number {
	return (massG / PASTE_DENSITY_G_PER_CM3) * MM3_PER_CM3
}

/** Mass in g of what hangs on a wire: paste, or what is known of a bought thing. */
export function pieceMassG(form: PartForm): number {
	return form.type === 'bought' ? (form.massG ?? 0) : pasteMassG(form)
}

/**
 * @param lengthMm - of a cone, drop or cylinder, tip included; absent: as long as thick. A ball has none.
 * @see any table of solids: π/6·d³, π/12·d²·l, π/4·d²·l; a drop is half a ball under a cone
 */
export function bodyVolumeMm3(body: FormedBody, diameterMm: number, lengthMm = diameterMm): number {
	const base = Math.PI * diameterMm ** 2
	switch (body) {
		case 'ball':
		case 'flattened ball':
			return (base * diameterMm) / 6
		case 'half ball':
			return (base * diameterMm) / 12
		case 'cone':
			return (base * lengthMm) / 12
		case 'cylinder':
			return (base * lengthMm) / 4
		case 'drop':
			return (base * diameterMm) / 12 + (base * Math.max(0, lengthMm - diameterMm / 2)) / 12
	}
}

/** What a flattened ball is pressed to; a third of its diameter where nobody says. */
export function discThicknessMm({ diameterMm, thicknessMm = diameterMm / 3 }: FormedForm): number {
	return thicknessMm
}

/** Across the disc that a flattened ball becomes. */
export function discDiameterMm(form: FormedForm): number {
	return Math.sqrt((4 * bodyVolumeMm3('flattened ball', form.diameterMm)) / (Math.PI * discThicknessMm(form)))
}

/** At the density of gum paste. */
function toGrams(mm3: number): number {
	return (mm3 / MM3_PER_CM3) * PASTE_DENSITY_G_PER_CM3
}
