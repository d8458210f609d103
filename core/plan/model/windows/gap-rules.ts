/**
 * A wait inside a session is idle time unless other work fills it: where one step waits for another in the same session,
 * people wait for as long as the wait is longer than all that may lie between.
 */
import type { NormalInstance } from '../../problem/normal-form'
import { findFollowers, type Followers } from '../followers'
import { endsIn, not, startsIn, type Expression, type Literal } from '../literal'
import { lessOf, type ModelBuilder } from '../model-builder'
import { heldTerms, sumOf, type WindowParts, type WindowUse } from './used-windows'
import { effectiveWaits, type EffectiveWait, type Swaps } from '../wait-rules'

/** Two moments with idle time between them, but for what fills it. */
interface Gap {
	/** Of the last piece of the first task. */
	end: Expression
	/** Of the second task, or of its last piece where each waits for its own. */
	start: Expression
	/** Minutes between, without those that the second task itself fills. */
	minutes: number
	/** When it is one. */
	conditions: readonly Literal[]
	/** Tasks that may lie between. */
	between: readonly number[]
}

/** Adds a rule for every wait, and every window or two windows of a session that it may still begin and end in. */
export function addGaps(
	builder: ModelBuilder,
	parts: WindowParts & { swaps: Swaps },
	{ waiting, held, loads }: WindowUse,
): void {
	const followers = findFollowers(parts.instance)
	const gaps = effectiveWaits(builder, parts).flatMap((wait) => gapOf(parts, wait, followers))
	const spans = listSpans(parts.instance)
	for (const { end, start, minutes, conditions, between } of gaps) {
		for (const { first, last, pauses, windows } of spans) {
			if (minutes <= pauses) continue
			const isThere = [...conditions, ...endsIn(end, first), ...startsIn(start, last)]
			if (isThere.some((literal) => !builder.canBe(literal))) continue
			const filling = windows.flatMap((w) => [
				...sumOf(waiting[w] ? [waiting[w]] : []),
				...heldTerms(held[w]),
				...between.flatMap((k) => loads.inside(k, w)),
			])
			builder.limit(lessOf(filling), pauses - minutes, isThere)
		}
	}
}

/** None where the wait is too short to leave people idle, or has no end. */
function gapOf(
	{ instance: { tasks }, places, runs, swaps }: WindowParts & { swaps: Swaps },
	{ from, to, lag, isNever, piecewise, arc, passing }: EffectiveWait,
	{ wholly, inPieces }: Followers,
): Gap[] {
	const [first, second, target] = [places[from], places[to], tasks[to]]
	const [end, start, last] = [runs[from]?.at(-1)?.end, runs[to]?.[0]?.start, runs[to]?.at(-1)?.end]
	if (isNever || !first || !second || !target || !end || !start || !last) return []
	const minutes = piecewise ? lag - target.minutes + target.unitMinutes : lag
	if (minutes <= 0) return []
	const swap = swaps.byArc.get(arc)
	const isAfter = (piecewise ? wholly : inPieces)[to]
	return [
		{
			end,
			start: piecewise ? { ...last, plus: last.plus - target.unitMinutes } : start,
			minutes,
			conditions: [...passing, first.inClass, second.inClass, ...(swap ? [not(swap)] : [])],
			between: tasks.flatMap((_, k) => {
				return k === from || k === to || inPieces[k]?.has(from) || isAfter?.has(k) ? [] : [k]
			}),
		},
	]
}

/** Windows of one session from one to another, with the minutes of pauses between them. */
function listSpans({ windows, sessions }: NormalInstance) {
	return sessions.flatMap(({ windows: own }) =>
		own.flatMap((from, k) =>
			own.slice(k).flatMap((to) => {
				const [first, last] = [windows[from], windows[to]]
				if (!first || !last) return []
				const within = own.filter((w) => w >= from && w <= to)
				const open = within.reduce((total, w) => total + (windows[w]?.close ?? 0) - (windows[w]?.open ?? 0), 0)
				return [{ first, last, pauses: last.close - first.open - open, windows: within }]
			}),
		),
	)
}
