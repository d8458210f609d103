/** A full candidate plan: decisions with the best schedule found for them, and how candidates compare. */
import type { Rng } from '../../random'
import type { NormalInstance } from '../problem/normal-form'
import { buildNetwork, priceDecisions, type Decisions, type Network } from './decisions'
import { ScheduleGenerator, type Effort, type LaidRuns, type Sample } from './generate-schedule'
import { latestStarts } from './latest-starts'
import { scoreSchedule, type ScheduleScore } from './score-schedule'

export interface Candidate {
	decisions: Decisions
	laid: LaidRuns
	/** Levels in the order of the objective, with `lateMinutes` as a guide after the shortfall. */
	score: ScheduleScore & { valueLost: number; prepMinutes: number }
	/** The sample that gave the schedule, as a start for the next ones. */
	sample: Sample
}

/**
 * Order of the values of a candidate. Beside the objective's own: minutes by which limits are broken, so that
 * climbing sees whether it comes nearer, and how far demonstrations lie from their steps.
 */
const LEVELS = ['shortfall', 'lateMinutes', 'valueLost', 'prepMinutes', 'finish', 'waiting', 'splits', 'apart'] as const

/** < 0 if `a` is the better. A missing candidate is the worst. */
export function compareCandidates(a: Candidate | undefined, b: Candidate | undefined): number {
	if (!a || !b) return (a ? 0 : 1) - (b ? 0 : 1)
	for (const level of LEVELS) {
		// A plan that does not fit is judged by how much is missing alone.
		if (level === 'valueLost' && a.score.shortfall > 0) return 0
		if (a.score[level] !== b.score[level]) return a.score[level] - b.score[level]
	}
	return 0
}

/** The better of two. */
export function better(a: Candidate | undefined, b: Candidate | undefined): Candidate | undefined {
	return compareCandidates(a, b) <= 0 ? a : b
}

/**
 * The best of so many samples for given decisions: first the plain priority rule with and without interruptions, then
 * biased ones.
 *
 * @returns undefined if the decisions break a rule or no sample keeps every maximum lag
 */
export function sampleSchedules(
	instance: NormalInstance,
	decisions: Decisions,
	{ count, rng, effort }: { count: number; rng: Rng; effort: Effort },
): Candidate | undefined {
	const network = buildNetwork(instance, decisions)
	if (!network) return undefined
	const generator = new ScheduleGenerator(instance, network, decisions.places, effort)
	const latest = latestStarts(instance, network)
	let best: Candidate | undefined
	for (let s = 0; s < count && effort.schedules > 0; s++) {
		best = better(best, tryCandidate(instance, decisions, { generator, network }, drawSample(instance, latest, s, rng)))
	}
	return best
}

/** Best of so many neighbours of a candidate's sample, climbing from each that is no worse. */
export function climb(
	instance: NormalInstance,
	start: Candidate,
	{ count, rng, effort }: { count: number; rng: Rng; effort: Effort },
): Candidate {
	const network = buildNetwork(instance, start.decisions)
	if (!network) return start
	const generator = new ScheduleGenerator(instance, network, start.decisions.places, effort)
	let best = start
	for (let s = 0; s < count && effort.schedules > 0; s++) {
		const candidate = tryCandidate(
			instance,
			start.decisions,
			{ generator, network },
			perturb(best.sample, network.placed, rng),
		)
		if (candidate && compareCandidates(candidate, best) <= 0) best = candidate
	}
	return best
}

/** Lays one sample and scores it; undefined where it breaks a limit that no repair reaches. */
function tryCandidate(
	instance: NormalInstance,
	decisions: Decisions,
	{ generator, network }: { generator: ScheduleGenerator; network: Network },
	sample: Sample,
): Candidate | undefined {
	const laid = generator.generate(sample)
	if (!laid) return undefined
	const score = { ...scoreSchedule(instance, network, decisions.places, laid), ...priceDecisions(instance, decisions) }
	return { decisions, laid, score, sample }
}

/** Samples 0-3 are the plain rule, by plan or by the clock, interrupting everything or nothing; the others are biased. */
function drawSample({ windows, tasks }: NormalInstance, latest: Float64Array, s: number, rng: Rng): Sample {
	if (s < 4) {
		return {
			priorities: latest,
			mayInterrupt: new Uint8Array(tasks.length).fill(s % 2 === 0 ? 1 : 0),
			clockWeight: s >> 1,
			isTogether: s < 2,
		}
	}
	const openMinutes = windows.reduce((total, { open, close }) => total + close - open, 0)
	const spread = openMinutes * 0.5 * rng()
	return {
		priorities: latest.map((start) => start + spread * (rng() - 0.5)),
		mayInterrupt: new Uint8Array(tasks.length).map(() => (rng() < 0.6 ? 1 : 0)),
		clockWeight: Math.floor(rng() * 3) / 2,
		isTogether: rng() < 0.5,
	}
}

/** Exchanges the priorities of a few tasks and flips whether a few may be interrupted. */
function perturb(sample: Sample, placed: readonly number[], rng: Rng): Sample {
	const priorities = Float64Array.from(sample.priorities)
	const mayInterrupt = Uint8Array.from(sample.mayInterrupt)
	const draw = () => placed[Math.floor(rng() * placed.length)] ?? 0
	for (let change = 0; change < 1 + Math.floor(rng() * 3); change++) {
		const [i, j] = [draw(), draw()]
		if (rng() < 0.3) mayInterrupt[i] = 1 - (mayInterrupt[i] ?? 0)
		else [priorities[i], priorities[j]] = [priorities[j] ?? 0, priorities[i] ?? 0]
	}
	const clockWeight = rng() < 0.1 ? Math.floor(rng() * 3) / 2 : sample.clockWeight
	return { priorities, mayInterrupt, clockWeight, isTogether: rng() < 0.2 ? !sample.isTogether : sample.isTogether }
}
