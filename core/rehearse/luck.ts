/**
 * Chance that hangs on what it is for: each draw is a hash of a seed and of names given as whole numbers, so that a change
 * in one thing leaves the luck of all others as it was (common random numbers).
 * Not for: cryptography.
 */
import { normalQuantile } from '../drying/normal-distribution'

/** Quantiles that a draw is taken from. */
export const QUANTILE_COUNT = 4096
const QUANTILE_BITS = 12

/**
 * Finaliser of MurmurHash3 with 32 bits.
 *
 * @see A. Appleby, public domain, 2011 (from memory)
 */
function scramble(hash: number): number {
	let mixed = hash | 0
	mixed = Math.imul(mixed ^ (mixed >>> 16), 0x85ebca6b)
	mixed = Math.imul(mixed ^ (mixed >>> 13), 0xc2b2ae35)
	return mixed ^ (mixed >>> 16)
}

/** The hash of something named by a number, within what a hash stands for already; whole, 32 bits with a sign. */
export function hashOf(within: number, name: number): number {
	return scramble(within + Math.imul(name + 1, 0x9e3779b1))
}

/**
 * A name in letters as a whole number: FNV-1a with 32 bits.
 *
 * @see G. Fowler, L. C. Noll, K.-P. Vo, 1991 (from memory)
 */
export function numberOf(name: string): number {
	let hash = 0x811c9dc5
	for (let c = 0; c < name.length; c++) hash = Math.imul(hash ^ name.charCodeAt(c), 0x01000193)
	return hash >>> 0
}

/** In (0, 1). */
export function uniform(hash: number): number {
	return ((hash >>> 0) + 0.5) / 2 ** 32
}

/** A value of a table of `QUANTILE_COUNT` quantiles. */
export function drawFrom(quantiles: Float64Array, hash: number): number {
	return quantiles[hash >>> (32 - QUANTILE_BITS)] ?? 0
}

/** @param mean - > 0 */
export function exponential(mean: number, hash: number): number {
	return -mean * Math.log(uniform(hash))
}

/** Φ⁻¹(0.975). */
export const NORMAL_975 = 1.959963985

/** Quantiles of the standard normal distribution, in the middles of equal shares. */
export const NORMAL_QUANTILES = tableOf(normalQuantile)

/**
 * Quantiles of the minutes of pieces, whose mean, over the table, is exactly 1.
 *
 * @param spread - standard deviation over mean, >= 0, of a log-normal distribution; or of an exponential one
 */
export function pieceQuantiles(spread: number | 'exponential'): Float64Array {
	if (spread === 'exponential') return withMeanOne(tableOf((share) => -Math.log1p(-share)))
	const sd = Math.sqrt(Math.log1p(spread * spread))
	return withMeanOne(NORMAL_QUANTILES.map((z) => Math.exp(sd * z)))
}

function tableOf(quantile: (share: number) => number): Float64Array {
	return Float64Array.from({ length: QUANTILE_COUNT }, (_, q) => quantile((q + 0.5) / QUANTILE_COUNT))
}

function withMeanOne(quantiles: Float64Array): Float64Array {
	const mean = quantiles.reduce((sum, value) => sum + value, 0) / QUANTILE_COUNT
	return quantiles.map((value) => value / mean)
}
