/**
 * Work before class as data: one pair of hands, free in some stretches, and jobs between which things dry or rest.
 * All times are whole clock minutes from any origin.
 */
export interface FreeWindow {
	open: number
	/** After it opens; windows are sorted and never overlap. */
	close: number
	/** Number of the calendar day that it lies in. */
	day: number
}

export interface PrepJob {
	id: string
	/** Whole, >= 1: it is done in one go, inside one window. */
	minutes: number
	/** It begins no earlier. */
	release: number
	/** It should have ended by then. */
	deadline: number
	/** Each at least `lag` minutes of clock time, >= 0, after the end of another. */
	after: { id: string; lag: number }[]
	/** From its end on, so many formers of a kind are in use for so long. */
	stay?: { former: string; count: number; minutes: number }
	/** The later the better: what it makes gets old. */
	isFresh?: boolean
	/** The earlier the better: what it makes dries. */
	isDrying?: boolean
	/** Settled: it is done on that day. */
	day?: number
}

/** Pieces that were laid onto formers before. */
export interface Lying {
	former: string
	count: number
	until: number
}

export interface PrepProblem {
	windows: FreeWindow[]
	jobs: PrepJob[]
	/** Of each kind of former that is counted; of others there are always enough. */
	formers: Readonly<Record<string, number>>
	/** On them from before the first window on, each until it is taken off; together no more than there are. */
	lying?: readonly Lying[]
	/** Of work on one day. */
	mostMinutesADay: number
	/** By number of the day: where another limit holds. */
	mostMinutesOn?: Readonly<Record<number, number>>
}

/** Most minutes of work on a day. */
export function limitOn({ mostMinutesADay, mostMinutesOn = {} }: PrepProblem, day: number): number {
	return mostMinutesOn[day] ?? mostMinutesADay
}

/** When each job begins; jobs that are not listed have found no place. */
export type Schedule = Readonly<Record<string, number>>

/** What schedules are compared by, in this order, each the smaller the better. */
export const PREP_LEVELS = ['unplaced', 'late', 'days', 'age', 'drying'] as const
export type PrepLevel = (typeof PREP_LEVELS)[number]

/**
 * `unplaced`: jobs without a place. `late`: minutes after their deadlines. `days`: on which there is work. `age`: minutes that fresh
 * things lie before their deadlines. `drying`: minutes by which what dries begins later than it could.
 */
export type PrepObjective = Record<PrepLevel, number>

/** @returns < 0 if `a` is the better */
export function comparePrep(a: PrepObjective, b: PrepObjective): number {
	for (const level of PREP_LEVELS) if (a[level] !== b[level]) return a[level] - b[level]
	return 0
}

/** Of the windows, between two moments. */
export function freeMinutes(windows: readonly FreeWindow[], from: number, until: number): number {
	return windows.reduce((sum, { open, close }) => sum + Math.max(0, Math.min(close, until) - Math.max(open, from)), 0)
}

/**
 * Releases and deadlines as the waits make them: no schedule that keeps the waits begins or ends outside.
 *
 * @throws {RangeError} jobs wait for each other in a circle, or for one that there is not
 */
export function shiftTimes(jobs: readonly PrepJob[]): Map<string, { release: number; deadline: number }> {
	const order = inOrder(jobs)
	const times = new Map(jobs.map(({ id, release, deadline }) => [id, { release, deadline }]))
	const of = (id: string) => times.get(id) ?? { release: 0, deadline: 0 }
	const byId = new Map(jobs.map((job) => [job.id, job]))
	for (const job of order)
		for (const { id, lag } of job.after) {
			const before = byId.get(id)
			if (before) of(job.id).release = Math.max(of(job.id).release, of(id).release + before.minutes + lag)
		}
	for (const job of order.toReversed())
		for (const { id, lag } of job.after)
			of(id).deadline = Math.min(of(id).deadline, of(job.id).deadline - job.minutes - lag)
	return times
}

/** Every job after those that it waits for. */
export function inOrder(jobs: readonly PrepJob[]): PrepJob[] {
	const byId = new Map(jobs.map((job) => [job.id, job]))
	const done = new Set<string>()
	const order: PrepJob[] = []
	const visit = (job: PrepJob, above: ReadonlySet<string>) => {
		if (done.has(job.id)) return
		if (above.has(job.id)) throw new RangeError(`the job "${job.id}" waits for itself`)
		for (const { id } of job.after) {
			const before = byId.get(id)
			if (!before) throw new RangeError(`the job "${job.id}" waits for "${id}", which there is not`)
			visit(before, new Set([...above, job.id]))
		}
		done.add(job.id)
		order.push(job)
	}
	for (const job of jobs) visit(job, new Set())
	return order
}
