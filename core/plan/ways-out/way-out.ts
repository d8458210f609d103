/** Changes of a course, of what a design allows, or of the air, that might make a course fit. */
import type { Objective } from '../problem/objective'
import type { TaskSource } from '../compile/compiled-course'

/** One change. */
export type WayOut =
	/** Of a wait that never ends: no longer than until it is as dry as it gets, though soft inside. */
	| { kind: 'settled'; from: TaskSource; to: TaskSource; key: string; minutes: number }
	| { kind: 'session'; date: string }
	/** The last session ends so many minutes later. */
	| { kind: 'longer'; minutes: number }
	/** Dried pieces are brought in exchange, where the design does not allow it yet. */
	| { kind: 'swap'; from: TaskSource }
	/** All steps of a part are made ahead, where the design does not allow it yet. */
	| { kind: 'ahead'; designName: string; partName: string }
	| { kind: 'smaller'; design: number; designName: string; flowers: number }
	/** Another option of a choice of the design, of the item with that key. */
	| {
			kind: 'option'
			item: string
			designName: string
			choice: string
			choiceName: string
			option: string
			optionName: string
	  }
	/** All places of the course have air like this; % relative humidity. */
	| { kind: 'drier'; humidityPercent: number; temperatureC: number }

/** Changes that are made together, and what came of trying them. */
export interface TriedWay {
	/** At least one, three at most. */
	ways: WayOut[]
	/** Undecided where the time was too short to know. */
	verdict: 'fits' | 'does not fit' | 'not decided'
	/** Of the plan that fits. */
	objective?: Objective
}

/** In this order where they ask alike of her: what never dries needs other air or other pieces first, more time comes last. */
const KINDS = ['settled', 'drier', 'swap', 'ahead', 'option', 'smaller', 'longer', 'session'] as const

/** A session more is a whole evening of hers, with the way there; common practice, no source. */
const SESSION_MINUTES = 180
/** A flower less a student disappoints as much as an hour of her own; common practice, no source. */
const FLOWER_MINUTES = 60

/** Another way to make the design is half as much; common practice, no source. */
const OPTION_MINUTES = 30

/**
 * The ways to show: those that fit, without any that asks at least as much as another in every respect, the least asking
 * first; then the others as they were tried.
 */
export function rankWays(tried: readonly TriedWay[]): TriedWay[] {
	const fitting = tried.filter(({ verdict }) => verdict === 'fits')
	const best = fitting.filter((own, k) => {
		return !fitting.some((other, o) => o !== k && asksNoMore(other, own) && (!asksNoMore(own, other) || o < k))
	})
	const orderOf = ({ ways }: TriedWay) => Math.min(...ways.map(({ kind }) => KINDS.indexOf(kind)))
	return [
		...best.toSorted(
			(a, b) => a.ways.length - b.ways.length || askedMinutes(a) - askedMinutes(b) || orderOf(a) - orderOf(b),
		),
		...tried.filter(({ verdict }) => verdict !== 'fits'),
	]
}

/** What a way costs, each for itself: its changes by kind, her minutes, and what is not taught. */
function costsOf({ ways, objective }: TriedWay): number[] {
	const amounts = KINDS.map((kind) =>
		ways.reduce((sum, way) => {
			if (way.kind !== kind) return sum
			// Dried pieces and work ahead are counted by her minutes.
			if (kind === 'swap' || kind === 'ahead') return sum
			return sum + (way.kind === 'longer' ? way.minutes : 1)
		}, 0),
	)
	return [...amounts, objective?.prepMinutes ?? 0, objective?.valueLost ?? 0]
}

function asksNoMore(one: TriedWay, other: TriedWay): boolean {
	const [first, second] = [costsOf(one), costsOf(other)]
	return first.every((cost, k) => cost <= (second[k] ?? 0))
}

/** Minutes of hers, as far as they can be said. */
function askedMinutes({ ways, objective }: TriedWay): number {
	return ways.reduce((sum, way) => {
		if (way.kind === 'session') return sum + SESSION_MINUTES
		if (way.kind === 'smaller') return sum + FLOWER_MINUTES
		if (way.kind === 'option') return sum + OPTION_MINUTES
		return sum + (way.kind === 'longer' ? way.minutes : 0)
	}, objective?.prepMinutes ?? 0)
}
