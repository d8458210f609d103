/** Where the breaks of a sample lie. */
import type { Rng } from '../../random'
import type { NormalInstance } from '../problem/normal-form'

/** Starts of all breaks, in the instance's order. */
export type BreakStarts = readonly number[]

interface Span {
	from: number
	to: number
}

/**
 * All breaks anew, those of one session one behind the other.
 *
 * @param wish - where in its span each is wanted, 0 to 1
 */
export function layBreaks(instance: NormalInstance, wish: () => number): BreakStarts {
	const starts = instance.breaks.map(() => 0)
	const order = instance.breaks.map((_, b) => b).sort((a, b) => latestOf(instance, a) - latestOf(instance, b))
	const laid: number[] = []
	for (const b of order) {
		const free = freeSpans(instance, b, starts, laid)
		// Where those before leave it no room the sample breaks a rule, and the checker says so.
		const { from = 0, to = 0 } = free[Math.floor(wish() * free.length)] ?? spansOf(instance, b)[0] ?? {}
		starts[b] = from + Math.round(wish() * (to - from))
		laid.push(b)
	}
	return starts
}

/** One break moved within its span, best to where some work ends; the others stay. */
export function moveBreak(
	instance: NormalInstance,
	starts: BreakStarts,
	{ ends, rng }: { ends: readonly number[]; rng: Rng },
): BreakStarts {
	const b = Math.floor(rng() * starts.length)
	const others = starts.flatMap((_, o) => (o === b ? [] : [o]))
	const free = freeSpans(instance, b, starts, others)
	const inside = ends.filter((end) => free.some(({ from, to }) => from <= end && end <= to))
	const span = free[Math.floor(rng() * free.length)]
	if (!span) return starts
	const snapped = rng() < 0.7 ? inside[Math.floor(rng() * inside.length)] : undefined
	const start = snapped ?? span.from + Math.floor(rng() * (span.to - span.from + 1))
	return starts.map((old, o) => (o === b ? start : old))
}

/** Clock minute by which a break begins. */
function latestOf({ breaks }: NormalInstance, b: number): number {
	return breaks[b]?.latest ?? 0
}

/** Starts with which a break lies whole inside a window. */
function spansOf({ windows, breaks }: NormalInstance, b: number): Span[] {
	const terms = breaks[b]
	if (!terms) return []
	return windows.flatMap((window) => {
		const [from, to] = [Math.max(terms.earliest, window.open), Math.min(terms.latest, window.close - terms.minutes)]
		return window.session === terms.session && from <= to ? [{ from, to }] : []
	})
}

/** Those of its spans that no other break takes. */
function freeSpans(instance: NormalInstance, b: number, starts: BreakStarts, others: readonly number[]): Span[] {
	const minutes = instance.breaks[b]?.minutes ?? 0
	return others.reduce(
		(spans, o) => {
			const [start, length] = [starts[o] ?? 0, instance.breaks[o]?.minutes ?? 0]
			return spans.flatMap(({ from, to }) =>
				[
					{ from, to: Math.min(to, start - minutes) },
					{ from: Math.max(from, start + length), to },
				].filter((span) => span.from <= span.to),
			)
		},
		spansOf(instance, b),
	)
}
