/** When what a student waits for is there, and dried pieces that she takes where it is not. */
import type { ClassState } from './class-state'
import type { TimedWait } from './item-tables'

interface Asked {
	/** The item is not begun before. */
	earliest: number
	time: number
	/** Of the piece that is made from what is waited for; −1: the whole item waits. */
	number: number
}

/**
 * When all that is waited for is ready. Where only dried pieces are wanting, and there are some on the table, she takes
 * them.
 */
export function readyFor(state: ClassState, n: number, waits: readonly TimedWait[], asked: Asked): number {
	const { time, number } = asked
	let ready = asked.earliest
	let isLate = false
	for (const wait of waits) {
		const end = endOfWait(state, n, wait, number)
		if (end <= time) continue
		if (wait.mayBeDried && state.driedLeft[wait.drying]! > 0) isLate = true
		else if (end > ready) ready = end
	}
	if (!isLate || ready > time) return ready
	for (const wait of waits) {
		if (endOfWait(state, n, wait, number) <= time) continue
		state.driedLeft[wait.drying]!--
		state.hasDried[n * state.script.dryings.length + wait.drying] = 1
	}
	return ready
}

function endOfWait(state: ClassState, n: number, { from, drying }: TimedWait, number: number): number {
	if (state.hasDried[n * state.script.dryings.length + drying] === 1) return -Infinity
	const end = number < 0 ? state.taskEnds[n * state.script.tasks.length + from]! : endOfPieceFor(state, n, from, number)
	return end + state.dryMinutes[drying]!
}

/** When the last of those pieces was done from which one of her item is made. */
function endOfPieceFor(state: ClassState, n: number, from: number, number: number): number {
	const task = n * state.script.tasks.length + from
	const processed = state.processed[task]!
	if (processed === 0) return state.taskEnds[task]!
	const to = state.items[state.item[n]!]!.task
	const [before, own] = [state.statedPieces[from]!, Math.max(1, state.statedPieces[to]!)]
	const wanted = Math.ceil(((number + 1) * before) / own - 1e-9) - 1
	const at = Math.max(0, Math.min(wanted, processed - 1, before - 1))
	return state.pieceEnds[n * state.rowLength + state.pieceOffsets[from]! + at]!
}
