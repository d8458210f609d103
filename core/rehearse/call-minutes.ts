import type { Pace } from '../course/course'

/** Minutes of work from one call for help to the next; common practice, no source. */
const CALL_MINUTES: Record<Pace, number> = { practised: 60, improvers: 25, beginners: 15, children: 15, mixed: 15 }

export function callMinutesOf(pace: Pace): number {
	return CALL_MINUTES[pace]
}
