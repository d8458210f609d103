/**
 * A design with its choices made: plain and complete, without conditions. Everything downstream sees only these.
 * A step that an option takes away is transparent: what needed it needs what came before it, with the wait of the
 * first of the two needs, since the drying belongs to what was really done last.
 */
import { InputError } from '../errors'
import { holdsUnder, settle, type Varying } from './variants'
import type { Condition, Design, Layer, Need, Part, Step } from './design'

/** Option id by choice id. */
export type Picks = Record<string, string>

export type ResolvedPart = Omit<Part, 'when' | 'variants'>
export type ResolvedStep = Omit<Step, 'when' | 'variants'>
export type ResolvedLayer = Omit<Layer, 'when'>

export interface ResolvedDesign extends Omit<Design, 'choices' | 'parts' | 'steps' | 'layers'> {
	/** Every choice of the design with the option taken. */
	picks: Picks
	/** Those that the options leave. */
	parts: ResolvedPart[]
	/** Those that the options leave, with their needs past what is left out. */
	steps: ResolvedStep[]
	/** Those that the options leave. */
	layers: ResolvedLayer[]
}

/**
 * @param picks - choices left out take their first option
 * @throws {InputError} an option or choice that the design does not have
 */
export function resolveDesign(design: Design, picks: Picks): ResolvedDesign {
	const { choices: _, ...rest } = design
	const complete = completePicks(design, picks)
	const holds = (when: Condition | undefined) => holdsUnder(complete, when)
	const parts = design.parts.filter(({ when }) => holds(when)).map((part) => settlePlain(part, complete))
	const kept = new Set(parts.map(({ id }) => id))
	const isKept = ({ when, part }: Step) => holds(when) && (part === undefined || kept.has(part))
	return {
		...rest,
		picks: complete,
		parts,
		steps: design.steps
			.filter(isKept)
			.map((step) => ({ ...settlePlain(step, complete), needs: bypassLeftOut(step, design.steps, isKept) })),
		layers: design.layers
			.filter(({ when, part }) => holds(when) && kept.has(part))
			.map(({ when: _, ...layer }) => layer),
	}
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

/**
 * Needs of a step through steps that are left out: it then waits for what they waited for, without their
 * limit, which spoke of a work that is not done.
 */
function bypassLeftOut(step: Step, steps: readonly Step[], isKept: (step: Step) => boolean): Need[] {
	return step.needs.flatMap((need) => {
		const before = steps.find(({ id }) => id === need.after)
		if (!before || isKept(before)) return [need]
		return bypassLeftOut(before, steps, isKept).map(({ withinMinutes: _, ...inner }): Need => {
			return { ...inner, isPieceByPiece: Boolean(inner.isPieceByPiece && need.isPieceByPiece) }
		})
	})
}
