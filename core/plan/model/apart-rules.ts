/**
 * How far apart lies what belongs together: a demonstration and the first who uses it, and steps that follow straight on.
 * Counted in hands-on minutes, without breaks and demonstrations between, and more for another session.
 */
import { ANOTHER_SESSION_MINUTES } from '../problem/objective'
import { HandsOnClock } from './hands-on-clock'
import { HandsTime, type TiedTime } from './hands-time'
import type { WindowParts } from './windows/used-windows'
import { atLeast, atMost, not, type Expression, type Literal } from './literal'
import type { ModelBuilder, Multiple } from './model-builder'
import type { RunVariables } from './run-variables'

/** Two moments that count if the conditions hold. */
interface Pair {
	/** Task that ends at the first moment. */
	from: number
	/** Task that begins at the second, or -1: one of several. */
	to: number
	end: Expression
	start: Expression
	conditions: readonly Literal[]
}

/** @returns by pair: what is at least its minutes */
export function addApart(builder: ModelBuilder, parts: WindowParts): readonly Expression[] {
	const pairs = [...followingPairs(parts), ...shownPairs(builder, parts)]
	const clock = new HandsOnClock(parts.instance.windows)
	const ties: TiedTime[] = []
	const tie = (moment: Expression, isAtLeast: boolean): Expression => {
		const known = ties.find(
			(other) =>
				other.moment.variable === moment.variable && other.moment.plus === moment.plus && other.isAtLeast === isAtLeast,
		)
		const hands = known?.hands ?? builder.solver.addVariable(0, clock.total)
		if (!known) ties.push({ moment, hands, isAtLeast })
		return { variable: hands, plus: 0 }
	}
	const variables = pairs.map((pair) => {
		const apart = builder.addCost(clock.total + ANOTHER_SESSION_MINUTES)
		const sum: Multiple[] = [
			{ of: tie(pair.start, true), factor: 1 },
			{ of: tie(pair.end, false), factor: -1 },
			...betweenTerms(builder, parts, pair),
			...otherSessionTerms(builder, parts, pair),
			{ of: apart, factor: -1 },
		]
		builder.limit(sum, 0, pair.conditions)
		return apart
	})
	if (ties.length > 0) builder.solver.addPropagator(new HandsTime(ties, clock))
	return variables
}

/** What a design wants straight after. */
function followingPairs({ instance, places, runs }: WindowParts): Pair[] {
	return instance.following.flatMap(([from, to]): Pair[] => {
		const [end, start] = [runs[from]?.at(-1)?.end, runs[to]?.[0]?.start]
		const [first, second] = [places[from]?.inClass, places[to]?.inClass]
		return end && start && first && second ? [{ from, to, end, start, conditions: [first, second] }] : []
	})
}

/** Each demonstration, and the first in class of those who use it: any of them, since the nearest costs least. */
function shownPairs(builder: ModelBuilder, { instance, places, runs }: WindowParts): Pair[] {
	const { windows } = instance
	return instance.users.flatMap((own, from): Pair[] => {
		const [end, inClass] = [runs[from]?.at(-1)?.end, places[from]?.inClass]
		const users = own.flatMap((to) => {
			const [start, isInClass] = [runs[to]?.[0]?.start, places[to]?.inClass]
			return start && isInClass && isInClass !== builder.no ? [{ to, start, isInClass }] : []
		})
		const [first, second] = users
		if (!end || !inClass || !first) return []
		if (!second) return [{ from, to: first.to, end, start: first.start, conditions: [inClass, first.isInClass] }]
		const open = windows[0]?.open ?? 0
		const use = { variable: builder.solver.addVariable(open, windows.at(-1)?.close ?? open), plus: 0 }
		const firsts = users.map(({ start, isInClass }) => {
			const isFirst = builder.addChoice(-1)
			builder.implies([isFirst], isInClass)
			builder.before(start, use, 0, [isFirst])
			return isFirst
		})
		for (const { isInClass } of users) builder.atLeastOne(not(inClass), not(isInClass), ...firsts)
		const isUsed = builder.addChoice(-1)
		for (const isFirst of firsts) builder.implies([isFirst], isUsed)
		return [{ from, to: -1, end, start: use, conditions: [inClass, isUsed] }]
	})
}

/** Breaks, and demonstrations in class, that lie between the two moments: they may be taken off, and only they. */
function betweenTerms(builder: ModelBuilder, { instance, places, runs, breaks }: WindowParts, pair: Pair): Multiple[] {
	const liesBetween = (run: RunVariables, conditions: readonly Literal[]) => {
		const isBetween = builder.addGain()
		for (const condition of conditions) builder.implies([isBetween], condition)
		builder.before(pair.end, run.start, 0, [isBetween])
		builder.before(run.end, pair.start, 0, [isBetween])
		return isBetween
	}
	const pauses = breaks.map((own): Multiple => ({ of: liesBetween(own, []), factor: -own.minutes }))
	const shown = instance.tasks.flatMap(({ isDemo, minutes, unitMinutes, units }, e): Multiple[] => {
		const [inClass, own] = [places[e]?.inClass, runs[e] ?? []]
		if (!isDemo || !inClass || inClass === builder.no || e === pair.from || e === pair.to) return []
		if (own.length === 1 && own[0]) return [{ of: liesBetween(own[0], [inClass]), factor: -minutes }]
		return own.map((run): Multiple => {
			const isBetween = liesBetween(run, [inClass, run.isUsed])
			const counted = { variable: builder.solver.addVariable(0, units), plus: 0 }
			builder.limit(
				[
					{ of: counted, factor: 1 },
					{ of: isBetween, factor: -units },
				],
				0,
			)
			builder.limit(
				[
					{ of: counted, factor: 1 },
					{ of: run.unitsAfter, factor: -1 },
					{ of: run.unitsBefore, factor: 1 },
				],
				0,
			)
			return { of: counted, factor: -unitMinutes }
		})
	})
	return [...pauses, ...shown]
}

/** Minutes more if the second moment lies in a later session. */
function otherSessionTerms(
	builder: ModelBuilder,
	{ instance: { sessions, windows } }: WindowParts,
	{ end, start, conditions }: Pair,
): Multiple[] {
	if (sessions.length < 2) return []
	const isOther = builder.addChoice(-1)
	sessions.slice(1).forEach((session, s) => {
		const open = windows[session.windows[0] ?? 0]?.open ?? 0
		const close = windows[sessions[s]?.windows.at(-1) ?? 0]?.close ?? 0
		builder.implies(
			[...conditions, atMost(end.variable, close - end.plus), atLeast(start.variable, open - start.plus)],
			isOther,
		)
	})
	return [{ of: isOther, factor: ANOTHER_SESSION_MINUTES }]
}
