/**
 * Proof that work cannot fit, before any search: some stretch of time must hold more work than it has free minutes.
 * Jobs that may be interrupted meet their deadlines if and only if the earliest deadline first does, which is so if and
 * only if no such stretch exists; what cannot be done so cannot be done at all. Nothing is said of the rest.
 * Source: W. Horn, Some simple scheduling algorithms, Naval Research Logistics Quarterly 21 (1974), from memory.
 */
import { freeMinutes, shiftTimes, type PrepProblem } from './prep-problem'

export interface Overload {
	/** The stretch. */
	from: number
	until: number
	/** What must be done inside it. */
	jobIds: string[]
	/** Of work beyond its free minutes. */
	lackingMinutes: number
}

interface Timed {
	id: string
	minutes: number
	release: number
	deadline: number
}

/**
 * The stretch that lacks most.
 *
 * @returns undefined: nothing is proven
 * @complexity O(n²) stretches of O(n)
 */
export function findOverload({ windows, jobs }: Pick<PrepProblem, 'windows' | 'jobs'>): Overload | undefined {
	const timed = withShiftedTimes(jobs)
	let worst: Overload | undefined
	for (const from of new Set(timed.map(({ release }) => release)))
		for (const until of new Set(timed.map(({ deadline }) => deadline))) {
			const inside = timed.filter(({ release, deadline }) => release >= from && deadline <= until)
			const work = inside.reduce((sum, { minutes }) => sum + minutes, 0)
			const lackingMinutes = work - freeMinutes(windows, from, Math.max(from, until))
			if (lackingMinutes <= Math.max(0, worst?.lackingMinutes ?? 0)) continue
			worst = { from, until, jobIds: inside.map(({ id }) => id), lackingMinutes }
		}
	return worst
}

/** By how much the latest job is late where each may be interrupted, the earliest deadline first; 0: none is. */
export function interruptedLateness({ windows, jobs }: Pick<PrepProblem, 'windows' | 'jobs'>): number {
	const open = withShiftedTimes(jobs).map((job) => ({ ...job, left: job.minutes }))
	const moments = [...new Set(open.map(({ release }) => release))].toSorted((a, b) => a - b)
	let latest = 0
	for (const [w, window] of windows.entries()) {
		let now = window.open
		while (now < window.close) {
			const ready = open.filter(({ left, release }) => left > 0 && release <= now)
			const [next] = ready.toSorted((a, b) => a.deadline - b.deadline)
			const change = moments.find((moment) => moment > now) ?? Infinity
			if (!next) {
				now = change
				continue
			}
			const until = Math.min(window.close, now + next.left, change)
			next.left -= until - now
			now = until
			if (next.left === 0) latest = Math.max(latest, now - next.deadline)
		}
		if (w === windows.length - 1 && open.some(({ left }) => left > 0)) return Infinity
	}
	return windows.length === 0 && open.length > 0 ? Infinity : latest
}

function withShiftedTimes(jobs: PrepProblem['jobs']): Timed[] {
	const times = shiftTimes(jobs)
	return jobs.flatMap(({ id, minutes }) => {
		const own = times.get(id)
		return own ? [{ id, minutes, ...own }] : []
	})
}
