/** Waits in words: how long, how sure, and where the figure comes from. */
import type { CourseWait } from '../../../core/plan/compile/compiled-course'
import { hoursRange, hoursWords, slowWords } from './drying'
import { wait } from '../../shared/words/times'

/** '4–7 h' from even odds to 90 %; '12 h, by hand'; 'usually 12 h'; 'never there'. */
export function waitSpan(source: CourseWait): string {
	const { basis, plannedMinutes, p50Minutes, p90Minutes, needsHumidityBelow, usualMinutes } = source
	if (basis === 'by hand') return `${wait(plannedMinutes)}, by hand`
	if (needsHumidityBelow !== undefined)
		return p50Minutes === undefined ? 'never there' : `${hoursWords(p50Minutes / 60)} or never`
	if (basis === 'stated' || p50Minutes === undefined) return `usually ${wait(usualMinutes)}`
	return hoursRange(p50Minutes / 60, (p90Minutes ?? p50Minutes) / 60)
}

/** 'below 69 % humidity'. */
export function neededAir(humidity: number): string {
	return `below ${Math.floor(100 * humidity)} % humidity`
}

/** '93 %'; never quite certain. */
export function percentSure(sure: number): string {
	if (sure < 0.01) return 'under 1 %'
	return sure > 0.99 ? 'over 99 %' : `${Math.round(100 * sure)} %`
}

/** Even odds, 90 %, where the figure comes from and what makes it long: the whole of what is known of a wait. */
export function explainWait(source: CourseWait): string[] {
	const { basis, plannedMinutes, p50Minutes, p90Minutes, usualMinutes, needsHumidityBelow, slow = [], film } = source
	const lines: string[] = []
	if (p50Minutes !== undefined) {
		const sure =
			p90Minutes === undefined ? 'and cannot be relied on' : `${hoursWords(p90Minutes / 60)} to be sure (9 in 10)`
		lines.push(`Computed${film ? ` for ${film}` : ''}: ${hoursWords(p50Minutes / 60)} at even odds, ${sure}.`)
	}
	if (needsHumidityBelow !== undefined) lines.push(`It needs air ${neededAir(needsHumidityBelow)}.`)
	if (basis === 'by hand') lines.push(`Set by hand: ${wait(plannedMinutes)}.`)
	if (basis === 'stated') lines.push('Nothing of it can be computed: the design’s own figure holds.')
	lines.push(`The design says usually ${wait(usualMinutes)}.`)
	for (const reason of slow) lines.push(`Slow, because ${slowWords(reason)}.`)
	return lines
}
