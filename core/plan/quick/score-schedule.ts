/** How good a laid schedule is: the figures of the objective that depend on times. */
import type { NormalInstance, NormalSession } from '../problem/normal-form'
import { ANOTHER_SESSION_MINUTES, type Objective } from '../problem/objective'
import type { BreakStarts } from './break-starts'
import type { Network, Place } from './decisions'
import type { LaidRuns } from './generate-schedule'

/** All figures of a schedule but those of its decisions. */
export interface ScheduleScore extends Required<Omit<Objective, 'valueLost' | 'prepMinutes'>> {
	/** Class minutes that lie after the last close: falls even where the shortfall itself does not yet. */
	lateMinutes: number
}

/** What is scored: where tasks are done, when they run, and where the breaks lie. */
export interface LaidSchedule {
	places: readonly Place[]
	laid: LaidRuns
	breaks: BreakStarts
}

interface Stretch {
	start: number
	end: number
}

/** A run or a break in its session, by position. */
interface Held extends Stretch {
	session: number
}

/** Scores the class runs of a schedule whose last window is open-ended. */
export function scoreSchedule(instance: NormalInstance, network: Network, schedule: LaidSchedule): ScheduleScore {
	return new Scorer(instance, network, schedule).score()
}

class Scorer {
	readonly #instance: NormalInstance
	readonly #network: Network
	/** By task: its runs in class. */
	readonly #runs: readonly (readonly Held[])[]
	readonly #breaks: readonly Held[]

	constructor(instance: NormalInstance, network: Network, schedule: LaidSchedule) {
		this.#instance = instance
		this.#network = network
		const { windows, sessions } = instance
		const opens = sessions.map(({ windows: own }) => windows[own[0] ?? 0]?.open ?? 0)
		const sessionAt = (minute: number) => opens.findLastIndex((open) => open <= minute)
		this.#runs = schedule.laid.map((runs, i) => {
			if (schedule.places[i] !== 'class') return []
			return runs.map(({ start, units }) => {
				const end = start + units * (instance.tasks[i]?.unitMinutes ?? 0)
				return { start, end, session: sessionAt(start) }
			})
		})
		this.#breaks = schedule.breaks.map((start, b) => {
			return { start, end: start + (instance.breaks[b]?.minutes ?? 0), session: sessionAt(start) }
		})
	}

	score(): ScheduleScore {
		const { windows, sessions, weights, endEarly } = this.#instance
		const lastClose = windows.at(-1)?.close ?? 0
		const runs = this.#runs.flat()
		const finish = runs.reduce((latest, { end }) => Math.max(latest, end), windows[0]?.open ?? 0)
		const used = sessions.map((session, s) =>
			this.#useOf(
				session,
				runs.filter((run) => run.session === s),
			),
		)
		const figures = {
			waiting: sumOf(used, ({ waiting }) => waiting),
			splits: sumOf(this.#runs, (own) => Math.max(0, own.length - 1)),
			crowding: sumOf(used, ({ crowding }) => crowding),
			apart: this.#apart(),
		}
		const { waiting, split, crowding, apart } = weights
		return {
			shortfall: Math.max(0, finish - lastClose),
			lateMinutes: sumOf(runs, ({ start, end }) => Math.max(0, end - Math.max(start, lastClose))),
			finish,
			lastSession: endEarly ? runs.reduce((last, { session }) => Math.max(last, session + 1), 0) : 0,
			strain: waiting * figures.waiting + split * figures.splits + crowding * figures.crowding + apart * figures.apart,
			...figures,
			late: sumOf(runs, ({ start, end, session }) => (end - start) * session),
			order: this.#turned(),
			soon: this.#soon(),
		}
	}

	/** Minutes of standing about in a session, and what lacks of its spare ones. */
	#useOf({ bufferMinutes, windows }: NormalSession, runs: readonly Held[]): { waiting: number; crowding: number } {
		if (runs.length === 0) return { waiting: 0, crowding: 0 }
		const until = runs.reduce((latest, { end }) => Math.max(latest, end), -Infinity)
		const held = this.#breaks.filter(({ session, end }) => session === runs[0]?.session && end <= until)
		const handsOn = this.#minutesBetween(-Infinity, until, windows)
		return {
			waiting: handsOn - sumOf(runs, ({ start, end }) => end - start) - sumOf(held, ({ start, end }) => end - start),
			crowding: Math.max(0, bufferMinutes - this.#minutesBetween(until, Infinity, windows)),
		}
	}

	/** Minutes between what belongs together. */
	#apart(): number {
		const shown = this.#instance.users.map((own, i) => {
			const users = own.filter((j) => (this.#runs[j]?.length ?? 0) > 0)
			const first = users.reduce((least, j) => {
				return (this.#runs[j]?.[0]?.start ?? 0) < (this.#runs[least]?.[0]?.start ?? Infinity) ? j : least
			}, -1)
			return this.#apartOf(this.#runs[i]?.at(-1), this.#runs[first]?.[0])
		})
		const following = this.#instance.following.map(([from, to]) =>
			this.#apartOf(this.#runs[from]?.at(-1), this.#runs[to]?.[0]),
		)
		return sumOf([...shown, ...following], (minutes) => minutes)
	}

	#apartOf(last: Held | undefined, first: Held | undefined): number {
		if (!last || !first || first.start < last.end) return 0
		const between = (stretch: Stretch) =>
			Math.max(0, Math.min(stretch.end, first.start) - Math.max(stretch.start, last.end))
		const demonstrations = this.#network.demonstrations.flatMap((i) => this.#runs[i] ?? [])
		return (
			this.#minutesBetween(last.end, first.start) -
			sumOf(this.#breaks, between) -
			sumOf(demonstrations, between) +
			(last.session === first.session ? 0 : ANOTHER_SESSION_MINUTES)
		)
	}

	/** Neighbours in a design's order that are begun the other way round. */
	#turned(): number {
		return sumOf(this.#instance.neighbours, ([earlier, later]) => {
			const [before, after] = [this.#runs[earlier]?.[0]?.start, this.#runs[later]?.[0]?.start]
			return before !== undefined && after !== undefined && after < before ? 1 : 0
		})
	}

	/** Minutes of a session up to the end of what dries until a later one. */
	#soon(): number {
		return sumOf(this.#runs, (own, i) => {
			const last = own.at(-1)
			if (!last) return 0
			const driesLonger = (this.#network.outOf[i] ?? []).some(({ to, arc }) => {
				const [first, { lag, isNever } = { lag: 0, isNever: false }] = [this.#runs[to]?.[0], this.#instance.arcs[arc]]
				return (lag > 0 || isNever) && first !== undefined && first.session !== last.session
			})
			return driesLonger ? this.#minutesBetween(-Infinity, last.end, this.#instance.sessions[last.session]?.windows) : 0
		})
	}

	/** Hands-on minutes between two moments, in some windows or in all. */
	#minutesBetween(from: number, to: number, windows?: readonly number[]): number {
		const all = this.#instance.windows
		const minutesIn = ({ open, close }: { open: number; close: number }) =>
			Math.max(0, Math.min(close, to) - Math.max(open, from))
		return windows ? sumOf(windows, (w) => minutesIn(all[w] ?? { open: 0, close: 0 })) : sumOf(all, minutesIn)
	}
}

function sumOf<T>(values: readonly T[], valueOf: (value: T, index: number) => number): number {
	return values.reduce((total, value, index) => total + valueOf(value, index), 0)
}
