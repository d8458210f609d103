/** The end of a session: who is not done lays down what she has in her hands, and takes home what may go home. */
import { AT, LOST, NEXT, type ClassState } from './class-state'

/** Minutes of who is not done. */
const LEAST_LEFT = 1

/** What is not done goes home, or waits for the next session; who was away is brought up to the others. */
export function closeSession(state: ClassState, s: number): void {
	const { close, homeMinutes } = state.script.sessions[s]!
	const sessionCount = state.script.sessions.length
	for (let n = 0; n < state.n; n++) {
		if (state.isPresent[n] === 0) {
			state.doneAt[n * sessionCount + s] = NaN
			catchUp(state, n, s, close)
			continue
		}
		if (state.at[n] === AT.nothing) continue
		layDown(state, n, close)
		// She is not done, even if she only has to see something.
		state.doneAt[n * sessionCount + s] = close + Math.max(LEAST_LEFT, minutesLeft(state, n, s))
		takeHome(state, n, s, close, homeMinutes)
	}
}

/** In the middle of something: it is taken up again where it was left. */
function layDown(state: ClassState, n: number, close: number): void {
	const left = state.nextTime[n]! - close
	switch (state.at[n]) {
		case AT.work:
			state.rest[n] = left
			state.callLeft[n]! += left
			break
		case AT.untilCall:
			state.rest[n]! += left
			state.callLeft[n] = left
			break
		case AT.helped:
		case AT.helpQueue:
			if (state.at[n] === AT.helpQueue) state.endWait(n, state.seeing[n]! >= 0 ? LOST.show : LOST.help, close)
			// What she was being shown she asks for again.
			if (state.seeing[n]! >= 0) state.seeing[n] = -1
			else state.callLeft[n] = state.drawCall(n)
			break
		case AT.toolQueue: {
			state.endWait(n, LOST.tools + state.now[n]!.turns[state.turn[n]!]!.tool, close)
			break
		}
		case AT.show:
			state.endWait(n, LOST.show, close)
			break
		case AT.paste:
			state.endWait(n, LOST.paste, close)
	}
}

/** Of her work up to a session, at her pace, without any waiting. */
function minutesLeft(state: ClassState, n: number, s: number): number {
	let minutes = Math.max(0, state.rest[n]!)
	const { close } = state.script.sessions[s]!
	for (let i = state.item[n]!; i < state.items.length && state.items[i]!.session <= s; i++)
		if (!isSpared(state, n, i, close)) minutes += minutesOfItem(state, n, i)
	return minutes / state.shareAtWork[n]!
}

/** What she has not begun of an extra that she leaves out. */
function isSpared(state: ClassState, n: number, i: number, close: number): boolean {
	const isBegun = i === state.item[n] && state.next[n] !== NEXT.item
	return !isBegun && state.leavesOut(n, state.items[i]!, close)
}

/** Of what is still to begin of an item. */
function minutesOfItem(state: ClassState, n: number, i: number): number {
	const item = state.items[i]!
	const factor = state.factors[n * state.items.length + i]!
	const isBegun = i === state.item[n] && state.next[n] !== NEXT.item
	const stretches = state.stretchesOf(n, i)
	let minutes = isBegun ? state.extra[n]! : item.fixedMinutes * factor
	for (let k = isBegun ? Math.max(0, state.stretch[n]!) : 0; k < stretches.length; k++) {
		const stretch = stretches[k]!
		const isOwn = isBegun && k === state.stretch[n]
		if (!isOwn) {
			minutes += (stretch.changeMinutes ?? 0) + state.piecesLeft(n, stretch) * stretch.minutesEach * factor
			continue
		}
		const waiting = state.pieceCount[n]! - state.piece[n]! - state.piecesInHand(n)
		minutes += Math.max(0, waiting) * stretch.minutesEach * factor
		if (state.next[n] !== NEXT.free && state.next[n] !== NEXT.turn) continue
		const from = state.next[n] === NEXT.free ? 0 : state.turn[n]! + 1
		for (let t = from; t < stretch.turns.length; t++) minutes += state.pieceMinutes[n]! * stretch.turns[t]!.share
	}
	return minutes
}

/** Item by item, as long as it may be done at home and the minutes last. */
function takeHome(state: ClassState, n: number, s: number, close: number, homeMinutes: number): void {
	let used = 0
	for (let i = state.item[n]!; i < state.items.length && state.items[i]!.session <= s; i++) {
		if (isSpared(state, n, i, close)) {
			state.itemEnds[n * state.items.length + i] = NaN
			state.item[n] = i + 1
			continue
		}
		const item = state.script.items[i]!
		const rest = i === state.item[n] ? Math.max(0, state.rest[n]!) : 0
		const minutes = (rest + minutesOfItem(state, n, i)) / state.shareAtWork[n]!
		if (!item.mayGoHome || used + minutes > homeMinutes) return
		used += minutes
		finishElsewhere(state, n, i, close + used)
	}
}

/** Who was away makes up for it, by what she is given to take home. */
function catchUp(state: ClassState, n: number, s: number, close: number): void {
	for (let i = state.item[n]!; i < state.items.length && state.items[i]!.session <= s; i++) {
		finishElsewhere(state, n, i, close)
		state.itemEnds[n * state.items.length + i] = NaN
	}
}

function finishElsewhere(state: ClassState, n: number, i: number, time: number): void {
	if (i === state.item[n]) state.pieces.left += state.piecesInHand(n)
	const { task } = state.items[i]!
	const at = n * state.script.tasks.length + task
	const upTo = state.items[i]!.piecesUpTo
	for (let p = state.processed[at]!; p < upTo; p++)
		state.pieceEnds[n * state.rowLength + state.pieceOffsets[task]! + p] = time
	state.processed[at] = Math.max(state.processed[at]!, upTo)
	state.itemEnds[n * state.items.length + i] = time
	state.taskEnds[at] = time
	state.item[n] = i + 1
	state.next[n] = NEXT.item
	state.rest[n] = -1
	state.extra[n] = 0
}
