/** Pins as constraints, each behind a literal of its own: with it the pin holds, without it nothing is asked. */
import type { NormalInstance } from '../problem/normal-form'
import type { Pin } from '../pins/pin'
import { atLeast, atMost, not, type Literal } from './literal'
import type { ModelBuilder } from './model-builder'
import { literalsByPlace, type PlaceChoices } from './place-choices'
import type { RunVariables } from './run-variables'

interface Parts {
	instance: NormalInstance
	places: readonly PlaceChoices[]
	runs: readonly (readonly RunVariables[])[]
	swaps: ReadonlyMap<number, Literal>
}

/**
 * Adds the pins.
 *
 * @returns by pin: the literal that makes it hold
 * @throws {RangeError} a pin names a task that the instance does not have
 */
export function addPins(builder: ModelBuilder, parts: Parts, pins: readonly Pin[]): Literal[] {
	const doneRuns = new Map(pins.flatMap((pin) => (pin.kind === 'done' ? [[pin.task, pin.runs.length] as const] : [])))
	return pins.map((pin) => {
		const guard = atLeast(builder.solver.addVariable(0, 1), 1)
		for (const literal of literalsOf(builder, parts, pin, doneRuns)) builder.implies([guard], literal)
		if (pin.kind === 'before') {
			const [first, second] = [indexOf(parts, pin.first), indexOf(parts, pin.second)]
			const [end, start] = [parts.runs[first]?.at(-1)?.end, parts.runs[second]?.[0]?.start]
			const placed = [parts.places[first]?.placed ?? builder.no, parts.places[second]?.placed ?? builder.no]
			if (end && start) builder.before(end, start, 0, [guard, ...placed])
		}
		if (pin.kind === 'beside') addBeside(builder, parts, pin, guard)
		return guard
	})
}

/** What must be true for the pin to hold. */
function literalsOf(
	builder: ModelBuilder,
	parts: Parts,
	pin: Pin,
	doneRuns: ReadonlyMap<string, number>,
): readonly Literal[] {
	if (pin.kind === 'before') return []
	if (pin.kind === 'beside') {
		return [pin.first, pin.second].map((task) => parts.places[indexOf(parts, task)]?.inClass ?? builder.no)
	}
	if (pin.kind === 'swap') {
		const swap = parts.swaps.get(pin.arc) ?? builder.no
		return [pin.isSwapped ? swap : not(swap)]
	}
	const i = indexOf(parts, pin.task)
	const [choices, runs] = [parts.places[i], parts.runs[i] ?? []]
	if (!choices) return []
	const byPlace = literalsByPlace(choices)
	const [first, last] = [runs[0], runs.at(-1)]
	switch (pin.kind) {
		case 'place':
			return [byPlace[pin.place]]
		case 'session': {
			const windows = parts.instance.windows.filter(({ session }) => session === pin.session)
			const [open, close] = [windows[0]?.open, windows.at(-1)?.close]
			if (open === undefined || close === undefined || !first || !last) return [builder.no]
			return [
				choices.inClass,
				atLeast(first.start.variable, open - first.start.plus),
				atMost(last.end.variable, close - last.end.plus),
			]
		}
		case 'start':
			return first ? [choices.placed, ...exactly(first.start.variable, pin.minute - first.start.plus)] : [builder.no]
		case 'notBefore': {
			const next = runs[doneRuns.get(pin.task) ?? 0]
			// A later run that is not used lies at the end of the one before; then there is nothing to hold.
			return next && next === first ? [atLeast(next.start.variable, pin.minute)] : laterStart(builder, next, pin.minute)
		}
		case 'done':
			return doneLiterals(builder, { place: byPlace[pin.place], runs, pin })
	}
}

/** Whatever lies behind the end of a session, of either of both, has all of both behind it. */
function addBeside(builder: ModelBuilder, parts: Parts, pin: Extract<Pin, { kind: 'beside' }>, guard: Literal): void {
	const [one, other] = [pin.first, pin.second].map((task) => parts.runs[indexOf(parts, task)] ?? [])
	const { windows } = parts.instance
	for (const [w, { close, session }] of windows.entries()) {
		const next = windows[w + 1]
		if (!next || next.session === session) continue
		for (const [late, early] of [
			[one, other],
			[other, one],
			[one, one],
			[other, other],
		]) {
			const [last, first] = [late?.at(-1), early?.[0]]
			if (!last || !first) continue
			const isBehind = atLeast(last.end.variable, close + 1 - last.end.plus)
			builder.implies([guard, isBehind], atLeast(first.start.variable, next.open - first.start.plus))
		}
	}
}

/** A choice that, where it is taken, lets the run start no earlier than the minute. */
function laterStart(builder: ModelBuilder, run: RunVariables | undefined, minute: number): Literal[] {
	if (!run) return []
	const isLater = atLeast(builder.solver.addVariable(0, 1), 1)
	builder.implies([isLater, run.isUsed], atLeast(run.start.variable, minute))
	return [isLater]
}

/** What has been done already lies where it lies: place, starts and sizes of its runs are settled. */
function doneLiterals(
	builder: ModelBuilder,
	{ place, runs, pin }: { place: Literal; runs: readonly RunVariables[]; pin: Extract<Pin, { kind: 'done' }> },
): Literal[] {
	let unitsBefore = 0
	return [
		place,
		...pin.runs.flatMap(({ start, units }, r) => {
			unitsBefore += units
			const run = runs[r]
			if (!run) return [builder.no]
			return [
				...exactly(run.start.variable, start - run.start.plus),
				...exactly(run.unitsAfter.variable, unitsBefore - run.unitsAfter.plus),
			]
		}),
	]
}

/** Both bounds of one value. */
function exactly(variable: number, value: number): Literal[] {
	return [atLeast(variable, value), atMost(variable, value)]
}

/**
 * Position of a task in the instance.
 *
 * @throws {RangeError} the instance does not have it
 */
function indexOf({ instance }: Parts, task: string): number {
	const i = instance.tasks.findIndex(({ id }) => id === task)
	if (i < 0) throw new RangeError(`a pin names the task "${task}", which the instance does not have`)
	return i
}
