import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { analyseClosedNetwork } from '../../../core/materials/sharing/closed-network'
import { queueingMinutes, sharedMinutesPerPiece, sharingCurve } from '../../../core/materials/sharing/tool-sharing'
import { createRng } from '../../../core/random'

/**
 * Throughput of the finite-source queue M/M/c//N by its closed form: p(n) = p(0)·N!/(N−n)!·a^n/(n! or c!·c^(n−c)), a =
 * service/think. Source: D. Gross, C. Harris, Fundamentals of Queueing Theory, finite-source queues (from memory).
 */
function finiteSourceThroughput(customers: number, servers: number, think: number, service: number): number {
	const weights: number[] = [1]
	for (let n = 1; n <= customers; n++) {
		const arrivals = (customers - n + 1) / think
		const completions = Math.min(n, servers) / service
		weights.push(((weights[n - 1] ?? 0) * arrivals) / completions)
	}
	const sum = weights.reduce((total, weight) => total + weight, 0)
	const busy = weights.reduce((total, weight, n) => total + Math.min(n, servers) * weight, 0)
	return busy / sum / service
}

describe('mean values of a closed network', () => {
	test('equal the closed form of the finite-source queue', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 1, max: 40 }),
				fc.integer({ min: 1, max: 12 }),
				fc.double({ min: 0.1, max: 20, noNaN: true }),
				fc.double({ min: 0.05, max: 10, noNaN: true }),
				(customerCount, serverCount, thinkTime, serviceTime) => {
					const { throughput, cycleTime } = analyseClosedNetwork({
						customerCount,
						thinkTime,
						stations: [{ serverCount, serviceTime }],
					})
					const exact = finiteSourceThroughput(customerCount, serverCount, thinkTime, serviceTime)

					expect(throughput / exact).toBeCloseTo(1, 9)
					// Little's law over the whole circle.
					expect(throughput * cycleTime).toBeCloseTo(customerCount, 6)
				},
			),
			{ seed: 8 },
		)
	})

	// Two students, one tool, equal exponential times of 1: states 2, 1, 0 thinking have weights 1, 2, 2; X = 1 − p(0) = 4/5.
	test('meet the smallest case worked by hand', () => {
		const { throughput } = analyseClosedNetwork({
			customerCount: 2,
			thinkTime: 1,
			stations: [{ serverCount: 1, serviceTime: 1 }],
		})

		expect(throughput).toBeCloseTo(4 / 5, 12)
	})

	test('agree with a simulation of two shared tools, within its error', () => {
		const network = {
			customerCount: 8,
			thinkTime: 2,
			stations: [
				{ serverCount: 2, serviceTime: 1.2 },
				{ serverCount: 3, serviceTime: 0.9 },
			],
		}
		const turns = Array.from({ length: 20 }, (_, seed) => simulate(network, seed))
		const mean = turns.reduce((sum, turn) => sum + turn, 0) / turns.length
		const deviation = Math.sqrt(turns.reduce((sum, turn) => sum + (turn - mean) ** 2, 0) / (turns.length - 1))

		const { throughput } = analyseClosedNetwork(network)

		expect(Math.abs(throughput - mean)).toBeLessThanOrEqual(4 * (deviation / Math.sqrt(turns.length)))
	})

	test.each([
		{ name: 'nobody', change: { customerCount: 0 }, says: /customerCount/ },
		{ name: 'no time at all', change: { thinkTime: 0, stations: [] }, says: /must take time/ },
		{ name: 'half a tool', change: { stations: [{ serverCount: 0.5, serviceTime: 1 }] }, says: /serverCount/ },
	])('refuse $name', ({ change, says }) => {
		expect(() => analyseClosedNetwork({ customerCount: 2, thinkTime: 1, stations: [], ...change })).toThrow(says)
	})
})

/** Turns per unit of time of one replication: students go round with exponential times, in the order of their arrival. */
function simulate(
	{ customerCount, thinkTime, stations }: Parameters<typeof analyseClosedNetwork>[0],
	seed: number,
): number {
	const rng = createRng(1000 + seed)
	const draw = (mean: number) => -mean * Math.log(1 - rng())
	const free = stations.map(({ serverCount }) => serverCount)
	const queues = stations.map((): number[] => [])
	const events: { at: number; who: number; from: number }[] = []
	const begin = (who: number, s: number, now: number) => {
		const station = stations[s]
		if (!station) return
		if ((free[s] ?? 0) === 0) return void queues[s]?.push(who)
		free[s] = (free[s] ?? 0) - 1
		events.push({ at: now + draw(station.serviceTime), who, from: s })
	}
	for (let who = 0; who < customerCount; who++) events.push({ at: draw(thinkTime), who, from: -1 })
	const [warm, end] = [200, 4200]
	let turns = 0
	for (;;) {
		events.sort((a, b) => b.at - a.at)
		const event = events.pop()
		if (!event || event.at > end) break
		const { at, who, from } = event
		if (from >= 0) {
			free[from] = (free[from] ?? 0) + 1
			const next = queues[from]?.shift()
			if (next !== undefined) begin(next, from, at)
		}
		if (from + 1 < stations.length) begin(who, from + 1, at)
		else {
			if (at > warm) turns++
			events.push({ at: at + draw(thinkTime), who, from: -1 })
		}
	}
	return turns / (end - warm)
}

describe('sharing of tools', () => {
	const step = { studentCount: 10, minutesPerPiece: 4, claims: [{ tool: 'veiner', share: 0.3 }] }

	test('costs nothing where there are enough, and less the more there are', () => {
		const curve = sharingCurve([{ ...step, pieceCount: 9 }], 'veiner', {})

		expect(sharedMinutesPerPiece(step, {})).toBe(4)
		expect(curve).toHaveLength(10)
		expect(curve.at(-1)?.queueingMinutes).toBe(0)
		for (const [k, { queueingMinutes: minutes }] of curve.entries())
			expect(minutes).toBeLessThanOrEqual((curve[k - 1]?.queueingMinutes ?? Infinity) + 1e-9)
	})

	test('with one tool is never faster than the tool can be passed on', () => {
		// Ten students, each with it for 1.2 minutes a piece.
		expect(sharedMinutesPerPiece(step, { veiner: 1 })).toBeGreaterThanOrEqual(10 * 1.2 - 1e-9)
	})

	test('adds up over the steps, and shares beyond the whole are brought down to it', () => {
		const both = { ...step, claims: [...step.claims, { tool: 'mould', share: 0.9 }] }
		const owned = { veiner: 3, mould: 4 }
		const works = [
			{ ...step, pieceCount: 9 },
			{ ...both, pieceCount: 2 },
		]

		expect(queueingMinutes(works, owned)).toBeCloseTo(
			9 * (sharedMinutesPerPiece(step, owned) - 4) + 2 * (sharedMinutesPerPiece(both, owned) - 4),
			9,
		)
		expect(sharedMinutesPerPiece(both, { mould: 10, veiner: 10 })).toBe(4)
	})
})
