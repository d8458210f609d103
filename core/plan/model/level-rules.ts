/** The levels of the objective as variables that are at least what the plan costs, each made when it is first asked for. */
import type { ObjectiveLevel } from '../problem/objective'
import { addCrowding, type Crowding } from './windows/crowding-rules'
import { addGaps } from './windows/gap-rules'
import { addApart } from './apart-rules'
import { atLeast, endsIn, not, type Literal } from './literal'
import type { ModelBuilder, Multiple } from './model-builder'
import { addFitting, roomOf } from './windows/session-room'
import { sumOf, type WindowParts, type WindowUse } from './windows/used-windows'
import type { Swaps } from './wait-rules'

/** A level that is a variable; a shortfall is not one, but a later close of the last window. */
export type Level = Exclude<ObjectiveLevel, 'shortfall'>

/** What the levels are about. */
export interface LevelParts extends WindowParts {
	swaps: Swaps
	use: WindowUse
}

/** The variables of the levels of one model. */
export class LevelVariables {
	readonly #builder: ModelBuilder
	readonly #parts: LevelParts
	readonly #byLevel = new Map<Level, number>()
	#crowd: Crowding | undefined
	#hasGaps = false

	constructor(builder: ModelBuilder, parts: LevelParts) {
		this.#builder = builder
		this.#parts = parts
	}

	/** The variable of a level, if it has been made. */
	find(level: Level): number | undefined {
		return this.#byLevel.get(level)
	}

	/** The variable of a level; at level 0, if it is not there yet. */
	of(level: Level): number {
		const known = this.find(level)
		if (known !== undefined) return known
		const made = this.#make(level)
		this.#byLevel.set(level, made)
		return made
	}

	/** Made when a level first needs it. */
	get #crowding(): Crowding {
		return (this.#crowd ??= addCrowding(this.#builder, this.#parts, this.#parts.use))
	}

	/** At level 0: what is known by now leaves few of them. */
	#addGaps(): void {
		if (!this.#hasGaps) addGaps(this.#builder, this.#parts, this.#parts.use)
		this.#hasGaps = true
	}

	#make(level: Level): number {
		const [builder, parts] = [this.#builder, this.#parts]
		if (level === 'waiting' || level === 'strain') this.#addGaps()
		const add = {
			valueLost: () => builder.addSum(valueTerms(parts)),
			prepMinutes: () => builder.addSum(prepTerms(parts)),
			finish: () => addFinish(builder, parts),
			waiting: () => builder.addSum(sumOf(parts.use.waiting)),
			splits: () => builder.addSum(splitTerms(parts)),
			lastSession: () => addLastSession(builder, parts, this.of('finish')),
			strain: () => addStrain(builder, parts, this.#crowding),
			late: () => builder.addSum(lateTerms(builder, parts, this.#crowding)),
			order: () => builder.addSum(turnedTerms(builder, parts)),
			soon: () => builder.addSum(soonTerms(builder, parts)),
		}
		return add[level]()
	}
}

/** Value lost: what is not practised in class, and what is left out altogether. */
function valueTerms({ instance, places }: LevelParts): Multiple[] {
	return instance.tasks.flatMap(({ units, teachValue, dropValue = 0 }, i): Multiple[] => {
		const choices = places[i]
		if (units === 0 || !choices) return []
		return [
			{ of: not(choices.inClass), factor: teachValue },
			{ of: choices.dropped, factor: dropValue },
		]
	})
}

/** Minutes of the instructor before the course: parts made ahead, and pieces dried in exchange for waits. */
function prepTerms({ instance, places, swaps }: LevelParts): Multiple[] {
	const ahead = instance.tasks.flatMap(({ units, prepMinutes }, i): Multiple[] => {
		const choices = places[i]
		return units === 0 || !choices ? [] : [{ of: choices.ahead, factor: prepMinutes }]
	})
	const brought = [...swaps.bySet].map(([set, isMade]): Multiple => ({
		of: isMade,
		factor: instance.swapMinutes[set] ?? 0,
	}))
	return [...ahead, ...brought]
}

/** Each run of a task beyond its first. */
function splitTerms({ runs }: LevelParts): Multiple[] {
	return runs.flatMap((own) => own.slice(1).map(({ isUsed }): Multiple => ({ of: isUsed, factor: 1 })))
}

/** A variable that is at least the end of every task in class, min. */
function addFinish(builder: ModelBuilder, { instance, places, runs }: LevelParts): number {
	const [open, close] = [instance.windows[0]?.open ?? 0, instance.windows.at(-1)?.close ?? 0]
	const variable = builder.solver.addVariable(open, close)
	runs.forEach((own, i) => {
		const [end, inClass] = [own.at(-1)?.end, places[i]?.inClass]
		if (end && inClass) builder.before(end, { variable, plus: 0 }, 0, [inClass])
	})
	return variable
}

/** The position of the session in which the class work ends; all the same where evenings are used that are there. */
function addLastSession(
	builder: ModelBuilder,
	{ instance: { sessions, windows, endEarly }, places }: LevelParts,
	finish: number,
): number {
	const variable = builder.solver.addVariable(0, sessions.length)
	if (!endEarly) return variable
	for (const { inClass } of places) builder.implies([inClass], atLeast(variable, 1))
	sessions.slice(1).forEach((session, k) => {
		const open = windows[session.windows[0] ?? 0]?.open ?? 0
		builder.implies([atLeast(finish, open + 1)], atLeast(variable, k + 2))
	})
	return variable
}

/** What a plan strains people by, weighed. */
function addStrain(builder: ModelBuilder, parts: LevelParts, { upTo }: Crowding): number {
	const { waiting, split, crowding, apart } = parts.instance.weights
	const terms: Multiple[] = splitTerms(parts).map(({ of }) => ({ of, factor: split }))
	const lacking = upTo.at(-1)
	if (waiting > 0) terms.push(...parts.use.waiting.map((of) => ({ of, factor: waiting })))
	if (crowding > 0 && lacking) terms.push({ of: lacking, factor: crowding })
	if (apart > 0) terms.push(...addApart(builder, parts).map((of) => ({ of, factor: apart })))
	return builder.addSum(terms)
}

/** Minutes of class work in each session but the first, once more for each session before it. */
function lateTerms(builder: ModelBuilder, parts: LevelParts, crowd: Crowding): Multiple[] {
	const { instance, places, use } = parts
	const { tasks, sessions } = instance
	const total = tasks.reduce((sum, { minutes }) => sum + minutes, 0)
	const work = tasks.map(({ minutes }, i): Multiple => ({ of: places[i]?.inClass ?? builder.no, factor: minutes }))
	const rooms = sessions.map((_, session) => roomOf(builder, parts, use, { session, kept: 0 }))
	return sessions.slice(1).map(({ windows: [first = 0] }, s): Multiple => {
		const later = { variable: builder.solver.addVariable(0, total), plus: 0 }
		builder.limit([...use.loads.allFrom(first), { of: later, factor: -1 }], 0)
		// What the sessions before cannot hold.
		const before = sessions.slice(0, s + 1).flatMap(({ windows }) => windows)
		const kept = [...work, { of: later, factor: -1 }, ...sumOf(before.flatMap((w) => use.waiting[w] ?? []))]
		addFitting(builder, kept, rooms.slice(0, s + 1))
		const lacking = crowd.upTo[s]
		if (lacking) addFitting(builder, [...kept, { of: lacking, factor: -1 }], crowd.rooms.slice(0, s + 1))
		return { of: later, factor: 1 }
	})
}

/** Neighbours in a design's order that are begun the other way round. */
function turnedTerms(builder: ModelBuilder, { instance, places, runs }: LevelParts): Multiple[] {
	return instance.neighbours.flatMap(([earlier, later]): Multiple[] => {
		const [first, second] = [runs[earlier]?.[0]?.start, runs[later]?.[0]?.start]
		const areInClass = [places[earlier]?.inClass, places[later]?.inClass].filter((literal) => literal !== undefined)
		if (!first || !second) return []
		const isTurned = builder.addChoice(-1)
		builder.before(first, second, 0, [not(isTurned), ...areInClass])
		return [{ of: isTurned, factor: 1 }]
	})
}

/** Hands-on minutes of a session up to the end of what dries until a later one. */
function soonTerms(builder: ModelBuilder, { instance, places, runs }: LevelParts): Multiple[] {
	const { windows, sessions, tasks } = instance
	const total = Math.max(...sessions.map(({ windows: own }) => minutesOf(own.map((w) => windows[w]))))
	return tasks.flatMap((_, i): Multiple[] => {
		const waits = listWaits(builder, { instance, places }, i)
		const [end, inClass] = [runs[i]?.at(-1)?.end, places[i]?.inClass]
		if (waits.length === 0 || !end || !inClass || inClass === builder.no || sessions.length < 2) return []
		const soon = { variable: builder.solver.addVariable(0, total), plus: 0 }
		sessions.slice(0, -1).forEach((session, s) => {
			const next = windows[sessions[s + 1]?.windows[0] ?? 0]
			let before = 0
			for (const w of session.windows) {
				const window = windows[w]
				if (!window || !next) continue
				const isHere = endsIn(end, window)
				for (const { to, conditions } of waits) {
					const [start, isUsed] = [runs[to]?.[0]?.start, places[to]?.inClass]
					if (!start || !isUsed) continue
					const isLater = atLeast(start.variable, next.open - start.plus)
					builder.before(end, soon, before - window.open, [inClass, isUsed, isLater, ...isHere, ...conditions])
				}
				before += window.close - window.open
			}
		})
		return [{ of: soon, factor: 1 }]
	})
}

/** What waits for a task in the end, with what must be true for it: tasks dropped between. */
function listWaits(
	{ no }: ModelBuilder,
	{ instance: { arcs, arcsOutOf, tasks }, places }: Pick<LevelParts, 'instance' | 'places'>,
	from: number,
): { to: number; conditions: readonly Literal[] }[] {
	const follow = (a: number, conditions: readonly Literal[]): { to: number; conditions: readonly Literal[] }[] => {
		const to = arcs[a]?.to ?? -1
		const isEmpty = tasks[to]?.units === 0
		const dropped = places[to]?.dropped ?? no
		const passing = isEmpty ? conditions : [...conditions, dropped]
		const further = dropped === no ? [] : (arcsOutOf[to] ?? []).flatMap((b) => follow(b, passing))
		return isEmpty ? further : [{ to, conditions }, ...further]
	}
	return (arcsOutOf[from] ?? []).flatMap((a) => {
		const arc = arcs[a]
		return arc && (arc.lag > 0 || arc.isNever) ? follow(a, []) : []
	})
}

function minutesOf(windows: readonly ({ open: number; close: number } | undefined)[]): number {
	return windows.reduce((total, window) => total + (window ? window.close - window.open : 0), 0)
}
