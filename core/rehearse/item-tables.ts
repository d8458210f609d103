import type { Stretch, WorkItem } from './script'

/** A stretch with what is asked at each of its pieces. */
export interface StretchTable extends Stretch {
	/** Of a piece's minutes, in which no scarce tool is needed. */
	freeShare: number
	hasTurns: boolean
	mayBreak: boolean
}

/** What dries until it can be used. */
export interface TimedWait {
	from: number
	drying: number
	mayBeDried: boolean
}

/** An item of work, ready to be played. */
export interface ItemTables {
	stretches: readonly StretchTable[]
	/** Of the second half of the class. */
	turned: readonly StretchTable[]
	/** Other tasks wait for its pieces one by one. */
	isWatched: boolean
	/** Stated pieces of its task up to its end. */
	piecesUpTo: number
	task: number
	session: number
	start: number
	fixedMinutes: number
	shows: readonly number[]
	whole: readonly TimedWait[]
	piecewise: readonly TimedWait[]
	/** −1: of none. */
	extra: number
}

/** In the same order. */
export function toItemTables(items: readonly WorkItem[]): ItemTables[] {
	const watched = new Set(
		items.flatMap(({ waits }) =>
			waits.flatMap(({ from, isPiecewise, drying }) => (isPiecewise && drying !== undefined ? [from] : [])),
		),
	)
	return items.map((item, i) => {
		const before = items.slice(0, i + 1).filter(({ task }) => task === item.task)
		return toTables(
			item,
			watched.has(item.task),
			before.reduce((sum, own) => sum + piecesOf(own), 0),
		)
	})
}

/** Of one student, as stated. */
export function piecesOf({ stretches }: Pick<WorkItem, 'stretches'>): number {
	return stretches.reduce((sum, { pieceCount }) => sum + pieceCount, 0)
}

function toTables(
	{ waits, isFirst, isHalved = false, extra = -1, ...item }: WorkItem,
	isWatched: boolean,
	piecesUpTo: number,
): ItemTables {
	const stretches = item.stretches.map((stretch): StretchTable => {
		const freeShare = stretch.turns.reduce((share, turn) => share - turn.share, 1)
		return {
			...stretch,
			freeShare: Math.max(0, freeShare),
			hasTurns: stretch.turns.length > 0,
			mayBreak: stretch.breakage > 0 && stretch.kind !== undefined,
		}
	})
	// One after another is the order of her work anyway.
	const plain = waits.flatMap(({ from, drying, isPiecewise, mayBeDried = false }) =>
		drying === undefined ? [] : [{ from, drying, isPiecewise, mayBeDried }],
	)
	return {
		...item,
		isWatched,
		piecesUpTo,
		extra,
		stretches,
		turned: isHalved ? stretches.toReversed() : stretches,
		whole: isFirst ? plain.filter(({ isPiecewise }) => !isPiecewise) : [],
		piecewise: plain.filter(({ isPiecewise }) => isPiecewise),
	}
}
