/** Three devices that write at once, with clocks that are wrong, cut off now and then, and killed: nothing is lost or doubled. */
import { describe, expect, test } from 'vitest'
import { createRng } from '../../../core/random'
import { foldRun } from '../../../core/run/fold-run'
import {
	compareEvents,
	countingEvents,
	EventWriter,
	mergeEvents,
	type RunEvent,
	type RunFact,
} from '../../../core/run/run-event'
import { makeRunPlan } from '../../support/run-plan'

const PLAN = makeRunPlan()
const START = Date.UTC(2026, 2, 5, 18, 30)
const MINUTE = 60_000
/** Clocks are off by up to so much. */
const WRONG_BY = 2 * MINUTE

class Device {
	/** What is kept on the device: it outlives the app. */
	kept: RunEvent[] = []
	#writer: EventWriter
	#count = 0
	readonly name: string
	readonly #skew: number

	constructor(name: string, skew: number) {
		this.name = name
		this.#skew = skew
		this.#writer = this.#open()
	}

	#open(): EventWriter {
		return new EventWriter({ runId: 'run', device: this.name }, this.kept, () => `${this.name}-${this.#count++}`)
	}

	write(fact: RunFact, now: number): RunEvent {
		const event = this.#writer.write(fact, now + this.#skew)
		this.kept.push(event)
		return event
	}

	/** The app is gone, and comes back with what was kept. */
	kill(): void {
		this.#writer = this.#open()
	}

	/** @param isCut - the answer is lost: the server has taken what was sent */
	sync(server: Map<string, RunEvent>, isCut: boolean): void {
		for (const event of this.kept) server.set(event.id, event)
		if (isCut) return
		this.kept = mergeEvents(this.kept, [...server.values()])
		this.#writer.see(this.kept)
	}
}

/** A whole number from 0 to below. */
type Below = (count: number) => number

function randomFact(below: Below, known: readonly RunEvent[]): RunFact {
	const pick = <T>(list: readonly T[]) => list[below(list.length)]!
	const entry = pick(PLAN.entries).id
	switch (below(8)) {
		case 0:
			return { type: 'opened' }
		case 1:
			return { type: 'attendance', place: below(8), is: pick(['here', 'late', 'gone', 'away'] as const) }
		case 2:
			return { type: 'student', entry, place: below(8) }
		case 3:
			return { type: 'look', batch: PLAN.batches[0]!.id, stage: 'set', isReached: below(2) === 0 }
		case 4:
			return known.length > 0 ? { type: 'undo', of: pick(known).id } : { type: 'opened' }
		case 5:
			return { type: 'broken', kind: 'petals', count: 1 + below(3) }
		default:
			return { type: 'entry', entry, is: pick(['begun', 'most', 'all'] as const) }
	}
}

describe('events of several devices', () => {
	test('500 rounds end in one state on all of them, with every event once', () => {
		for (let seed = 1; seed <= 500; seed++) {
			const rng = createRng(seed)
			const below: Below = (count) => Math.floor(rng() * count)
			const server = new Map<string, RunEvent>()
			const devices = ['a', 'b', 'c'].map((name) => new Device(name, (below(2001) / 1000 - 1) * WRONG_BY))
			const written = new Set<string>()
			for (let step = 0; step < 40; step++) {
				const device = devices[below(3)]!
				const now = START + step * MINUTE
				switch (below(5)) {
					case 0:
						device.kill()
						break
					case 1:
						device.sync(server, below(2) === 0)
						break
					default:
						written.add(device.write(randomFact(below, device.kept), now).id)
				}
			}
			for (const device of [...devices, ...devices]) device.sync(server, false)

			const states = devices.map(({ kept }) => foldRun(PLAN, kept, START + 90 * MINUTE))
			expect(states[1]).toEqual(states[0])
			expect(states[2]).toEqual(states[0])
			for (const { kept } of devices) {
				expect(kept.map(({ id }) => id).toSorted()).toEqual([...written].toSorted())
				for (const { name } of devices) {
					const own = kept.filter(({ device }) => device === name).map(({ seq }) => seq)
					expect(own).toEqual(own.map((_, k) => k + 1))
				}
			}
		}
	})

	test('what is written after something was seen comes after it, however wrong the clock', () => {
		const [early, late] = [new Device('early', -WRONG_BY), new Device('late', WRONG_BY)]
		const server = new Map<string, RunEvent>()
		const first = late.write({ type: 'opened' }, START)
		late.sync(server, false)
		early.sync(server, false)
		const second = early.write({ type: 'undo', of: first.id }, START + 1)

		expect(compareEvents(first, second)).toBeLessThan(0)
		expect(foldRun(PLAN, [second, first], START).opened).toBeUndefined()
	})

	test('an event counts exactly if no counting event cancels it', () => {
		const device = new Device('a', 0)
		const opened = device.write({ type: 'opened' }, START)
		const undone = device.write({ type: 'undo', of: opened.id }, START + 1)
		expect(countingEvents(device.kept)).toEqual([undone])

		const redone = device.write({ type: 'undo', of: undone.id }, START + 2)
		expect(countingEvents(device.kept)).toEqual([opened, redone])

		device.write({ type: 'undo', of: redone.id }, START + 3)
		expect(countingEvents(device.kept).map(({ id }) => id)).not.toContain(opened.id)
	})

	test('two lists merge the same whichever comes first, and merging again changes nothing', () => {
		const [a, b] = [new Device('a', 0), new Device('b', 500)]
		for (let k = 0; k < 20; k++) (k % 3 === 0 ? a : b).write({ type: 'paused' }, START + k)
		const merged = mergeEvents(a.kept, b.kept)

		expect(mergeEvents(b.kept, a.kept)).toEqual(merged)
		expect(mergeEvents(merged, a.kept, merged)).toEqual(merged)
	})
})
