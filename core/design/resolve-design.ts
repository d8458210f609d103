/**
 * A design with its choices made: plain and complete, without conditions. Everything downstream sees only these.
 * Parts are split into kinds of pieces; a step that an option takes away is transparent, see bypass-steps.
 */
import { InputError } from '../errors'
import { bypassLeftOut } from './bypass-steps'
import { splitIntoKinds, type KindOfPart } from './kinds-of-part'
import { holdsUnder, settle, type Varying } from './variants'
import type { Bundle, Condition, Design, Layer, Need, Part, Step } from './design'

/** Option id by choice id. */
export type Picks = Record<string, string>

export type ResolvedPart = KindOfPart
export type ResolvedNeed = Omit<Need, 'when'>
export type ResolvedStep = Omit<Step, 'when' | 'variants' | 'needs'> & {
	needs: ResolvedNeed[]
	/** How far its minutes hold, learnt from past classes: standard deviation of their logarithm; absent: as far as stated ones. */
	doubt?: number
}
export type ResolvedBundle = Omit<Bundle, 'when'>
/** With the kind of each of its pieces. */
export type ResolvedLayer = Omit<Layer, 'when'> & {
	kinds: string[]
	/** Kinds of the pieces in one of its bundles. */
	cluster?: string[]
}

export interface ResolvedDesign extends Omit<Design, 'choices' | 'parts' | 'steps' | 'layers' | 'bundles'> {
	/** Every choice of the design with the option taken. */
	picks: Picks
	/** Kinds of pieces of the parts that the options leave, in the order of the parts. */
	parts: ResolvedPart[]
	/** Those that the options leave, with their needs past what is left out. */
	steps: ResolvedStep[]
	/** Those that the options leave, and that some step still lays. */
	layers: ResolvedLayer[]
	/** Of one part alone, or of several. */
	bundles: ResolvedBundle[]
}

/**
 * @param picks - choices left out take their first option
 * @throws {InputError} an option or choice that the design does not have
 */
export function resolveDesign(design: Design, picks: Picks): ResolvedDesign {
	const { choices: _, ...rest } = design
	const complete = completePicks(design, picks)
	const holds = (when: Condition | undefined) => holdsUnder(complete, when)
	const settled = design.parts.filter(({ when }) => holds(when)).map((part) => settlePart(part, complete))
	const kept = new Set(settled.map(({ id }) => id))
	const isKept = ({ when, part }: Step) => holds(when) && (part === undefined || kept.has(part))
	const steps = design.steps.filter(isKept)
	const laid = new Set(steps.flatMap(({ lays = [] }) => lays))
	const mayBeLaid = new Set(design.steps.flatMap(({ lays = [] }) => lays))
	const rows = design.layers
		.filter(
			({ id, when, part }) => holds(when) && kept.has(part) && (id === undefined || laid.has(id) || !mayBeLaid.has(id)),
		)
		.map(({ when: _, ...layer }) => layer)
	const { parts, layers } = splitIntoKinds(settled, rows)
	const bundles = [
		...bundlesOfParts(settled),
		...(design.bundles ?? []).filter(({ when }) => holds(when)).map(withoutWhen),
	]
	return {
		...rest,
		picks: complete,
		parts,
		layers: layers.map((layer) => {
			const bundle = bundles.find(({ id }) => id === layer.bundle)
			return bundle ? { ...layer, cluster: clusterOf(bundle, parts) } : layer
		}),
		bundles,
		steps: steps.map((step) => ({
			...settlePlain(step, complete),
			needs: bypassLeftOut(step, design, { isKept, holds }),
		})),
	}
}

/** Settled, with the sizes that the options leave. */
function settlePart(part: Part, picks: Picks): Omit<Part, 'when' | 'variants'> {
	const { sizes, ...plain } = settlePlain(part, picks)
	const left = sizes?.filter(({ when }) => holdsUnder(picks, when))
	return { ...plain, ...(left && left.length > 0 && { sizes: left }) }
}

/** A part that is bundled by itself says how many go into a bundle; the last may be smaller. */
function bundlesOfParts(parts: readonly Omit<Part, 'when' | 'variants'>[]): ResolvedBundle[] {
	return parts.flatMap(({ id, name, bundles, sizes, piecesPerFlower }): ResolvedBundle[] => {
		if (!bundles) return []
		const made = sizes?.reduce((sum, { pieces }) => sum + pieces, 0) ?? piecesPerFlower
		const { pieces, wire } = bundles
		const count = Math.ceil(made / pieces)
		return [{ id: `${id}-bundles`, name: `${name}, bundles`, of: [{ part: id, pieces }], count, ...(wire && { wire }) }]
	})
}

/** Kinds of the pieces in one bundle, of every kind of a part by turns. */
function clusterOf({ of }: ResolvedBundle, parts: readonly ResolvedPart[]): string[] {
	return of.flatMap(({ part, pieces }) => {
		const kinds = parts
			.filter((kind) => kind.of === part)
			.flatMap(({ id, piecesPerFlower }) => Array<string>(piecesPerFlower).fill(id))
		return Array.from({ length: pieces }, (_, p) => kinds[Math.floor((p * kinds.length) / pieces)] ?? []).flat()
	})
}

function withoutWhen({ when: _, ...plain }: Bundle): ResolvedBundle {
	return plain
}

/**
 * The picks with every choice that they leave out at its first option.
 *
 * @throws {InputError} an option or choice that the design does not have
 */
export function completePicks({ choices }: Pick<Design, 'choices'>, picks: Picks): Picks {
	for (const id of Object.keys(picks)) {
		if (!choices.some((choice) => choice.id === id))
			throw new InputError([{ path: id, message: `The design has no choice "${id}"` }])
	}
	return Object.fromEntries(
		choices.map(({ id, name, options }) => {
			const pick = picks[id] ?? options[0]?.id ?? ''
			if (options.some((option) => option.id === pick)) return [id, pick]
			throw new InputError([{ path: id, message: `${name} cannot be "${pick}"` }])
		}),
	)
}

/** The picks that the design still has; the others at their first option. */
export function keepValidPicks(design: Pick<Design, 'choices'>, picks: Picks): Picks {
	const valid = design.choices.filter(({ id, options }) => options.some((option) => option.id === picks[id]))
	return completePicks(design, Object.fromEntries(valid.map(({ id }) => [id, picks[id] ?? ''])))
}

/** Settled, and without what was only said of other options. */
function settlePlain<T extends Varying & { when?: Condition }>(item: T, picks: Picks): Omit<T, 'when' | 'variants'> {
	const { when: _, variants: __, ...plain } = settle(item, picks)
	return plain
}
