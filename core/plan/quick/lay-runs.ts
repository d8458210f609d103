/** Runs of one task, or of two interleaved ones, laid into the earliest slots that their waits allow. */
import type { NormalTask } from '../problem/normal-form'
import type { Run } from '../problem/plan'
import type { Wait } from './decisions'
import type { Timeline } from './timeline'

/** Where the units of a task may begin, from its waits. */
export interface Release {
	/** Clock minute for the task as a whole. */
	earliest: number
	/** Clock minute by unit, from piecewise waits; undefined if there are none. */
	byUnit: Float64Array | undefined
}

/** One run of all units, in class or at home. */
export function layWhole(timeline: Timeline, task: NormalTask, release: Release, isHome: boolean): Run[] | undefined {
	const start = wholeRelease(task, release)
	const slot = isHome ? timeline.findHomeSlot(start, task.minutes) : timeline.findClassSlot(start, task.minutes)
	if (!slot) return undefined
	if (isHome) timeline.takeAtHome(slot.start, slot.start + task.minutes)
	else timeline.take(slot.start, slot.start + task.minutes)
	return [{ start: slot.start, units: task.units }]
}

/** As many runs as it takes, each as long as its slot lets it be. */
export function laySplit(timeline: Timeline, task: NormalTask, { earliest, byUnit }: Release): Run[] | undefined {
	const runs: Run[] = []
	let from = earliest
	for (let done = 0; done < task.units;) {
		const run = findRun(timeline, task, { earliest: from, byUnit }, done)
		if (!run) return undefined
		from = run.start + run.units * task.unitMinutes
		timeline.take(run.start, from)
		const last = runs.at(-1)
		if (last && last.start + last.units * task.unitMinutes === run.start) last.units += run.units
		else runs.push(run)
		done += run.units
	}
	return runs
}

/** Whether a piecewise maximum lag cannot hold if each of the two tasks is done in one go. */
export function needsInterleaving({ piecewise, lag, maxLag }: Wait, from: NormalTask, to: NormalTask): boolean {
	return (
		piecewise &&
		from.units === to.units &&
		chunkOffset(from.units, lag, from, to) + largestWait(from.units, from, to) > maxLag
	)
}

/**
 * Two tasks in turn, a chunk of the one and then the same units of the other, so that no unit waits too long.
 *
 * @returns undefined if the least chunks are too large for the maximum lag
 */
export function layInterleaved(
	timeline: Timeline,
	wait: Wait,
	from: { task: NormalTask; release: Release },
	to: { task: NormalTask; release: Release },
): { from: Run[]; to: Run[] } | undefined {
	const least = Math.max(from.task.minChunk, to.task.minChunk)
	let chunk = from.task.units
	while (
		chunk > 0 &&
		chunkOffset(chunk, wait.lag, from.task, to.task) + largestWait(chunk, from.task, to.task) > wait.maxLag
	)
		chunk--
	if (chunk < least) return undefined
	const laid = { from: [] as Run[], to: [] as Run[] }
	let earliest = Math.max(
		wholeRelease(from.task, from.release),
		wholeRelease(to.task, to.release) - from.task.unitMinutes,
	)
	for (let done = 0; done < from.task.units;) {
		const units = Math.min(chunk, from.task.units - done)
		const offset = units * from.task.unitMinutes + chunkOffset(units, wait.lag, from.task, to.task)
		const slot = timeline.findClassSlot(earliest, offset + units * to.task.unitMinutes)
		if (!slot) return undefined
		earliest = slot.start + offset + units * to.task.unitMinutes
		timeline.take(slot.start, slot.start + units * from.task.unitMinutes)
		timeline.take(slot.start + offset, earliest)
		laid.from.push({ start: slot.start, units })
		laid.to.push({ start: slot.start + offset, units })
		done += units
	}
	return laid
}

/** Minutes between the end of a chunk of `from` and the start of the same units of `to`, so that each has its lag. */
function chunkOffset(units: number, lag: number, from: NormalTask, to: NormalTask): number {
	return Math.max(0, lag - (units - 1) * to.unitMinutes, lag - (units - 1) * from.unitMinutes)
}

/** The longest wait of a unit between two chunks that follow each other at once: that of the first or the last unit. */
function largestWait(units: number, from: NormalTask, to: NormalTask): number {
	return (units - 1) * Math.max(from.unitMinutes, to.unitMinutes)
}

/** Earliest start of a task in one run: no unit begins before its own release. */
function wholeRelease(task: NormalTask, { earliest, byUnit }: Release): number {
	let start = earliest
	byUnit?.forEach((release, k) => (start = Math.max(start, release - k * task.unitMinutes)))
	return start
}

/** The earliest run of the units from `done` on that is long enough: a chunk, or all that is left. */
function findRun(timeline: Timeline, task: NormalTask, { earliest, byUnit }: Release, done: number): Run | undefined {
	const left = task.units - done
	const least = Math.min(task.minChunk, left)
	let start = earliest
	for (let k = 0; k < least; k++) start = Math.max(start, (byUnit?.[done + k] ?? -Infinity) - k * task.unitMinutes)
	const slot = timeline.findClassSlot(start, least * task.unitMinutes)
	if (!slot) return undefined
	let units = least
	while (units < left && slot.start + (units + 1) * task.unitMinutes <= slot.end) {
		if ((byUnit?.[done + units] ?? -Infinity) > slot.start + units * task.unitMinutes) break
		units++
	}
	return { start: slot.start, units }
}
