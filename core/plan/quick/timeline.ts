/** The hands of the class over clock time: which stretches are open, and which minutes of them are taken. */
import type { NormalInstance } from '../problem/normal-form'

interface Stretch {
	open: number
	close: number
}

/** A free slot: work may begin at `start` and go on until `end`. */
export interface Slot {
	/** Minute from which the hands are free. */
	start: number
	/** Minute at which they are taken again. */
	end: number
}

/** Mutable: one timeline serves many schedules, cleared between them. */
export class Timeline {
	/** Taken runs, sorted and disjoint; in class and at home together, since a student has one pair of hands. */
	readonly #starts: number[] = []
	/** Of what is laid, rising; beside the starts. */
	readonly #ends: number[] = []
	readonly #classWindows: readonly Stretch[]
	readonly #homeWindows: readonly (Stretch & { maxMinutes: number })[]
	/** Minutes taken in each gap. */
	readonly #homework: number[]

	/** The last window is left open-ended: what lies beyond its close is the shortfall. */
	constructor({ windows, homeWindows }: NormalInstance) {
		this.#classWindows = windows.map(({ open, close }, w) => ({
			open,
			close: w === windows.length - 1 ? Infinity : close,
		}))
		this.#homeWindows = homeWindows
		this.#homework = homeWindows.map(() => 0)
	}

	/** Used again for the next sample: nothing is allocated anew. */
	clear(): void {
		this.#starts.length = 0
		this.#ends.length = 0
		this.#homework.fill(0)
	}

	/** The earliest class slot at or after `from` of at least `minutes`. */
	findClassSlot(from: number, minutes: number): Slot | undefined {
		return this.#findSlot(this.#classWindows, from, minutes)
	}

	/** The earliest home slot at or after `from` of at least `minutes`, within the limits of homework. */
	findHomeSlot(from: number, minutes: number): Slot | undefined {
		const allowing = this.#homeWindows.filter(({ maxMinutes }, h) => (this.#homework[h] ?? 0) + minutes <= maxMinutes)
		return this.#findSlot(allowing, from, minutes)
	}

	/** Takes the minutes from `start` to `end`, which must be free. */
	take(start: number, end: number): void {
		const at = this.#firstEndingAfter(start)
		this.#starts.splice(at, 0, start)
		this.#ends.splice(at, 0, end)
	}

	/** Takes the minutes for homework, which counts against the limit of its stretch. */
	takeAtHome(start: number, end: number): void {
		const h = this.#homeWindows.findIndex(({ open, close }) => open <= start && end <= close)
		this.#homework[h] = (this.#homework[h] ?? 0) + end - start
		this.take(start, end)
	}

	/**
	 * The first stretch of free hands that is long enough.
	 *
	 * @param from - earliest minute
	 */
	#findSlot(stretches: readonly Stretch[], from: number, minutes: number): Slot | undefined {
		for (const { open, close } of stretches) {
			if (close - minutes < from) continue
			let start = Math.max(from, open)
			for (let r = this.#firstEndingAfter(start); start + minutes <= close; r++) {
				const end = Math.min(close, Math.max(start, this.#starts[r] ?? Infinity))
				if (end - start >= minutes) return { start, end }
				if (r >= this.#ends.length) break
				start = Math.max(start, this.#ends[r] ?? start)
			}
		}
		return undefined
	}

	/** Binary search: the first taken run that ends after `time`. */
	#firstEndingAfter(time: number): number {
		let low = 0
		let high = this.#ends.length
		while (low < high) {
			const middle = (low + high) >> 1
			if ((this.#ends[middle] ?? 0) > time) high = middle
			else low = middle + 1
		}
		return low
	}
}
