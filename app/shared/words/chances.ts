import type { Chance } from '../../../core/rehearse/wilson-interval'

/** '8 in 10'; what is all but sure, or hardly ever, in words. */
export function inTen(share: number): string {
	if (share >= 0.975) return 'nearly all'
	if (share < 0.025) return 'hardly any'
	const tenths = Math.min(9, Math.max(1, Math.round(10 * share)))
	return `${tenths} in 10`
}

/** '78 %, between 76 and 80'. */
export function chanceWords({ share, low, high }: Chance): string {
	const percent = (part: number) => Math.round(100 * part)
	return `${percent(share)} %, between ${percent(low)} and ${percent(high)}`
}
