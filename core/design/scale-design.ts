/**
 * A whole design made larger or smaller: lengths by the factor, cut masses by its square, formed and moulded ones by its
 * cube; counts and minutes stay, gauges are proposed anew.
 */
import { pieceMassG } from '../materials/piece-mass'
import { finestHoldingGauge, holds } from '../materials/wire-strength'
import { MAX_GAUGE, MIN_GAUGE, wireDiameterMm, type GaugeStandard } from '../materials/wire-gauge'
import type { Design, Part, PartSize, PartWire } from './design'
import { sizedForm } from './kinds-of-part'
import type { PartForm } from '../vocabulary/piece-form'

/**
 * @param factor - in [0.2, 5]
 * @throws {RangeError} a factor out of its range
 */
export function scaleDesign(design: Design, factor: number, standard: GaugeStandard): Design {
	if (!(factor >= 0.2 && factor <= 5)) throw new RangeError(`factor must be in [0.2, 5], got ${factor}`)
	return {
		...design,
		finishedSizeMm: scaled(design.finishedSizeMm, factor),
		parts: design.parts.map((part) => scalePart(part, factor, standard)),
		layers: design.layers.map((layer) => ({
			...layer,
			radiusMm: scaled(layer.radiusMm, factor),
			...(layer.heightMm !== undefined && { heightMm: scaled(layer.heightMm, factor) }),
			...(layer.dropMm !== undefined && { dropMm: scaled(layer.dropMm, factor) }),
		})),
	}
}

/** Lengths grow by the factor, thickness does not: a larger petal is rolled from the same sheet. */
function scalePart(part: Part, factor: number, standard: GaugeStandard): Part {
	const form = scaleForm(part.form, factor)
	const rescale = (wire: PartWire, onto: PartForm) => scaleWire(wire, onto, factor, standard)
	return {
		...part,
		form,
		...(part.wire && { wire: rescale(part.wire, form) }),
		...(part.sizes && { sizes: part.sizes.map((size) => scaleSize(size, form, rescale, factor)) }),
		...(part.bundles && {
			bundles: {
				...part.bundles,
				...(part.bundles.wire && { wire: { ...part.bundles.wire, lengthMm: wireLength(part.bundles.wire, factor) } }),
			},
		}),
		...(part.variants && {
			variants: part.variants.map(({ when, set }) => {
				const setForm = set.form && scaleForm(set.form, factor)
				return {
					when,
					set: {
						...set,
						...(setForm && { form: setForm }),
						...(set.wire && { wire: rescale(set.wire, setForm ?? form) }),
						...(set.sizes && { sizes: set.sizes.map((size) => scaleSize(size, setForm ?? form, rescale, factor)) }),
					},
				}
			}),
		}),
	}
}

/** Its own measures; what it takes from its part has grown there. */
function scaleSize(
	size: PartSize,
	form: PartForm,
	rescale: (wire: PartWire, onto: PartForm) => PartWire,
	factor: number,
): PartSize {
	const measures = (['widthMm', 'lengthMm', 'diameterMm'] as const).flatMap((key) => {
		const value = size[key]
		return value === undefined ? [] : [[key, scaled(value, factor)] as const]
	})
	const grown = {
		...size,
		...Object.fromEntries(measures),
		...(size.massG !== undefined && { massG: scaled(size.massG, factor ** 3) }),
	}
	return { ...grown, ...(size.wire && { wire: rescale(size.wire, sizedForm(form, grown)) }) }
}

/** Thickness stays: a sheet is rolled as thin as ever, which is why a cut mass goes by the square. */
function scaleForm(form: PartForm, factor: number): PartForm {
	switch (form.type) {
		case 'cut':
			return {
				...form,
				widthMm: scaled(form.widthMm, factor),
				lengthMm: scaled(form.lengthMm, factor),
				...(form.holes && {
					holes: form.holes.map((hole) => ({
						...hole,
						widthMm: scaled(hole.widthMm, factor),
						lengthMm: scaled(hole.lengthMm, factor),
					})),
				}),
			}
		case 'formed':
			return {
				...form,
				diameterMm: scaled(form.diameterMm, factor),
				...(form.thicknessMm !== undefined && { thicknessMm: scaled(form.thicknessMm, factor) }),
				...(form.lengthMm !== undefined && { lengthMm: scaled(form.lengthMm, factor) }),
			}
		case 'moulded':
			return { ...form, massG: scaled(form.massG, factor ** 3) }
		case 'bought':
			return {
				...form,
				...(form.diameterMm !== undefined && { diameterMm: scaled(form.diameterMm, factor) }),
				...(form.massG !== undefined && { massG: scaled(form.massG, factor ** 3) }),
			}
		case 'derived':
			return form
	}
}

/** Its length grows with the piece; its gauge follows the piece's mass. */
function scaleWire(wire: PartWire, form: PartForm, factor: number, standard: GaugeStandard): PartWire {
	const { trimmedToMm } = wire
	return {
		...wire,
		lengthMm: wireLength(wire, factor),
		gauge: proposeGauge(wire, form, factor, standard),
		...(trimmedToMm !== undefined && { trimmedToMm: wireLength({ ...wire, lengthMm: trimmedToMm }, factor) }),
	}
}

/** Whole mm, within what a wire can be. */
function wireLength({ lengthMm }: PartWire, factor: number): number {
	return Math.min(1000, Math.max(5, Math.round(lengthMm * factor)))
}

/** The gauge nearest in thickness to the scaled one that still holds the scaled piece. */
function proposeGauge(wire: PartWire, form: PartForm, factor: number, standard: GaugeStandard): number {
	const wantedMm = wireDiameterMm(wire.gauge, standard) * factor
	const sold = Array.from({ length: (MAX_GAUGE - MIN_GAUGE) / 2 + 1 }, (_, k) => MIN_GAUGE + 2 * k)
	const distance = (gauge: number) => Math.abs(wireDiameterMm(gauge, standard) - wantedMm)
	const nearest = sold.reduce((best, gauge) => (distance(gauge) < distance(best) ? gauge : best))
	const lengthMm = form.type === 'cut' ? form.lengthMm : form.type === 'formed' ? (form.lengthMm ?? form.diameterMm) : 0
	const load = { massG: pieceMassG(form), lengthMm, wireCount: wire.perPiece ?? 1 }
	if (load.massG === 0 || holds(load, nearest, standard)) return nearest
	return finestHoldingGauge(load, standard) ?? MIN_GAUGE
}

/** To a tenth: nobody cuts finer, and the figures stay readable. */
function scaled(value: number, factor: number): number {
	const tenths = Math.round(value * factor * 10) / 10
	return value > 0 ? Math.max(0.1, tenths) : tenths
}
