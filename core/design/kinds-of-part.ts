/**
 * Pieces of one part that are not all alike: sizes, and colours that alternate. Each size in each colour is a kind, and
 * downstream a part by itself; steps, waits and layers go on naming the part of the design.
 */
import type { AlternatingColour, Part, PartSize } from './design'
import type { PartForm } from '../vocabulary/piece-form'

/** A part without conditions, sizes and alternating colours: what it makes are pieces of one kind. */
export interface KindOfPart extends Omit<Part, 'when' | 'variants' | 'sizes' | 'alternating'> {
	/** Id of the part in the design. */
	of: string
	/** Name of that part; `name` tells size and colour too. */
	partName: string
	/** Name of its size, where the part has several. */
	size?: string
	/** Pieces of the whole part, of all kinds, per flower. */
	piecesOfPart: number
	/**
	 * How often a piece of it was lost in past classes, Gamma(shape, rate), and what the design states; `breakage` is then
	 * its mean. Absent: that is not known.
	 */
	lostBefore?: { shape: number; rate: number; stated: number }
}

type SettledPart = Omit<Part, 'when' | 'variants'>

/** A layer whose pieces are known one by one. */
interface Row {
	part: string
	sizes?: string[]
	bundle?: string
	pieceCount: number
}

export interface Kinds<Layer extends Row> {
	parts: KindOfPart[]
	/** With the kind of each piece, in the order in which they are laid. */
	layers: (Layer & { kinds: string[] })[]
}

/**
 * Splits parts into kinds. Alternating colours run on from layer to layer, and through the sizes in their order where a
 * part is in no layer.
 *
 * @param parts - with their options chosen; sizes that the options leave out are not among them
 * @param layers - from inside out
 * @complexity O(pieces)
 */
export function splitIntoKinds<Layer extends Row>(
	parts: readonly SettledPart[],
	layers: readonly Layer[],
): Kinds<Layer> {
	const rowOf = new Map(layers.map((layer) => [layer, [] as string[]]))
	const kinds = parts.flatMap((part) => {
		const sizes = sizesOf(part)
		const own = layers.filter((layer) => layer.part === part.id)
		const colours = new ColourRow(part.alternating)
		const left = new Map(sizes.map(({ name, pieces }) => [name, pieces]))
		const counts = new Map<string, number>()
		const take = (size: string) => {
			const colour = colours.next()
			const id = kindId(part, size, colour)
			counts.set(id, (counts.get(id) ?? 0) + 1)
			left.set(size, (left.get(size) ?? 0) - 1)
			return id
		}
		for (const layer of own) {
			// A layer of bundles takes none from the part's own: what is in them is known to the bundle.
			if (layer.bundle !== undefined) {
				const id = kindId(part, sizes[0]?.name ?? '', part.alternating?.[0])
				rowOf.get(layer)?.push(...Array<string>(layer.pieceCount).fill(id))
				continue
			}
			for (let piece = 0; piece < layer.pieceCount; piece++) {
				const wanted = layer.sizes ?? sizes.map(({ name }) => name)
				const size = wanted.find((name) => (left.get(name) ?? 0) > 0)
				// More than there are: drawn as the last, told by the review.
				const last = wanted.at(-1) ?? ''
				rowOf.get(layer)?.push(size === undefined ? kindId(part, last, part.alternating?.[0]) : take(size))
			}
		}
		for (const { name } of sizes) while ((left.get(name) ?? 0) > 0) take(name)
		return sizes.flatMap((size) => kindsOfSize(part, size, counts))
	})
	return { parts: kinds, layers: layers.map((layer) => ({ ...layer, kinds: rowOf.get(layer) ?? [] })) }
}

/** All kinds of a size that there are any pieces of. */
function kindsOfSize(part: SettledPart, size: PartSize, counts: ReadonlyMap<string, number>): KindOfPart[] {
	const { sizes, alternating, ...plain } = part
	const piecesOfPart = sizes?.reduce((sum, { pieces }) => sum + pieces, 0) ?? part.piecesPerFlower
	const sized = {
		...plain,
		...(sizes && { ...sizeTerms(part, size), size: size.name }),
		of: part.id,
		partName: part.name,
		piecesOfPart,
	}
	const nameOf = (more: readonly string[]) => [part.name, ...more].join(', ')
	const sizeName = sizes ? [size.name] : []
	if (!alternating) {
		const piecesPerFlower = sizes ? size.pieces : part.piecesPerFlower
		return [{ ...sized, id: kindId(part, size.name, undefined), name: nameOf(sizeName), piecesPerFlower }]
	}
	const byColour = new Map(alternating.map((one) => [one.colour, one]))
	return [...byColour.values()].flatMap((one): KindOfPart[] => {
		const id = kindId(part, size.name, one)
		const piecesPerFlower = counts.get(id) ?? 0
		if (piecesPerFlower === 0) return []
		const { colour, tint = part.tint } = one
		return [{ ...sized, id, name: nameOf([...sizeName, colour]), piecesPerFlower, colour, tint }]
	})
}

/** What a size says otherwise than its part. */
function sizeTerms(part: SettledPart, size: PartSize) {
	const { wire, drying, breakage } = size
	return {
		form: sizedForm(part.form, size),
		...(wire && { wire }),
		...(drying && { drying }),
		...(breakage !== undefined && { breakage }),
	}
}

/** The form in a size's measures. */
export function sizedForm(form: PartForm, size: Partial<PartSize>): PartForm {
	const { widthMm, lengthMm, diameterMm, thicknessMm, massG } = size
	switch (form.type) {
		case 'cut':
			return {
				...form,
				widthMm: widthMm ?? form.widthMm,
				lengthMm: lengthMm ?? form.lengthMm,
				thicknessMm: thicknessMm ?? form.thicknessMm,
			}
		case 'formed':
			return {
				...form,
				diameterMm: diameterMm ?? form.diameterMm,
				...(lengthMm !== undefined && { lengthMm }),
				...(thicknessMm !== undefined && { thicknessMm }),
			}
		case 'moulded':
			return { ...form, massG: massG ?? form.massG }
		case 'bought':
			return {
				...form,
				...(massG !== undefined && { massG }),
				...(diameterMm !== undefined && { diameterMm }),
				...(lengthMm !== undefined && { lengthMm }),
			}
		case 'derived':
			return form
	}
}

/** Its sizes, or itself as the only one. */
function sizesOf({ sizes, piecesPerFlower }: SettledPart): PartSize[] {
	return sizes ?? [{ name: '', pieces: piecesPerFlower }]
}

/** The part's own id where all its pieces are alike. */
function kindId({ id, sizes, alternating }: SettledPart, size: string, colour: AlternatingColour | undefined): string {
	return [id, ...(sizes ? [size] : []), ...(alternating && colour ? [colour.colour] : [])].join(': ')
}

/** The colours one after another, over and over. */
class ColourRow {
	readonly #row: AlternatingColour[]
	#at = 0

	constructor(alternating: readonly AlternatingColour[] = []) {
		this.#row = alternating.flatMap((one) => Array<AlternatingColour>(one.pieces).fill(one))
	}

	next(): AlternatingColour | undefined {
		return this.#row[this.#at++ % Math.max(1, this.#row.length)]
	}
}
