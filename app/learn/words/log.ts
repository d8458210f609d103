/** What was learnt from past classes, in words. */
import type { BacktestFigures } from '../../../core/learn/backtest'
import type { PasteObservation } from '../../../core/learn/paste-belief'
import type { PartRole } from '../../../core/design/design'
import type { BelievedStudent } from '../../../core/learn/student-speed'
import { count } from '../../shared/words/times'
import type { BelievedName } from '../believed-names'
import type { LoggedClass, LoggedOccasion, NamedAdvice } from '../load-log.server'

type Occasion<Kind extends LoggedOccasion['kind']> = Extract<LoggedOccasion, { kind: Kind }>

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

/** Whether it grows better, and than what. */
export function thirdsWords({
	figures,
	thirds: { first, last },
}: {
	figures: BacktestFigures
	thirds: { first: BacktestFigures; last: BacktestFigures }
}): string {
	if (first.count < LEAST_COUNT) return ''
	const percent = (log: number) => Math.round(100 * (Math.exp(log) - 1))
	return `In the first third of them it was off by ${percent(first.error.learnt)} %, in the last by ${percent(last.error.learnt)} %; the mean of past classes alone by ${percent(figures.error.meanOfPast)} %.`
}

/** '1.30 times (1.10 to 1.50)'. */
export function factorWords({ factor: { at, ninety } }: Pick<BelievedName, 'factor'>): string {
	return `${at.toFixed(2)} times (${ninety[0].toFixed(2)} to ${ninety[1].toFixed(2)})`
}

/** '31 min', '20 to 31 min', 'more than 12 min'. */
export function realWords({ from, to }: Pick<Occasion<'minutes'>, 'from' | 'to'>): string {
	const minutes = (value: number) => String(Math.round(value))
	if (to === null) return `more than ${minutes(from)} min`
	return minutes(from) === minutes(to) ? `${minutes(to)} min` : `${minutes(from)} to ${minutes(to)} min`
}

/** 'foretold 27 min (18 to 40)'. */
export function foretoldWords({ predicted, ninety }: Pick<Occasion<'minutes'>, 'predicted' | 'ninety'>): string {
	if (predicted === undefined || !ninety) return ''
	return `foretold ${spanWords({ predicted, ninety })}`
}

/** '27 min (18 to 40)'. */
export function spanWords({ predicted, ninety }: { predicted: number; ninety: readonly [number, number] }): string {
	return `${Math.round(predicted)} min (${Math.round(ninety[0])} to ${Math.round(ninety[1])})`
}

/** 'Takes 1.30 times what is stated: one in two between 1.20 and 1.41, nine in ten between 1.10 and 1.53; from 5 classes.' */
export function beliefWords({
	factor: { at, half, ninety },
	classes,
}: Pick<BelievedName, 'factor' | 'classes'>): string {
	const between = ([from, to]: readonly [number, number]) => `${from.toFixed(2)} and ${to.toFixed(2)}`
	return `Takes ${at.toFixed(2)} times what is stated: one in two between ${between(half)}, nine in ten between ${between(ninety)}; from ${count(classes, 'class', 'classes')}.`
}

/** 'takes 0.88 times as long as others of her level (0.75 to 1.02); from 6 steps on 2 days'. */
export function speedWords({ factor: { at, ninety }, steps, days }: BelievedStudent): string {
	return `takes ${at.toFixed(2)} times as long as others of her level (${ninety[0].toFixed(2)} to ${ninety[1].toFixed(2)}); from ${count(steps, 'step')} on ${count(days, 'day')}`
}

/** What was seen: '31 min', '3 of 96 broke', '410 g used'. */
export function seenWords(occasion: LoggedOccasion): string {
	switch (occasion.kind) {
		case 'minutes':
			return realWords(occasion)
		case 'breakage':
			return `${occasion.broken} of ${occasion.made} broke`
		case 'paste':
			return `${Math.round(occasion.usedG)} g used`
		case 'wires':
			return `${occasion.used} used`
		case 'queue':
			return occasion.waiting === 0 ? 'nobody waited' : `${count(occasion.waiting, 'student')} waited at once`
	}
}

const KIND_WORDS: Record<PartRole, string> = {
	centre: 'centres',
	petal: 'petals',
	sepal: 'sepals',
	leaf: 'leaves',
	bud: 'buds',
	filler: 'fillers',
	base: 'bases',
	decoration: 'decorations',
}

/** 'gum paste', 'gum paste for petals'. */
export function pasteWords({ paste, kind }: Pick<PasteObservation, 'paste' | 'kind'>): string {
	return kind === undefined ? paste : `${paste} for ${KIND_WORDS[kind as PartRole] ?? kind}`
}

/** Against what. */
export function againstWords(occasion: LoggedOccasion): string {
	if (occasion.leftOut !== null) return `left out: ${occasion.leftOut}`
	switch (occasion.kind) {
		case 'minutes':
			return foretoldWords(occasion)
		case 'paste':
			return `reckoned ${Math.round(occasion.reckonedG)} g`
		case 'wires':
			return `handed out ${occasion.handed}`
		case 'queue':
			return `of ${occasion.studentCount}`
		case 'breakage':
			return ''
	}
}

/** '6.7 in 100'. */
export function inHundredWords(chance: number): string {
	return `${(100 * chance).toFixed(chance < 0.1 ? 1 : 0)} in 100`
}

const SOURCE_WORDS: Record<LoggedClass['source'], string> = {
	run: '',
	form: ' (told by hand)',
	file: ' (from a file)',
	example: ' (example)',
}

export function sourceWords({ source }: Pick<LoggedClass, 'source'>): string {
	return SOURCE_WORDS[source]
}

/** One piece of advice: of what, what is so, and what to do about it. */
export function adviceWords({ advice, name }: NamedAdvice): { of: string; is: string; so: string } {
	const of = name.charAt(0).toUpperCase() + name.slice(1)
	switch (advice.kind) {
		case 'late':
			return {
				of,
				is: `is always late: ${advice.factor.at.toFixed(1)} times what is stated, ${minutesWords(advice.minutes)} more for practised hands.`,
				so: 'Plan with what was learnt, or prepare a part of it.',
			}
		case 'early':
			return {
				of,
				is: `takes less than is stated: ${advice.factor.at.toFixed(1)} times, ${minutesWords(advice.minutes)} to gain.`,
				so: 'Plan with what was learnt, and give the time to something else.',
			}
		case 'sturdy':
			return {
				of,
				is: `hardly break: ${advice.broken} of ${advice.made}, where ${inHundredWords(advice.stated)} are stated.`,
				so: 'Spares of it come back unused: with what was learnt the kits have fewer.',
			}
		case 'fragile':
			return {
				of,
				is: `break more than is stated: ${advice.broken} of ${advice.made}, not ${inHundredWords(advice.stated)}.`,
				so: 'With what was learnt the kits have more spares; or thicker paste, or a longer wait before it is touched.',
			}
		case 'over':
			return {
				of,
				is: `is always over: ${Math.round(100 * (1 - advice.used.at))} % of what is reckoned is not used.`,
				so: 'With what was learnt less is weighed out.',
			}
		case 'short':
			return {
				of,
				is: `runs short: ${Math.round(100 * (advice.used.at - 1))} % more is used than is reckoned.`,
				so: 'With what was learnt more is weighed out.',
			}
		case 'spare wires':
			return {
				of,
				is: `come back: ${advice.handed - advice.used} of ${advice.handed} were not used.`,
				so: 'Hand out fewer spares of it, or make less of what it is for ahead.',
			}
		case 'queue':
			return {
				of,
				is: `is waited for: up to ${count(advice.most, 'student')} at once, in ${advice.classes} of ${count(advice.of, 'class', 'classes')} in which its queue was noted.`,
				so: 'One more of it would help, or tables that begin with different steps: the tools of a course say how much.',
			}
	}
}

function minutesWords(minutes: number): string {
	return count(Math.max(1, Math.round(minutes)), 'minute')
}
