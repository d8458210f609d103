/**
 * One pair of hands: what must be done in class between two moments must fit the hands-on minutes between them.
 * Finds overloads, pushes ends behind what cannot share the time with them, starts before it (edge finding, for work
 * that may be interrupted), and keeps out of class what would be too much.
 * Source: the preemptive bound of J. Jackson and its edge finding (J. Carlier, E. Pinson, 1990, from memory); that the
 * machine has breaks is taken up by counting in hands-on time.
 */
import type { Propagator, Raised } from '../kernel/propagator'
import type { Literals, Trail } from '../kernel/trail'
import type { HandsOnClock } from './hands-on-clock'
import { atLeast, atMost, not, type Expression, type Literal } from './literal'

/** Work between two moments: a task, some units of it, or a break. */
export interface HandsWork {
	start: Expression
	end: Expression
	/** That it keeps the hands. */
	minutes: number
	/** Whether it is done in class at all. */
	inClass: Literal
	/** It keeps the hands, but the class may end before it. */
	isBreak?: boolean
}

/** What a raised bound rests on; the first number of a note. */
const OVERLOAD = 0
/**
 * What a note of this propagator says, so that it can be explained later, when its own sets have changed:
 * the task cannot be in class; it ends later; it starts earlier; all work finishes later.
 */
const KEPT_OUT = 1
const ENDS_LATER = 2
const STARTS_EARLIER = 3
const FINISHES_LATER = 4
/** Times that it does not look, at most, after it has found nothing so often. */
const MOST_SKIPPED = 6
/** In a note, in place of a work. */
const NONE = -1

/** The propagator of the hands; keeps its work arrays between calls. */
export class HandsEnergy implements Propagator {
	/** Bounds that the propagator looks at. */
	readonly sides: readonly number[]
	readonly #works: readonly HandsWork[]
	readonly #clock: HandsOnClock
	/** The end of all class work. */
	readonly #finish: Expression
	/** A literal that is false for ever: what clashes with it is an overload. */
	readonly #never: Literal
	/** By work. */
	readonly #minutes: Int32Array
	/** By work, in hands-on minutes: the earliest start and the latest end. */
	readonly #start: Int32Array
	/** By work: latest end on the clock of hands. */
	readonly #end: Int32Array
	/** By work: 1 where it is in class whatever happens. */
	readonly #isSure: Uint8Array
	/** By work, in one sweep: the strongest push, and the border of the load that gives it. */
	readonly #push: Int32Array
	/** By work: where the overload that moves it begins. */
	readonly #pushBorder: Int32Array
	/** Times in a row that it found nothing. */
	#idle = 0
	/** Times that it will not look. */
	#skip = 0

	constructor(
		works: readonly HandsWork[],
		{ clock, finish, never }: { clock: HandsOnClock; finish: Expression; never: Literal },
	) {
		this.#works = works
		this.#clock = clock
		this.#finish = finish
		this.#never = never
		this.sides = [
			...new Set(works.flatMap(({ start, end, inClass }) => [2 * start.variable, 2 * end.variable + 1, inClass[0]])),
		]
		this.#minutes = Int32Array.from(works, ({ minutes }) => minutes)
		this.#start = new Int32Array(works.length)
		this.#end = new Int32Array(works.length)
		this.#isSure = new Uint8Array(works.length)
		this.#push = new Int32Array(works.length)
		this.#pushBorder = new Int32Array(works.length)
	}

	/**
	 * Where it has found nothing for a while it looks less often: what it overlooks meanwhile is found later, or the orders
	 * say it.
	 *
	 * @complexity O(works²)
	 */
	propagate(trail: Trail, own: number): boolean {
		if (this.#skip > 0 && trail.level > 0) {
			this.#skip--
			return true
		}
		const length = trail.length
		const isFine = this.#sweep(trail, own)
		this.#idle = isFine && trail.length === length ? Math.min(MOST_SKIPPED, this.#idle + 1) : 0
		this.#skip = this.#idle
		return isFine
	}

	/** Everything that the works say of each other; false on a clash. */
	#sweep(trail: Trail, own: number): boolean {
		const possible: number[] = []
		this.#works.forEach(({ start, end, inClass: [side, value] }, i) => {
			if (trail.isFalse(side, value)) return
			possible.push(i)
			this.#start[i] = this.#clock.at(trail.min(start.variable) + start.plus)
			this.#end[i] = this.#clock.at(trail.max(end.variable) + end.plus)
			this.#isSure[i] = trail.isTrue(side, value) ? 1 : 0
		})
		const byStart = possible.sort((a, b) => (this.#start[b] ?? 0) - (this.#start[a] ?? 0))
		const byEnd = [...byStart].sort((a, b) => (this.#end[a] ?? 0) - (this.#end[b] ?? 0))
		return (
			this.#finishLater(trail, own, byStart) &&
			this.#sweepEnds(trail, own, byStart, byEnd) &&
			this.#sweepStarts(trail, own, byStart, byEnd)
		)
	}

	/**
	 * The reason as it was then: works that lie within the borders for sure, and that together are more than
	 * the time between them. Each work gives only as much of its bounds as the sum needs.
	 */
	explain({ value, note: [what, j, from, to], entry }: Raised, trail: Trail, out: Literals): void {
		const work = this.#works[j]
		const own = what === OVERLOAD || what === FINISHES_LATER ? 0 : (this.#minutes[j] ?? 0)
		// The bound follows from any load that is more than fits between these borders.
		let [first, last] = [from, to]
		if (what === FINISHES_LATER) last = this.#clock.at(value + this.#finish.plus - 1)
		if (what === ENDS_LATER && work) last = Math.max(to, this.#clock.at(value + work.end.plus - 1))
		if (what === STARTS_EARLIER && work) {
			first = Math.min(from, this.#clock.at(1 - value + work.start.plus))
		}
		// All that is sure to lie between: by its bounds as they stood then.
		const within: number[] = []
		const border = what === FINISHES_LATER ? Infinity : what === ENDS_LATER ? last : to
		const opening = what === STARTS_EARLIER ? first : from
		let spare = own - (last - first) - 1
		for (let i = 0; i < this.#works.length; i++) {
			if (what === FINISHES_LATER && this.#works[i]?.isBreak) continue
			if (i === j || !this.#isWithin(trail, i, { from: opening, to: border, entry })) continue
			within.push(i)
			spare += this.#minutes[i] ?? 0
		}
		const members = within.filter((i) => {
			const minutes = this.#minutes[i] ?? 0
			if (minutes > spare) return true
			spare -= minutes
			return false
		})
		// What is still to spare widens the one border that no other literal leans on.
		const widened = what === STARTS_EARLIER ? opening : opening - spare
		for (const i of members) this.#addLiterals(i, widened, border, out)
		if (what === KEPT_OUT) this.#addBorders(j, widened, border, out)
		if (what === ENDS_LATER) this.#addLiterals(j, widened, Infinity, out)
		if (what === STARTS_EARLIER) this.#addLiterals(j, -Infinity, border, out)
	}

	/** All that starts after a moment is done before the finish. */
	#finishLater(trail: Trail, own: number, byStart: readonly number[]): boolean {
		let [total, least, from] = [0, 0, 0]
		for (const i of byStart) {
			if (this.#isSure[i] === 0 || this.#works[i]?.isBreak) continue
			total += this.#minutes[i] ?? 0
			if (total + (this.#start[i] ?? 0) <= least) continue
			from = this.#start[i] ?? 0
			least = total + from
		}
		const { variable, plus } = this.#finish
		// Where even the last window is too short, the ends say so.
		const time = Math.min(this.#clock.lastClose, this.#clock.earliest(least))
		if (total === 0 || trail.min(variable) + plus >= time) return true
		return trail.riseBy(own, ...atLeast(variable, time - plus), [FINISHES_LATER, NONE, from, 0])
	}

	/** For each end, backwards over the starts: overloads, and what must end later. */
	#sweepEnds(trail: Trail, own: number, byStart: readonly number[], byEnd: readonly number[]): boolean {
		const [starts, ends, minutes, isSure] = [this.#start, this.#end, this.#minutes, this.#isSure]
		const others: number[] = []
		let swept = -1
		for (let k = byEnd.length - 1; k >= 0; k--) {
			const to = ends[byEnd[k] ?? 0] ?? 0
			if (to === swept || isSure[byEnd[k] ?? 0] === 0) continue
			swept = to
			let [total, most] = [0, 0]
			others.length = 0
			for (let n = 0; n < byStart.length; n++) {
				const i = byStart[n] ?? 0
				const isInside = (ends[i] ?? 0) <= to
				if (isInside && isSure[i] === 1) total += minutes[i] ?? 0
				else if (isInside || isSure[i] === 1) {
					others.push(i)
					this.#push[i] = -1
					most = Math.max(most, minutes[i] ?? 0)
				}
				const from = starts[i] ?? 0
				const room = to - from
				if (total + most <= room || total === 0) continue
				if (total > room) return trail.riseBy(own, ...this.#never, [OVERLOAD, NONE, from, to])
				for (let o = 0; o < others.length; o++) {
					const j = others[o] ?? 0
					const least = from + total + (minutes[j] ?? 0)
					if (least <= to || least <= (this.#push[j] ?? 0)) continue
					this.#push[j] = least
					this.#pushBorder[j] = from
				}
			}
			for (const j of others) if ((this.#push[j] ?? 0) > 0 && !this.#pushEnd(trail, own, j, to)) return false
		}
		return true
	}

	/**
	 * Work that cannot end before the others are done ends after them; work that may yet be elsewhere, and
	 * does not fit, is kept out of class.
	 *
	 * @returns false: that clashes
	 */
	#pushEnd(trail: Trail, own: number, j: number, to: number): boolean {
		const { end, inClass } = this.#works[j] ?? { end: this.#finish, inClass: this.#never }
		const from = this.#pushBorder[j] ?? 0
		if (this.#isSure[j] === 0) return trail.riseBy(own, ...not(inClass), [KEPT_OUT, j, from, to])
		const time = this.#clock.earliest(this.#push[j] ?? 0)
		// Beyond the last window there is nothing; in class no end lies there, so the bound clashes.
		const least = time === Infinity ? this.#clock.lastClose + 1 : time
		return trail.riseBy(own, ...atLeast(end.variable, least - end.plus), [ENDS_LATER, j, from, to])
	}

	/** For each start, forwards over the ends: what must start earlier. */
	#sweepStarts(trail: Trail, own: number, byStart: readonly number[], byEnd: readonly number[]): boolean {
		const [starts, ends, minutes, isSure] = [this.#start, this.#end, this.#minutes, this.#isSure]
		const others: number[] = []
		let swept = -1
		for (let k = byStart.length - 1; k >= 0; k--) {
			const from = starts[byStart[k] ?? 0] ?? 0
			if (from === swept || isSure[byStart[k] ?? 0] === 0) continue
			swept = from
			let [total, most] = [0, 0]
			others.length = 0
			for (let n = 0; n < byEnd.length; n++) {
				const i = byEnd[n] ?? 0
				if (isSure[i] === 0) continue
				if ((starts[i] ?? 0) >= from) total += minutes[i] ?? 0
				else {
					others.push(i)
					this.#push[i] = this.#clock.total + 1
					most = Math.max(most, minutes[i] ?? 0)
				}
				const to = ends[i] ?? 0
				if (total + most <= to - from || total === 0) continue
				for (let o = 0; o < others.length; o++) {
					const j = others[o] ?? 0
					const latest = to - total - (minutes[j] ?? 0)
					if (latest >= from || latest >= (this.#push[j] ?? 0)) continue
					this.#push[j] = latest
					this.#pushBorder[j] = to
				}
			}
			for (const j of others) {
				if ((this.#push[j] ?? 0) <= this.#clock.total && !this.#pushStart(trail, own, j, from)) return false
			}
		}
		return true
	}

	/** The mirror image of it: work that has to come before the others starts early enough. */
	#pushStart(trail: Trail, own: number, j: number, from: number): boolean {
		const { start } = this.#works[j] ?? { start: this.#finish }
		const time = this.#clock.latest(this.#push[j] ?? 0)
		const latest = time === -Infinity ? this.#clock.firstOpen - 1 : time
		const note = [STARTS_EARLIER, j, from, this.#pushBorder[j] ?? 0] as const
		return trail.riseBy(own, ...atMost(start.variable, latest - start.plus), note)
	}

	/** Whether the work was known, before the entry, to lie in class between the borders, both in min. */
	#isWithin(trail: Trail, i: number, { from, to, entry }: { from: number; to: number; entry: number }): boolean {
		const work = this.#works[i]
		if (!work) return false
		const [side, value] = work.inClass
		if (trail.valueBefore(side, entry) < value) return false
		const start = trail.valueBefore(2 * work.start.variable, entry) + work.start.plus
		if (this.#clock.at(start) < from) return false
		return to === Infinity || this.#clock.at(work.end.plus - trail.valueBefore(2 * work.end.variable + 1, entry)) <= to
	}

	/** That the work is in class, starts no earlier and ends no later, in hands-on minutes. */
	#addLiterals(i: number, from: number, to: number, out: Literals): void {
		const { inClass } = this.#works[i] ?? { inClass: this.#never }
		out.push(...inClass)
		this.#addBorders(i, from, to, out)
	}

	/** As literals: it starts no earlier than the one border, and ends no later than the other. */
	#addBorders(i: number, from: number, to: number, out: Literals): void {
		const work = this.#works[i]
		if (!work) return
		const [earliest, latest] = [this.#clock.earliest(from), this.#clock.latest(to)]
		if (earliest > -Infinity) out.push(...atLeast(work.start.variable, earliest - work.start.plus))
		if (latest < Infinity) out.push(...atMost(work.end.variable, latest - work.end.plus))
	}
}
