/** Judges a schedule from the raw problem: which rules it breaks, and what it is worth. Shares nothing with the planners. */
import type { PrepJob, PrepObjective, PrepProblem, Schedule } from './prep-problem'

/** One line for every rule that is broken; none: it is a schedule. */
export function checkSchedule(problem: PrepProblem, schedule: Schedule): string[] {
	const { windows, jobs, formers, lying = [], mostMinutesADay, mostMinutesOn } = problem
	const broken: string[] = []
	const placed = jobs.flatMap((job) => {
		const start = schedule[job.id]
		return start === undefined ? [] : [{ job, start, end: start + job.minutes }]
	})
	const work = new Map<number, number>()
	for (const { job, start, end } of placed) {
		const window = windows.find(({ open, close }) => open <= start && end <= close)
		if (start < job.release) broken.push(`${job.id} begins before it can`)
		if (!window) broken.push(`${job.id} does not lie in one free window`)
		else {
			work.set(window.day, (work.get(window.day) ?? 0) + job.minutes)
			if (job.day !== undefined && job.day !== window.day) broken.push(`${job.id} is not on its day`)
		}
		for (const { id, lag } of job.after) {
			const before = placed.find((other) => other.job.id === id)
			if (!before) broken.push(`${job.id} has a place, and ${id} before it has none`)
			else if (start < before.end + lag) broken.push(`${job.id} begins too soon after ${id}`)
		}
		for (const other of placed)
			if (other.job.id < job.id && other.start < end && start < other.end)
				broken.push(`${other.job.id} and ${job.id} overlap`)
	}
	for (const [day, minutes] of work)
		if (minutes > (mostMinutesOn?.[day] ?? mostMinutesADay)) broken.push(`day ${day} has ${minutes} min of work`)
	for (const [former, count] of Object.entries(formers))
		for (const { job, end } of placed) {
			const before = lying.reduce((sum, one) => sum + (one.former === former && end < one.until ? one.count : 0), 0)
			if (job.stay?.former === former && before + inUse(former, end, placed) > count)
				broken.push(`too many on ${former}`)
		}
	return broken
}

type Placed = { job: PrepJob; end: number }

/** Formers of a kind in use from a moment on: what has been laid down by then and not yet been taken off. */
function inUse(former: string, moment: number, placed: readonly Placed[]): number {
	return placed.reduce((sum, { job: { stay }, end }) => {
		const lies = stay?.former === former && end <= moment && moment < end + stay.minutes
		return lies ? sum + stay.count : sum
	}, 0)
}

/** @param schedule - that keeps the rules */
export function worthOf({ windows, jobs }: PrepProblem, schedule: Schedule): PrepObjective {
	const worth: PrepObjective = { unplaced: 0, late: 0, days: 0, age: 0, drying: 0 }
	const days = new Set<number | undefined>()
	for (const { id, minutes, release, deadline, isFresh, isDrying } of jobs) {
		const start = schedule[id]
		if (start === undefined) {
			worth.unplaced++
			continue
		}
		const end = start + minutes
		days.add(windows.find(({ open, close }) => open <= start && end <= close)?.day)
		worth.late += Math.max(0, end - deadline)
		if (isFresh) worth.age += Math.max(0, deadline - end)
		if (isDrying) worth.drying += start - release
	}
	worth.days = days.size
	return worth
}
