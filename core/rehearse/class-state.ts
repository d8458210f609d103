/** Where a simulated class stands: all of it in tables that are made once, and filled anew for each class. */
import { ClassLuck } from './class-luck'
import { piecesOf, toItemTables, type ItemTables, type StretchTable } from './item-tables'
import { exponential, hashOf, numberOf, pieceQuantiles } from './luck'
import type { RehearsalTerms, Script, Stretch } from './script'

/** What a student is at. */
export const AT = {
	/** Done for this session, or not there. */
	nothing: 0,
	work: 1,
	/** Work until she calls for help. */
	untilCall: 2,
	helped: 3,
	helpQueue: 4,
	toolQueue: 5,
	show: 6,
	/** Something that dries, or the planned minute. */
	paste: 7,
	arriving: 8,
} as const

/** What comes next, or goes on, in a student's work; `all`: pieces that need nothing of anybody, in one go. */
export const NEXT = { item: 0, stretch: 1, piece: 2, free: 3, turn: 4, again: 5, extra: 6, all: 7 } as const

/** What minutes are lost to; tools come after, each by its index. */
export const LOST = { paste: 0, show: 1, help: 2, tools: 3 } as const

/** What becomes of an extra. */
export const EXTRA = { open: 0, begun: 1, leftOut: 2 } as const

export class ClassState {
	/** By student × item: when she was done with it; NaN: missed; Infinity: not in the course. */
	readonly itemEnds: Float64Array
	/**
	 * By student × session: when she was done with all work up to it; past the close: as it would have been, help and
	 * waiting apart; NaN: she was away.
	 */
	readonly doneAt: Float64Array
	/** By student × cause: minutes of the class lost to it. */
	readonly lost: Float64Array
	/** Pieces begun, broken for good, made, and left in the middle. */
	readonly pieces = { begun: 0, broken: 0, made: 0, left: 0 }
	readonly script: Script
	readonly terms: RehearsalTerms
	/** Students. */
	readonly n: number
	readonly items: ItemTables[]
	readonly pieceNoise: Float64Array
	/** Stated pieces of each task, and where those of each lie in a student's row. */
	readonly statedPieces: Int32Array
	readonly pieceOffsets: Int32Array
	readonly rowLength: number
	readonly shareAtWork: Float64Array
	/** Names as numbers. */
	readonly taskNumbers: readonly number[]
	readonly techniqueNumbers: readonly number[]
	/** By item: the index of its technique, or −1. */
	readonly techniqueOf: Int32Array
	readonly ofTechnique: Float64Array
	readonly ofItem: Float64Array
	luck: ClassLuck
	// Of the class.
	readonly dryMinutes: Float64Array
	readonly isShown: Uint8Array
	/** By student × show, where they are shown one by one; and what each is being shown alone: −1: nothing. */
	readonly hasSeen: Uint8Array
	readonly seeing: Int32Array
	/** When what is being shown is over, and who shows is free to help; Infinity: nothing is. */
	showEnds = Infinity
	readonly freeTools: Int32Array
	readonly toolQueues: Int32Array[]
	readonly queueLengths: Int32Array
	freeHelpers = 0
	readonly helpQueue: Int32Array
	helpQueueLength = 0
	nextShow = 0
	pausedMinutes = 0
	pauseUntil = 0
	/** Of the last event of a student. */
	clock = 0
	session = 0
	presentCount = 0
	// Of each student.
	readonly at: Uint8Array
	readonly nextTime: Float64Array
	readonly next: Uint8Array
	readonly item: Int32Array
	readonly stretch: Int32Array
	readonly piece: Int32Array
	readonly pieceCount: Int32Array
	readonly turn: Int32Array
	readonly rest: Float64Array
	readonly pieceMinutes: Float64Array
	readonly waitSince: Float64Array
	readonly callLeft: Float64Array
	readonly callNumber: Int32Array
	readonly callHash: Int32Array
	readonly helpHash: Int32Array
	readonly pieceHashes: Int32Array
	readonly breakHashes: Int32Array
	/** The same of the task that each is at. */
	readonly pieceHash: Int32Array
	readonly breakHash: Int32Array
	/** Minutes that go with what she does next, to begin an item or to change places; and what comes next where they go alone. */
	readonly extra: Float64Array
	readonly afterExtra: Uint8Array
	/** Of pieces that are made in one go: how many, and how many of them break. */
	readonly goCount: Int32Array
	readonly goBroken: Int32Array
	readonly isPresent: Uint8Array
	/** The stretch that each is in, and of the item: her factor, and where its task and its pieces lie in the tables. */
	readonly now: (StretchTable | undefined)[]
	readonly factor: Float64Array
	readonly taskAt: Int32Array
	readonly pieceAt: Int32Array
	/** By student × item: minutes of work for one stated minute. */
	readonly factors: Float64Array
	/** By student × task: pieces done, and when the task ended. */
	readonly processed: Int32Array
	readonly taskEnds: Float64Array
	/** By student × piece. */
	readonly pieceEnds: Float64Array
	/** By student × kind: pieces that are not broken. */
	readonly whole: Int32Array
	/** By student × extra: 0 not come to it, 1 begun, 2 left out. */
	readonly extraIs: Uint8Array
	/** By drying: sets of dried pieces that are left; by student × drying: 1 where she has taken one. */
	readonly driedLeft: Int32Array
	readonly hasDried: Uint8Array

	constructor(script: Script, terms: RehearsalTerms) {
		const { levels, items, sessions, tasks, kinds, tools, dryings, shows, callMinutes, extras } = script
		const n = levels.length
		this.script = script
		this.terms = terms
		this.n = n
		this.items = toItemTables(items)
		this.pieceNoise = pieceQuantiles(terms.spreads.piece)
		this.statedPieces = new Int32Array(tasks.length)
		for (const item of items) this.statedPieces[item.task] = this.statedPieces[item.task]! + piecesOf(item)
		this.pieceOffsets = new Int32Array(tasks.length)
		let offset = 0
		for (let t = 0; t < tasks.length; t++) {
			this.pieceOffsets[t] = offset
			offset += this.statedPieces[t] ?? 0
		}
		this.rowLength = offset
		// A level's minutes hold the help, without the waiting for it.
		this.shareAtWork = Float64Array.from(callMinutes, (minutes) => 1 / (1 + terms.helpMinutes / minutes))
		this.luck = new ClassLuck(terms, 0)
		this.itemEnds = new Float64Array(n * items.length)
		this.doneAt = new Float64Array(n * sessions.length)
		this.lost = new Float64Array(n * (LOST.tools + tools.length))
		this.dryMinutes = new Float64Array(dryings.length)
		this.isShown = new Uint8Array(shows.length)
		this.hasSeen = new Uint8Array(n * shows.length)
		this.seeing = new Int32Array(n)
		this.freeTools = new Int32Array(tools.length)
		this.toolQueues = tools.map(() => new Int32Array(n))
		this.queueLengths = new Int32Array(tools.length)
		this.helpQueue = new Int32Array(n)
		this.at = new Uint8Array(n)
		this.nextTime = new Float64Array(n)
		this.next = new Uint8Array(n)
		this.item = new Int32Array(n)
		this.stretch = new Int32Array(n)
		this.piece = new Int32Array(n)
		this.pieceCount = new Int32Array(n)
		this.turn = new Int32Array(n)
		this.rest = new Float64Array(n)
		this.pieceMinutes = new Float64Array(n)
		this.waitSince = new Float64Array(n)
		this.callLeft = new Float64Array(n)
		this.callNumber = new Int32Array(n)
		this.callHash = new Int32Array(n)
		this.helpHash = new Int32Array(n)
		this.pieceHashes = new Int32Array(n)
		this.breakHashes = new Int32Array(n)
		this.pieceHash = new Int32Array(n)
		this.breakHash = new Int32Array(n)
		this.extra = new Float64Array(n)
		this.afterExtra = new Uint8Array(n)
		this.goCount = new Int32Array(n)
		this.goBroken = new Int32Array(n)
		this.taskNumbers = tasks.map(({ id }) => numberOf(id))
		const techniques = [...new Set(items.flatMap(({ technique }) => technique ?? []))]
		this.techniqueNumbers = techniques.map((technique) => numberOf(technique))
		this.techniqueOf = Int32Array.from(items, ({ technique }) =>
			technique === undefined ? -1 : techniques.indexOf(technique),
		)
		this.ofTechnique = new Float64Array(techniques.length)
		this.ofItem = new Float64Array(items.length)
		this.isPresent = new Uint8Array(n)
		this.now = levels.map(() => undefined)
		this.factor = new Float64Array(n)
		this.taskAt = new Int32Array(n)
		this.pieceAt = new Int32Array(n)
		this.factors = new Float64Array(n * items.length)
		this.processed = new Int32Array(n * tasks.length)
		this.taskEnds = new Float64Array(n * tasks.length)
		this.pieceEnds = new Float64Array(n * offset)
		this.whole = new Int32Array(n * kinds.length)
		this.extraIs = new Uint8Array(n * extras.length)
		this.driedLeft = new Int32Array(dryings.length)
		this.hasDried = new Uint8Array(n * dryings.length)
	}

	/** What chance gives the class with that number; nothing has happened yet. */
	draw(classNumber: number): void {
		const { levels, items, tasks, kinds, dryings } = this.script
		const luck = new ClassLuck(this.terms, classNumber)
		this.luck = luck
		for (let d = 0; d < dryings.length; d++) this.dryMinutes[d] = luck.dryingMinutes(dryings[d]!)
		const ofClass = luck.classFactor()
		const ofTechnique = this.ofTechnique
		for (let t = 0; t < ofTechnique.length; t++) ofTechnique[t] = luck.techniqueFactor(this.techniqueNumbers[t]!)
		for (let i = 0; i < items.length; i++) {
			const technique = this.techniqueOf[i]!
			const { task, doubt } = items[i]!
			const factor = ofClass * luck.taskFactor(this.taskNumbers[task]!, doubt)
			this.ofItem[i] = technique < 0 || doubt !== undefined ? factor : factor * ofTechnique[technique]!
		}
		for (let n = 0; n < this.n; n++) {
			const own = levels[n]! * luck.studentFactor(n) * this.shareAtWork[n]!
			for (let t = 0; t < ofTechnique.length; t++)
				ofTechnique[t] = luck.studentTechniqueFactor(n, this.techniqueNumbers[t]!)
			for (let i = 0; i < items.length; i++) {
				const technique = this.techniqueOf[i]!
				this.factors[n * items.length + i] = own * this.ofItem[i]! * (technique < 0 ? 1 : ofTechnique[technique]!)
			}
			this.pieceHashes[n] = luck.pieceHash(n)
			this.breakHashes[n] = luck.breakageHash(n)
			this.callHash[n] = luck.callHash(n)
			this.helpHash[n] = luck.helpHash(n)
			this.callNumber[n] = 0
			this.callLeft[n] = this.drawCall(n)
			for (let t = 0; t < tasks.length; t++) this.taskEnds[n * tasks.length + t] = tasks[t]?.homeEnd ?? -Infinity
			for (let k = 0; k < kinds.length; k++) this.whole[n * kinds.length + k] = kinds[k]?.made ?? 0
		}
		this.itemEnds.fill(Infinity)
		this.doneAt.fill(Infinity)
		this.lost.fill(0)
		this.processed.fill(0)
		this.isShown.fill(0)
		this.hasSeen.fill(0)
		this.seeing.fill(-1)
		this.item.fill(0)
		this.next.fill(NEXT.item)
		this.rest.fill(-1)
		this.extra.fill(0)
		this.extraIs.fill(0)
		this.driedLeft.fill(this.terms.driedSets)
		this.hasDried.fill(0)
		this.nextShow = 0
		this.pausedMinutes = 0
		Object.assign(this.pieces, { begun: 0, broken: 0, made: 0, left: 0 })
	}

	/** Minutes of work until a student calls for help. */
	drawCall(n: number): number {
		const mean = this.script.callMinutes[n] ?? Infinity
		return mean === Infinity ? Infinity : exponential(mean, hashOf(this.callHash[n]!, this.callNumber[n]!))
	}

	/** As many as are whole, of those that a step takes. */
	piecesLeft(n: number, { kind, pieceCount }: Stretch): number {
		if (kind === undefined) return pieceCount
		const made = this.script.kinds[kind]!.made
		const whole = this.whole[n * this.script.kinds.length + kind]!
		return whole === made ? pieceCount : Math.round((pieceCount * whole) / Math.max(1, made))
	}

	/** That were begun and are not done. */
	piecesInHand(n: number): number {
		const next = this.next[n]
		if (next === NEXT.all) return this.goCount[n]!
		return next === NEXT.free || next === NEXT.turn || next === NEXT.again ? 1 : 0
	}

	beginWait(n: number, time: number, at: number): void {
		this.at[n] = at
		this.nextTime[n] = Infinity
		this.waitSince[n] = time - this.pausedMinutes
	}

	endWait(n: number, cause: number, time: number): void {
		this.lost[n * (LOST.tools + this.script.tools.length) + cause]! += time - this.pausedMinutes - this.waitSince[n]!
	}

	/** Whether she leaves out the extra that an item is part of, as things stand at a moment. */
	leavesOut(n: number, { extra, start }: ItemTables, time: number): boolean {
		if (extra < 0) return false
		const is = this.extraIs[n * this.script.extras.length + extra]!
		return is === EXTRA.leftOut || (is === EXTRA.open && time > start + this.terms.leaveOutAfter)
	}

	/** Of one of the items, as this student takes them. */
	stretchesOf(n: number, i: number): readonly StretchTable[] {
		const { stretches, turned } = this.items[i]!
		return 2 * n >= this.n ? turned : stretches
	}
}
