/**
 * What past classes say that is worth a change: steps that are always late, tools that are waited for, spares that are never
 * used, paste and wires that are over.
 */
import { groupBreakage } from '../course/pace'
import { spanOf, type BeliefSpan } from './belief-span'
import type { Observed, PartObservation } from './learnt'
import type { MinutesBelief, MinutesObservation } from './minutes-belief'
import { PasteBelief } from './paste-belief'
import type { SeenPaste, SeenQueue, SeenWires } from './seen'

export type Advice =
	| {
			kind: 'late' | 'early'
			/** By `learntStepKey`. */
			step: string
			/** On stated minutes. */
			factor: BeliefSpan
			/** More, or less, than stated in a class of those that were taught, > 0. */
			minutes: number
			classes: number
	  }
	| { kind: 'fragile' | 'sturdy'; part: string; stated: number; made: number; broken: number }
	| { kind: 'over' | 'short'; paste: string; used: BeliefSpan; classes: number }
	/** Wires that come back. */
	| { kind: 'spare wires'; wire: string; handed: number; used: number; classes: number }
	/** `most`: of students who stood waiting for it at once, in the classes where anybody did. */
	| { kind: 'queue'; tool: string; most: number; classes: number; of: number }

/** Fewer classes are chance. */
const LEAST_CLASSES = 3
/** So much off at least, for sure in nineteen of twenty. */
const LEAST_SHARE = 0.1
/** One who waits takes the next tool that lies down. */
const LEAST_QUEUE = 2
/** That what was seen is chance. */
const LEAST_CHANCE = 0.05

/** What past classes have left, with what is only looked at. */
export interface Advised extends Observed {
	paste: readonly SeenPaste[]
	wires: readonly SeenWires[]
	queues: readonly SeenQueue[]
}

/** What costs or gains most minutes first, then tools that are waited for, then what breaks, then paste and wires. */
export function advise(observed: Advised, belief: MinutesBelief): Advice[] {
	return [
		...adviseSteps(observed.minutes, belief),
		...adviseTools(observed.queues),
		...adviseParts(observed.breakage),
		...advisePaste(observed.paste),
		...adviseWires(observed.wires),
	]
}

/** Where two or more stood waiting in half of the classes that say something of it; the longest queue first. */
function adviseTools(queues: readonly SeenQueue[]): Advice[] {
	return [...groupBy(queues, ({ tool }) => tool)]
		.flatMap(([tool, own]): Extract<Advice, { kind: 'queue' }>[] => {
			const perClass = [...groupBy(own, ({ classId }) => classId).values()]
			const waits = perClass
				.map((rows) => Math.max(...rows.map(({ waiting }) => waiting)))
				.filter((most) => most >= LEAST_QUEUE)
			if (waits.length < LEAST_CLASSES || waits.length * 2 < perClass.length) return []
			return [{ kind: 'queue', tool, most: Math.max(...waits), classes: waits.length, of: perClass.length }]
		})
		.toSorted((a, b) => b.most - a.most)
}

function adviseSteps(minutes: readonly MinutesObservation[], belief: MinutesBelief): Advice[] {
	return [...groupBy(minutes, ({ step }) => step)]
		.flatMap(([step, own]): Extract<Advice, { kind: 'late' | 'early' }>[] => {
			const classes = belief.classesOfStep(step)
			const factor = spanOf(belief.stepFactor(own[0]!))
			const kind =
				factor.ninety[0] > 1 + LEAST_SHARE ? 'late' : factor.ninety[1] < 1 - LEAST_SHARE ? 'early' : undefined
			if (!kind || classes < LEAST_CLASSES) return []
			const stated = own.reduce((sum, { statedMinutes }) => sum + statedMinutes, 0) / own.length
			return [{ kind, step, factor, minutes: stated * Math.abs(factor.at - 1), classes }]
		})
		.toSorted((a, b) => b.minutes - a.minutes)
}

/** Where chance alone would seldom have broken so few, or so many, at the stated rate. */
function adviseParts(breakage: readonly PartObservation[]): Advice[] {
	return [...groupBy(breakage, ({ part }) => part)].flatMap(([part, own]): Advice[] => {
		const stated = own.at(-1)?.stated ?? 0
		const expected = own.reduce((sum, { made, level }) => sum + made * groupBreakage(stated, level), 0)
		const [made, broken] = [sumOf(own, (one) => one.made), sumOf(own, (one) => one.broken)]
		const kind =
			atMostChance(expected, broken) < LEAST_CHANCE
				? 'sturdy'
				: 1 - atMostChance(expected, broken - 1) < LEAST_CHANCE
					? 'fragile'
					: undefined
		return kind ? [{ kind, part, stated, made: Math.round(made), broken }] : []
	})
}

function advisePaste(paste: readonly SeenPaste[]): Advice[] {
	const belief = new PasteBelief(paste)
	return [...groupBy(paste, (own) => own.paste)].flatMap(([name, own]): Advice[] => {
		const used = spanOf(belief.ratioOf({ paste: name }))
		const kind = used.ninety[1] < 1 ? 'over' : used.ninety[0] > 1 ? 'short' : undefined
		const classes = countClasses(own)
		return kind && classes >= LEAST_CLASSES ? [{ kind, paste: name, used, classes }] : []
	})
}

/** Where a tenth at least comes back of every class. */
function adviseWires(wires: readonly SeenWires[]): Advice[] {
	return [...groupBy(wires, ({ wire }) => wire)].flatMap(([wire, own]): Advice[] => {
		const classes = countClasses(own)
		const isOver = own.every(({ handed, used }) => used <= (1 - LEAST_SHARE) * handed)
		if (!isOver || classes < LEAST_CLASSES) return []
		return [
			{
				kind: 'spare wires',
				wire,
				handed: sumOf(own, (one) => one.handed),
				used: sumOf(own, (one) => one.used),
				classes,
			},
		]
	})
}

function countClasses(list: readonly { classId: string }[]): number {
	return new Set(list.map(({ classId }) => classId)).size
}

/** That at most so many happen of which so many are expected: Poisson's distribution. */
export function atMostChance(expected: number, most: number): number {
	let [term, sum] = [Math.exp(-expected), 0]
	for (let k = 0; k <= most; k++) {
		sum += term
		term *= expected / (k + 1)
	}
	return Math.min(1, sum)
}

function sumOf<T>(list: readonly T[], of: (one: T) => number): number {
	return list.reduce((sum, one) => sum + of(one), 0)
}

/** In the order in which the keys first come. */
function groupBy<T>(list: readonly T[], keyOf: (one: T) => string): Map<string, T[]> {
	const groups = new Map<string, T[]>()
	for (const one of list) groups.set(keyOf(one), [...(groups.get(keyOf(one)) ?? []), one])
	return groups
}
