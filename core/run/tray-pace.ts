/**
 * What looking at a tray says of its pace: each look, of whatever stage, bounds how much faster or slower than forecast it
 * dries; together they are one interval, and the times still to come are those of the forecast within it.
 */
import { normalDistribution, Z90 } from '../drying/normal-distribution'
import type { TrayState } from './fold-run'
import { DRYING_STAGES, type DryingStage } from '../vocabulary/drying-stage'
import type { BatchWait, PlannedBatch } from './run-plan'

/** A tray looked at after so many minutes: whether it has come to a stage that half of such trays reach by `p50Minutes`. */
export interface TrayLook {
	elapsedMinutes: number
	/** > 0. */
	p50Minutes: number
	isReached: boolean
}

/** Of the real minutes to the forecast ones, 0 <= low < high <= Infinity. */
export interface PaceInterval {
	low: number
	high: number
	/** The looks contradicted one another: the latest wins. */
	isContradicted: boolean
}

export function paceOf(looks: readonly TrayLook[]): PaceInterval {
	let interval: PaceInterval = { low: 0, high: Infinity, isContradicted: false }
	for (const { elapsedMinutes, p50Minutes, isReached } of looks) {
		const bound = elapsedMinutes / p50Minutes
		const own = isReached ? { low: 0, high: bound } : { low: bound, high: Infinity }
		const both = { low: Math.max(interval.low, own.low), high: Math.min(interval.high, own.high) }
		const isEmpty = both.low >= both.high
		interval = { ...(isEmpty ? own : both), isContradicted: interval.isContradicted || isEmpty }
	}
	return interval
}

/** Bisections: to a hundred-thousandth of a pace. */
const ROUNDS = 60
/** Wider than any forecast. */
const MOST_SD = 6

/**
 * When a tray comes to its stage, by what is known of its pace.
 *
 * @param p50Minutes - forecast for even odds, > 0
 * @param p90Minutes - for nine in ten, >= p50Minutes; the pace is log-normal
 * @returns minutes from when it was laid; where the looks lie far outside of the forecast, the edge of their interval
 */
export function readyWithin(
	{ low, high }: Pick<PaceInterval, 'low' | 'high'>,
	{ p50Minutes, p90Minutes }: { p50Minutes: number; p90Minutes: number },
): { p50Minutes: number; p90Minutes: number } {
	const sd = Math.log(p90Minutes / p50Minutes) / Z90
	if (sd < 1e-9) {
		const pace = Math.min(high, Math.max(low, 1))
		return { p50Minutes: p50Minutes * pace, p90Minutes: p50Minutes * pace }
	}
	const [from, to] = [scoreOf(low, sd), scoreOf(high, sd)]
	const at = (share: number) => p50Minutes * Math.exp(sd * quantileBetween(from, to, share))
	return { p50Minutes: at(0.5), p90Minutes: at(0.9) }
}

function scoreOf(pace: number, sd: number): number {
	return Math.min(MOST_SD, Math.max(-MOST_SD, Math.log(pace) / sd))
}

/** Of the normal distribution between two scores. */
function quantileBetween(from: number, to: number, share: number): number {
	// By the smaller tail: above the middle the distribution function is all but one.
	const isUpper = from > 0
	const [least, most] = isUpper
		? [normalDistribution(-to), normalDistribution(-from)]
		: [normalDistribution(from), normalDistribution(to)]
	const wanted = isUpper ? most - share * (most - least) : least + share * (most - least)
	let [low, high] = [from, to]
	for (let round = 0; round < ROUNDS; round++) {
		const middle = (low + high) / 2
		const isBelow = isUpper ? normalDistribution(-middle) > wanted : normalDistribution(middle) < wanted
		if (isBelow) low = middle
		else high = middle
	}
	return (low + high) / 2
}

const MINUTE_MS = 60_000

/** When a tray comes to what it is to be used at, ms since 1970, for even odds and for nine in ten; or when it was felt to be. */
export type TrayTimes = { felt: number } | { p50: number; p90: number }

/** @returns undefined: it has not been laid, or nothing is known of its drying */
export function trayTimes(
	{ laid, looks }: TrayState,
	{ stage, p50Minutes, p90Minutes = p50Minutes, feels }: BatchWait,
): TrayTimes | undefined {
	if (!laid || p50Minutes === undefined || p90Minutes === undefined) return undefined
	// The last that decides it: it has come so far or further, or not even so far.
	const last = looks.findLast((look) => {
		if (stage === undefined) return false
		return look.isReached ? isAsDry(look.stage, stage) : isAsDry(stage, look.stage)
	})
	if (last?.isReached) return { felt: last.when }
	const pace = trayPace({ laid, looks }, { stage, p50Minutes, feels })
	const ready = readyWithin(pace, { p50Minutes, p90Minutes })
	const at = (minutes: number) => laid.when + Math.round(minutes * MINUTE_MS)
	return { p50: at(ready.p50Minutes), p90: at(ready.p90Minutes) }
}

/** How its looks bound the pace of a tray against what was forecast of it. */
export function trayPace(
	{ laid, looks }: Pick<Required<TrayState>, 'laid' | 'looks'>,
	{ stage, p50Minutes, feels }: Pick<BatchWait, 'stage' | 'feels'> & { p50Minutes: number },
): PaceInterval {
	const known = new Map(feels.map((feel) => [feel.stage, feel.p50Minutes]))
	if (stage !== undefined) known.set(stage, p50Minutes)
	return paceOf(looks.flatMap((look) => boundsOf(look, known, laid.when)))
}

function isAsDry(one: DryingStage, other: DryingStage): boolean {
	return DRYING_STAGES.indexOf(one) >= DRYING_STAGES.indexOf(other)
}

/** What one look says: of the stage that was felt, and of the next one that was not. */
function boundsOf(
	{ when, stage, isReached, isNoFurther }: TrayState['looks'][number],
	known: ReadonlyMap<DryingStage, number>,
	laid: number,
): TrayLook[] {
	const p50Minutes = known.get(stage)
	if (p50Minutes === undefined) return []
	const elapsedMinutes = (when - laid) / MINUTE_MS
	const next = isNoFurther ? Math.min(...[...known.values()].filter((minutes) => minutes > p50Minutes)) : Infinity
	return [
		{ elapsedMinutes, p50Minutes, isReached },
		...(next < Infinity ? [{ elapsedMinutes, p50Minutes: next, isReached: false }] : []),
	]
}

/**
 * When half of the trays that a task waits for are ready, or when they were felt to be, ms since 1970; -Infinity: it waits
 * for none that lies.
 */
export function readyFor(task: string, batches: readonly PlannedBatch[], trays: readonly TrayState[]): number {
	const times = batches.flatMap(({ id, waits }) => {
		const tray = trays.find(({ batch }) => batch === id)
		return waits.flatMap((wait) => (tray && wait.toTaskId === task ? (trayTimes(tray, wait) ?? []) : []))
	})
	return Math.max(-Infinity, ...times.map((own) => ('felt' in own ? own.felt : own.p50)))
}
