/** Parts and steps with what the shown options make of them. */
import type { Part, Step } from '../../../../core/design/design'
import { holdsUnder } from '../../../../core/design/edits/conditions'
import type { Picks } from '../../../../core/design/resolve-design'

export function settlePart(part: Part, picks: Picks): Part {
	return (part.variants ?? [])
		.filter(({ when }) => holdsUnder(picks, when))
		.reduce((settled, { set }) => ({ ...settled, ...set }), part)
}

export function settleStep(step: Step, picks: Picks): Step {
	return (step.variants ?? [])
		.filter(({ when }) => holdsUnder(picks, when))
		.reduce((settled, { set }) => ({ ...settled, ...set }), step)
}
