/** What lacks of the minutes that should be spare at the end of each session, and of several together. */
import { atLeast, type Expression } from '../literal'
import { lessOf, type ModelBuilder, type Multiple } from '../model-builder'
import { addFitting, roomOf, type SessionRoom } from './session-room'
import { sumOf, type WindowParts, type WindowUse } from './used-windows'

/** What lacks at the ends of sessions. */
export interface Crowding {
	/** By session: at least the minutes of all up to this one. */
	upTo: readonly Expression[]
	/** By session: what it holds beside the minutes that should be spare. */
	rooms: readonly SessionRoom[]
}

/**
 * Work of sessions that stand next to each other, when it is more than they hold with what should be spare, lacks at the
 * end of one or the other: so there is a variable for every range of them.
 */
export function addCrowding(builder: ModelBuilder, parts: WindowParts, use: WindowUse): Crowding {
	const { sessions } = parts.instance
	const rooms = sessions.map(({ bufferMinutes }, s) => roomOf(builder, parts, use, { session: s, kept: bufferMinutes }))
	/** By the first session, by the last. */
	const ranges = sessions.map((_, s) => new Map([[s, addLacking(builder, parts, use, s)]]))
	for (let length = 2; length <= sessions.length; length++) {
		for (let from = 0; from + length <= sessions.length; from++) {
			const to = from + length - 1
			const own = sessions.slice(from, to + 1)
			const most = own.reduce((total, { bufferMinutes }) => total + bufferMinutes, 0)
			const lacking: Expression = { variable: builder.solver.addVariable(0, most), plus: 0 }
			ranges[from]?.set(to, lacking)
			for (let last = from; last < to; last++) {
				const [one, other] = [ranges[from]?.get(last), ranges[last + 1]?.get(to)]
				if (one && other) builder.limit([...sumOf([one, other]), { of: lacking, factor: -1 }], 0)
			}
		}
	}
	ranges.forEach((own, from) => {
		for (const [to, lacking] of own) {
			const busy = busyTerms(parts, use, { from, to })
			addFitting(builder, [...busy, { of: lacking, factor: -1 }], rooms.slice(from, to + 1))
		}
	})
	return { upTo: sessions.flatMap((_, s) => ranges[0]?.get(s) ?? []), rooms }
}

/** What lacks at the end of one session, if there is class work in it. */
function addLacking(
	builder: ModelBuilder,
	{ instance: { windows, sessions } }: WindowParts,
	{ usedUntil }: WindowUse,
	s: number,
): Expression {
	const { bufferMinutes = 0, windows: own = [] } = sessions[s] ?? {}
	const lacking: Expression = { variable: builder.solver.addVariable(0, bufferMinutes), plus: 0 }
	const [first, firstUntil] = [windows[own[0] ?? -1], usedUntil[own[0] ?? -1]]
	if (bufferMinutes === 0 || !first || !firstUntil) return lacking
	const until = sumOf(own.flatMap((w) => usedUntil[w] ?? []))
	const closes = own.reduce((total, w) => total + (windows[w]?.close ?? 0), 0)
	// Lacking >= buffer - (closes - used until).
	const isUsed = atLeast(firstUntil.variable, first.open + 1)
	builder.limit([...until, { of: lacking, factor: -1 }], closes - bufferMinutes, [isUsed])
	return lacking
}

/** Work and waiting from one session to another, as terms of a sum. */
function busyTerms(
	{ instance: { sessions } }: WindowParts,
	{ loads, waiting }: WindowUse,
	{ from, to }: { from: number; to: number },
): Multiple[] {
	const own = sessions.slice(from, to + 1).flatMap(({ windows }) => windows)
	const next = sessions[to + 1]?.windows[0]
	const waited = sumOf(own.flatMap((w) => waiting[w] ?? []))
	// At both ends of the course one moment of each task decides; between, its place does.
	if (next === undefined) return [...loads.allFrom(own[0] ?? 0), ...waited]
	if (from === 0) return [...loads.allFrom(0), ...lessOf(loads.allFrom(next)), ...waited]
	return [...own.flatMap((w) => loads.allInside(w)), ...waited]
}
