/** Breaks of the class: each has one start, inside one window of its session. */
import type { NormalInstance } from '../problem/normal-form'
import { atLeast, atMost } from './literal'
import type { ModelBuilder } from './model-builder'
import type { RunVariables } from './run-variables'

/** A break takes the hands as a run does, and is always held. */
export interface BreakVariables extends RunVariables {
	minutes: number
	/** Positions of the windows in which it may lie. */
	windows: readonly number[]
}

/** In the instance's order. */
export function addBreaks(builder: ModelBuilder, { windows, breaks }: NormalInstance): readonly BreakVariables[] {
	return breaks.map(({ session, minutes, earliest, latest }) => {
		const spans = windows.flatMap((window, w) => {
			const span = { w, from: Math.max(earliest, window.open), to: Math.min(latest, window.close - minutes) }
			return window.session === session && span.from <= span.to ? [span] : []
		})
		const [first, last] = [spans[0], spans.at(-1)]
		const variable = builder.solver.addVariable(first?.from ?? earliest, last?.to ?? latest)
		builder.solver.decideOn(variable)
		spans.forEach(({ to }, k) => {
			const next = spans[k + 1]
			if (next) builder.atLeastOne(atMost(variable, to), atLeast(variable, next.from))
		})
		return {
			start: { variable, plus: 0 },
			end: { variable, plus: minutes },
			unitsBefore: { variable: builder.always, plus: -1 },
			unitsAfter: { variable: builder.always, plus: 0 },
			isUsed: builder.yes,
			minutes,
			windows: spans.map(({ w }) => w),
		}
	})
}
