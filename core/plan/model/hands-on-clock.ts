/** Clock time and hands-on time: how many minutes of open windows lie before a clock minute, and back. */
import type { Window } from '../problem/instance'

/** Turns clock minutes into hands-on minutes and back. */
export class HandsOnClock {
	readonly #windows: readonly Window[]
	/** Hands-on minutes before each window. */
	readonly #before: readonly number[]
	/** Minutes of all windows together. */
	readonly total: number
	/** Minute of the instance's clock. */
	readonly firstOpen: number
	/** Minute of the instance's clock. */
	readonly lastClose: number

	constructor(windows: readonly Window[]) {
		this.#windows = windows
		let sum = 0
		this.#before = windows.map(({ open, close }) => {
			sum += close - open
			return sum - (close - open)
		})
		this.total = sum
		this.firstOpen = windows[0]?.open ?? 0
		this.lastClose = windows.at(-1)?.close ?? 0
	}

	/** Hands-on minutes before the clock minute. */
	at(time: number): number {
		for (let w = this.#windows.length - 1; w >= 0; w--) {
			const { open = 0, close = 0 } = this.#windows[w] ?? {}
			if (time > open) return (this.#before[w] ?? 0) + Math.min(time, close) - open
		}
		return 0
	}

	/** The first clock minute before which so many hands-on minutes lie, at most `total`; Infinity beyond. */
	earliest(minutes: number): number {
		if (minutes > this.total) return Infinity
		for (let w = this.#windows.length - 1; w >= 0; w--) {
			const before = this.#before[w] ?? 0
			if (minutes > before) return (this.#windows[w]?.open ?? 0) + minutes - before
		}
		return -Infinity
	}

	/** The last clock minute before which no more than so many hands-on minutes lie; -Infinity for less than 0. */
	latest(minutes: number): number {
		if (minutes < 0) return -Infinity
		for (let w = 0; w < this.#windows.length; w++) {
			const { open = 0, close = 0 } = this.#windows[w] ?? {}
			const left = minutes - (this.#before[w] ?? 0)
			if (left < close - open) return open + left
		}
		return Infinity
	}
}
