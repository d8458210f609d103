/** Waits in words: how long, how sure, and where the figure comes from. */
import type { CourseWait } from '../../../core/plan/compile/compiled-course'
import { hoursRange, hoursWords, slowWords, tenths } from './drying'
import { wait } from '../../shared/words/times'

/** '4–7 h' from even odds to 90 %; '12 h, by hand'; 'usually 12 h'; 'never there'. */
export function waitSpan(source: CourseWait): string {
	const { basis, plannedMinutes, p50Minutes, p90Minutes, needsHumidityBelow, usualMinutes } = source
	if (basis === 'by hand') return `${wait(plannedMinutes ?? usualMinutes)}, by hand`
	if (needsHumidityBelow !== undefined) return source.claim === 'unlikely' ? 'not to be expected there' : 'never there'
	if (basis === 'stated' || p50Minutes === undefined) return `usually ${wait(usualMinutes)}`
	const span = hoursRange(p50Minutes / 60, (p90Minutes ?? p50Minutes) / 60)
	return source.claim === 'if the room holds' ? `${span} if the room holds` : span
}

/** How a time hangs on the air, and what air would make it sure. */
export function roomWords({ claim, chance, sureBelow }: Pick<CourseWait, 'claim' | 'chance' | 'sureBelow'>): string {
	const upTo = sureBelow === undefined ? '' : ` It would be sure up to ${Math.floor(100 * sureBelow + 1e-9)} %.`
	switch (claim) {
		case 'if the room holds':
			return `Hangs on the room${chance === undefined ? '' : `: ${tenths(chance)}`}. Damper air than was read makes it later, or never; waiting longer helps little.${upTo}`
		case 'unlikely':
			return `Not to be expected in this room.${upTo}`
		case 'never':
			return `Never in this room, not even if it is a little drier than was read.${upTo}`
		default:
			return ''
	}
}

/** '9 in 10; sure up to 65 % humidity'. */
export function chanceWords({ chance, sureBelow }: Pick<CourseWait, 'chance' | 'sureBelow'>): string {
	const odds = chance === undefined ? [] : [tenths(chance)]
	const air = sureBelow === undefined ? [] : [`sure up to ${Math.floor(100 * sureBelow + 1e-9)} % humidity`]
	return [...odds, ...air].join('; ')
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
		const isSure = source.claim === undefined || source.claim === 'sure'
		const sure =
			p90Minutes === undefined
				? 'and cannot be relied on'
				: `${hoursWords(p90Minutes / 60)} ${isSure ? 'to be sure (9 in 10)' : 'to plan with'}`
		lines.push(`Computed${film ? ` for ${film}` : ''}: ${hoursWords(p50Minutes / 60)} at even odds, ${sure}.`)
	}
	const onRoom = roomWords(source)
	if (onRoom !== '') lines.push(onRoom)
	if (needsHumidityBelow !== undefined) lines.push(`It needs air ${neededAir(needsHumidityBelow)}.`)
	if (basis === 'by hand') lines.push(`Set by hand: ${wait(plannedMinutes ?? usualMinutes)}.`)
	if (basis === 'stated') lines.push('Nothing of it can be computed: the design’s own figure holds.')
	lines.push(`The design says usually ${wait(usualMinutes)}.`)
	for (const reason of slow) lines.push(`Slow, because ${slowWords(reason)}.`)
	return lines
}
