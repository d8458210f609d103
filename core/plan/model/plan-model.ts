/**
 * The class-plan problem as constraints of the kernel, and the way from its values to a plan.
 * One model serves all levels: each is a variable that is pushed down in turn.
 */
import type { SolveAnswer, Solver, SolveTerms } from '../kernel/solver'
import type { NormalInstance } from '../problem/normal-form'
import type { Pin } from '../pins/pin'
import type { Placement, Plan } from '../problem/plan'
import type { ReliefTerms } from '../problem/relief'
import { branchOn, type SavedValues } from './branching'
import { addBreaks, type BreakVariables } from './break-variables'
import { LevelVariables, type Level } from './level-rules'
import { HandsEnergy } from './hands-energy'
import { HandsOnClock } from './hands-on-clock'
import { atLeast, atMost, not, type Literal } from './literal'
import { ModelBuilder, type Multiple } from './model-builder'
import { OrderChoices, type RunIndex } from './order-choices'
import { addPins } from './pin-rules'
import { addPlaceChoices, literalsByPlace, type PlaceChoices } from './place-choices'
import { addReliefs } from './relief-rules'
import { addRuns, MAX_RUNS, mostRuns, type Horizon, type RunVariables } from './run-variables'
import { UnitStarts } from './unit-starts'
import { addWindowUse } from './windows/used-windows'
import { addWaits, type Swaps } from './wait-rules'

/** A task is at most so many works for the bounds on the hands, which look at all pairs of them. */
const MOST_WORKS = 6
/** And fewer, where all tasks together would be more than so many; one each they always are. */
const WORKS_IN_ALL = 80

/** One instance in a solver of its own. */
export class PlanModel {
	readonly solver: Solver
	readonly places: readonly PlaceChoices[]
	readonly runs: readonly (readonly RunVariables[])[]
	readonly swaps: Swaps
	readonly #breaks: readonly BreakVariables[]
	/** Variables of the objective, a number each. */
	readonly #levels: LevelVariables
	/** Values to try first, as the last plan had them. */
	readonly saved: SavedValues
	readonly #instance: NormalInstance
	readonly #builder = new ModelBuilder()
	/** Which of two runs comes first, made when they might meet. */
	readonly #orders: OrderChoices
	/** By pin: the literal with which it holds. */
	readonly pins: readonly Literal[]

	/** @param instance - with its last window as long as it may be used */
	constructor(instance: NormalInstance, pins: readonly Pin[] = [], reliefs?: ReliefTerms) {
		this.#instance = instance
		const builder = this.#builder
		this.solver = builder.solver
		this.places = addPlaceChoices(builder, instance)
		this.runs = addRuns(builder, instance, this.places, horizonOf(instance))
		const parts = { instance, places: this.places, runs: this.runs }
		const units = new UnitStarts(builder, instance, this.runs)
		this.swaps = addWaits(builder, parts, units)
		this.#breaks = addBreaks(builder, instance)
		this.#orders = new OrderChoices(builder, instance, { ...parts, breaks: this.#breaks })
		const laid = { ...parts, breaks: this.#breaks, swaps: this.swaps }
		this.#levels = new LevelVariables(builder, { ...laid, use: addWindowUse(builder, laid) })
		this.pins = addPins(builder, { ...parts, swaps: this.swaps.byArc }, pins)
		if (reliefs) addReliefs(builder, { instance, places: this.places, swaps: this.swaps }, reliefs)
		this.#addHomeworkLimits()
		this.#addHandsEnergy(units)
		this.saved = new Map()
		this.solver.branchBy(
			branchOn(instance, {
				orders: this.#orders.byVariable,
				runs: [...this.runs, this.#breaks],
				saved: this.saved,
				firstTries: builder.firstTries,
			}),
		)
	}

	/** Of a model whose last window is open for longer: what lies behind its close keeps the class there, a break too. */
	endBreaksBefore(lastClose: number): void {
		const finish = { variable: this.level('finish'), plus: 0 }
		for (const { end } of this.#breaks) {
			this.#builder.before(end, finish, 0, [atLeast(end.variable, lastClose + 1 - end.plus)])
		}
	}

	/** The variable of a level; what it needs is added when it is first asked for. */
	level(level: Level): number {
		const known = this.#levels.find(level)
		if (known !== undefined) return known
		this.solver.reset()
		return this.#levels.of(level)
	}

	/** A variable that is at least the number of groups of which not all literals hold. */
	countBroken(groups: readonly (readonly Literal[])[]): number {
		const builder = this.#builder
		this.solver.reset()
		return builder.addSum(
			groups.map((literals): Multiple => {
				const isBroken = builder.addChoice(-1)
				for (const literal of literals) builder.implies([not(isBroken)], literal)
				return { of: isBroken, factor: 1 }
			}),
		)
	}

	/** Tasks that might have more runs than the model looks at: what it refutes is then not proven. */
	get hasMoreRuns(): boolean {
		return this.#instance.tasks.some((task) => task.units > 0 && mostRuns(task) > MAX_RUNS)
	}

	/** As the solver's own, but no two runs of a solution overlap. */
	solve({ steps = Infinity, ...terms }: SolveTerms): SolveAnswer {
		const last = this.solver.steps + steps
		for (;;) {
			const answer = this.solver.solve({ ...terms, steps: last - this.solver.steps })
			if (answer.status !== 'satisfied') return answer
			const overlaps = this.#findOverlaps()
			if (overlaps.length === 0) return answer
			this.solver.reset()
			for (const [one, other] of overlaps) this.#orders.separate(one, other)
		}
	}

	/** Runs and breaks of a solution that overlap with another: their order has not been asked for yet. */
	#findOverlaps(): Overlap[] {
		const { trail } = this.solver
		const isTrue = (literal: Literal | undefined) => literal !== undefined && trail.isTrue(...literal)
		const lay = ({ start, end }: RunVariables, task: number, run: number) => {
			return { task, run, start: trail.min(start.variable) + start.plus, end: trail.min(end.variable) + end.plus }
		}
		const placed = this.runs.flatMap((own, task) => {
			return isTrue(this.places[task]?.placed) ? own.map((run, r) => lay(run, task, r)) : []
		})
		const used = placed.filter(({ start, end }) => end > start)
		const breaks = this.#breaks.map((own, b) => lay(own, this.runs.length + b, 0))
		// A break of the class is none for those who are at home.
		const inClass = used.filter(({ task }) => isTrue(this.places[task]?.inClass))
		return breaks.length === 0 ? overlapsOf(used) : [...overlapsOf(used), ...overlapsOf([...inClass, ...breaks])]
	}

	/** The plan that stands in the solver's values, after it was satisfied. */
	readPlan(): Plan {
		const { trail } = this.solver
		const isTrue = ([side, value]: Literal) => trail.isTrue(side, value)
		const valueOf = ({ variable, plus }: { variable: number; plus: number }) => trail.min(variable) + plus
		const placements = this.#instance.tasks.flatMap(({ id, units }, i): [string, Placement][] => {
			const choices = this.places[i]
			if (units === 0 || !choices) return []
			if (isTrue(choices.ahead)) return [[id, { place: 'ahead' }]]
			if (isTrue(choices.dropped)) return [[id, { place: 'dropped' }]]
			const runs = (this.runs[i] ?? []).flatMap(({ start, end, unitsBefore, unitsAfter }) => {
				const count = valueOf(unitsAfter) - valueOf(unitsBefore)
				return count > 0 ? [{ start: valueOf(start), units: count, end: valueOf(end) }] : []
			})
			return [[id, { place: isTrue(choices.atHome) ? 'home' : 'class', runs }]]
		})
		const swapped = [...this.swaps.byArc].flatMap(([a, swap]) => (isTrue(swap) ? [a] : []))
		return {
			placements: Object.fromEntries(placements),
			swaps: this.#usefulSwaps(swapped, isTrue),
			...(this.#breaks.length > 0 && { breaks: this.#breaks.map(({ start }) => valueOf(start)) }),
			extension: 0,
		}
	}

	/** Remembers a plan, so that the search starts near it. */
	follow(plan: Plan): void {
		this.#instance.tasks.forEach(({ id }, i) => {
			const [choices, placement] = [this.places[i], plan.placements[id]]
			if (!choices || !placement) return
			for (const [place, literal] of Object.entries(literalsByPlace(choices)))
				this.#save(literal, place === placement.place)
			this.#save(choices.placed, 'runs' in placement)
			if ('runs' in placement) this.#followRuns(this.runs[i] ?? [], placement.runs)
		})
		for (const [a, swap] of this.swaps.byArc) this.#save(swap, plan.swaps.includes(a))
		for (const [set, isMade] of this.swaps.bySet) {
			this.#save(
				isMade,
				plan.swaps.some((a) => this.#instance.arcs[a]?.swapSet === set),
			)
		}
		this.#breaks.forEach(({ start }, b) => this.saved.set(start.variable, plan.breaks?.[b] ?? 0))
		this.solver.reset()
		this.#orders.include(this.#runsWorthOrdering())
		for (const { isFirst, one, other } of this.#orders.byVariable.values()) {
			const [first, second] = [this.saved.get(one.start.variable), this.saved.get(other.start.variable)]
			if (first !== undefined && second !== undefined) this.#save(isFirst, first <= second)
		}
	}

	/**
	 * Literals that keep all but some tasks as in the plan followed: where they are done, how they are split, and in
	 * which order. Their starts stay open.
	 */
	freezeAllBut(free: ReadonlySet<number>): Literal[] {
		const literals: Literal[] = []
		const keep = (variable: number) => {
			const value = this.saved.get(variable)
			if (value === undefined || this.solver.trail.min(variable) === this.solver.trail.max(variable)) return
			literals.push(atLeast(variable, value), atMost(variable, value))
		}
		const used: (RunIndex & { start: number })[] = []
		this.places.forEach(({ inClass, atHome, ahead, dropped }, i) => {
			if (free.has(i)) return
			for (const [side] of [inClass, atHome, ahead, dropped]) keep(side >> 1)
			this.runs[i]?.forEach(({ unitsBefore, start }, run) => {
				keep(unitsBefore.variable)
				const at = this.saved.get(start.variable)
				if (at !== undefined) used.push({ task: i, run, start: at })
			})
		})
		for (const [a, [side]] of this.swaps.byArc) {
			const { from = -1, to = -1 } = this.#instance.arcs[a] ?? {}
			if (!free.has(from) && !free.has(to)) keep(side >> 1)
		}
		used.sort((a, b) => a.start - b.start)
		used.forEach((run, k) => {
			const next = used[k + 1]
			const order = next && this.#orders.find(run, next)
			if (order !== undefined) keep(order)
		})
		return literals
	}

	/** The first run of each task, and as many as the plan followed has. */
	#runsWorthOrdering(): RunIndex[] {
		return [...this.runs, ...this.#breaks.map((own) => [own])].flatMap((own, task) => {
			return own.flatMap(({ start }, run) => (run === 0 || this.saved.has(start.variable) ? [{ task, run }] : []))
		})
	}

	/** Remembers the starts and sizes of a plan's runs as values to try first. */
	#followRuns(variables: readonly RunVariables[], runs: readonly { start: number; units: number }[]): void {
		let unitsBefore = 0
		variables.forEach(({ start, unitsBefore: border, isUsed }, r) => {
			const run = runs[r]
			if (run) this.saved.set(start.variable, run.start - start.plus)
			else this.saved.delete(start.variable)
			this.saved.set(border.variable, unitsBefore - border.plus)
			if (r > 0) this.#save(isUsed, run !== undefined)
			unitsBefore += run?.units ?? 0
		})
	}

	/** Remembers a choice as the value to try first. */
	#save([side, value]: Literal, isTrue: boolean): void {
		// A choice is a variable of 0 or 1; the literal may be either of its sides.
		const isOne = (side & 1) === 0 ? isTrue === value > 0 : !isTrue
		this.saved.set(side >> 1, isOne ? 1 : 0)
	}

	/** A swap whose followers are all dropped or ahead waives nothing: the plan is the same without it. */
	#usefulSwaps(swapped: readonly number[], isTrue: (literal: Literal) => boolean): number[] {
		const { arcs, arcsOutOf } = this.#instance
		const leadsToClass = (i: number): boolean => {
			const choices = this.places[i]
			if (!choices) return false
			if (!isTrue(choices.dropped)) return isTrue(choices.inClass)
			return (arcsOutOf[i] ?? []).some((a) => leadsToClass(arcs[a]?.to ?? -1))
		}
		return swapped.filter((a) => leadsToClass(arcs[a]?.to ?? -1))
	}

	/** Tells the propagator of hands which work there is: a task in class keeps the hands for all its minutes. */
	#addHandsEnergy(units: UnitStarts): void {
		const most = Math.min(MOST_WORKS, Math.max(1, Math.floor(WORKS_IN_ALL / Math.max(1, this.#instance.tasks.length))))
		const works = this.#instance.tasks.flatMap(({ minutes, unitMinutes }, i) => {
			const [own, inClass] = [this.runs[i] ?? [], this.places[i]?.inClass]
			const [start, end] = [own[0]?.start, own.at(-1)?.end]
			if (!start || !end || !inClass || inClass === this.#builder.no) return []
			const starts = own.length > 1 ? units.byTask.get(i) : undefined
			if (!starts) return [{ start, end, minutes, inClass }]
			// Where its units have times of their own, each is work by itself; of many, a few together.
			const size = Math.ceil(starts.length / most)
			return starts.flatMap((first, k) => {
				const last = starts[Math.min(k + size, starts.length) - 1]
				if (k % size !== 0 || !last) return []
				const count = Math.min(size, starts.length - k)
				return [
					{ start: first, end: { ...last, plus: last.plus + unitMinutes }, minutes: count * unitMinutes, inClass },
				]
			})
		})
		const always = this.#builder.yes
		const pauses = this.#breaks.map(({ start, end, minutes }) => {
			return { start, end, minutes, inClass: always, isBreak: true }
		})
		const never = atLeast(this.#builder.always, 2)
		const finish = { variable: this.#levels.of('finish'), plus: 0 }
		this.solver.addPropagator(
			new HandsEnergy([...works, ...pauses], { clock: new HandsOnClock(this.#instance.windows), finish, never }),
		)
	}

	/** Between two sessions nobody works longer at home than was said, whatever is taken home. */
	#addHomeworkLimits(): void {
		const builder = this.#builder
		for (const { open, close, maxMinutes } of this.#instance.homeWindows) {
			if (maxMinutes === Infinity) continue
			const work = this.#instance.tasks.flatMap(({ minutes }, i) => {
				const [choices, run] = [this.places[i], this.runs[i]?.[0]]
				if (!choices || !run || choices.atHome === builder.no) return []
				const isHere = builder.addChoice()
				const startsHere: Literal[] = [
					[2 * run.start.variable, open],
					[2 * run.start.variable + 1, 1 - close],
				]
				builder.implies([choices.atHome, ...startsHere], isHere)
				return [{ of: isHere, factor: minutes }]
			})
			builder.limit(work, maxMinutes)
		}
	}
}

type Overlap = readonly [one: RunIndex, other: RunIndex]

/** Of stretches in any order, each that begins before an earlier one has ended, with that one. */
function overlapsOf(laid: readonly (RunIndex & { start: number; end: number })[]): Overlap[] {
	let until: (typeof laid)[number] | undefined
	return laid
		.toSorted((a, b) => a.start - b.start)
		.flatMap((run) => {
			const before = until
			if (!before || run.end > before.end) until = run
			return before && run.start < before.end ? [[before, run] as const] : []
		})
}

/** From the first minute to the last that anything may lie in, with room for the longest task at the end. */
function horizonOf({ windows, homeWindows, tasks }: NormalInstance): Horizon {
	const start = Math.min(windows[0]?.open ?? 0, homeWindows[0]?.open ?? Infinity)
	const longest = tasks.reduce((most, { minutes }) => Math.max(most, minutes), 0)
	return { start, end: Math.max(windows.at(-1)?.close ?? 0, homeWindows.at(-1)?.close ?? -Infinity, start + longest) }
}
