/**
 * The drying geometry of a part of a design. Where a cut part does not say what it lies on it is taken to lie on a
 * board, as petals glued to a core do. A moulded piece is taken as half a ball on its flat side.
 * Not for: what is bought; it has no paste of ours.
 */
import type { Part } from './design'
import type { BackFace } from '../vocabulary/drying-stage'
import type { CutForm, FormedForm } from '../vocabulary/piece-form'
import { bodyVolumeMm3, cutAreaMm2, discDiameterMm, discThicknessMm, pasteVolumeMm3 } from '../materials/piece-mass'
import { wireDiameterMm, type GaugeStandard } from '../materials/wire-gauge'
import type { DryingBody, DryingPiece } from '../drying/drying-piece'
import { PASTE_TERMS } from '../drying/paste-terms'

/** `of`: the part of the design that it is a kind of; absent of a part of one kind. */
export type DriedPart = Pick<Part, 'id' | 'form' | 'paste' | 'ownPaste' | 'drying' | 'wire'> & { of?: string }

/**
 * The piece to dry, or undefined: nothing of the part dries by itself, or its form gives no depth.
 *
 * @param parts - of the same design, for pieces derived from another part
 */
export function pieceOfPart(
	part: DriedPart,
	parts: readonly DriedPart[],
	standard: GaugeStandard,
): DryingPiece | undefined {
	if (part.form.type === 'derived') {
		const { fromPart } = part.form
		const source = parts.find(({ id, of = id }) => of === fromPart)
		// One step is enough: a part derived from a derived one is the same piece cut smaller.
		return source && source.form.type !== 'derived' ? pieceOfPart(source, parts, standard) : undefined
	}
	const body = bodyOf(part, standard)
	if (!body || !part.paste) return undefined
	return {
		paste: PASTE_TERMS[part.paste],
		body,
		...(part.ownPaste && { paceFactor: part.ownPaste.paceFactor }),
	}
}

/** What dries: a sheet by its thickness, a body by how far its middle lies from the air. */
function bodyOf({ form, drying, wire }: DriedPart, standard: GaugeStandard): DryingBody | undefined {
	switch (form.type) {
		case 'cut':
			return cutBody(form, drying?.backFace ?? 'board')
		case 'formed':
			return formedBody(form, wire ? wireDiameterMm(wire.gauge, standard) / 2 : 0, drying?.backFace ?? 'board')
		case 'moulded':
			return domeOf(pasteVolumeMm3(form), (drying?.backFace ?? 'board') === 'board')
		case 'bought':
		case 'derived':
			return undefined
	}
}

/** Folded it is two walls thick; rolled up a cylinder as tall as the strip is wide. */
function cutBody(form: CutForm, back: BackFace): DryingBody {
	const { widthMm, lengthMm, thicknessMm, shaping } = form
	if (shaping === 'rolled up') {
		const volumeMm3 = cutAreaMm2(form) * thicknessMm
		return { type: 'cylinder', radiusMm: Math.sqrt(volumeMm3 / (Math.PI * widthMm)), wireRadiusMm: 0 }
	}
	const walls = shaping === 'folded' ? 2 : 1
	return { type: 'sheet', thicknessMm: walls * thicknessMm, back, sizeMm: Math.sqrt((widthMm * lengthMm) / walls) }
}

/** @param wireRadiusMm - of the wire inside, through which nothing dries; 0 without one */
function formedBody(form: FormedForm, wireRadiusMm: number, back: BackFace): DryingBody | undefined {
	const radiusMm = form.diameterMm / 2
	const lengthMm = form.lengthMm ?? form.diameterMm
	switch (form.body) {
		case 'ball':
			return { type: 'sphere', radiusMm }
		case 'half ball':
			return domeOf(bodyVolumeMm3('half ball', form.diameterMm), back === 'board')
		case 'flattened ball':
			return {
				type: 'sheet',
				thicknessMm: discThicknessMm(form),
				back,
				sizeMm: discDiameterMm(form),
			}
		case 'cone':
			return { type: 'cone', baseRadiusMm: radiusMm, heightMm: lengthMm }
		case 'cylinder':
			return { type: 'cylinder', radiusMm, wireRadiusMm: Math.min(wireRadiusMm, 0.8 * radiusMm) }
		case 'drop': {
			const tipMm = Math.max(0, lengthMm - radiusMm)
			return {
				type: 'body',
				inscribedRadiusMm: radiusMm,
				exposedAreaMm2: 2 * Math.PI * radiusMm ** 2 + Math.PI * radiusMm * Math.hypot(radiusMm, tipMm),
				volumeMm3: bodyVolumeMm3('drop', form.diameterMm, lengthMm),
			}
		}
	}
}

/** Half a ball of the volume, as a moulded piece is about; on a board its flat side does not breathe. */
function domeOf(volumeMm3: number, liesOnBoard: boolean): DryingBody | undefined {
	if (!(volumeMm3 > 0)) return undefined
	const radiusMm = ((3 * volumeMm3) / (2 * Math.PI)) ** (1 / 3)
	return {
		type: 'body',
		inscribedRadiusMm: radiusMm / 2,
		exposedAreaMm2: (liesOnBoard ? 2 : 3) * Math.PI * radiusMm ** 2,
		volumeMm3,
	}
}
