/**
 * Variables by how often they took part in conflicts, the busiest first; old conflicts count less and less.
 * Source: VSIDS (M. Moskewicz et al., Chaff, 2001) in the form of N. Eén and N. Sörensson (2003), from memory.
 */
const DECAY = 0.95
/** Activities are scaled down before they overflow. */
const MAX_ACTIVITY = 1e100

/** A heap of the candidates for the next decision. */
export class ActivityOrder {
	/** By variable. */
	#activity = new Float64Array(256)
	/** 1 for variables that may be decided on. */
	#isCandidate = new Uint8Array(256)
	/** Position in the heap by variable, or -1. */
	#position = new Int32Array(256).fill(-1)
	/** A binary heap, the most active at its top. */
	readonly #heap: number[] = []
	/** What the next conflict adds. */
	#increment = 1

	/** @param activity - a first guess; conflicts soon outweigh it */
	addCandidate(variable: number, activity: number): void {
		while (variable >= this.#activity.length) this.#grow()
		this.#activity[variable] = activity
		this.#isCandidate[variable] = 1
		this.putBack(variable)
	}

	/** A variable that search has let go of may be decided on again. O(log n). */
	putBack(variable: number): void {
		if (this.#isCandidate[variable] !== 1 || (this.#position[variable] ?? -1) >= 0) return
		this.#heap.push(variable)
		this.#position[variable] = this.#heap.length - 1
		this.#rise(this.#heap.length - 1)
	}

	/** The busiest candidate, taken out; undefined if none is left. */
	take(): number | undefined {
		const first = this.#heap[0]
		const last = this.#heap.pop()
		if (first === undefined || last === undefined) return undefined
		this.#position[first] = -1
		if (first !== last) {
			this.#heap[0] = last
			this.#position[last] = 0
			this.#sink(0)
		}
		return first
	}

	/** It had a part in a conflict: the order prefers what conflicts lately (VSIDS, Moskewicz et al. 2001). */
	bump(variable: number): void {
		if (this.#isCandidate[variable] !== 1) return
		const activity = (this.#activity[variable] ?? 0) + this.#increment
		this.#activity[variable] = activity
		if (activity > MAX_ACTIVITY) this.#scaleDown()
		const at = this.#position[variable] ?? -1
		if (at >= 0) this.#rise(at)
	}

	/** Instead of lowering every activity, later bumps weigh more: the order is the same, in O(1). */
	decay(): void {
		this.#increment /= DECAY
	}

	/** Before a number grows beyond what a float tells apart; the order stays. */
	#scaleDown(): void {
		for (let x = 0; x < this.#activity.length; x++) this.#activity[x] = (this.#activity[x] ?? 0) / MAX_ACTIVITY
		this.#increment /= MAX_ACTIVITY
	}

	/** Restores the heap upwards: the entry is at least as active as what lies below it. */
	#rise(from: number): void {
		const heap = this.#heap
		const variable = heap[from] ?? 0
		const activity = this.#activity[variable] ?? 0
		let at = from
		while (at > 0) {
			const parent = (at - 1) >> 1
			const above = heap[parent] ?? 0
			if ((this.#activity[above] ?? 0) >= activity) break
			heap[at] = above
			this.#position[above] = at
			at = parent
		}
		heap[at] = variable
		this.#position[variable] = at
	}

	/** Restores the heap downwards, after the last entry was put at the top. */
	#sink(from: number): void {
		const heap = this.#heap
		const variable = heap[from] ?? 0
		const activity = this.#activity[variable] ?? 0
		let at = from
		for (;;) {
			let child = 2 * at + 1
			if (child >= heap.length) break
			const right = child + 1
			if (right < heap.length && this.#activityAt(right) > this.#activityAt(child)) child = right
			if (this.#activityAt(child) <= activity) break
			const below = heap[child] ?? 0
			heap[at] = below
			this.#position[below] = at
			at = child
		}
		heap[at] = variable
		this.#position[variable] = at
	}

	/** Of the variable at a place of the heap. */
	#activityAt(at: number): number {
		return this.#activity[this.#heap[at] ?? 0] ?? 0
	}

	/** Arrays of numbers cannot grow: new ones of twice the length take over, so that growing costs O(1) each. */
	#grow(): void {
		const length = 2 * this.#activity.length
		const activity = new Float64Array(length)
		activity.set(this.#activity)
		const isCandidate = new Uint8Array(length)
		isCandidate.set(this.#isCandidate)
		const position = new Int32Array(length).fill(-1)
		position.set(this.#position)
		this.#activity = activity
		this.#isCandidate = isCandidate
		this.#position = position
	}
}
