import { changeLayer, changePart } from '../edits/edit-parts'
import { measureRings, pieceSize } from '../flower-geometry'
import { piecesTaken } from '../piece-counts'
import type { ResolvedLayer } from '../resolve-design'
import type { Design } from '../design'
import type { ReviewRule } from './finding'

/** A base stands two thirds to three quarters as high as the first petal round it; common practice, no source. */
const BASE_TO_PETAL = { least: 2 / 3, most: 3 / 4 }

/** A base too large for the first petal: it would look out over the top. */
export const fitBaseToPetal: ReviewRule = ({ resolved, picks }) => {
	const [base] = resolved.parts.filter(({ role, form }) => {
		return (role === 'centre' || role === 'base') && form.type === 'formed' && form.body !== 'cylinder'
	})
	const first = resolved.layers
		.map(({ part }) => resolved.parts.find(({ of }) => of === part))
		.find((part) => part?.role === 'petal' && part.form.type === 'cut')
	if (!base || !first || base.form.type !== 'formed' || first.form.type !== 'cut') return []
	const { lengthMm: height } = pieceSize(base.form)
	const share = height / first.form.lengthMm
	if (share <= BASE_TO_PETAL.most) return []
	const wanted = Math.floor(first.form.lengthMm * BASE_TO_PETAL.most)
	const { form } = base
	const diameterMm = Math.round(form.diameterMm * (wanted / height) * 10) / 10
	const fitted = form.body === 'ball' ? { ...form, diameterMm: wanted } : { ...form, diameterMm, lengthMm: wanted }
	return [
		{
			id: `large-base ${base.id}`,
			part: base.of,
			message: `${base.name} is ${Math.round(height)} mm high, the first petal (${first.name.toLowerCase()}) ${first.form.lengthMm} mm long.`,
			reason: `A base two thirds to three quarters as high as the first petal lets it close; this is ${Math.round(share * 100)} %.`,
			fix: {
				label: `Make it ${wanted} mm high`,
				apply: (design: Design) => changePart(design, base.of, { form: fitted }, { picks }),
			},
		},
	]
}

/** A ring of petals with gaps. */
export const closeGaps: ReviewRule = ({ design, resolved }) => {
	return measureRings(resolved.parts, resolved.layers).flatMap(
		({ layer, partName, isMeantToClose, pieceCount, overlapMm, closingCount }) => {
			if (overlapMm >= -1 || !isMeantToClose) return []
			const index = indexIn(design, resolved.layers, layer)
			return [
				{
					id: `gap ${layer}`,
					layer: index,
					message: `${pieceCount} × ${partName.toLowerCase()} leave gaps of ${Math.round(-overlapMm)} mm.`,
					reason: `Seen from above at their widest; ${closingCount} such pieces go round without one.`,
					fix: {
						label: `Take ${closingCount}`,
						apply: (changed: Design) => changeLayer(changed, index, { pieceCount: closingCount }),
					},
				},
			]
		},
	)
}

/** Colours that alternate round a ring need a count that they divide. */
export const evenAlternation: ReviewRule = ({ design, resolved }) => {
	return resolved.layers.flatMap(({ tints, pieceCount, part, kinds, arrangement }, l) => {
		const index = indexIn(design, resolved.layers, l)
		const colours = new Set(resolved.parts.filter(({ of }) => of === part).map(({ colour }) => colour))
		const isRing = arrangement === 'over gaps' || arrangement === 'aligned'
		if (colours.size > 1 && isRing && pieceCount > 1 && kinds[0] === kinds.at(-1)) {
			return [
				{
					id: `uneven ${l}`,
					layer: index,
					message: `${pieceCount} pieces of ${colours.size} colours meet with two of the same.`,
					reason: 'The row of colours does not go evenly into this ring. Nobody minds; an even number would close it.',
				},
			]
		}
		if (!tints || pieceCount % tints.length === 0) return []
		const count = pieceCount + tints.length - (pieceCount % tints.length)
		return [
			{
				id: `uneven ${l}`,
				layer: index,
				message: `${tints.length} colours do not alternate round ${pieceCount} pieces.`,
				reason: 'Somewhere two of the same colour would stand side by side.',
				fix: { label: `Take ${count}`, apply: (changed: Design) => changeLayer(changed, index, { pieceCount: count }) },
			},
		]
	})
}

/** Layers that ask for more pieces than are made, or leave some over. */
export const layerWithoutRoom: ReviewRule = ({ resolved, picks }) => {
	const whole = new Map(resolved.parts.map((part) => [part.of, part]))
	return [...whole].flatMap(([id, { partName: name, piecesOfPart, size }]) => {
		const takers = resolved.parts.filter(({ form }) => form.type === 'derived' && form.fromPart === id)
		const piecesPerFlower = piecesOfPart - piecesTaken(takers)
		const placed = resolved.layers
			.filter(({ part, bundle }) => part === id && bundle === undefined)
			.reduce((sum, { pieceCount }) => sum + pieceCount, 0)
		if (placed === 0 || placed === piecesPerFlower) return []
		return [
			{
				id: `count ${id}`,
				part: id,
				message: `${name}: ${piecesPerFlower} are made, ${placed} are put into the layers.`,
				reason: 'Spares are added by the kits; a flower’s own number should be what it holds.',
				...(size === undefined && {
					fix: {
						label: `Make ${placed + piecesOfPart - piecesPerFlower}`,
						apply: (design: Design) =>
							changePart(design, id, { piecesPerFlower: placed + piecesOfPart - piecesPerFlower }, { picks }),
					},
				}),
			},
		]
	})
}

/** More is made from a part than it yields. */
export const sourceTooSmall: ReviewRule = ({ resolved, picks }) => {
	const sources = new Map(resolved.parts.map((part) => [part.of, part]))
	return [...sources].flatMap(([id, { partName, piecesOfPart, size }]) => {
		const takers = resolved.parts.filter(({ form }) => form.type === 'derived' && form.fromPart === id)
		const taken = piecesTaken(takers)
		if (taken <= piecesOfPart) return []
		const made = takers.map(({ name }) => name.toLowerCase()).join(' and ')
		return [
			{
				id: `source ${id}`,
				part: id,
				message: `${partName}: ${piecesOfPart} are made, ${made} take ${taken} of them.`,
				reason: 'The pieces of a part are all of its kind: those used whole and those that others are made from.',
				...(size === undefined && {
					fix: {
						label: `Make ${taken}`,
						apply: (design: Design) => changePart(design, id, { piecesPerFlower: taken }, { picks }),
					},
				}),
			},
		]
	})
}

/** The layer of the design that a resolved layer came from: those that options leave out are passed over. */
function indexIn({ layers }: Design, resolved: readonly ResolvedLayer[], l: number): number {
	const wanted = resolved[l]
	const rank = resolved
		.slice(0, l)
		.filter(({ part, radiusMm }) => part === wanted?.part && radiusMm === wanted.radiusMm).length
	const alike = layers.flatMap((layer, index) =>
		layer.part === wanted?.part && layer.radiusMm === wanted.radiusMm ? [index] : [],
	)
	return alike[rank] ?? alike[0] ?? 0
}
