/** Changes of a design's parts and layers. Each gives a new design; the one given stays as it is. */
import type { Design, Layer, Part, PartSize } from '../design'
import { settle } from '../variants'
import { changeVarying, withValues, type EditScope } from './conditions'
import { forgetOffcuts } from './forget-offcuts'
import { freshId, slugOf } from './fresh-id'
import { removeSteps } from './edit-steps'
import { placeOf } from './place-of'

/** Terms that options may change; `undefined` takes an optional one away. */
export type PartChange = { [K in keyof Omit<Part, 'id' | 'variants'>]?: Part[K] | undefined }

/**
 * Terms go where the scope says; role, tint, allergens and existence belong to the part itself. A layer that held all of
 * its pieces goes on holding all of them.
 */
export function changePart(design: Design, id: string, change: PartChange, scope: EditScope): Design {
	// What is no term of an option belongs to the part itself, whatever option is shown.
	const { role, tint, allergens, when, on, ...terms } = change
	const own = Object.fromEntries(Object.entries({ role, tint, allergens, when, on }).filter(([key]) => key in change))
	const before = design.parts.find((part) => part.id === id)
	if (!before) return design
	const after = changeVarying(changeVarying(before, own, { picks: {} }), terms, scope)
	return {
		...design,
		parts: design.parts.map((part) => (part === before ? after : part)),
		layers: holdAll(design.layers, before, after),
	}
}

/** The only layer of a part with the number of its pieces, where it had that number before. */
function holdAll(layers: Layer[], { id, piecesPerFlower }: Part, after: Part): Layer[] {
	const own = layers.filter(({ part, bundle }) => part === id && bundle === undefined)
	const [layer] = own
	const isWhole = own.length === 1 && layer?.sizes === undefined && layer?.pieceCount === piecesPerFlower
	if (!isWhole || after.piecesPerFlower === piecesPerFlower) return layers
	return layers.map((one) => (one === layer ? { ...one, pieceCount: after.piecesPerFlower } : one))
}

/**
 * The sizes of a part; none: all pieces alike. Their pieces make the part's number. Steps and layers that name a size go on
 * naming it when it is called otherwise, and forget it when it is taken off.
 */
export function changeSizes(design: Design, id: string, sizes: readonly PartSize[], scope: EditScope): Design {
	const part = design.parts.find((one) => one.id === id)
	const before = part && settle(part, scope.picks).sizes
	const change: PartChange =
		sizes.length === 0
			? { sizes: undefined }
			: { sizes: [...sizes], piecesPerFlower: sizes.reduce((sum, { pieces }) => sum + pieces, 0) }
	const changed = changePart(design, id, change, scope)
	const isRenaming = before?.length === sizes.length
	const renamed = new Map((isRenaming ? before : []).map(({ name }, z) => [name, sizes[z]?.name ?? name]))
	return mapSizeNames(changed, id, (name) => renamed.get(name) ?? name)
}

/** Names of a part's sizes in its steps and layers, those that are there. */
function mapSizeNames(design: Design, id: string, nameOf: (name: string) => string): Design {
	const part = design.parts.find((one) => one.id === id)
	const sets = [part, ...(part?.variants ?? []).map(({ set }) => set)]
	const known = new Set(sets.flatMap((set) => set?.sizes ?? []).map(({ name }) => name))
	const namesOf = (names: readonly string[]) => {
		const left = names.map(nameOf).filter((name) => known.has(name))
		return left.length > 0 ? left : undefined
	}
	const minutesOf = (minutes: Record<string, number>) => {
		const left = Object.entries(minutes).flatMap(([name, each]) =>
			known.has(nameOf(name)) ? [[nameOf(name), each] as const] : [],
		)
		return left.length > 0 ? Object.fromEntries(left) : undefined
	}
	return {
		...design,
		steps: design.steps.map((step) => {
			if (step.part !== id || (!step.sizes && !step.minutesBySize)) return step
			const { sizes = [], minutesBySize = {} } = step
			return withValues(step, { sizes: namesOf(sizes), minutesBySize: minutesOf(minutesBySize) })
		}),
		layers: design.layers.map((layer) =>
			layer.part === id && layer.sizes ? withValues(layer, { sizes: namesOf(layer.sizes) }) : layer,
		),
	}
}

/** @param after - id of the part that it follows; undefined: the last one */
export function addPart(design: Design, part: Omit<Part, 'id'>, after?: string): Design {
	const id = freshId(slugOf(part.name), design.parts)
	const at = after === undefined ? design.parts.length : design.parts.findIndex((other) => other.id === after) + 1
	return { ...design, parts: design.parts.toSpliced(at, 0, { ...part, id }) }
}

/** A part again with its steps, right after itself. Needs within it lead to the copies, others to where they did. */
export function duplicatePart(design: Design, id: string): Design {
	const part = design.parts.find((other) => other.id === id)
	if (!part) return design
	const withPart = addPart(design, { ...part, name: `${part.name} again` }, id)
	const copyId = withPart.parts[design.parts.indexOf(part) + 1]?.id ?? id
	const own = design.steps.filter((step) => step.part === id)
	const ids = new Map<string, string>()
	for (const step of own)
		ids.set(step.id, freshId(step.id, [...design.steps, ...[...ids.values()].map((taken) => ({ id: taken }))]))
	const copies = own.map((step) => ({
		...step,
		id: ids.get(step.id) ?? step.id,
		part: copyId,
		needs: step.needs.map((need) => ({ ...need, after: ids.get(need.after) ?? need.after })),
	}))
	const last = design.steps.findLastIndex((step) => step.part === id)
	return { ...withPart, steps: withPart.steps.toSpliced(last + 1, 0, ...copies) }
}

/** Without the part, its steps, its layers, and what is derived from it. */
export function removePart(design: Design, id: string): Design {
	const derived = design.parts.filter(({ form }) => form.type === 'derived' && form.fromPart === id)
	const without = removeSteps(design, new Set(design.steps.filter((step) => step.part === id).map((step) => step.id)))
	const layers = without.layers.filter((layer) => layer.part !== id)
	const { bundles } = without
	const removed = forgetNames({
		...without,
		parts: without.parts
			.filter((part) => part.id !== id)
			.map((part) => (part.on === id ? withValues(part, { on: undefined }) : part)),
		layers,
		...(bundles && { bundles: bundles.filter(({ of }) => of.every(({ part }) => part !== id)) }),
	})
	return derived.reduce((left, part) => removePart(left, part.id), removed)
}

/** The part at another place in the order. */
export function movePart(design: Design, id: string, to: number): Design {
	const from = placeOf(design.parts, id)
	const part = from === undefined ? undefined : design.parts[from]
	return part && from !== undefined
		? { ...design, parts: design.parts.toSpliced(from, 1).toSpliced(to, 0, part) }
		: design
}

/** `undefined` takes an optional term away. */
export function changeLayer(
	design: Design,
	index: number,
	change: { [K in keyof Layer]?: Layer[K] | undefined },
): Design {
	return { ...design, layers: design.layers.map((layer, l) => (l === index ? withValues(layer, change) : layer)) }
}

/** The layer put on by a step, or by none: what it takes goes with the step. */
export function setLaidBy(design: Design, index: number, stepId: string | undefined): Design {
	const layer = design.layers[index]
	if (!layer) return design
	const id =
		layer.id ??
		freshId(
			'layer',
			design.layers.flatMap((one) => (one.id === undefined ? [] : [{ id: one.id }])),
		)
	return {
		...design,
		layers: design.layers.map((one, l) => (l === index ? { ...one, id } : one)),
		steps: design.steps.map((step) => {
			const others = (step.lays ?? []).filter((laid) => laid !== id)
			const lays = step.id === stepId ? [...others, id] : others
			if (lays.length === (step.lays?.length ?? 0) && step.id !== stepId) return step
			return withValues(step, { lays: lays.length > 0 ? lays : undefined })
		}),
	}
}

/** With the layer outermost. */
export function addLayer(design: Design, layer: Layer): Design {
	return { ...design, layers: [...design.layers, layer] }
}

/** Without the layer; its part stays. */
export function removeLayer(design: Design, index: number): Design {
	return forgetNames({ ...design, layers: design.layers.toSpliced(index, 1) })
}

/** Without names of layers and bundles that are gone. */
export function forgetNames(design: Design): Design {
	const layers = new Set(design.layers.map(({ id }) => id))
	const bundles = new Set((design.bundles ?? []).map(({ id }) => id))
	const known = (id: string | undefined) => id === undefined || bundles.has(id)
	return {
		...forgetOffcuts(design),
		layers: design.layers.map((layer) => (known(layer.bundle) ? layer : withValues(layer, { bundle: undefined }))),
		steps: design.steps.map((step) => {
			const lays = step.lays?.filter((id) => layers.has(id))
			const isWhole = lays?.length === step.lays?.length && known(step.bundle)
			if (isWhole) return step
			return withValues(step, {
				lays: lays && lays.length > 0 ? lays : undefined,
				...(!known(step.bundle) && { bundle: undefined }),
			})
		}),
	}
}

/** With the layer at another place, counted from inside out. */
export function moveLayer(design: Design, from: number, to: number): Design {
	const layer = design.layers[from]
	return layer ? { ...design, layers: design.layers.toSpliced(from, 1).toSpliced(to, 0, layer) } : design
}
