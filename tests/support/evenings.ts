import type { Window } from '../../core/plan/problem/instance'

/** One window each, a week apart. */
export function evenings(...minutes: number[]): Window[] {
	return minutes.map((length, s) => ({ open: s * 10_080, close: s * 10_080 + length, session: s + 1 }))
}
