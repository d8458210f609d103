/**
 * Whose job a free thread takes next: what somebody waits for before what can wait, and among equals the studio that was
 * served longest ago, so that none waits for ever behind another.
 */

/** A page waits for a first plan; a page waits for a good one; nobody waits. */
export type Urgency = 'at once' | 'soon' | 'later'

const ORDER: readonly Urgency[] = ['at once', 'soon', 'later']

export interface Queued {
	studioId: number
	urgency: Urgency
}

export class FairQueue<T extends Queued> {
	#waiting: T[] = []
	/** By studio: when it was last served, counted in jobs. */
	readonly #lastTurn = new Map<number, number>()
	#turns = 0

	get size(): number {
		return this.#waiting.length
	}

	/** Waiting jobs of an urgency, of one studio or of all. */
	count(urgency: Urgency, studioId?: number): number {
		return this.#waiting.filter((job) => {
			return job.urgency === urgency && (studioId === undefined || job.studioId === studioId)
		}).length
	}

	push(job: T): void {
		this.#waiting.push(job)
	}

	/** Takes a job out again, if it waits still. */
	remove(job: T): boolean {
		const before = this.#waiting.length
		this.#waiting = this.#waiting.filter((other) => other !== job)
		return this.#waiting.length < before
	}

	/** The next one of these urgencies, taken out; undefined: none waits. */
	shift(urgencies: readonly Urgency[] = ORDER): T | undefined {
		const next = this.#waiting.reduce<T | undefined>((best, job) => {
			if (!urgencies.includes(job.urgency)) return best
			return best && this.#compare(best, job) <= 0 ? best : job
		}, undefined)
		if (!next) return undefined
		this.remove(next)
		this.#lastTurn.set(next.studioId, ++this.#turns)
		return next
	}

	/** Equal ones stay in the order in which they came. */
	#compare(a: T, b: T): number {
		const turnOf = ({ studioId }: T) => this.#lastTurn.get(studioId) ?? 0
		return ORDER.indexOf(a.urgency) - ORDER.indexOf(b.urgency) || turnOf(a) - turnOf(b)
	}
}
