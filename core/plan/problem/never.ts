/**
 * A wait that never ends, as long as the planner knows no other word for it: a lag longer than any course. No date and no
 * minutes are told from it: what hangs on such a wait is told as never.
 */

/** Clock minutes. */
export const NEVER_MINUTES = 90 * 1440

/** Whether minutes that are missing come from a wait that never ends. */
export function isNever(minutes: number): boolean {
	return minutes >= NEVER_MINUTES / 2
}
