/**
 * A schedule at once: job by job, the most urgent first, each into the first free gap; what gets old into the last one in
 * time, where nothing suffers by it.
 */
import { worthOf } from './check-schedule'
import {
	comparePrep,
	inOrder,
	limitOn,
	shiftTimes,
	type FreeWindow,
	type PrepJob,
	type PrepProblem,
	type Schedule,
} from './prep-problem'

interface Placed {
	job: PrepJob
	start: number
	end: number
}

/** @throws {RangeError} as `shiftTimes` */
export function scheduleQuickly(problem: PrepProblem): Schedule {
	const [late, early] = [placeAll(problem, true), placeAll(problem, false)]
	return comparePrep(worthOf(problem, late), worthOf(problem, early)) <= 0 ? late : early
}

function placeAll(problem: PrepProblem, isFreshLate: boolean): Schedule {
	const times = shiftTimes(problem.jobs)
	const deadlineOf = (id: string) => times.get(id)?.deadline ?? Infinity
	const placed: Placed[] = []
	const open = inOrder(problem.jobs).toSorted((a, b) => deadlineOf(a.id) - deadlineOf(b.id))
	while (open.length > 0) {
		// Of those that need not wait for any other that is still open.
		const at = open.findIndex(({ after }) => !after.some(({ id }) => open.some((other) => other.id === id)))
		const [job] = open.splice(at, 1)
		const start =
			job && findPlace(problem, placed, { ...job, isFresh: isFreshLate && job.isFresh === true }, deadlineOf(job.id))
		if (job && start !== undefined) placed.push({ job, start, end: start + job.minutes })
	}
	return Object.fromEntries(placed.map(({ job, start }) => [job.id, start]))
}

/** Undefined: there is none, or something that it waits for has none. */
function findPlace(
	problem: PrepProblem,
	placed: readonly Placed[],
	job: PrepJob,
	deadline: number,
): number | undefined {
	const { windows } = problem
	let earliest = job.release
	for (const { id, lag } of job.after) {
		const before = placed.find((other) => other.job.id === id)
		if (!before) return undefined
		earliest = Math.max(earliest, before.end + lag)
	}
	const gaps = windows.flatMap((window) => {
		if (job.day !== undefined && job.day !== window.day) return []
		const inside = placed.filter(({ start }) => window.open <= start && start < window.close)
		const ofDay = placed.filter(({ start }) => dayOf(windows, start) === window.day)
		const work = ofDay.reduce((sum, { job: { minutes } }) => sum + minutes, 0)
		return work + job.minutes > limitOn(problem, window.day) ? [] : gapsOf(window, inside)
	})
	const starts = gaps.flatMap(({ open, close }) => {
		const [first, last] = [Math.max(open, earliest), close - job.minutes]
		if (first > last) return []
		const inTime = Math.min(last, deadline - job.minutes)
		return job.isFresh && inTime >= first ? [inTime, first] : [first]
	})
	const free = starts.filter((start) => fitsFormers(problem, placed, job, start + job.minutes))
	const inTime = free.filter((start) => start + job.minutes <= deadline)
	return job.isFresh && inTime.length > 0 ? Math.max(...inTime) : free.toSorted((a, b) => a - b)[0]
}

function gapsOf({ open, close }: FreeWindow, inside: readonly Placed[]): { open: number; close: number }[] {
	const sorted = inside.toSorted((a, b) => a.start - b.start)
	const opens = [open, ...sorted.map(({ end }) => end)]
	const closes = [...sorted.map(({ start }) => start), close]
	return opens.map((from, g) => ({ open: from, close: closes[g] ?? close }))
}

function dayOf(windows: readonly FreeWindow[], start: number): number | undefined {
	return windows.find(({ open, close }) => open <= start && start < close)?.day
}

function fitsFormers(
	{ formers, lying = [] }: PrepProblem,
	placed: readonly Placed[],
	{ stay }: PrepJob,
	end: number,
): boolean {
	const count = stay && formers[stay.former]
	if (!stay || count === undefined) return true
	const others = placed.flatMap((other) => (other.job.stay?.former === stay.former ? [stayOf(other)] : []))
	const own = { from: end, until: end + stay.minutes, count: stay.count }
	const before = lying.filter(({ former }) => former === stay.former).map((one) => ({ ...one, from: -Infinity }))
	const all = [own, ...others, ...before]
	// Most lie there at the moment at which one of them is laid down.
	return [own, ...others].every(({ from }) => {
		const lying = all.filter((one) => one.from <= from && from < one.until)
		return lying.reduce((sum, one) => sum + one.count, 0) <= count
	})
}

function stayOf({ job: { stay }, end }: Placed): { from: number; until: number; count: number } {
	return { from: end, until: end + (stay?.minutes ?? 0), count: stay?.count ?? 0 }
}
