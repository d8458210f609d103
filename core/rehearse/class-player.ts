/**
 * Plays one class after another by its events: students work through their pieces, wait for what dries, for tools, for
 * a demonstration or for help, and everybody pauses while something is shown or tea is drunk. Typed arrays, and nothing
 * made in the inner loop.
 * Rules at equal moments: the student with the lowest number first, then what is shown, then pauses, then the close.
 * An item of work is one stretch of a task between two pauses of the plan; a student takes them in the order of the plan.
 */
import { AT, ClassState, EXTRA, LOST, NEXT } from './class-state'
import { drawFrom, exponential, hashOf, uniform } from './luck'
import { readyFor } from './ready-for'
import { mostOf } from './script'
import { closeSession } from './session-close'

/** What the room does: it opens, everybody stops for something that is shown or for tea (by its index), it closes. */
export type RoomEvent =
	{ kind: 'opens' } | { kind: 'closes' } | { kind: 'shows' | 'pauses'; index: number; until: number }

/** Told after each event, when the tables stand as they are from then on; without `room` something of a student happened. */
export type Onlooker = (time: number, room?: RoomEvent) => void

export class ClassPlayer extends ClassState {
	/** Who watches; undefined: nobody. */
	onlooker: Onlooker | undefined

	/** Plays the class with that number; what came of it stands in the tables until the next one is played. */
	play(classNumber: number): void {
		this.draw(classNumber)
		for (let s = 0; s < this.script.sessions.length; s++) {
			this.#openSession(s)
			this.#playSession(s)
			closeSession(this, s)
			this.onlooker?.(this.script.sessions[s]!.close, { kind: 'closes' })
		}
		for (let n = 0; n < this.n; n++) if (this.item[n]! < this.items.length) this.pieces.left += this.piecesInHand(n)
	}

	/** All tools lie on the table, nobody waits for help; who comes, comes at her time. */
	#openSession(s: number): void {
		const { open } = this.script.sessions[s]!
		this.session = s
		this.pauseUntil = open
		this.clock = open
		this.presentCount = 0
		this.script.tools.forEach(({ count }, k) => (this.freeTools[k] = count))
		this.queueLengths.fill(0)
		this.freeHelpers = this.terms.helperCount
		this.showEnds = Infinity
		this.helpQueueLength = 0
		for (let n = 0; n < this.n; n++) {
			const isAway = this.luck.isAway(n, s)
			this.isPresent[n] = isAway ? 0 : 1
			this.at[n] = isAway ? AT.nothing : AT.arriving
			this.nextTime[n] = isAway ? Infinity : open + this.luck.arrival(n, s)
			this.waitSince[n] = 0
			if (!isAway) this.presentCount++
		}
		this.onlooker?.(open, { kind: 'opens' })
	}

	#playSession(s: number): void {
		const { close, pauses } = this.script.sessions[s]!
		const nextTime = this.nextTime
		const count = this.n
		let pause = 0
		let quietUntil = this.#quietUntil(s, pause)
		for (;;) {
			let first = -1
			let time = Infinity
			for (let n = 0; n < count; n++) {
				const own = nextTime[n]!
				if (own < time) {
					time = own
					first = n
				}
			}
			if (time < quietUntil) {
				this.clock = time
				this.#handle(first, time)
				this.onlooker?.(time)
				continue
			}
			const showTime = this.#showTime(s, time)
			const nextPause = pauses[pause]
			const pauseTime = nextPause === undefined ? Infinity : Math.max(nextPause.start, this.pauseUntil)
			const roomTime = Math.min(showTime, pauseTime, this.showEnds)
			if (time > close && roomTime >= close) return
			if (time <= roomTime) {
				if (time > close) return
				this.clock = time
				this.#handle(first, time)
				this.onlooker?.(time)
			} else if (this.showEnds <= roomTime) {
				this.showEnds = Infinity
				this.freeHelpers++
				this.#serve(roomTime)
				this.onlooker?.(roomTime)
			} else if (showTime <= pauseTime) this.#show(showTime)
			else {
				this.#pauseAll(pauseTime, nextPause!.minutes)
				this.onlooker?.(pauseTime, { kind: 'pauses', index: pause, until: this.pauseUntil })
				pause++
			}
			quietUntil = this.#quietUntil(s, pause)
		}
	}

	/** Nothing of the room happens before it, whatever the students do. */
	#quietUntil(s: number, pause: number): number {
		const { close, pauses } = this.script.sessions[s]!
		const show = this.script.shows[this.nextShow]
		const roomStarts = Math.min(
			show === undefined || show.session > s ? Infinity : show.start,
			pauses[pause]?.start ?? Infinity,
		)
		return Math.min(close, this.showEnds, Math.max(roomStarts, this.pauseUntil))
	}

	/**
	 * When the next demonstration of the session begins, as things stand; Infinity: not before something happens. What is
	 * not due by a moment has at least its due time.
	 */
	#showTime(s: number, time: number): number {
		const show = this.script.shows[this.nextShow]
		if (show === undefined || show.session > s) return Infinity
		const due = Math.max(show.start, this.pauseUntil)
		if (time < due) return due
		const latest = Math.max(show.start + this.terms.showPatience, this.pauseUntil)
		const most = mostOf(this.terms.mostShare, this.presentCount)
		let count = 0
		for (let n = 0; n < this.n; n++) if (this.isPresent[n] === 1 && this.#hasCome(n, show.itemsBefore)) count++
		// The last of those who were waited for has come just now.
		return count >= most ? Math.min(latest, Math.max(due, this.clock)) : latest
	}

	#hasCome(n: number, itemsBefore: number): boolean {
		return this.at[n] !== AT.arriving && this.item[n]! >= itemsBefore
	}

	#show(time: number): void {
		const own = this.nextShow++
		this.isShown[own] = 1
		if (this.terms.showsOneByOne) {
			this.#showToSome(own, time)
			return
		}
		this.#pauseAll(time, this.script.shows[own]!.minutes)
		const now = this.pauseUntil
		for (let n = 0; n < this.n; n++) {
			if (this.at[n] !== AT.show) continue
			// The minutes of the showing are not lost.
			this.endWait(n, LOST.show, now)
			this.at[n] = AT.arriving
			this.nextTime[n] = now
		}
		this.onlooker?.(time, { kind: 'shows', index: own, until: now })
	}

	/** To those who have come so far, or wait; the others go on, and who shows does not help meanwhile. */
	#showToSome(own: number, time: number): void {
		const { minutes, itemsBefore } = this.script.shows[own]!
		const until = time + minutes
		for (let n = 0; n < this.n; n++) {
			const at = this.at[n]!
			const isWaiting = at === AT.paste || at === AT.show
			const isFree = this.isPresent[n] === 0 || isWaiting || (isWork(at) && this.item[n]! >= itemsBefore)
			if (!isFree) continue
			this.hasSeen[n * this.script.shows.length + own] = 1
			if (isWork(at)) this.nextTime[n]! += minutes
			else if (at === AT.paste) {
				this.nextTime[n] = Math.max(this.nextTime[n]!, until)
				this.waitSince[n]! += minutes
			} else if (at === AT.show) {
				this.endWait(n, LOST.show, time)
				this.at[n] = AT.arriving
				this.nextTime[n] = until
			}
		}
		this.pauseUntil = until
		this.showEnds = until
		this.freeHelpers--
		this.onlooker?.(time)
	}

	/** Everybody stops; what dries goes on. */
	#pauseAll(time: number, minutes: number): void {
		const until = time + minutes
		for (let n = 0; n < this.n; n++) {
			const at = this.at[n]!
			if (at === AT.work || at === AT.untilCall || at === AT.helped) this.nextTime[n]! += minutes
			else if ((at === AT.paste || at === AT.arriving) && this.nextTime[n]! < until) this.nextTime[n] = until
		}
		this.pausedMinutes += minutes
		this.pauseUntil = until
	}

	#handle(n: number, time: number): void {
		switch (this.at[n]) {
			case AT.work:
				this.#endPhase(n, time)
				return
			case AT.untilCall:
				if (this.freeHelpers > 0) this.#beginHelp(n, time)
				else {
					this.beginWait(n, time, AT.helpQueue)
					this.helpQueue[this.helpQueueLength++] = n
				}
				return
			case AT.helped:
				this.#endHelp(n, time)
				return
			case AT.paste:
				this.endWait(n, LOST.paste, time)
				this.#advance(n, time)
				return
			default:
				this.#resume(n, time)
		}
	}

	#beginHelp(n: number, time: number): void {
		this.freeHelpers--
		this.at[n] = AT.helped
		this.nextTime[n] = time + exponential(this.terms.helpMinutes, hashOf(this.helpHash[n]!, this.callNumber[n]!))
		this.callNumber[n]!++
	}

	#endHelp(n: number, time: number): void {
		const seen = this.seeing[n]!
		this.seeing[n] = -1
		this.freeHelpers++
		this.#serve(time)
		if (seen >= 0) {
			this.hasSeen[n * this.script.shows.length + seen] = 1
			this.#advance(n, time)
			return
		}
		this.callLeft[n] = this.drawCall(n)
		this.#work(n, time, this.rest[n]!)
	}

	/** Those who wait for help, or to be shown something, first come, first served. */
	#serve(time: number): void {
		while (this.helpQueueLength > 0 && this.freeHelpers > 0) {
			const first = shift(this.helpQueue, this.helpQueueLength--)
			const isSeeing = this.seeing[first]! >= 0
			this.endWait(first, isSeeing ? LOST.show : LOST.help, time)
			if (isSeeing) this.#beginSeeing(first, time)
			else this.#beginHelp(first, time)
		}
	}

	#askToSee(n: number, show: number, time: number): void {
		this.seeing[n] = show
		if (this.freeHelpers > 0) this.#beginSeeing(n, time)
		else {
			this.beginWait(n, time, AT.helpQueue)
			this.helpQueue[this.helpQueueLength++] = n
		}
	}

	#beginSeeing(n: number, time: number): void {
		this.freeHelpers--
		this.at[n] = AT.helped
		this.nextTime[n] = time + this.script.shows[this.seeing[n]!]!.minutes
	}

	/** Back at her place: what she was at goes on. */
	#resume(n: number, time: number): void {
		const rest = this.rest[n]!
		if (rest < 0) this.#advance(n, time)
		else if (this.next[n] === NEXT.turn) this.#takeTurn(n, time, rest)
		else this.#work(n, time, rest)
	}

	/** So many minutes of work, until they are over or she calls. */
	#work(n: number, time: number, minutes: number): void {
		const left = this.callLeft[n]!
		if (minutes > left) {
			this.at[n] = AT.untilCall
			this.nextTime[n] = time + left
			this.rest[n] = minutes - left
			this.callLeft[n] = 0
		} else {
			this.at[n] = AT.work
			this.nextTime[n] = time + minutes
			this.rest[n] = -1
			this.callLeft[n] = left - minutes
		}
	}

	/** The minutes of what she was at are over. */
	#endPhase(n: number, time: number): void {
		switch (this.next[n]) {
			case NEXT.free:
				this.turn[n] = -1
				if (this.now[n]!.hasTurns) this.#nextTurn(n, time)
				else this.#finishPiece(n, time)
				return
			case NEXT.turn:
				this.#release(n, time)
				this.#nextTurn(n, time)
				return
			case NEXT.again:
				this.#endPiece(n, time)
				return
			case NEXT.all:
				this.#endAll(n)
				this.next[n] = NEXT.stretch
				this.#advance(n, time)
				return
			default:
				this.next[n] = this.afterExtra[n]!
				this.#advance(n, time)
		}
	}

	#nextTurn(n: number, time: number): void {
		const turn = ++this.turn[n]!
		const turns = this.now[n]!.turns
		if (turn >= turns.length) {
			this.#finishPiece(n, time)
			return
		}
		this.next[n] = NEXT.turn
		this.#takeTurn(n, time, this.pieceMinutes[n]! * turns[turn]!.share)
	}

	#takeTurn(n: number, time: number, minutes: number): void {
		const { tool } = this.now[n]!.turns[this.turn[n]!]!
		this.rest[n] = minutes
		if (this.freeTools[tool]! > 0) {
			this.freeTools[tool]!--
			this.#work(n, time, minutes)
		} else {
			this.beginWait(n, time, AT.toolQueue)
			this.toolQueues[tool]![this.queueLengths[tool]!++] = n
		}
	}

	#release(n: number, time: number): void {
		const { tool } = this.now[n]!.turns[this.turn[n]!]!
		const length = this.queueLengths[tool]!
		if (length === 0) {
			this.freeTools[tool]!++
			return
		}
		const first = shift(this.toolQueues[tool]!, length)
		this.queueLengths[tool] = length - 1
		this.endWait(first, LOST.tools + tool, time)
		this.#work(first, time, this.rest[first]!)
	}

	/** It is made, or broken: then a spare takes its place, or it is made again. */
	#finishPiece(n: number, time: number): void {
		const { kind, breakage, againMinutes, mayBreak } = this.now[n]!
		if (mayBreak && kind !== undefined) {
			const number = this.processed[this.taskAt[n]!]!
			if (uniform(hashOf(this.breakHash[n]!, number)) < breakage) {
				const at = n * this.script.kinds.length + kind
				if (this.whole[at]! > this.script.kinds[kind]!.needed) {
					this.whole[at]!--
					this.pieces.broken++
					this.pieces.made--
				} else {
					this.next[n] = NEXT.again
					this.#work(n, time, againMinutes * this.factor[n]!)
					return
				}
			}
		}
		this.#endPiece(n, time)
	}

	#endPiece(n: number, time: number): void {
		this.pieces.made++
		const number = this.processed[this.taskAt[n]!]!++
		const item = this.items[this.item[n]!]!
		if (item.isWatched) this.pieceEnds[this.pieceAt[n]! + Math.min(number, this.statedPieces[item.task]! - 1)] = time
		this.piece[n]!++
		this.next[n] = NEXT.piece
		this.#advance(n, time)
	}

	/** Goes on until she works or waits. */
	#advance(n: number, time: number): void {
		for (;;) {
			switch (this.next[n]) {
				case NEXT.item:
					if (!this.#beginItem(n, time)) return
					break
				case NEXT.stretch:
					if (!this.#beginStretch(n, time)) return
					break
				default:
					if (!this.#beginPiece(n, time)) return
			}
		}
	}

	/** @returns false: she works or waits */
	#beginItem(n: number, time: number): boolean {
		const i = this.item[n]!
		const item = this.items[i]
		if (!item || item.session > this.session) {
			this.at[n] = AT.nothing
			this.nextTime[n] = Infinity
			this.doneAt[n * this.script.sessions.length + this.session] = time
			return false
		}
		if (item.extra >= 0) {
			const isLeftOut = this.leavesOut(n, item, time)
			this.extraIs[n * this.script.extras.length + item.extra] = isLeftOut ? EXTRA.leftOut : EXTRA.begun
			if (isLeftOut) {
				this.itemEnds[n * this.items.length + i] = NaN
				this.item[n] = i + 1
				return true
			}
		}
		for (const show of item.shows) {
			if (this.isShown[show] === 0) {
				this.beginWait(n, time, AT.show)
				return false
			}
			if (this.terms.showsOneByOne && this.hasSeen[n * this.script.shows.length + show] === 0) {
				this.#askToSee(n, show, time)
				return false
			}
		}
		const earliest = this.terms.mayBeginEarly ? time : Math.max(time, item.start)
		const ready = readyFor(this, n, item.whole, { earliest, time, number: -1 })
		if (ready > time) {
			this.#waitFor(n, time, ready)
			return false
		}
		const name = this.taskNumbers[item.task]!
		this.pieceHash[n] = hashOf(this.pieceHashes[n]!, name)
		this.breakHash[n] = hashOf(this.breakHashes[n]!, name)
		this.stretch[n] = -1
		this.factor[n] = this.factors[n * this.items.length + i]!
		this.taskAt[n] = n * this.script.tasks.length + item.task
		this.pieceAt[n] = n * this.rowLength + this.pieceOffsets[item.task]!
		this.next[n] = NEXT.stretch
		if (item.fixedMinutes === 0) return true
		this.extra[n] = item.fixedMinutes * this.factor[n]!
		if (item.stretches.length > 0) return true
		this.#workExtra(n, time)
		return false
	}

	/** The next pieces of one kind; after the last of them the item is done. */
	#beginStretch(n: number, time: number): boolean {
		const stretches = this.stretchesOf(n, this.item[n]!)
		const stretch = stretches[++this.stretch[n]!]
		if (!stretch) {
			this.#endItem(n, time)
			return true
		}
		this.now[n] = stretch
		this.piece[n] = 0
		this.pieceCount[n] = this.piecesLeft(n, stretch)
		this.next[n] = NEXT.piece
		if (stretch.changeMinutes !== undefined) this.extra[n]! += stretch.changeMinutes
		// Before pieces that may not be ready yet it is a thing of its own; else it goes with the first of them.
		const goesAlong = this.pieceCount[n]! > 0 && this.items[this.item[n]!]!.piecewise.length === 0
		if (this.extra[n] === 0 || goesAlong) return true
		this.#workExtra(n, time)
		return false
	}

	#workExtra(n: number, time: number): void {
		const minutes = this.extra[n]!
		this.extra[n] = 0
		this.afterExtra[n] = this.next[n]!
		this.next[n] = NEXT.extra
		this.#work(n, time, minutes)
	}

	#beginPiece(n: number, time: number): boolean {
		if (this.piece[n]! >= this.pieceCount[n]!) {
			this.next[n] = NEXT.stretch
			return true
		}
		const item = this.items[this.item[n]!]!
		const stretch = this.now[n]!
		const number = this.processed[this.taskAt[n]!]!
		if (item.piecewise.length > 0) {
			const ready = readyFor(this, n, item.piecewise, { earliest: time, time, number })
			if (ready > time) {
				this.#waitFor(n, time, ready)
				return false
			}
		}
		if (!stretch.hasTurns && !item.isWatched && item.piecewise.length === 0) {
			this.#makeAll(n, time)
			return false
		}
		this.pieces.begun++
		const noise = stretch.isSteady ? 1 : drawFrom(this.pieceNoise, hashOf(this.pieceHash[n]!, number))
		const minutes = stretch.minutesEach * this.factor[n]! * noise
		this.pieceMinutes[n] = minutes
		this.next[n] = NEXT.free
		this.#work(n, time, minutes * stretch.freeShare + this.#takeExtra(n))
		return false
	}

	/**
	 * All pieces that are left of a stretch, for which she needs nobody and nobody waits: drawn at once, and worked in one go.
	 */
	#makeAll(n: number, time: number): void {
		const stretch = this.now[n]!
		const { kind, breakage, minutesEach, againMinutes, isSteady = false } = stretch
		const count = this.pieceCount[n]! - this.piece[n]!
		const first = this.processed[this.taskAt[n]!]!
		const pieceHash = this.pieceHash[n]!
		const breakHash = this.breakHash[n]!
		const at = kind === undefined ? 0 : n * this.script.kinds.length + kind
		const needed = kind === undefined ? 0 : this.script.kinds[kind]!.needed
		let minutes = 0
		let broken = 0
		for (let p = first; p < first + count; p++) {
			minutes += minutesEach * (isSteady ? 1 : drawFrom(this.pieceNoise, hashOf(pieceHash, p)))
			if (!stretch.mayBreak || uniform(hashOf(breakHash, p)) >= breakage) continue
			if (this.whole[at]! > needed) {
				this.whole[at]!--
				broken++
			} else minutes += againMinutes
		}
		this.goCount[n] = count
		this.goBroken[n] = broken
		this.pieces.begun += count
		this.next[n] = NEXT.all
		this.#work(n, time, minutes * this.factor[n]! + this.#takeExtra(n))
	}

	#takeExtra(n: number): number {
		const minutes = this.extra[n]!
		this.extra[n] = 0
		return minutes
	}

	#endAll(n: number): void {
		const count = this.goCount[n]!
		const broken = this.goBroken[n]!
		this.pieces.broken += broken
		this.pieces.made += count - broken
		this.processed[this.taskAt[n]!]! += count
		this.piece[n]! += count
	}

	#endItem(n: number, time: number): void {
		const i = this.item[n]!
		this.itemEnds[n * this.items.length + i] = time
		this.taskEnds[n * this.script.tasks.length + this.items[i]!.task] = time
		this.item[n] = i + 1
		this.next[n] = NEXT.item
	}

	#waitFor(n: number, time: number, until: number): void {
		this.beginWait(n, time, AT.paste)
		this.nextTime[n] = until
	}
}

/** The first of a queue, which moves up. */
function shift(queue: Int32Array, length: number): number {
	const first = queue[0]!
	queue.copyWithin(0, 1, length)
	return first
}

function isWork(at: number): boolean {
	return at === AT.work || at === AT.untilCall
}
