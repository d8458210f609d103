/** The tasks that are still to be laid, with counts of what each of them waits for. */
import type { Network } from './decisions'

/** Mutable: tasks are removed as they are laid. */
export class WaitingTasks {
	/** In topological order. */
	readonly left: number[]
	readonly #network: Network
	/** By task: what has to be laid before it. */
	readonly #before: readonly (readonly number[])[]
	/** 1 for tasks still to be laid. */
	readonly #isWaiting: Uint8Array
	/** Waits into a task whose predecessor is not laid; introductions apart, if they are laid together with it. */
	readonly #pending: Int32Array
	/** By task: demonstrations it still waits for. */
	readonly #pendingIntroductions: Int32Array
	/** 1: an introduction, and those are laid together with what needs them. */
	readonly #isHeldBack: Uint8Array

	/**
	 * @param before - by task, those that should be laid before it although no wait says so
	 * @param isTogether - by task: 1 for an introduction that is laid right before what needs it
	 */
	constructor(network: Network, before: readonly (readonly number[])[], isTogether: Uint8Array) {
		const size = network.into.length
		this.left = [...network.placed]
		this.#network = network
		this.#before = before
		this.#isWaiting = new Uint8Array(size)
		this.#isHeldBack = new Uint8Array(size)
		this.#pending = new Int32Array(size)
		this.#pendingIntroductions = new Int32Array(size)
		for (const i of network.placed) this.#isWaiting[i] = 1
		for (const i of network.introductions) this.#isHeldBack[i] = isTogether[i] ?? 0
		for (const i of network.placed) for (const { from } of network.into[i] ?? []) this.#count(from, i, 1)
	}

	/** Whether the task is still to be laid. */
	has(i: number): boolean {
		return this.#isWaiting[i] === 1
	}

	/** Whether introductions of it are still to be laid. */
	needsOthers(i: number): boolean {
		return this.#pending[i] !== 0 || this.#pendingIntroductions[i] !== 0
	}

	/** @param isStrict - hold back introductions, and what should come after others */
	isEligible(i: number, isStrict: boolean): boolean {
		if (this.#pending[i] !== 0) return false
		if (!isStrict) return true
		return this.#isHeldBack[i] !== 1 && !this.#before[i]?.some((other) => this.#isWaiting[other] === 1)
	}

	/** It is laid: what waited for it waits for one task less. */
	remove(i: number): void {
		if (this.#isWaiting[i] !== 1) return
		this.#isWaiting[i] = 0
		this.left.splice(this.left.indexOf(i), 1)
		for (const { to } of this.#network.outOf[i] ?? []) this.#count(i, to, -1)
	}

	/** Demonstrations are counted apart: a step may be ready but for one, which is then laid right before it. */
	#count(from: number, to: number, change: number): void {
		const counts = this.#isHeldBack[from] === 1 ? this.#pendingIntroductions : this.#pending
		counts[to] = (counts[to] ?? 0) + change
	}
}
