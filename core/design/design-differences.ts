/** What two versions of a design say differently, by part, step, layer and choice, for somebody who must decide. */
import type { Design } from './design'

export interface FieldDifference {
	/** As in `form.widthMm`. */
	field: string
	/** Plain text; undefined: not there. */
	before: string | undefined
	/** undefined: it is gone. */
	after: string | undefined
}

export interface DesignDifference {
	kind: 'design' | 'part' | 'step' | 'layer' | 'choice' | 'technique' | 'mixture'
	/** As it is called now, or was. */
	name: string
	/** What became of it from the one to the other. */
	change: 'added' | 'removed' | 'changed'
	/** Of what changed; empty for what was added or removed. */
	fields: FieldDifference[]
}

/** What a design says for itself; lists are compared item by item. */
const OWN_FIELDS = ['name', 'kind', 'audience', 'level', 'finishedSizeMm', 'summary', 'notes'] as const

/** In the order of the design; nothing if they say the same. */
export function compareDesigns(before: Design, after: Design): DesignDifference[] {
	const own = (design: Design) => Object.fromEntries(OWN_FIELDS.map((field) => [field, design[field]]))
	const fields = compareFields(own(before), own(after))
	const partName = ({ parts }: Design) => {
		const names = new Map(parts.map(({ id, name }) => [id, name]))
		return (id: string | undefined) => (id === undefined ? 'Putting together' : (names.get(id) ?? id))
	}
	const nameOfPart = partName({ ...after, parts: [...before.parts, ...after.parts] })
	// Layers have no ids: the same part's layers are compared in their order.
	const layersOf = ({ layers }: Design) =>
		layers.map((layer, l) => {
			const rank = layers.slice(0, l).filter(({ part }) => part === layer.part).length
			return { ...layer, id: `${layer.part} ${rank}` }
		})
	return [
		...(fields.length > 0 ? [{ kind: 'design' as const, name: after.name, change: 'changed' as const, fields }] : []),
		...compareLists('choice', before.choices, after.choices, ({ name }) => name),
		...compareLists('part', before.parts, after.parts, ({ name }) => name),
		...compareLists('step', before.steps, after.steps, ({ part, label }) => `${nameOfPart(part)}: ${label}`),
		...compareLists('layer', layersOf(before), layersOf(after), ({ part }) => nameOfPart(part)),
		...compareLists('technique', before.techniques, after.techniques, ({ name }) => name),
		...compareLists('mixture', before.mixtures ?? [], after.mixtures ?? [], ({ name }) => name),
	]
}

/** Items are the same by id: one of another name is renamed, not another one. */
function compareLists<T extends { id: string }>(
	kind: DesignDifference['kind'],
	before: readonly T[],
	after: readonly T[],
	nameOf: (item: T) => string,
): DesignDifference[] {
	const old = new Map(before.map((item) => [item.id, item]))
	const kept = new Set(after.map(({ id }) => id))
	return [
		...after.flatMap((item): DesignDifference[] => {
			const previous = old.get(item.id)
			if (!previous) return [{ kind, name: nameOf(item), change: 'added', fields: [] }]
			const fields = compareFields(previous, item)
			return fields.length > 0 ? [{ kind, name: nameOf(item), change: 'changed', fields }] : []
		}),
		...before
			.filter(({ id }) => !kept.has(id))
			.map((item): DesignDifference => ({ kind, name: nameOf(item), change: 'removed', fields: [] })),
	]
}

/** Leaves of two plain values, by path; lists are told whole. */
function compareFields(before: unknown, after: unknown, path = ''): FieldDifference[] {
	if (isRecord(before) && isRecord(after)) {
		const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])]
		return keys.flatMap((key) => compareFields(before[key], after[key], path ? `${path}.${key}` : key))
	}
	const [old, now] = [toText(before), toText(after)]
	return old === now ? [] : [{ field: path, before: old, after: now }]
}

/** An object of JSON, no list. */
function isRecord(value: unknown): value is Record<string, unknown> {
	return typeof value === 'object' && value !== null && !Array.isArray(value)
}

/** A value in words short enough for a line; undefined where there is none. */
function toText(value: unknown): string | undefined {
	if (value === undefined) return undefined
	if (Array.isArray(value)) return value.map(toText).join(', ')
	return isRecord(value)
		? Object.entries(value)
				.map(([key, inner]) => `${key} ${toText(inner) ?? ''}`)
				.join(', ')
		: String(value)
}
