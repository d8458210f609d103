/** Queues of the rehearsal against queueing theory, and its slowest students against order statistics. */
import jStat from 'jstat'
import { describe, expect, test } from 'vitest'
import { analyseClosedNetwork } from '../../../core/materials/sharing/closed-network'
import { ClassPlayer } from '../../../core/rehearse/class-player'
import { LOST } from '../../../core/rehearse/class-state'
import { REPLAY_TERMS, type RehearsalTerms, type Script, type Stretch } from '../../../core/rehearse/script'
import { mostOf } from '../../../core/rehearse/script'

const THINK = 5
const SERVICE = 3
const BATCHES = 40
/** Of some 2 000 pieces, which are left out; and until the end. */
const WARM_UP = 1500
const HORIZON = 4500

const EXPONENTIAL: RehearsalTerms = {
	...{ ...REPLAY_TERMS, mayBeginEarly: true },
	spreads: { ...REPLAY_TERMS.spreads, piece: 'exponential' },
}

/** One endless step: without the tool, then with it, and so on. */
function endlessStep(students: number, tools: number, close: number, isSteady: boolean): Script {
	const plain = { pieceCount: 1, breakage: 0, againMinutes: 0 }
	const think: Stretch = { ...plain, minutesEach: THINK, turns: [] }
	const use: Stretch = { ...plain, minutesEach: SERVICE, turns: [{ tool: 0, share: 1 }], isSteady }
	return {
		levels: Array<number>(students).fill(1),
		callMinutes: Array<number>(students).fill(Infinity),
		sessions: [{ open: 0, close, pauses: [], homeMinutes: 0 }],
		shows: [],
		items: [
			{
				...{ kind: 'work', task: 0, session: 0, start: 0, end: close, fixedMinutes: 0, shows: [], waits: [] },
				...{ isFirst: true, mayGoHome: false },
				stretches: Array.from({ length: 2 * Math.ceil(close / SERVICE) }, (_, k) => (k % 2 === 0 ? think : use)),
			},
		],
		tasks: [{ id: 'endless' }],
		kinds: [],
		tools: [{ name: 'veiner', count: tools }],
		extras: [],
		dryings: [],
	}
}

/** Turns at the tool a minute, and how many wait for it, each with its standard error. */
function measure(students: number, tools: number, isSteady: boolean) {
	const [short, long] = [WARM_UP, HORIZON].map(
		(close) => new ClassPlayer(endlessStep(students, tools, close, isSteady), EXPONENTIAL),
	)
	const batches = Array.from({ length: BATCHES }, (_, b) => {
		const [before, after] = [short!, long!].map((player) => {
			player.play(b)
			const waited = Array.from({ length: students }, (_s, n) => player.lost[n * (LOST.tools + 1) + LOST.tools]!)
			return { pieces: player.pieces.made, waited: waited.reduce((sum, minutes) => sum + minutes, 0) }
		})
		const minutes = HORIZON - WARM_UP
		return {
			throughput: (after!.pieces - before!.pieces) / 2 / minutes,
			waiting: (after!.waited - before!.waited) / minutes,
		}
	})
	const summarise = (values: number[]) => ({
		mean: jStat.mean(values),
		error: jStat.stdev(values, true) / Math.sqrt(values.length),
	})
	return {
		throughput: summarise(batches.map(({ throughput }) => throughput)),
		waiting: summarise(batches.map(({ waiting }) => waiting)),
	}
}

/** The finite-source queue; Gross and Harris, Fundamentals of Queueing Theory, from memory. */
function finiteSource(students: number, tools: number): { throughput: number; waiting: number } {
	const ratio = SERVICE / THINK
	const weights = Array.from({ length: students + 1 }, (_, n) => {
		const ways = jStat.combination(students, n) * ratio ** n
		if (n <= tools) return ways
		return (ways * jStat.factorial(n)) / (jStat.factorial(tools) * tools ** (n - tools))
	})
	const all = weights.reduce((sum, weight) => sum + weight, 0)
	const mean = (of: (n: number) => number) => weights.reduce((sum, weight, n) => sum + (of(n) * weight) / all, 0)
	return { throughput: mean((n) => Math.min(n, tools)) / SERVICE, waiting: mean((n) => Math.max(0, n - tools)) }
}

function expectWithin({ mean, error }: { mean: number; error: number }, truth: number): void {
	expect(error).toBeLessThan(0.05 * truth)
	expect(Math.abs(mean - truth)).toBeLessThan(3 * error)
}

describe('students who share a tool', () => {
	test.each([
		[6, 1],
		[12, 3],
	])('%i with %i of it: as the finite-source queue, and as the plan reckons', (students, tools) => {
		const { throughput, waiting } = measure(students, tools, false)
		const truth = finiteSource(students, tools)
		const planned = analyseClosedNetwork({
			customerCount: students,
			thinkTime: THINK,
			stations: [{ serverCount: tools, serviceTime: SERVICE }],
		})

		expect(planned.throughput).toBeCloseTo(truth.throughput, 8)
		expectWithin(throughput, truth.throughput)
		expectWithin(waiting, truth.waiting)
	})

	test('of which each use takes equally long: as Takács has it (from memory)', () => {
		const students = 5
		const rho = SERVICE / THINK
		const sum = Array.from({ length: students }, (_, n) => {
			const product = Array.from({ length: n }, (_p, i) => Math.exp((i + 1) * rho) - 1)
			return jStat.combination(students - 1, n) * product.reduce((all, factor) => all * factor, 1)
		}).reduce((all, term) => all + term, 0)
		const idle = 1 / (1 + students * rho * sum)

		expectWithin(measure(students, 1, true).throughput, (1 - idle) / SERVICE)
	})
})

test('the slowest of twelve, and the tenth, as the order statistics of log-normal times', () => {
	const [students, sd, minutes, classes] = [12, 0.15, 40, 4000]
	const script = endlessStep(students, students, 1000, false)
	const once: Stretch = { pieceCount: 1, minutesEach: minutes, turns: [], breakage: 0, againMinutes: 0, isSteady: true }
	const player = new ClassPlayer(
		{ ...script, items: [{ ...script.items[0]!, stretches: [once] }] },
		{ ...REPLAY_TERMS, spreads: { ...REPLAY_TERMS.spreads, student: sd } },
	)
	const ranks = [mostOf(0.8, students), students]
	const ends = Array.from({ length: classes }, (_, c) => {
		player.play(c)
		const sorted = [...player.itemEnds].toSorted((a, b) => a - b)
		return ranks.map((rank) => sorted[rank - 1]!)
	})
	ranks.forEach((rank, r) => {
		const values = ends.map((of) => of[r]!)
		// The density of the rank-th of so many, integrated over z by the midpoint rule.
		const step = 0.001
		const density = (z: number) => {
			const below = jStat.normal.cdf(z, 0, 1)
			const ways = students * jStat.combination(students - 1, rank - 1)
			return ways * below ** (rank - 1) * (1 - below) ** (students - rank) * jStat.normal.pdf(z, 0, 1)
		}
		let truth = 0
		for (let z = -6; z < 6; z += step) truth += minutes * Math.exp(sd * (z + step / 2)) * density(z + step / 2) * step

		const error = jStat.stdev(values, true) / Math.sqrt(classes)
		expect(Math.abs(jStat.mean(values) - truth)).toBeLessThan(3 * error)
	})
})
