/** Random planning instances with every feature of the model, by seed. */
import { createRng, type Rng } from '../../core/random'
import type { Arc, HomeWindow, Instance, Task, Window } from '../../core/plan/problem/instance'
import type { AllowedPlace } from '../../core/vocabulary/work-place'

export interface InstanceShape {
	taskCount: number
	/** Most minutes of a unit. */
	maxMinutes: number
	sessionCount: number
	/** Minutes of a window, two a session. */
	windowMinutes: number
	/** Clock minutes from one session to the next. */
	sessionGap: number
}

/** The same seed and shape give the same instance. */
export function randomInstance(seed: number, shape: InstanceShape): Instance {
	const rng = createRng(seed)
	const tasks = Array.from({ length: shape.taskCount }, (_, i) => randomTask(rng, i, shape))
	const windows = randomWindows(shape)
	const homeWindows = randomHomeWindows(createRng(seed + 0x5eed), windows)
	return {
		name: `random-${seed}`,
		windows,
		...(homeWindows && { homeWindows }),
		tasks,
		arcs: randomArcs(rng, tasks, shape),
	}
}

/**
 * The same with all that instructors mean besides: breaks that may move, demonstrations, limits by piece, sets of dried
 * pieces, waits without end, wishes, and what a plan strains people by.
 */
export function randomFullInstance(seed: number, shape: InstanceShape): Instance {
	const bare = randomInstance(seed, shape)
	const rng = createRng(seed + 0xf011)
	const windows = bare.windows.filter((_, w) => w % 2 === 0 || rng() < 0.5)
	const tasks = bare.tasks.map((task, t): Task => (t < 2 && rng() < 0.4 ? { ...task, demo: true } : task))
	const arcs = bare.arcs.map((arc) => randomTerms(rng, arc))
	const ids = tasks.map(({ id }) => id)
	return {
		...bare,
		windows,
		breaks: windows.flatMap(({ open, close, session }) => {
			if (rng() < 0.5) return []
			const earliest = pick(rng, open - 1, close - 2)
			return [{ session, minutes: pick(rng, 1, 2), earliest, latest: Math.max(open, earliest) + pick(rng, 0, 2) }]
		}),
		sessions: [...new Set(windows.map(({ session }) => session))].map((session) => {
			return { session, bufferMinutes: pick(rng, 0, 4) }
		}),
		...(rng() < 0.5 && { weights: { waiting: pick(rng, 0, 2), split: pick(rng, 0, 7), apart: pick(rng, 0, 2) } }),
		...(rng() < 0.3 && { endEarly: false }),
		tasks,
		arcs,
		prepared: [{ id: 'set', minutes: pick(rng, 0, 9) }],
		...(rng() < 0.7 && { sequence: [rng() < 0.5 ? ids : ids.toReversed()] }),
	}
}

/** An arc in the terms of the second form; of three, one loses its wait for good or its price for its own set. */
function randomTerms(rng: Rng, arc: Arc): Arc {
	const { maxLag, swapPrep, piecewise = false, ...rest } = arc
	const isNever = rng() < 0.12
	const isOfSet = (isNever || arc.lag !== 0) && rng() < 0.5
	return {
		...rest,
		...(isNever && { lag: 'never' as const }),
		...(!isNever && maxLag !== undefined && { maxLag, limit: rng() < 0.6 ? ('each' as const) : ('last' as const) }),
		...((piecewise || rng() < 0.15) && { piecewise: true }),
		...(isOfSet ? { swap: 'set' } : swapPrep !== undefined && { swapPrep }),
		...(rng() < 0.3 && { follows: true }),
	}
}

/** Now and then other home windows than the gaps: before the first session, and with a limit. */
function randomHomeWindows(rng: Rng, windows: readonly Window[]): HomeWindow[] | undefined {
	if (rng() < 0.7) return undefined
	const [first, last] = [windows[0], windows.at(-1)]
	if (!first || !last) return undefined
	const limited = (window: HomeWindow) => (rng() < 0.5 ? { ...window, maxMinutes: pick(rng, 1, 4) } : window)
	return [
		limited({ open: first.open - 3, close: first.open - 1 }),
		limited({ open: first.close, close: first.close + pick(rng, 1, 5) }),
		...(rng() < 0.3 ? [limited({ open: last.close + 1, close: last.close + 4 })] : []),
	]
}

function pick(rng: Rng, from: number, to: number): number {
	return from + Math.floor(rng() * (to - from + 1))
}

function randomWindows({ sessionCount, windowMinutes, sessionGap }: InstanceShape): Window[] {
	return Array.from({ length: sessionCount }, (_, s) => s * sessionGap).flatMap((open, s) => [
		{ open, close: open + windowMinutes, session: s + 1 },
		{ open: open + windowMinutes + 2, close: open + 2 * windowMinutes + 2, session: s + 1 },
	])
}

function randomTask(rng: Rng, i: number, { maxMinutes }: InstanceShape): Task {
	const places: AllowedPlace[] = ['class']
	if (rng() < 0.3) places.push('ahead')
	if (rng() < 0.2) places.push('home')
	const terms = {
		id: `t${i}`,
		places,
		prepMinutes: pick(rng, 0, 9),
		teachValue: pick(rng, 0, 5),
		...(rng() < 0.25 && { dropValue: pick(rng, 0, 4), ...(rng() < 0.5 && { optionGroup: 'extra' }) }),
	}
	if (rng() < 0.5) return { ...terms, minutes: pick(rng, 1, maxMinutes) }
	const units = rng() < 0.1 ? 0 : pick(rng, 1, 3)
	return {
		...terms,
		units,
		unitMinutes: pick(rng, 1, Math.max(1, Math.floor(maxMinutes / 2))),
		minChunk: pick(rng, 1, 2),
	}
}

function randomArcs(rng: Rng, tasks: readonly Task[], { sessionGap, windowMinutes }: InstanceShape): Arc[] {
	return tasks.flatMap((to, j) => {
		return tasks.slice(Math.max(0, j - 3), j).flatMap((from): Arc[] => {
			if (rng() < 0.45) return []
			const lag = rng() < 0.5 ? 0 : rng() < 0.8 ? pick(rng, 1, 4) : sessionGap - windowMinutes
			const alike = 'units' in from && 'units' in to && from.units === to.units
			return [
				{
					from: from.id,
					to: to.id,
					lag,
					...(rng() < 0.2 && { maxLag: lag + pick(rng, 0, windowMinutes) }),
					...(alike && rng() < 0.6 && { piecewise: true }),
					...(lag > 0 && rng() < 0.5 && { swapPrep: pick(rng, 0, 9) }),
				},
			]
		})
	})
}
