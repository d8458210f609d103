/** Moments after the start of drying, on the clock. */
import { toMinutes } from '../../ask-drying'
import { clock } from '../../../shared/words/times'

/** '23:40', '09:15 the next day', '09:15, 3 days later'. */
export function momentWords(start: string, hours: number): string {
	const minutes = toMinutes(start) + Math.round(hours * 60)
	const days = Math.floor(minutes / 1440)
	if (days === 0) return clock(minutes)
	return days === 1 ? `${clock(minutes)} the next day` : `${clock(minutes)}, ${days} days later`
}
