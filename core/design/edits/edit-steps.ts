/**
 * Changes of a design's steps. The steps of a part (or of the assembly) are a chain in the order in which they stand; a
 * wait belongs to the step after which it is waited, and stays behind it when the chain is put in another order.
 */
import type { Design, Need, Step } from '../design'
import { circleProblems } from '../validate-design'
import { kindsUsed } from '../kinds-used'
import { passOn } from '../bypass-steps'
import { changeVarying, withValues, type EditScope } from './conditions'
import { forgetOffcuts } from './forget-offcuts'
import { freshId, slugOf } from './fresh-id'

export type StepChange = { [K in keyof Omit<Step, 'id' | 'variants'>]?: Step[K] | undefined }

/** Terms of a step that options may change; the others belong to the step itself. */
const TERMS = [
	'minutesPerPiece',
	'minutesBySize',
	'fixedMinutes',
	'sentence',
	'tools',
	'toolShares',
	'places',
	'teaching',
]

/** Terms go where the scope says; needs, technique and the like belong to the step itself. */
export function changeStep(design: Design, id: string, change: StepChange, scope: EditScope): Design {
	const entries = Object.entries(change)
	const terms = Object.fromEntries(entries.filter(([key]) => TERMS.includes(key)))
	const own = Object.fromEntries(entries.filter(([key]) => !TERMS.includes(key)))
	return {
		...design,
		steps: design.steps.map((step) => {
			if (step.id !== id) return step
			return changeVarying(changeVarying(step, own, { picks: {} }), terms, scope)
		}),
	}
}

/** A new step of the part (undefined: of the assembly) after another one of it; undefined: at the end of its chain. */
export function addStep(design: Design, part: string | undefined, after?: string): Design {
	const chain = design.steps.filter((step) => step.part === part)
	const before = after === undefined ? chain.at(-1) : chain.find(({ id }) => id === after)
	const id = freshId(slugOf(`${part ?? 'assembly'}-step`), design.steps)
	const step: Step = {
		id,
		...(part !== undefined && { part }),
		label: 'New step',
		sentence: 'Say what is done.',
		minutesPerPiece: 3,
		fixedMinutes: 0,
		tools: [],
		places: ['class'],
		teaching: 'worth',
		needs: [],
		hazards: [],
	}
	const order = before ? chain.toSpliced(chain.indexOf(before) + 1, 0, step) : [...chain, step]
	const at = before ? design.steps.indexOf(before) + 1 : design.steps.length
	return chainUp(
		{ ...design, steps: design.steps.toSpliced(at, 0, step) },
		order.map((one) => one.id),
		chain.map((one) => one.id),
	)
}

/** The step again, right after itself. */
export function duplicateStep(design: Design, id: string): Design {
	const step = design.steps.find((other) => other.id === id)
	if (!step) return design
	const chain = design.steps.filter(({ part }) => part === step.part).map((one) => one.id)
	const copy = { ...step, id: freshId(step.id, design.steps), needs: [] }
	const steps = design.steps.toSpliced(design.steps.indexOf(step) + 1, 0, copy)
	return chainUp({ ...design, steps }, chain.toSpliced(chain.indexOf(id) + 1, 0, copy.id), chain)
}

/** Without the steps; what needed one needs what came before it. */
export function removeSteps(design: Design, ids: ReadonlySet<string>): Design {
	const byId = new Map(design.steps.map((step) => [step.id, step]))
	const bypass = (need: Need): Need[] => {
		if (!ids.has(need.after)) return [need]
		const leftOut = byId.get(need.after)
		if (!leftOut) return []
		return leftOut.needs.flatMap(bypass).map((inner): Need => {
			const when = { ...inner.when, ...need.when }
			const isSamePiece = byId.get(inner.after)?.part === leftOut.part
			const past = passOn(need, inner, { puts: kindsUsed(design, leftOut), isSamePiece })
			return { ...past, ...(Object.keys(when).length > 0 && { when }) }
		})
	}
	return forgetOffcuts({
		...design,
		steps: design.steps
			.filter(({ id }) => !ids.has(id))
			.map((step) =>
				step.needs.some(({ after }) => ids.has(after))
					? { ...step, needs: uniqueNeeds(step.needs.flatMap(bypass)) }
					: step,
			)
			.map((step) =>
				step.follows !== undefined && ids.has(step.follows) ? withValues(step, { follows: undefined }) : step,
			),
	})
}

/**
 * The step at another place of its chain; the design as it is where the step would come before something that it needs by
 * way of another part.
 */
export function moveStep(design: Design, id: string, to: number): Design {
	const step = design.steps.find((other) => other.id === id)
	if (!step) return design
	const chain = design.steps.filter(({ part }) => part === step.part).map((one) => one.id)
	const order = chain.filter((other) => other !== id).toSpliced(to, 0, id)
	const moved = chainUp(design, order, chain)
	return circleProblems(moved).length > 0 ? design : moved
}

/** Puts the steps of a chain in an order, each after the one before it with the wait that stood behind that one. */
function chainUp(design: Design, order: readonly string[], before: readonly string[]): Design {
	const byId = new Map(design.steps.map((step) => [step.id, step]))
	const inChain = new Set([...order, ...before])
	const waitBehind = new Map(
		before.slice(1).flatMap((id, k) => {
			const need = byId.get(id)?.needs.find(({ after }) => after === before[k])
			return need ? [[need.after, need] as const] : []
		}),
	)
	const chained = order.map((id, k): Step => {
		const step = byId.get(id) as Step
		const previous = order[k - 1]
		// Needs within the chain that are more than its order stay as they are, if they still lead backwards.
		const others = step.needs.filter(
			({ after }) =>
				!inChain.has(after) || (order.indexOf(after) < k - 1 && before.indexOf(after) !== before.indexOf(id) - 1),
		)
		const own = previous === undefined ? [] : [{ ...waitBehind.get(previous), after: previous }]
		return { ...step, needs: uniqueNeeds([...own, ...others]) }
	})
	const members = new Set(order)
	const queue = [...chained]
	return { ...design, steps: design.steps.map((step) => (members.has(step.id) ? (queue.shift() ?? step) : step)) }
}

/** Of several on one step the first, which is the one that was there before. */
function uniqueNeeds(needs: readonly Need[]): Need[] {
	return needs.filter(({ after }, n) => needs.findIndex((other) => other.after === after) === n)
}
