import { NORMAL_975 } from './luck'

/** A share of trials, and between which shares the true one lies. */
export interface Chance {
	/** In [0, 1]. */
	share: number
	low: number
	high: number
}

/**
 * The 95 % score interval of a share.
 *
 * @param successes - whole, 0 <= successes <= trials
 * @param trials - whole, >= 0; of none everything is possible
 * @see E. B. Wilson, Probable inference, the law of succession, and statistical inference, 1927
 */
export function wilsonInterval(successes: number, trials: number): Chance {
	if (trials === 0) return { share: 0, low: 0, high: 1 }
	const share = successes / trials
	const z2 = NORMAL_975 * NORMAL_975
	const middle = (share + z2 / (2 * trials)) / (1 + z2 / trials)
	const half = (NORMAL_975 / (1 + z2 / trials)) * Math.sqrt((share * (1 - share)) / trials + z2 / (4 * trials * trials))
	return { share, low: Math.max(0, Math.min(share, middle - half)), high: Math.min(1, Math.max(share, middle + half)) }
}
