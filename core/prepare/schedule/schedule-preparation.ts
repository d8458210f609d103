/**
 * The best schedule of work before class: levels pushed down in turn until each is proven. Of more jobs than one search
 * holds, neighbours in time are moved together, all others staying where they are; then nothing is proven.
 */
import { worthOf } from './check-schedule'
import { findOverload, type Overload } from './overload'
import {
	comparePrep,
	PREP_LEVELS,
	shiftTimes,
	type PrepJob,
	type PrepLevel,
	type PrepObjective,
	type PrepProblem,
	type Schedule,
} from './prep-problem'
import { PrepModel, type ModelLevel } from './prep-model'
import { scheduleQuickly } from './schedule-quickly'

export interface PrepEffort {
	/** Bounds propagated, in all; the same number gives the same schedule. 0: the quick one. */
	steps?: number
	/** Asked now and then: true to stop with the best so far. */
	shouldStop?: () => boolean
}

export interface FoundSchedule {
	schedule: Schedule
	objective: PrepObjective
	/** The first levels, in their order, below which nothing is. */
	proven: PrepLevel[]
	/** Why it cannot all be in time, where that is proven at once. */
	overload?: Overload
}

/** About a second. */
const USUAL_STEPS = 600_000
/** Jobs that one search moves. */
const MOST_AT_ONCE = 36
/** Of the steps that are left to a group of jobs, those of one question. */
const SHARE = 4
/** With fewer a question is not asked any more. */
const LEAST_STEPS = 2_000
const MODEL_LEVELS = PREP_LEVELS.filter((level): level is ModelLevel => level !== 'unplaced')

/** @throws {RangeError} jobs wait for each other in a circle, or for one that there is not */
export function schedulePreparation(problem: PrepProblem, effort: PrepEffort = {}): FoundSchedule {
	const { steps = USUAL_STEPS, shouldStop = () => false } = effort
	const overload = findOverload(problem)
	const first = scheduleQuickly(problem)
	const search = new PrepSearch(placedPart(problem, first), first, steps, shouldStop)
	search.run()
	const schedule = search.best
	const objective = worthOf(problem, schedule)
	// What found no place at first is not looked for again: of the rest nothing is proven then.
	const isProven = (level: PrepLevel) => objective[level] === 0 || search.proven.some((own) => own === level)
	const open = objective.unplaced > 0 ? 0 : PREP_LEVELS.findIndex((level) => !isProven(level))
	const proven = open < 0 ? [...PREP_LEVELS] : PREP_LEVELS.slice(0, open)
	return { schedule, objective, proven, ...(overload && { overload }) }
}

/** Without the jobs that have no place. */
function placedPart(problem: PrepProblem, schedule: Schedule): PrepProblem {
	const jobs = problem.jobs.filter(({ id }) => schedule[id] !== undefined)
	return { ...problem, jobs }
}

class PrepSearch {
	readonly #problem: PrepProblem
	readonly #steps: number
	readonly #shouldStop: () => boolean
	best: Schedule
	proven: ModelLevel[] = []

	constructor(problem: PrepProblem, first: Schedule, steps: number, shouldStop: () => boolean) {
		this.#problem = problem
		this.#steps = steps
		this.#shouldStop = shouldStop
		this.best = first
	}

	run(): void {
		const groups = groupInTime(this.#problem.jobs)
		if (this.#steps === 0) return
		for (const group of groups) {
			if (this.#shouldStop()) return
			const proven = this.#improve(new Set(group.map(({ id }) => id)), Math.floor(this.#steps / groups.length))
			if (groups.length === 1) this.proven = proven
		}
	}

	/** @returns the levels that are proven best for these jobs, the others staying where they are */
	#improve(free: ReadonlySet<string>, steps: number): ModelLevel[] {
		const model = new PrepModel(this.#problem, this.best, free)
		const proven: ModelLevel[] = []
		const kept: { level: ModelLevel; atMost: number }[] = []
		for (const level of MODEL_LEVELS) {
			const isProven = this.#lower(model, level, kept, steps)
			const value = worthOf(this.#problem, this.best)[level]
			if (isProven && kept.length === 0) {
				model.require(level, value)
				proven.push(level)
			} else kept.push({ level, atMost: value })
		}
		return proven
	}

	/** True: nothing is better at that level, those before it being as they are. */
	#lower(
		model: PrepModel,
		level: ModelLevel,
		kept: readonly { level: ModelLevel; atMost: number }[],
		last: number,
	): boolean {
		let bound = model.least(level)
		for (;;) {
			const value = worthOf(this.#problem, this.best)[level]
			if (value <= bound) return true
			const steps = Math.floor((last - model.steps) / SHARE)
			if (this.#shouldStop() || steps < LEAST_STEPS) return false
			// In large steps first: half of what is open, and when that is refuted the bound rises.
			const target = Math.floor((bound + value - 1) / 2)
			const { status, schedule } = model.solve([...kept, { level, atMost: target }], steps, this.#shouldStop)
			if (status === 'stopped') {
				if (target === value - 1) return false
				const near = model.solve([...kept, { level, atMost: value - 1 }], steps, this.#shouldStop)
				if (near.status === 'refuted') return true
				if (!near.schedule) return false
				this.#take(near.schedule)
			} else if (schedule) this.#take(schedule)
			else bound = target + 1
		}
	}

	#take(schedule: Schedule): void {
		if (comparePrep(worthOf(this.#problem, schedule), worthOf(this.#problem, this.best)) < 0) this.best = schedule
	}
}

/** Neighbours by their deadlines, in groups that one search holds. */
function groupInTime(jobs: readonly PrepJob[]): PrepJob[][] {
	const times = shiftTimes(jobs)
	const deadlineOf = ({ id }: PrepJob) => times.get(id)?.deadline ?? 0
	const sorted = jobs.toSorted((a, b) => deadlineOf(a) - deadlineOf(b))
	const count = Math.ceil(sorted.length / MOST_AT_ONCE)
	const size = Math.ceil(sorted.length / Math.max(1, count))
	return Array.from({ length: count }, (_, g) => sorted.slice(g * size, (g + 1) * size))
}
