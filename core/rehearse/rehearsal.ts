/**
 * A course played many times, and what comes of it: how sure each evening's end is, when each step ends, who is late, and
 * what minutes are lost to. Intervals are those of the simulation; how right its spreads are is another question.
 */
import { ClassPlayer } from './class-player'
import { EXTRA, LOST } from './class-state'
import { mostOf, type RehearsalTerms, type Script } from './script'
import { wilsonInterval, type Chance } from './wilson-interval'

/** More make no answer better that anybody needs. */
export const MOST_CLASSES = 10_000
/** Sure enough: half of the width of the intervals. */
const HALF_WIDTH = 0.01

/** Moments in clock minutes of the plan. */
export interface Quantiles {
	p10: number
	p50: number
	/** Infinity: not in the course. */
	p90: number
}

export interface SessionFigures {
	/** Most of the class have done its steps by its close. */
	onTime: Chance
	/** Everybody has. */
	allDone: Chance
	close: number
	/** Of its last step, by the plan; absent: it has none. */
	plannedEnd?: number
	/** When most are done. */
	end: Quantiles
	/** To be left spare after the planned end, so that nine in ten end on time; whole. */
	bufferMinutes: number
}

export interface PlaceFigures {
	/** By session: done by its close, where she was there. */
	done: Chance[]
	/** By session: minutes of work left at the close, on the average of all classes. */
	leftMinutes: number[]
	/** As in `LostFigures`, of this place. */
	lost: LostFigures
	/** Share of the classes in which she leaves something out, in [0, 1]. */
	leavesOut: number
}

/** Minutes of one student in the whole course, on the average. */
export interface LostFigures {
	paste: number
	show: number
	help: number
	/** By tool of the script. */
	tools: number[]
}

export interface ItemFigures {
	taskId: string
	session: number
	plannedStart: number
	plannedEnd: number
	/** When most are done with it. */
	end: Quantiles
}

export interface RehearsalFigures {
	classCount: number
	/** No more classes are needed. */
	isSure: boolean
	/** Every evening with work ends on time. */
	course: Chance
	/** Of the evenings with work, those that end on time, in [0, 1]. */
	eveningShare: number
	/** Index of the evening with work that is least sure; absent: no evening has work. */
	tightest?: number
	sessions: SessionFigures[]
	items: ItemFigures[]
	places: PlaceFigures[]
	lost: LostFigures
}

export class Rehearsal {
	readonly #script: Script
	readonly #terms: RehearsalTerms
	readonly #player: ClassPlayer
	readonly #n: number
	#classCount = 0
	/** By class: of its evenings with work, the share that ended on time. */
	readonly #eveningShares = new Float64Array(MOST_CLASSES)
	/** By session: whether there is work in it. */
	readonly #hasWork: boolean[]
	readonly #onTime: Int32Array
	readonly #allDone: Int32Array
	/** By session, and by item: one moment a class. */
	readonly #sessionEnds: Float64Array[]
	readonly #itemEnds: Float64Array[]
	/** By place × session. */
	readonly #present: Int32Array
	readonly #done: Int32Array
	readonly #left: Float64Array
	/** By place × cause. */
	readonly #lost: Float64Array
	/** By place: classes in which an extra was left out. */
	readonly #leftOut: Int32Array
	readonly #scratch: Float64Array

	constructor(script: Script, terms: RehearsalTerms) {
		const [n, sessions] = [script.levels.length, script.sessions.length]
		this.#script = script
		this.#terms = terms
		this.#player = new ClassPlayer(script, terms)
		this.#n = n
		this.#hasWork = script.sessions.map((_, s) => script.items.some(({ session }) => session === s))
		this.#onTime = new Int32Array(sessions)
		this.#allDone = new Int32Array(sessions)
		this.#sessionEnds = script.sessions.map(() => new Float64Array(MOST_CLASSES))
		this.#itemEnds = script.items.map(() => new Float64Array(MOST_CLASSES))
		this.#present = new Int32Array(n * sessions)
		this.#done = new Int32Array(n * sessions)
		this.#left = new Float64Array(n * sessions)
		this.#lost = new Float64Array(n * (LOST.tools + script.tools.length))
		this.#leftOut = new Int32Array(n)
		this.#scratch = new Float64Array(n)
	}

	get classCount(): number {
		return this.#classCount
	}

	/** By class: of its evenings with work, the share that ended on time. */
	get eveningsByClass(): Float64Array {
		return this.#eveningShares.subarray(0, this.#classCount)
	}

	/** Half of the widest interval is below a point, or there are enough of them. */
	get isSure(): boolean {
		if (this.#classCount >= MOST_CLASSES) return true
		const counts = [countWhole(this.eveningsByClass), ...this.#onTime]
		return counts.every((count) => {
			const { low, high } = wilsonInterval(count, this.#classCount)
			return (high - low) / 2 < HALF_WIDTH
		})
	}

	/** Plays so many classes more, up to `MOST_CLASSES` in all. */
	play(count: number): void {
		const until = Math.min(MOST_CLASSES, this.#classCount + count)
		while (this.#classCount < until) {
			this.#player.play(this.#classCount)
			this.#note(this.#classCount)
			this.#classCount++
		}
	}

	figures(): RehearsalFigures {
		const { sessions, items, tasks } = this.#script
		const count = this.#classCount
		const all = sumOfRows(this.#lost, this.#n)
		const worked = sessions.flatMap((_, s) => (this.#hasWork[s] ? [s] : []))
		const [tightest] = worked.toSorted((a, b) => this.#onTime[a]! - this.#onTime[b]!)
		return {
			classCount: count,
			isSure: this.isSure,
			course: wilsonInterval(countWhole(this.eveningsByClass), count),
			eveningShare: this.eveningsByClass.reduce((total, share) => total + share, 0) / Math.max(1, count),
			...(tightest !== undefined && { tightest }),
			sessions: sessions.map(({ close }, s) => {
				const ends = items.filter(({ session }) => session === s).map(({ end }) => end)
				const plannedEnd = ends.length > 0 ? Math.max(...ends) : undefined
				const end = quantilesOf(this.#sessionEnds[s]!, count)
				return {
					onTime: wilsonInterval(this.#onTime[s]!, count),
					allDone: wilsonInterval(this.#allDone[s]!, count),
					close,
					...(plannedEnd !== undefined && { plannedEnd }),
					end,
					bufferMinutes: plannedEnd === undefined ? 0 : Math.max(0, Math.ceil(end.p90 - plannedEnd - 1e-9)),
				}
			}),
			items: items.map(({ task, session, start, end }, i) => ({
				taskId: tasks[task]?.id ?? '',
				session,
				plannedStart: start,
				plannedEnd: end,
				end: quantilesOf(this.#itemEnds[i]!, count),
			})),
			places: Array.from({ length: this.#n }, (_, n) => ({
				done: sessions.map((_session, s) => {
					const at = n * sessions.length + s
					return wilsonInterval(this.#done[at]!, this.#present[at]!)
				}),
				leftMinutes: sessions.map((_session, s) => this.#left[n * sessions.length + s]! / Math.max(1, count)),
				lost: this.#lostOf(this.#lost.subarray(n * all.length, (n + 1) * all.length), count),
				leavesOut: this.#leftOut[n]! / Math.max(1, count),
			})),
			lost: this.#lostOf(all, count * this.#n),
		}
	}

	#lostOf(row: Float64Array, count: number): LostFigures {
		const of = (cause: number) => row[cause]! / Math.max(1, count)
		return {
			paste: of(LOST.paste),
			show: of(LOST.show),
			help: of(LOST.help),
			tools: this.#script.tools.map((_, k) => of(LOST.tools + k)),
		}
	}

	/** What came of the class that was played last. */
	#note(classNumber: number): void {
		const { sessions, items, extras } = this.#script
		const { doneAt, itemEnds, lost, extraIs } = this.#player
		let [evenings, onTime] = [0, 0]
		for (let s = 0; s < sessions.length; s++) {
			const { close } = sessions[s]!
			let done = 0
			let present = 0
			for (let n = 0; n < this.#n; n++) {
				const at = n * sessions.length + s
				const moment = doneAt[at]!
				if (Number.isNaN(moment)) continue
				this.#scratch[present++] = moment
				this.#present[at]!++
				if (moment <= close) {
					done++
					this.#done[at]!++
				} else this.#left[at]! += moment - close
			}
			const most = mostOf(this.#terms.mostShare, present)
			this.#sessionEnds[s]![classNumber] = present === 0 ? close : this.#smallest(most, present)
			const isOnTime = done >= most
			if (isOnTime) this.#onTime[s]!++
			if (this.#hasWork[s]) {
				evenings++
				if (isOnTime) onTime++
			}
			if (done === present) this.#allDone[s]!++
		}
		this.#eveningShares[classNumber] = evenings === 0 ? 1 : onTime / evenings
		for (let i = 0; i < items.length; i++) {
			let count = 0
			for (let n = 0; n < this.#n; n++) {
				const moment = itemEnds[n * items.length + i]!
				if (!Number.isNaN(moment)) this.#scratch[count++] = moment
			}
			this.#itemEnds[i]![classNumber] =
				count === 0 ? Infinity : this.#smallest(mostOf(this.#terms.mostShare, count), count)
		}
		for (let k = 0; k < lost.length; k++) this.#lost[k]! += lost[k]!
		for (let n = 0; n < this.#n; n++) {
			const own = extraIs.subarray(n * extras.length, (n + 1) * extras.length)
			if (own.includes(EXTRA.leftOut)) this.#leftOut[n]!++
		}
	}

	/** The so-manieth smallest of the first numbers of the scratch, which are sorted by it. */
	#smallest(rank: number, count: number): number {
		const scratch = this.#scratch
		for (let i = 1; i < count; i++) {
			const value = scratch[i]!
			let j = i - 1
			while (j >= 0 && scratch[j]! > value) {
				scratch[j + 1] = scratch[j]!
				j--
			}
			scratch[j + 1] = value
		}
		return scratch[Math.max(0, rank - 1)]!
	}
}

/** Nearest ranks. */
function quantilesOf(moments: Float64Array, count: number): Quantiles {
	const sorted = moments.slice(0, count).sort()
	const at = (share: number) => sorted[Math.max(0, Math.ceil(share * count) - 1)] ?? 0
	return { p10: at(0.1), p50: at(0.5), p90: at(0.9) }
}

/** Classes whose every evening ended on time. */
function countWhole(shares: Float64Array): number {
	return shares.reduce((count, share) => count + (share === 1 ? 1 : 0), 0)
}

/** Rows of equal length added up. */
function sumOfRows(table: Float64Array, rowCount: number): Float64Array {
	const length = table.length / Math.max(1, rowCount)
	const total = new Float64Array(length)
	table.forEach((value, k) => (total[k % length]! += value))
	return total
}
