/** The session of a clock minute: of all who ask, plans in words, pins and the search among them. */
import type { Window } from './instance'

/**
 * The number of the session in whose windows a minute lies, or of the last one before it; what runs over the last close
 * still belongs to the last session.
 *
 * @returns undefined: the minute lies before the first opening
 */
export function sessionAt(windows: readonly Pick<Window, 'open' | 'session'>[], minute: number): number | undefined {
	return windows.findLast(({ open }) => open <= minute)?.session
}
