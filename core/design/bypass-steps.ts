/**
 * What needed a step that is left out, by an option or as an extra, needs what that step needed. The piece must be as dry
 * as the later of the two waits round the step asks; what the step put on it, and its own stated minutes, go with it, and
 * so do all limits: they spoke of a work that is not done.
 */
import { DRYING_STAGES } from '../vocabulary/drying-stage'
import type { Condition, MaterialKind, Mixture, Need, Step } from './design'
import { kindsUsed } from './kinds-used'

type Wait = NonNullable<Need['wait']>

export interface LeftOut {
	/** Whether a step is done. */
	isKept: (step: Step) => boolean
	/** Whether a condition holds under the options. */
	holds: (when: Condition | undefined) => boolean
}

/** The needs of a step, past steps that are left out. */
export function bypassLeftOut(
	step: Step,
	design: { steps: readonly Step[]; mixtures?: readonly Mixture[] },
	terms: LeftOut,
): Omit<Need, 'when'>[] {
	const { steps } = design
	return step.needs
		.filter(({ when }) => terms.holds(when))
		.flatMap(({ when: _, ...need }): Omit<Need, 'when'>[] => {
			const before = steps.find(({ id }) => id === need.after)
			if (!before || terms.isKept(before)) return [need]
			return bypassLeftOut(before, design, terms).map((inner) => {
				const first = steps.find(({ id }) => id === inner.after)
				return passOn(need, inner, { puts: kindsUsed(design, before), isSamePiece: first?.part === before.part })
			})
		})
}

/**
 * One need past a step.
 *
 * @param outer - of the later step, for the step that is left out
 * @param inner - of the step that is left out, for the one before it
 * @param puts - kinds of what the step that is left out would have put on
 * @param isSamePiece - whether that one works on the same part; else the piece of the outer wait goes with the step
 */
export function passOn(
	outer: Omit<Need, 'when'>,
	inner: Omit<Need, 'when'>,
	{ puts, isSamePiece }: { puts: readonly MaterialKind[]; isSamePiece: boolean },
): Omit<Need, 'when'> {
	const wait = laterWait(inner.wait, isSamePiece && isOfPiece(outer.wait, puts) ? outer.wait : undefined)
	const isPieceByPiece = Boolean(inner.isPieceByPiece && outer.isPieceByPiece)
	return { after: inner.after, ...(wait && { wait }), ...(isPieceByPiece && { isPieceByPiece }) }
}

/** Whether a wait is for the piece itself, not for what the step has put on it or for its own minutes. */
function isOfPiece(wait: Wait | undefined, puts: readonly MaterialKind[]): boolean {
	return wait?.stage !== undefined && !puts.some((kind) => LEAVES_A_FILM.has(kind))
}

const LEAVES_A_FILM: ReadonlySet<MaterialKind> = new Set([
	'glaze',
	'strong alcohol',
	'gel colour',
	'edible glue',
	'hot glue',
	'royal icing',
	'spray',
])

/** The later stage, the longer of the stated times. */
function laterWait(one: Wait | undefined, other: Wait | undefined): Wait | undefined {
	if (!one || !other) return one ?? other
	const rank = ({ stage }: Wait) => (stage === undefined ? -1 : DRYING_STAGES.indexOf(stage))
	const later = rank(other) > rank(one) ? other : one
	return {
		...later,
		usualMinutes: Math.max(one.usualMinutes, other.usualMinutes),
		...((one.isSwappable || other.isSwappable) && { isSwappable: true }),
	}
}
