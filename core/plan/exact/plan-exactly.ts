/**
 * The best plan, with its proof: levels of the objective in turn, each pushed down until no plan can have less.
 * Anytime: every better plan and every better bound is reported as it comes; stopped early, the best plan so far comes
 * back with what is proven of it.
 */
import { createRng } from '../../random'
import { checkPlan } from '../checker/check-plan'
import type { Instance } from '../problem/instance'
import { atMost } from '../model/literal'
import type { Level } from '../model/level-rules'
import { PlanModel } from '../model/plan-model'
import { normalise, type NormalInstance } from '../problem/normal-form'
import { compareObjectives, OBJECTIVE_LEVELS, type Levels, type Objective } from '../problem/objective'
import { findBrokenPins, type Pin } from '../pins/pin'
import type { Plan } from '../problem/plan'
import { keepsReliefs, type ReliefTerms } from '../problem/relief'
import { planQuickly } from '../quick/plan-quickly'
import { layRound } from './lay-round'
import { LevelSearch, type Incumbent } from './level-search'
import { Neighbourhoods } from './neighbourhoods'
import { tidyBreaks } from './tidy-breaks'
import { tidySwaps } from './tidy-swaps'

/** How much may be searched, from where, and within what. */
export interface ExactTerms {
	/** Of everything that is left to chance. */
	seed?: number
	/** Decisions after which to stop; the same number gives the same plan, whatever the clock says. 0: the quick plan. */
	nodes?: number
	/** Asked now and then: true to stop with the best plan so far. */
	shouldStop?: () => boolean
	/** Told of every better plan and every better bound. */
	onProgress?: (progress: ExactPlan) => void
	/** An older plan to start from; passed over if it breaks a rule, a pin or a limit. */
	start?: Plan
	/** An older plan, perhaps of what the instance was before: without another to start from, the search begins beside it. */
	near?: Plan
	/** What the plan must keep besides the rules. */
	pins?: readonly Pin[]
	/** What plans are judged by; absent: as today. */
	levels?: Levels
	/** What is allowed besides, and how much of it; a plan that uses more is none. */
	reliefs?: ReliefTerms
	/** No more than this at a level; there is then no extension of the last window. */
	limits?: Partial<Record<Level, number>>
}

/** What is known however a search ended. */
interface Searched {
	/** The levels of the objective that no plan can beat, given the ones before. */
	proven: Partial<Objective>
	/** What each level is at least, as far as is known: the proven ones, and the first that is not. */
	bounds: Partial<Objective>
	/** Of the search: how hard it was. */
	conflicts: number
	/** Decisions of the search. */
	nodes: number
}

/** A plan with its vector. `infeasible`: it extends the last window. */
export interface FoundPlan {
	status: 'optimal' | 'feasible' | 'infeasible'
	objective: Objective
	plan: Plan
}

/** `impossible`: no extension helps, or nothing is within the limits; `unknown`: neither a plan nor a refutation in time. */
export interface NoPlan {
	status: 'impossible' | 'unknown'
	objective?: never
	plan?: never
}

/** A plan with what is proven of it, or why there is none. */
export type ExactPlan = Searched & (FoundPlan | NoPlan)

/** Neither a plan that fits nor a proof that there is none: nobody may say that it does not fit. */
export function isOpenPlan({ status, proven }: Pick<ExactPlan, 'status' | 'proven'>): boolean {
	return status === 'unknown' || (status === 'infeasible' && proven.shortfall === undefined)
}

/** Schedules for the first plan: about 30 samples and some mending; where that finds none that fits, more once more. */
const FIRST_TASK_SCHEDULES = [6000, 24_000]
/** Instances of so many tasks are soon proven: of larger ones samples are climbed from for longer, before the search. */
const MOST_SMALL = 25
const CLIMBING_SCHEDULES = 2500
/** Schedules where somebody waits and nothing is searched afterwards. */
const QUICK_TASK_SCHEDULES = 1500
/** And where what is taught has been settled otherwise than in the first plan. */
const ANEW_TASK_SCHEDULES = 60_000

/** @throws {RangeError} the instance has problems; see `validateInstance` */
export function planExactly(instance: Instance, terms: ExactTerms = {}): ExactPlan {
	return new ExactSearch(instance, terms).run()
}

interface Best {
	plan: Plan
	objective: Objective
}

class ExactSearch {
	readonly #instance: Instance
	readonly #normal: NormalInstance
	readonly #terms: Required<Omit<ExactTerms, 'start' | 'near' | 'limits' | 'reliefs'>> &
		Pick<ExactTerms, 'start' | 'near' | 'limits' | 'reliefs'>
	/** Those of a plan that fits, the most important first. */
	readonly #levels: readonly Level[]
	readonly #neighbourhoods: Neighbourhoods
	/** The best that the checker has accepted. */
	#best: Best | undefined
	/** Levels in which nothing better exists. */
	readonly #proven: Partial<Objective> = {}
	/** Values below which nothing lies, by level. */
	readonly #bounds: Partial<Objective> = {}
	/** No plan keeps all limits, whatever the time. */
	#isImpossible = false
	/** Where each task was in the first plan that fits. */
	#firstPlaces: string | undefined
	/** The models searched so far, for their counts. */
	readonly #models: PlanModel[] = []

	constructor(
		instance: Instance,
		{
			seed = 1,
			nodes = Infinity,
			shouldStop = () => false,
			onProgress = () => {},
			pins = [],
			start,
			near,
			levels = OBJECTIVE_LEVELS,
			reliefs,
			limits,
		}: ExactTerms,
	) {
		this.#instance = instance
		this.#normal = normalise(instance)
		this.#terms = { seed, nodes, shouldStop, onProgress, pins, start, near, levels, reliefs, limits }
		this.#levels = levels.filter((level) => level !== 'shortfall')
		this.#neighbourhoods = new Neighbourhoods(this.#normal, createRng(seed))
	}

	/**
	 * First a quick plan, then, as far as the effort reaches, a plan that fits, then one level after the
	 * other pushed down and proven.
	 */
	run(): ExactPlan {
		this.#startQuickly()
		if (this.#best?.objective.shortfall === 0) this.#firstPlaces = placesOf(this.#best.plan)
		// Not even a model is built where nothing may be searched.
		if (this.#terms.nodes !== 0) this.#searchOn()
		if (this.#best) {
			const plan = tidyBreaks(this.#instance, this.#best.plan, this.#terms.levels)
			this.#best = { plan, objective: checkPlan(this.#instance, plan).objective ?? this.#best.objective }
		}
		return this.#report()
	}

	#searchOn(): void {
		if (this.#terms.limits) return this.#pushLevels(this.#terms.limits)
		if (!this.#best || this.#best.objective.shortfall > 0) this.#findRoom()
		if (this.#best?.objective.shortfall === 0) this.#pushLevels({})
	}

	/** The search begins from the best of a given plan and a quick one: every plan found later is better. */
	#startQuickly(): void {
		const { start, near, nodes, reliefs, pins } = this.#terms
		if (start) this.#offer(start)
		if (near && !this.#best) {
			const laid = layRound(this.#instance, near, pins)
			if (laid) this.#offer(laid)
			// What lies beside the older plan is better to her than what another chance would give.
			if (this.#best) return
		}
		if (nodes === 0) return this.#planQuickly(0, QUICK_TASK_SCHEDULES / this.#sizeForEffort)
		for (const [attempt, effort] of FIRST_TASK_SCHEDULES.entries()) {
			this.#planQuickly(attempt, effort / this.#sizeForEffort)
			// The search finds its way from a plan far sooner than to one.
			if (reliefs || this.#best?.objective.shortfall === 0) break
		}
		const isLarge = this.#normal.tasks.length > MOST_SMALL
		if (isLarge && !reliefs && !this.#shouldStop()) this.#planQuickly(FIRST_TASK_SCHEDULES.length, CLIMBING_SCHEDULES)
	}

	/** Schedules of a large instance cost more. */
	get #sizeForEffort(): number {
		return Math.max(MOST_SMALL, this.#normal.tasks.length)
	}

	/** @param attempt - each draws its own chances */
	#planQuickly(attempt: number, schedules: number): void {
		const { seed, levels, shouldStop } = this.#terms
		// The first plan is made whatever the time.
		const terms = { seed: seed + attempt, schedules: Math.ceil(schedules), levels, ...(attempt > 0 && { shouldStop }) }
		const { plan } = planQuickly(this.#instance, terms)
		if (plan) this.#offer(plan)
	}

	/**
	 * What is taught, and made ahead, is settled, perhaps otherwise than in the first plan: times are sampled anew for it.
	 * The search would take far longer to bring together what lies evenings apart.
	 *
	 * @returns undefined: what is taught is as it was, or no times were found
	 */
	#layAnew(): Plan | undefined {
		const { seed, levels, limits, shouldStop } = this.#terms
		const like = this.#best?.plan
		if (!like || limits || this.#firstPlaces === placesOf(like)) return undefined
		const schedules = Math.ceil(ANEW_TASK_SCHEDULES / this.#sizeForEffort)
		return planQuickly(this.#instance, { seed, schedules, levels, like, shouldStop }).plan
	}

	/** Whether the course fits at all, and if not, how much later the last window must close. */
	#findRoom(): void {
		const { windows, tasks, arcs } = this.#normal
		const last = windows.at(-1)
		if (!last) return
		const most =
			tasks.reduce((total, { minutes }) => total + minutes, 0) + arcs.reduce((total, { lag }) => total + lag, 0)
		const model = this.#build({
			...this.#normal,
			windows: [...windows.slice(0, -1), { ...last, close: last.close + most }],
		})
		model.endBreaksBefore(last.close)
		const readBest = () => this.#acceptFrom(model, last.close)
		if (!this.#best) {
			const { status } = model.solve({ shouldStop: this.#shouldStop })
			this.#isImpossible = status === 'refuted' && !model.hasMoreRuns
			if (status === 'satisfied') readBest()
		}
		const best = this.#best
		if (!best || best.objective.shortfall === 0) return
		model.solver.reset()
		// A plan that ends before the last close fits: how early it ends is for the levels to say.
		model.solver.require(2 * model.level('finish'), last.close)
		this.#search(model, toIncumbent(best, last.close), {
			levels: ['finish'],
			readBest: () => toIncumbent(readBest(), last.close),
			toValue: (finish) => Math.max(0, finish - last.close),
		})
	}

	/**
	 * Pushes each level down as far as it goes and proves it, in their order.
	 *
	 * @param limits - most that a level may reach; without a limit it is only what comes out
	 */
	#pushLevels(limits: Partial<Record<Level, number>>): void {
		const model = this.#build(this.#normal)
		for (const [level, limit] of Object.entries(limits) as [Level, number][]) {
			model.solver.require(...atMost(model.level(level), limit))
		}
		if (!this.#best) {
			const { status } = model.solve({ shouldStop: this.#shouldStop })
			this.#isImpossible = status === 'refuted' && !model.hasMoreRuns
			if (status !== 'satisfied') return
			this.#acceptFrom(model, Infinity)
		}
		if (!this.#best) return
		this.#prove('shortfall', 0)
		this.#search(model, toIncumbent(this.#best, 0), {
			levels: this.#levels,
			readBest: () => toIncumbent(this.#acceptFrom(model, Infinity), 0),
		})
	}

	#search(
		model: PlanModel,
		incumbent: Incumbent,
		{
			levels,
			readBest,
			toValue,
		}: { levels: readonly Level[]; readBest: () => Incumbent; toValue?: (finish: number) => number },
	): void {
		const nameOf = (level: Level) => (toValue ? 'shortfall' : level)
		const valueOf = toValue ?? ((value: number) => value)
		new LevelSearch(model, incumbent, this.#neighbourhoods, {
			shouldStop: this.#shouldStop,
			onLevel: (level) => (level === 'strain' ? this.#layAnew() : undefined),
			onPlan: readBest,
			onBound: (level, bound) => {
				if (!model.hasMoreRuns) this.#setBound(nameOf(level), valueOf(bound))
			},
			onProven: (level, value) => {
				if (!model.hasMoreRuns) this.#prove(nameOf(level), valueOf(value))
			},
		}).run(levels)
	}

	/** A model of the instance, with all pins as rules. Kept, since its counts belong to the whole search. */
	#build(instance: NormalInstance): PlanModel {
		const model = new PlanModel(instance, this.#terms.pins, this.#terms.reliefs)
		for (const pin of model.pins) model.solver.require(...pin)
		this.#models.push(model)
		return model
	}

	/** By decisions or by the clock, whichever comes first. */
	readonly #shouldStop = (): boolean => this.#count('decisions') >= this.#terms.nodes || this.#terms.shouldStop()

	/** Over all models that this search has built. */
	#count(what: 'conflicts' | 'decisions'): number {
		return this.#models.reduce((total, { solver }) => total + solver[what], 0)
	}

	/** No plan is below this value in this level, whether or not one reaches it. */
	#setBound(level: keyof Objective, value: number): void {
		this.#bounds[level] = value
		this.#terms.onProgress(this.#report())
	}

	/** A bound that the best plan reaches: nothing is left to find in this level. */
	#prove(level: keyof Objective, value: number): void {
		this.#proven[level] = value
		this.#setBound(level, value)
	}

	/**
	 * The plan that the model has just found, as the checker sees it.
	 *
	 * @param lastClose - close of the last window as the instance has it, min; the model's may be later
	 */
	#acceptFrom(model: PlanModel, lastClose: number): Best {
		const plan = model.readPlan()
		const end = model.solver.trail.min(model.level('finish'))
		return this.#accept({ ...plan, extension: Math.max(0, end - lastClose) })
	}

	/** Takes a plan that was made without the pins and the limits, if it keeps them. */
	#offer(offered: Plan): void {
		const plan = this.#tidy(offered)
		const { objective } = checkPlan(this.#instance, plan)
		const { pins, reliefs, limits } = this.#terms
		if (!objective || findBrokenPins(this.#instance, plan, pins).length > 0) return
		if (reliefs && !keepsReliefs(this.#instance, plan, reliefs)) return
		const isWithin = Object.entries(limits ?? {}).every(([level, limit]) => {
			return (objective[level as Level] ?? Infinity) <= limit
		})
		if (!limits || isWithin) this.#take(plan, objective)
	}

	/** Takes a plan that is better than the best so far; the checker has the last word on what it is worth. */
	#accept(found: Plan): Best {
		const plan = this.#tidy(found)
		const { objective, errors } = checkPlan(this.#instance, plan)
		if (!objective) throw new Error(`a plan breaks a rule: ${errors.join('; ')}`)
		return this.#take(plan, objective)
	}

	/** Without swaps of no use, but for those that are pinned. */
	#tidy(plan: Plan): Plan {
		const pinned = new Set(this.#terms.pins.flatMap((pin) => (pin.kind === 'swap' ? [pin.arc] : [])))
		return tidySwaps(this.#instance, plan, pinned)
	}

	/** Keeps the better of two; of equal ones the first, so that what is shown does not flicker. */
	#take(plan: Plan, objective: Objective): Best {
		if (!this.#best || compareObjectives(objective, this.#best.objective, this.#terms.levels) < 0) {
			this.#best = { plan, objective }
			this.#terms.onProgress(this.#report())
		}
		return this.#best
	}

	/** What is known so far: it may be asked at any time, also in the middle of a search. */
	#report(): ExactPlan {
		const counts = { conflicts: this.#count('conflicts'), nodes: this.#count('decisions') }
		const common = { proven: { ...this.#proven }, bounds: { ...this.#bounds }, ...counts }
		if (!this.#best) return { status: this.#isImpossible ? 'impossible' : 'unknown', ...common }
		const { plan, objective } = this.#best
		if (objective.shortfall > 0) return { status: 'infeasible', objective, ...common, plan }
		const isOptimal = this.#levels.every((level) => common.proven[level] !== undefined)
		return { status: isOptimal ? 'optimal' : 'feasible', objective, ...common, plan }
	}
}

/** Where everything is done, as one text. */
function placesOf({ placements, swaps }: Plan): string {
	const places = Object.entries(placements).map(([id, { place }]) => [id, place])
	return JSON.stringify([places.toSorted(), swaps.toSorted((a, b) => a - b)])
}

/** @param lastClose - what a shortfall is counted from, as a finish */
function toIncumbent({ plan, objective }: Best, lastClose: number): Incumbent {
	return { plan, values: { finish: lastClose + objective.shortfall, ...objective } }
}
