/** What a normal belief of a logarithm says in plain numbers: at even odds, and between which it lies. */
import { normalQuantile } from '../drying/normal-distribution'
import type { Moments } from './truncated-normal'

export interface BeliefSpan {
	/** At even odds. */
	at: number
	/** Holds one in two, and nine in ten. */
	half: [number, number]
	ninety: [number, number]
}

const [HALF, NINETY] = [normalQuantile(0.75), normalQuantile(0.95)]

/** @param log - of the natural logarithm */
export function spanOf({ mean, variance }: Moments): BeliefSpan {
	const at = (score: number) => Math.exp(mean + score * Math.sqrt(variance))
	return { at: at(0), half: [at(-HALF), at(HALF)], ninety: [at(-NINETY), at(NINETY)] }
}
