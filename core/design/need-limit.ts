import type { Need } from './design'

/** Minutes within which a step must follow, or undefined: the longer limit where what waits is kept covered. */
export function limitOf({ withinMinutes, withinCoveredMinutes, isCovered }: Need): number | undefined {
	return isCovered ? (withinCoveredMinutes ?? withinMinutes) : withinMinutes
}
