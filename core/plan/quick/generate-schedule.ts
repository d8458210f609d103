/**
 * Serial schedule generation: tasks are taken by priority as soon as their predecessors are laid, each put into the
 * earliest slot that its waits allow. A maximum lag that comes out too long is mended by releasing its first task
 * later and laying all anew.
 * Source: R. Kolisch, Serial and parallel resource-constrained project scheduling methods revisited, 1996 (from
 * memory); maximum lags and windows are our own addition.
 */
import type { NormalInstance, NormalTask } from '../problem/normal-form'
import type { Run } from '../problem/plan'
import type { BreakStarts } from './break-starts'
import type { Network, Place, Wait } from './decisions'
import { layInterleaved, laySplit, layWhole, needsInterleaving } from './lay-runs'
import { Timeline } from './timeline'
import { WaitingTasks } from './waiting-tasks'

/** What one sample varies. By task index. */
export interface Sample {
	/** The lower, the earlier its turn. */
	priorities: Float64Array
	/** 1: a task of several units may be interrupted. */
	mayInterrupt: Uint8Array
	/** 1: an introduction (see `Network`) is laid right before the first task that needs it. */
	isTogether: Uint8Array
	/** Weight of the earliest start beside the priority: 0 plans ahead, 1 goes by the clock. */
	clockWeight: number
	breaks: BreakStarts
}

/** Counts down the schedules that may still be laid; each mending of one counts too. */
export interface Effort {
	/** That may still be generated; counted down. */
	schedules: number
	/** Asked now and then; true: no more. */
	shouldStop?: () => boolean
}

/** Schedules between two questions whether to stop: some 10 ms. */
const STOP_INTERVAL = 32

/** Runs of each placed task by its index; none for the others. */
export type LaidRuns = readonly (readonly Run[])[]

/** A wait that is longer than its maximum, by so many minutes. */
interface Overrun {
	wait: Wait
	/** By which the limit is broken. */
	minutes: number
}

/** Most mendings of one schedule: each task's release moves a few times before it holds, or never. */
const MAX_MENDINGS = 40

/** Lays schedules for one set of decisions; keeps its work arrays between samples. */
export class ScheduleGenerator {
	readonly #instance: NormalInstance
	readonly #network: Network
	readonly #places: readonly Place[]
	readonly #timeline: Timeline
	readonly #effort: Effort
	/** Tasks that must be laid before a task whose successor may not wait long. */
	readonly #before: readonly (readonly number[])[]
	/** 1: has a predecessor after which it may not wait long. */
	readonly #isUrgent: Uint8Array

	constructor(instance: NormalInstance, network: Network, places: readonly Place[], effort: Effort) {
		this.#effort = effort
		this.#instance = instance
		this.#network = network
		this.#places = places
		this.#timeline = new Timeline(instance)
		this.#before = tasksToLayBefore(network)
		this.#isUrgent = Uint8Array.from(network.into, (waits) => (waits.some(({ maxLag }) => maxLag < Infinity) ? 1 : 0))
	}

	/** @returns undefined if a maximum lag cannot be kept, or homework has no room */
	generate(sample: Sample): LaidRuns | undefined {
		const releases = new Float64Array(this.#instance.tasks.length).fill(this.#instance.windows[0]?.open ?? 0)
		for (const i of this.#network.placed) if (this.#places[i] === 'home') releases[i] = -Infinity
		for (let mending = 0; mending <= MAX_MENDINGS; mending++) {
			if (--this.#effort.schedules % STOP_INTERVAL === 0 && this.#effort.shouldStop?.()) this.#effort.schedules = 0
			const laid = this.#layAll(sample, releases)
			if (!Array.isArray(laid)) {
				if (!laid) return undefined
				const { from } = laid.wait
				releases[from] = Math.max(releases[from] ?? 0, laid.start) + laid.minutes
				continue
			}
			return laid
		}
		return undefined
	}

	/**
	 * Tasks one after the other, each as early as it may lie (serial schedule generation; Kolisch 1996).
	 *
	 * @returns the runs of each task, or the first limit that was broken
	 */
	#layAll(sample: Sample, releases: Float64Array): Run[][] | (Overrun & { start: number }) | undefined {
		this.#timeline.clear()
		for (const [b, start] of sample.breaks.entries()) {
			this.#timeline.take(start, start + (this.#instance.breaks[b]?.minutes ?? 0))
		}
		const laid: Run[][] = this.#instance.tasks.map(() => [])
		const earliest = Float64Array.from(releases)
		const waiting = new WaitingTasks(this.#network, this.#before, sample.isTogether)
		while (waiting.left.length > 0) {
			const next = this.#chooseNext(waiting, earliest, sample)
			const mayInterrupt = sample.mayInterrupt[next] === 1
			const introduced = this.#layIntroductions(next, waiting, { earliest, laid, mayInterrupt })
			const done = introduced && this.#lay(next, earliest, laid, mayInterrupt)
			if (!done) return undefined
			done.push(...introduced)
			for (const i of done) waiting.remove(i)
			for (const i of done) {
				const overrun = this.#findOverrun(i, laid)
				if (overrun) return { ...overrun, start: laid[overrun.wait.from]?.[0]?.start ?? 0 }
				this.#passOnEarliest(i, laid, earliest)
			}
		}
		return laid
	}

	/** Lays the introductions that a chosen task still needs, in front of it and in one slot with its beginning. */
	#layIntroductions(
		i: number,
		waiting: WaitingTasks,
		{ earliest, laid, mayInterrupt }: { earliest: Float64Array; laid: Run[][]; mayInterrupt: boolean },
	): number[] | undefined {
		const needed = [...new Set((this.#network.into[i] ?? []).map(({ from }) => from))].filter((from) =>
			waiting.has(from),
		)
		const task = this.#instance.tasks[i]
		if (!task || needed.length === 0) return []
		const minutes = needed.reduce((total, from) => total + (this.#instance.tasks[from]?.minutes ?? 0), 0)
		const units = mayInterrupt ? task.minChunk : task.units
		const release = Math.max(earliest[i] ?? 0, this.#unitReleases(i, task, laid)?.[0] ?? -Infinity)
		const slot = this.#timeline.findClassSlot(release - minutes, minutes + units * task.unitMinutes)
		if (!slot) return undefined
		let start = slot.start
		for (const from of needed) {
			const end = start + (this.#instance.tasks[from]?.minutes ?? 0)
			this.#timeline.take(start, end)
			laid[from] = [{ start, units: this.#instance.tasks[from]?.units ?? 0 }]
			start = end
		}
		earliest[i] = Math.max(earliest[i] ?? 0, start)
		return needed
	}

	/** Lays the task, and with it the one that must follow it unit by unit; the tasks laid. */
	#lay(i: number, earliest: Float64Array, laid: Run[][], mayInterrupt: boolean): number[] | undefined {
		const task = this.#instance.tasks[i]
		if (!task) return undefined
		const release = { earliest: earliest[i] ?? 0, byUnit: this.#unitReleases(i, task, laid) }
		const follower = this.#interleavedFollower(i, task)
		if (follower) {
			const { wait, task: to } = follower
			const byUnit = this.#unitReleases(wait.to, to, laid)
			const both = layInterleaved(
				this.#timeline,
				wait,
				{ task, release },
				{ task: to, release: { earliest: earliest[wait.to] ?? 0, byUnit } },
			)
			if (!both) return undefined
			laid[i] = both.from
			laid[wait.to] = both.to
			return [i, wait.to]
		}
		const isSplit = mayInterrupt && task.units > task.minChunk && this.#places[i] === 'class'
		const runs = isSplit
			? laySplit(this.#timeline, task, release)
			: layWhole(this.#timeline, task, release, this.#places[i] === 'home')
		if (!runs) return undefined
		laid[i] = runs
		return [i]
	}

	/** A follower with a limit that must be laid together with the task, piece by piece, to keep it at all. */
	#interleavedFollower(i: number, task: NormalTask): { wait: Wait; task: NormalTask } | undefined {
		for (const wait of this.#network.outOf[i] ?? []) {
			const to = this.#instance.tasks[wait.to]
			const areInClass = this.#places[i] === 'class' && this.#places[wait.to] === 'class'
			if (wait.maxLag < Infinity && to && areInClass && needsInterleaving(wait, task, to)) return { wait, task: to }
		}
		return undefined
	}

	/** The eligible task of least key; one that may not wait long goes before all others. */
	#chooseNext(waiting: WaitingTasks, earliest: Float64Array, { priorities, clockWeight }: Sample): number {
		let chosen = -1
		let least = Infinity
		for (const isStrict of [true, false]) {
			for (const i of waiting.left) {
				if (!waiting.isEligible(i, isStrict)) continue
				const key = this.#isUrgent[i] === 1 ? -Infinity : (priorities[i] ?? 0) + clockWeight * (earliest[i] ?? 0)
				if (chosen < 0 || key < least) {
					chosen = i
					least = key
				}
			}
			if (chosen >= 0) return chosen
		}
		return chosen
	}

	/** Earliest start of each unit from the piecewise waits; undefined if there are none. */
	#unitReleases(i: number, task: NormalTask, laid: Run[][]): Float64Array | undefined {
		let releases: Float64Array | undefined
		for (const { from, lag, piecewise } of this.#network.into[i] ?? []) {
			if (!piecewise) continue
			releases ??= new Float64Array(task.units).fill(-Infinity)
			const unitMinutes = this.#instance.tasks[from]?.unitMinutes ?? 0
			const made = unitStarts(laid[from] ?? [], unitMinutes)
			for (let k = 0; k < task.units; k++) {
				// The last of those that it is made from.
				const last = made[Math.ceil(((k + 1) * made.length) / task.units) - 1] ?? -Infinity
				releases[k] = Math.max(releases[k] ?? 0, last + unitMinutes + lag)
			}
		}
		return releases
	}

	/** The first limit that the task's runs break, with the minutes by which they do. */
	#findOverrun(i: number, laid: Run[][]): Overrun | undefined {
		for (const wait of this.#network.into[i] ?? []) {
			const [from, to] = [this.#instance.tasks[wait.from], this.#instance.tasks[i]]
			if (wait.maxLag === Infinity || !from || !to) continue
			const [fromRuns, toRuns] = [laid[wait.from] ?? [], laid[i] ?? []]
			const minutes =
				(wait.piecewise || wait.isLimitEach ? longestPieceWait : longestWholeWait)(fromRuns, from, toRuns, to) -
				wait.maxLag
			if (minutes > 0) return { wait, minutes }
		}
		return undefined
	}

	/** Followers may start no earlier than the end of the task and the wait. */
	#passOnEarliest(i: number, laid: Run[][], earliest: Float64Array): void {
		const end = endOf(laid[i] ?? [], this.#instance.tasks[i]?.unitMinutes ?? 0)
		for (const { to, lag, piecewise } of this.#network.outOf[i] ?? []) {
			if (!piecewise) earliest[to] = Math.max(earliest[to] ?? 0, end + lag)
		}
	}
}

/** Clock minute at which the last run ends. */
export function endOf(runs: readonly Run[], unitMinutes: number): number {
	const last = runs.at(-1)
	return last ? last.start + last.units * unitMinutes : -Infinity
}

/** Minutes from the end of the one to the start of the other's last unit. */
function longestWholeWait(from: readonly Run[], fromTask: NormalTask, to: readonly Run[], toTask: NormalTask): number {
	return endOf(to, toTask.unitMinutes) - toTask.unitMinutes - endOf(from, fromTask.unitMinutes)
}

/** The most minutes from the first unit that a unit is made from to its start. */
function longestPieceWait(from: readonly Run[], fromTask: NormalTask, to: readonly Run[], toTask: NormalTask): number {
	const ends = unitStarts(from, fromTask.unitMinutes).map((start) => start + fromTask.unitMinutes)
	const starts = unitStarts(to, toTask.unitMinutes)
	return starts.reduce((most, start, k) => {
		return Math.max(most, start - (ends[Math.floor((k * ends.length) / starts.length)] ?? 0))
	}, -Infinity)
}

/** Minute at which each unit begins. */
function unitStarts(runs: readonly Run[], unitMinutes: number): number[] {
	return runs.flatMap(({ start, units }) => Array.from({ length: units }, (_, k) => start + k * unitMinutes))
}

/**
 * For each task with a maximum lag to a successor: the successor's other predecessors that do not depend on the task.
 * Laid first, they cannot hold the successor up once the task is done.
 */
function tasksToLayBefore({ placed, into, outOf }: Network): number[][] {
	const before: number[][] = into.map(() => [])
	for (const i of placed) {
		const urgent = (outOf[i] ?? []).filter(({ maxLag }) => maxLag < Infinity)
		if (urgent.length === 0) continue
		const descendants = new Set([i])
		for (const member of descendants) for (const { to } of outOf[member] ?? []) descendants.add(to)
		const others = urgent.flatMap(({ to }) => (into[to] ?? []).map(({ from }) => from))
		before[i] = others.filter((from) => !descendants.has(from))
	}
	return before
}
