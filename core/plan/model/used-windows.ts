/** Until when each window is used: what people wait inside it, and what is spare behind it. */
import type { LevelParts } from './level-rules'
import { atLeast, atMost, type Expression } from './literal'
import type { ModelBuilder, Multiple } from './model-builder'

/** By window: a variable that is at least the end of its last class work; its opening where it is not used. */
export function addUsedUntil(
	builder: ModelBuilder,
	{ instance: { windows }, places, runs }: Pick<LevelParts, 'instance' | 'places' | 'runs'>,
): readonly number[] {
	const usedUntil = windows.map(({ open, close }) => builder.solver.addVariable(open, close))
	windows.forEach((window, w) => {
		const until: Expression = { variable: usedUntil[w] ?? 0, plus: 0 }
		runs.forEach((own, i) => {
			const inClass = places[i]?.inClass
			if (!inClass) return
			for (const { start, end } of own) {
				const isInside = [atLeast(start.variable, window.open), atMost(start.variable, window.close - 1)]
				builder.before(end, until, 0, [inClass, ...isInside])
			}
		})
		const next = windows[w + 1]
		if (next?.session !== window.session) return
		// Who works after the pause has been there before it.
		builder.implies([atLeast(usedUntil[w + 1] ?? 0, next.open + 1)], atLeast(until.variable, window.close))
	})
	return usedUntil
}

/** A variable of the minutes until each window is last used, less the minutes of work and of breaks held meanwhile. */
export function addWaiting(
	builder: ModelBuilder,
	{ instance: { windows, tasks }, places, breaks }: LevelParts,
	usedUntil: readonly number[],
): number {
	const work = tasks.map(({ minutes }, i): Multiple => ({ of: places[i]?.inClass ?? builder.no, factor: -minutes }))
	const used = usedUntil.map((variable): Multiple => ({ of: { variable, plus: 0 }, factor: 1 }))
	const held = breaks.map(({ start, end, minutes, windows: own }): Multiple => {
		const isHeld = builder.addGain()
		for (const w of own) {
			const { open = 0, close = 0 } = windows[w] ?? {}
			const isHere = [atLeast(start.variable, open), atMost(start.variable, close - 1)]
			builder.before(end, { variable: usedUntil[w] ?? 0, plus: 0 }, 0, [isHeld, ...isHere])
		}
		return { of: isHeld, factor: -minutes }
	})
	const waiting = builder.solver.addVariable(
		0,
		windows.reduce((total, { open, close }) => total + close - open, 0),
	)
	const opens = windows.reduce((total, { open }) => total + open, 0)
	builder.limit([...used, ...work, ...held, { of: { variable: waiting, plus: 0 }, factor: -1 }], opens)
	return waiting
}

/** What lacks of the minutes that should be spare at the end of each session with class work. */
export function crowdingTerms(
	builder: ModelBuilder,
	{ instance: { windows, sessions } }: Pick<LevelParts, 'instance'>,
	usedUntil: readonly number[],
	factor: number,
): Multiple[] {
	return sessions.flatMap(({ bufferMinutes, windows: own }): Multiple[] => {
		const first = own[0]
		if (bufferMinutes === 0 || first === undefined) return []
		const lacking = { variable: builder.solver.addVariable(0, bufferMinutes), plus: 0 }
		const used = own.map((w): Multiple => ({ of: { variable: usedUntil[w] ?? 0, plus: 0 }, factor: 1 }))
		const closes = own.reduce((total, w) => total + (windows[w]?.close ?? 0), 0)
		// Lacking >= buffer - (closes - used until).
		builder.limit([...used, { of: lacking, factor: -1 }], closes - bufferMinutes, [
			atLeast(usedUntil[first] ?? 0, (windows[first]?.open ?? 0) + 1),
		])
		return [{ of: lacking, factor }]
	})
}
