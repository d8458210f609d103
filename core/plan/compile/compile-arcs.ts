/** Needs of steps as arcs: waits, limits, and what dried pieces in exchange cost. */
import { passOn } from '../../design/bypass-steps'
import type { Need } from '../../design/design'
import { kindsUsed } from '../../design/kinds-used'
import { limitOf } from '../../design/need-limit'
import type { ResolvedDesign, ResolvedStep } from '../../design/resolve-design'
import type { Arc, Lag, PreparedSet } from '../problem/instance'
import type { Finders } from './compile-steps'
import type { ArcSource } from './compiled-course'
import { waitKey } from './find-waits'
import { goesPieceByPiece } from './piece-by-piece'
import type { StepTask } from './step-task'

/** An arc for each need of each step that is made at all, with the wait that was found for it. */
export function compileArcs(
	design: ResolvedDesign,
	steps: readonly StepTask[],
	{ findWait, findLimit }: Finders,
): { arc: Arc; source: ArcSource; set?: PreparedSet }[] {
	const byStep = new Map(steps.flatMap((item) => [item.step, ...item.more].map((step) => [step.id, { item, step }])))
	return [...byStep.values()].flatMap(({ item: to, step: toStep }) => {
		return [...toStep.needs, ...needsPastExtras(design, toStep), ...wishOf(toStep)].flatMap((need) => {
			const before = byStep.get(need.after)
			// What is done at the same piece in the same task has its order there.
			if (!before || before.item === to) return []
			const { item: from, step: fromStep } = before
			const wait = findWait(design, fromStep, toStep, need)
			const key = waitKey(design.id, fromStep.id, toStep.id)
			const source: ArcSource = {
				stage: need.wait?.stage,
				...(wait && { wait: { ...wait, key, usualMinutes: need.wait?.usualMinutes ?? 0 } }),
			}
			const found = findLimit(design, fromStep, need)
			const isNever = wait !== undefined && wait.plannedMinutes === undefined
			const lag = isNever ? 'never' : Math.max(wait?.plannedMinutes ?? 0, found?.fromMinutes ?? 0)
			const arc = compileArc(from, to, need, {
				lag,
				limitMinutes: found?.untilMinutes,
				isPieceByPiece: goesPieceByPiece(fromStep, toStep, need),
				follows: toStep.follows === fromStep.id,
			})
			return [{ arc, source, ...(arc.swap && { set: { id: arc.swap, minutes: driedPiecesMinutes(from, steps) } }) }]
		})
	})
}

/** What a step is wanted straight after comes before it, also where it needs nothing of it. */
function wishOf({ follows, needs }: ResolvedStep): Need[] {
	return follows === undefined || needs.some(({ after }) => after === follows) ? [] : [{ after: follows }]
}

/**
 * What a step needs of those before an extra that may be dropped, where that asks for a drier piece than the extra itself:
 * without the extra the piece must still be as dry as the step needs it.
 */
function needsPastExtras(design: ResolvedDesign, to: ResolvedStep): Need[] {
	const { steps } = design
	return to.needs.flatMap((outer) => {
		const extra = steps.find(({ id }) => id === outer.after)
		if (extra?.extra === undefined || extra.extra === to.extra) return []
		return extra.needs.flatMap((inner): Need[] => {
			const first = steps.find(({ id }) => id === inner.after)
			const past = passOn(outer, inner, { puts: kindsUsed(design, extra), isSamePiece: first?.part === extra.part })
			const isStricter = past.wait?.stage !== undefined && past.wait.stage !== inner.wait?.stage
			// With dried pieces in exchange nothing of it is waited for.
			return isStricter && !past.wait?.isSwappable && past.after !== to.id ? [past] : []
		})
	})
}

/** Least and most minutes between two tasks, and the set of dried pieces that may be brought for the wait. */
function compileArc(
	from: StepTask,
	to: StepTask,
	need: Need,
	{
		lag,
		limitMinutes,
		isPieceByPiece,
		follows,
	}: { lag: Lag; limitMinutes: number | undefined; isPieceByPiece: boolean; follows: boolean },
): Arc {
	const tightest = lag === 'never' ? Infinity : tightestLimit(need, lag, limitMinutes)
	return {
		from: from.id,
		to: to.id,
		lag,
		// No limit is shorter than the wait that it stands beside.
		...(tightest !== Infinity && { maxLag: tightest, limit: 'each' }),
		...(isPieceByPiece && { piecewise: true }),
		// Whatever goes on with pieces in this state goes on with the same set.
		...(need.wait?.isSwappable && lag !== 0 && { swap: from.id }),
		...(follows && { follows: true }),
	}
}

/** Most minutes after the step before; Infinity: none are set. */
function tightestLimit(need: Need, lag: number, computedMinutes = Infinity): number {
	const limit = limitOf(need) ?? Infinity
	// The limit was stated beside the usual wait: a longer wait keeps the time that it leaves.
	const stated = Math.max(limit, lag + limit - (need.wait?.usualMinutes ?? 0))
	// No limit is shorter than the wait that it stands beside.
	return Math.max(Math.min(stated, computedMinutes), lag)
}

/** Instructor's minutes for dried pieces of all students: every step that leads up to the wait, done alone. */
function driedPiecesMinutes(last: StepTask, steps: readonly StepTask[]): number {
	const byStep = new Map(steps.flatMap((item) => [item.step, ...item.more].map((step) => [step.id, item])))
	const needed = new Set([last])
	for (const { step, more } of needed) {
		for (const { after } of [step, ...more].flatMap(({ needs }) => needs)) {
			const before = byStep.get(after)
			if (before) needed.add(before)
		}
	}
	return [...needed].reduce((total, { instructorMinutes }) => total + instructorMinutes, 0)
}
