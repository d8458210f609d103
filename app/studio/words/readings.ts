import { duration } from '../../shared/words/times'

/** 'just now', '12 min ago', '3 h ago', '2 days ago'. */
export function ageWords(minutes: number): string {
	if (minutes < -5) return 'from a clock that is ahead'
	if (minutes < 6) return 'just now'
	if (minutes < 120) return `${duration(minutes)} ago`
	return minutes < 2880 ? `${Math.round(minutes / 60)} h ago` : `${Math.round(minutes / 1440)} days ago`
}
