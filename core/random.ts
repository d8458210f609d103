/** Reproducible chance: a seed repeats a run. Not for: cryptography. */

/** A source of numbers in [0, 1). */
export type Rng = () => number

/**
 * The mulberry32 generator.
 *
 * @param seed - any integer; taken modulo 2³²
 * @see T. Ettinger, public domain, 2017 (from memory)
 */
export function createRng(seed: number): Rng {
	let state = seed >>> 0
	return () => {
		state = (state + 0x6d2b79f5) >>> 0
		let mixed = Math.imul(state ^ (state >>> 15), state | 1)
		mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
		return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32
	}
}
