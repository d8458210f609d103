/** What was learnt from past classes, in words. */
import type { BacktestFigures } from '../../../core/learn/backtest'
import { count } from '../../shared/words/times'
import type { BelievedName, LoggedOccasion } from '../load-log.server'

/** Below it nothing can be said. */
const LEAST_COUNT = 10

/** Is it any good? In one sentence. */
export function goodnessWords({ count: many, error, insideNinety }: BacktestFigures): string {
	if (many < LEAST_COUNT)
		return many === 0
			? 'Nothing has been taught here yet.'
			: `${count(many, 'step')} taught so far: too few to say whether what is learnt is any good.`
	const percent = (log: number) => `${Math.round(100 * (Math.exp(log) - 1))} %`
	const nine = Math.round(100 * insideNinety)
	return `Over ${many} steps taught, what was foretold was off by ${percent(error.learnt)} in the middle, the stated minutes alone by ${percent(error.stated)}; ${nine} of 100 lay where nine in ten were said to.`
}

/** Whether it grows better. */
export function thirdsWords({ first, last }: { first: BacktestFigures; last: BacktestFigures }): string {
	if (first.count < LEAST_COUNT) return ''
	const percent = (log: number) => Math.round(100 * (Math.exp(log) - 1))
	return `In the first third of them it was off by ${percent(first.error.learnt)} %, in the last by ${percent(last.error.learnt)} %.`
}

/** '1.3 times as long (1.1 to 1.5)'. */
export function factorWords({ factor: { at, ninety } }: Pick<BelievedName, 'factor'>): string {
	return `${at.toFixed(2)} times (${ninety[0].toFixed(2)} to ${ninety[1].toFixed(2)})`
}

/** '31 min', '20 to 31 min', 'more than 12 min'. */
export function realWords({ from, to }: Pick<LoggedOccasion, 'from' | 'to'>): string {
	const minutes = (value: number) => String(Math.round(value))
	if (to === null) return `more than ${minutes(from)} min`
	return minutes(from) === minutes(to) ? `${minutes(to)} min` : `${minutes(from)} to ${minutes(to)} min`
}

/** 'foretold 27 min (18 to 40)'. */
export function foretoldWords({ predicted, ninety }: Pick<LoggedOccasion, 'predicted' | 'ninety'>): string {
	if (predicted === undefined || !ninety) return ''
	return `foretold ${Math.round(predicted)} min (${Math.round(ninety[0])} to ${Math.round(ninety[1])})`
}
