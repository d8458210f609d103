/** Schedules as a model of the plan's solver: some jobs may move, the others stay where they are. */
import type { Literals } from '../../plan/kernel/trail'
import type { SolveAnswer } from '../../plan/kernel/solver'
import { atLeast, atMost, not, type Expression, type Literal } from '../../plan/model/literal'
import { ModelBuilder, type Multiple } from '../../plan/model/model-builder'
import {
	limitOn,
	shiftTimes,
	type Lying,
	type PrepJob,
	type PrepLevel,
	type PrepProblem,
	type Schedule,
} from './prep-problem'

/** The levels that the model knows: it places every job. */
export type ModelLevel = Exclude<PrepLevel, 'unplaced'>

interface JobVariables {
	job: PrepJob
	start: Expression
	end: Expression
	/** It may move. */
	isFree: boolean
	/** Windows that it may lie in, with the choice for each. */
	inWindow: { window: number; choice: Literal }[]
}

export class PrepModel {
	readonly #builder = new ModelBuilder()
	readonly #problem: PrepProblem
	readonly #jobs: JobVariables[]
	readonly #levels: Record<ModelLevel, number>
	/** By variable: its value in the best schedule so far. */
	readonly #saved = new Map<number, number>()
	/** Choices of an order, window or day, which are remembered as they were. */
	readonly #choices: number[] = []

	/**
	 * @param problem - whose every job the schedule places
	 * @param free - ids of the jobs that may move
	 */
	constructor(problem: PrepProblem, schedule: Schedule, free: ReadonlySet<string>) {
		this.#problem = problem
		const times = shiftTimes(problem.jobs)
		this.#jobs = problem.jobs.map((job) => {
			return this.#addJob(job, schedule[job.id] ?? 0, free.has(job.id), times.get(job.id)?.release ?? job.release)
		})
		this.#keepWaits()
		this.#keepApart()
		this.#keepLimit()
		this.#keepFormers()
		this.#levels = this.#addLevels()
		this.#builder.solver.branchBy((x, trail) => {
			const [min, max] = [trail.min(x), trail.max(x)]
			const value = Math.min(max, Math.max(min, this.#saved.get(x) ?? min))
			return max > value ? [2 * x + 1, -value] : [2 * x, value]
		})
	}

	/** @returns the search, and where it is satisfied the schedule that it found */
	solve(
		limits: readonly { level: ModelLevel; atMost: number }[],
		steps: number,
		shouldStop: () => boolean,
	): { status: SolveAnswer['status']; schedule?: Schedule } {
		const assumptions: Literals = limits.flatMap(({ level, atMost: most }) => atMost(this.#levels[level], most))
		const { solver } = this.#builder
		const { status } = solver.solve({ assumptions, steps, shouldStop })
		if (status !== 'satisfied') return { status }
		const starts = this.#jobs.map(({ job, start }) => {
			return [job.id, solver.trail.min(start.variable) + start.plus] as const
		})
		for (const variable of [...this.#jobs.map(({ start }) => start.variable), ...this.#choices])
			this.#saved.set(variable, solver.trail.min(variable))
		return { status, schedule: Object.fromEntries(starts) }
	}

	/** Bounds propagated so far. */
	get steps(): number {
		return this.#builder.solver.steps
	}

	/** Nothing is better at a level: from here on it is a rule. */
	require(level: ModelLevel, value: number): void {
		this.#builder.solver.reset()
		this.#builder.solver.require(...atMost(this.#levels[level], value))
	}

	/** What the level is at least, as far as the root tells. */
	least(level: ModelLevel): number {
		this.#builder.solver.reset()
		return this.#builder.solver.trail.min(this.#levels[level])
	}

	#addJob(job: PrepJob, start: number, isFree: boolean, release: number): JobVariables {
		const { windows } = this.#problem
		const last = windows.at(-1)?.close ?? 0
		const variable = this.#builder.solver.addVariable(isFree ? release : start, isFree ? last - job.minutes : start)
		const expression = { variable, plus: 0 }
		const inWindow = windows.flatMap(({ open, close, day }, window) => {
			const [from, to] = [Math.max(open, release), close - job.minutes]
			if (from > to || (job.day !== undefined && job.day !== day)) return []
			if (!isFree) return open <= start && start <= to ? [{ window, choice: this.#builder.yes }] : []
			const choice = this.#choose(from <= start && start <= to)
			this.#builder.implies([choice], atLeast(variable, from))
			this.#builder.implies([choice], atMost(variable, to))
			return [{ window, choice }]
		})
		this.#saved.set(variable, start)
		if (isFree) {
			this.#builder.atLeastOne(...inWindow.map(({ choice }) => choice))
			this.#builder.solver.decideOn(variable)
		}
		return { job, start: expression, end: { variable, plus: job.minutes }, isFree, inWindow }
	}

	/** @param isSo - in the schedule from which the search begins */
	#choose(isSo: boolean): Literal {
		const choice = this.#builder.addChoice()
		this.#choices.push(choice[0] >> 1)
		this.#saved.set(choice[0] >> 1, isSo ? 1 : 0)
		return choice
	}

	#savedStart({ start: { variable } }: JobVariables): number {
		return this.#saved.get(variable) ?? this.#builder.solver.trail.min(variable)
	}

	#keepWaits(): void {
		const byId = new Map(this.#jobs.map((own) => [own.job.id, own]))
		for (const { job, start } of this.#jobs)
			for (const { id, lag } of job.after) {
				const before = byId.get(id)
				if (before) this.#builder.before(before.end, start, lag)
			}
	}

	/** One pair of hands. */
	#keepApart(): void {
		this.#eachPair(this.#jobs, (one, other) => {
			const isFirst = this.#choose(this.#savedStart(one) < this.#savedStart(other))
			this.#builder.before(one.end, other.start, 0, [isFirst])
			this.#builder.before(other.end, one.start, 0, [not(isFirst)])
		})
	}

	/** Pairs of which at least one may move and that can come into each other's way. */
	#eachPair(jobs: readonly JobVariables[], tell: (one: JobVariables, other: JobVariables) => void): void {
		const byId = new Map(this.#jobs.map((own) => [own.job.id, own]))
		const waitsFor = (job: PrepJob, id: string): boolean => {
			return job.after.some((before) => {
				const other = byId.get(before.id)
				return before.id === id || (other !== undefined && waitsFor(other.job, id))
			})
		}
		for (const [i, one] of jobs.entries())
			for (const other of jobs.slice(0, i)) {
				if (!one.isFree && !other.isFree) continue
				if (waitsFor(one.job, other.job.id) || waitsFor(other.job, one.job.id)) continue
				tell(one, other)
			}
	}

	#keepLimit(): void {
		for (const day of new Set(this.#problem.windows.map((window) => window.day))) {
			const work = this.#jobs.flatMap(({ job, inWindow }) =>
				inWindow
					.filter(({ window }) => this.#problem.windows[window]?.day === day)
					.map(({ choice }): Multiple => ({ of: choice, factor: job.minutes })),
			)
			this.#builder.limit(work, limitOn(this.#problem, day))
		}
	}

	/** Of jobs that together need more formers than there are, at least two do not lie there at once. */
	#keepFormers(): void {
		for (const [former, count] of Object.entries(this.#problem.formers)) {
			const uses: FormerUse[] = [
				...(this.#problem.lying ?? []).filter((one) => one.former === former),
				...this.#jobs.flatMap((own) => (own.job.stay?.former === former ? [{ count: own.job.stay.count, own }] : [])),
			]
			const apart = new Map<string, Literal[]>()
			const separations = (one: FormerUse, other: FormerUse): Literal[] => {
				if ('until' in one) return 'until' in other ? [] : [takenOff(one, other.own)]
				if ('until' in other) return [takenOff(other, one.own)]
				const key = [one.own.job.id, other.own.job.id].toSorted().join('\n')
				const made = apart.get(key) ?? [this.#separate(one.own, other.own), this.#separate(other.own, one.own)]
				apart.set(key, made)
				return made
			}
			for (const set of tooMany(uses, count)) {
				if (!set.some((use) => 'own' in use && use.own.isFree)) continue
				this.#builder.atLeastOne(
					...set.flatMap((one, i) => set.slice(0, i).flatMap((other) => separations(one, other))),
				)
			}
		}
	}

	/** The choice that the second is laid down when the first has been taken off. */
	#separate(first: JobVariables, second: JobVariables): Literal {
		const choice = this.#choose(this.#savedStart(first) < this.#savedStart(second))
		this.#builder.before(first.end, second.end, first.job.stay?.minutes ?? 0, [choice])
		return choice
	}

	#addLevels(): Record<ModelLevel, number> {
		const builder = this.#builder
		const late: Multiple[] = []
		const age: Multiple[] = []
		const drying: Multiple[] = []
		const used = new Map<number, Literal>()
		for (const { job, start, end, inWindow } of this.#jobs) {
			const { release, deadline, isFresh, isDrying } = job
			late.push({ of: this.#atLeast([{ of: end, factor: 1 }], deadline), factor: 1 })
			if (isFresh) age.push({ of: this.#atLeast([{ of: end, factor: -1 }], -deadline), factor: 1 })
			if (isDrying) drying.push({ of: this.#atLeast([{ of: start, factor: 1 }], release), factor: 1 })
			for (const { window, choice } of inWindow) {
				const day = this.#problem.windows[window]?.day ?? 0
				const isUsed = used.get(day) ?? builder.addChoice(-1)
				used.set(day, isUsed)
				builder.implies([choice], isUsed)
			}
		}
		return {
			late: builder.addSum(late),
			days: builder.addSum([...used.values()].map((of): Multiple => ({ of, factor: 1 }))),
			age: builder.addSum(age),
			drying: builder.addSum(drying),
		}
	}

	/** A variable of at least the sum less the bound, and at least 0. */
	#atLeast(sum: readonly Multiple[], bound: number): Expression {
		const last = this.#problem.windows.at(-1)?.close ?? 0
		const first = Math.min(0, ...this.#problem.jobs.map(({ release }) => release))
		const most = Math.max(0, last - first, ...this.#problem.jobs.map(({ deadline }) => deadline - first))
		const variable = this.#builder.solver.addVariable(0, most)
		this.#builder.limit([...sum, { of: { variable, plus: 0 }, factor: -1 }], bound)
		return { variable, plus: 0 }
	}
}

/** What is on a kind of former: from before, or laid there by a job. */
type FormerUse = Lying | { count: number; own: JobVariables }

/** That a job lays its pieces down when those from before have been taken off. */
function takenOff({ until }: Lying, { end: { variable, plus } }: JobVariables): Literal {
	return atLeast(variable, until - plus)
}

/** Sets that need more than there is, none of which holds another: of few uses of one kind of former. */
function tooMany(uses: readonly FormerUse[], room: number): FormerUse[][] {
	const found: FormerUse[][] = []
	const grow = (from: number, set: FormerUse[], sum: number) => {
		for (const [k, own] of uses.entries()) {
			if (k < from) continue
			const total = sum + own.count
			const isMinimal = [...set, own].every(({ count }) => total - count <= room)
			if (total <= room) grow(k + 1, [...set, own], total)
			else if (isMinimal) found.push([...set, own])
		}
	}
	grow(0, [], 0)
	return found
}
