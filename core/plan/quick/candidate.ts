/** A full candidate plan: decisions with the best schedule found for them, and how candidates compare. */
import type { Rng } from '../../random'
import type { NormalInstance } from '../problem/normal-form'
import type { Levels } from '../problem/objective'
import { buildNetwork, priceDecisions, type Decisions, type Network } from './decisions'
import { layBreaks, moveBreak } from './break-starts'
import { endOf, ScheduleGenerator, type Effort, type LaidRuns, type Sample } from './generate-schedule'
import { latestStarts } from './latest-starts'
import { scoreSchedule, type ScheduleScore } from './score-schedule'

export interface Candidate {
	decisions: Decisions
	laid: LaidRuns
	score: ScheduleScore & { valueLost: number; prepMinutes: number }
	/** Of the score, as candidates are compared. */
	vector: readonly number[]
	/** The sample that gave the schedule, as a start for the next ones. */
	sample: Sample
}

/** < 0 if `a` is the better. A missing candidate is the worst. */
export function compareCandidates(a: Candidate | undefined, b: Candidate | undefined): number {
	if (!a || !b) return (a ? 0 : 1) - (b ? 0 : 1)
	// A plan that does not fit is judged by how much is missing alone: its vector is shorter.
	const k = a.vector.findIndex((value, level) => level < b.vector.length && value !== b.vector[level])
	return k < 0 ? 0 : (a.vector[k] ?? 0) - (b.vector[k] ?? 0)
}

/**
 * What candidates are compared by, the most important first. Beside the objective's own levels: minutes by which the last
 * close is passed, so that climbing sees whether it comes nearer, and at last how far demonstrations lie from their steps.
 */
function toVector(score: Candidate['score'], levels: Levels): number[] {
	const missing = [score.shortfall, score.lateMinutes]
	if (score.shortfall > 0) return missing
	return [...missing, ...levels.map((level) => score[level]), score.apart]
}

/** Nothing can be better: no level is below 0. */
function isPerfect(candidate: Candidate | undefined): boolean {
	return candidate?.vector.every((value) => value === 0) ?? false
}

/** The better of two. */
export function better(a: Candidate | undefined, b: Candidate | undefined): Candidate | undefined {
	return compareCandidates(a, b) <= 0 ? a : b
}

/** What all who sample share. */
export interface SampleTerms {
	rng: Rng
	effort: Effort
	/** What plans are judged by. */
	levels: Levels
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
	{ count, rng, effort, levels }: SampleTerms & { count: number },
): Candidate | undefined {
	const network = buildNetwork(instance, decisions)
	if (!network) return undefined
	const generator = new ScheduleGenerator(instance, network, decisions.places, effort)
	const latest = latestStarts(instance, network)
	let best: Candidate | undefined
	for (let s = 0; s < count && effort.schedules > 0 && !isPerfect(best); s++) {
		best = better(
			best,
			tryCandidate(instance, decisions, { generator, network, levels }, drawSample(instance, latest, s, rng)),
		)
	}
	return best
}

/** Best of so many neighbours of a candidate's sample, climbing from each that is no worse. */
export function climb(
	instance: NormalInstance,
	start: Candidate,
	{ count, rng, effort, levels }: SampleTerms & { count: number },
): Candidate {
	const network = buildNetwork(instance, start.decisions)
	if (!network) return start
	const generator = new ScheduleGenerator(instance, network, start.decisions.places, effort)
	let best = start
	for (let s = 0; s < count && effort.schedules > 0 && !isPerfect(best); s++) {
		const candidate = tryCandidate(
			instance,
			start.decisions,
			{ generator, network, levels },
			perturb(instance, best, network.placed, rng),
		)
		if (candidate && compareCandidates(candidate, best) <= 0) best = candidate
	}
	return best
}

/** Lays one sample and scores it; undefined where it breaks a limit that no repair reaches. */
function tryCandidate(
	instance: NormalInstance,
	decisions: Decisions,
	{ generator, network, levels }: { generator: ScheduleGenerator; network: Network; levels: Levels },
	sample: Sample,
): Candidate | undefined {
	const laid = generator.generate(sample)
	if (!laid) return undefined
	const schedule = { places: decisions.places, laid, breaks: sample.breaks }
	const score = { ...scoreSchedule(instance, network, schedule), ...priceDecisions(instance, decisions) }
	return { decisions, laid, score, vector: toVector(score, levels), sample }
}

/** Samples 0-3 are the plain rule, by plan or by the clock, interrupting everything or nothing; the others are biased. */
function drawSample(instance: NormalInstance, latest: Float64Array, s: number, rng: Rng): Sample {
	const { windows, tasks } = instance
	if (s < 4) {
		return {
			priorities: latest,
			mayInterrupt: new Uint8Array(tasks.length).fill(s % 2 === 0 ? 1 : 0),
			clockWeight: s >> 1,
			isTogether: new Uint8Array(tasks.length).fill(s < 2 ? 1 : 0),
			breaks: layBreaks(instance, () => 0.5),
		}
	}
	const openMinutes = windows.reduce((total, { open, close }) => total + close - open, 0)
	const spread = openMinutes * 0.5 * rng()
	return {
		priorities: latest.map((start) => start + spread * (rng() - 0.5)),
		mayInterrupt: new Uint8Array(tasks.length).map(() => (rng() < 0.6 ? 1 : 0)),
		clockWeight: Math.floor(rng() * 3) / 2,
		isTogether: drawTogether(tasks.length, rng),
		breaks: layBreaks(instance, rng),
	}
}

/** All introductions right before what needs them, none, or each by chance. */
function drawTogether(count: number, rng: Rng): Uint8Array {
	const share = [0, 0.5, 1, 1][Math.floor(rng() * 4)] ?? 1
	return new Uint8Array(count).map(() => (rng() < share ? 1 : 0))
}

/** Now and then another choice for one of them, or all of them together. */
function flipTogether(isTogether: Uint8Array, placed: readonly number[], rng: Rng): Uint8Array {
	const draw = rng()
	if (draw > 0.4) return isTogether
	if (draw < 0.05) return new Uint8Array(isTogether.length).fill(1)
	const flipped = Uint8Array.from(isTogether)
	for (let k = 0; k < 3; k++) {
		const i = placed[Math.floor(rng() * placed.length)] ?? 0
		flipped[i] = 1 - (flipped[i] ?? 0)
	}
	return flipped
}

/** Exchanges the priorities of a few tasks, flips whether a few may be interrupted, and moves a break. */
function perturb(instance: NormalInstance, { sample, laid }: Candidate, placed: readonly number[], rng: Rng): Sample {
	const priorities = Float64Array.from(sample.priorities)
	const mayInterrupt = Uint8Array.from(sample.mayInterrupt)
	const draw = () => placed[Math.floor(rng() * placed.length)] ?? 0
	for (let change = 0; change < 1 + Math.floor(rng() * 3); change++) {
		const [i, j] = [draw(), draw()]
		if (rng() < 0.3) mayInterrupt[i] = 1 - (mayInterrupt[i] ?? 0)
		else [priorities[i], priorities[j]] = [priorities[j] ?? 0, priorities[i] ?? 0]
	}
	const clockWeight = rng() < 0.1 ? Math.floor(rng() * 3) / 2 : sample.clockWeight
	const isTogether = flipTogether(sample.isTogether, placed, rng)
	const mayMove = instance.breaks.length > 0 && rng() < 0.4
	const ends = mayMove ? instance.tasks.map(({ unitMinutes }, i) => endOf(laid[i] ?? [], unitMinutes)) : []
	const breaks = mayMove ? moveBreak(instance, sample.breaks, { ends, rng }) : sample.breaks
	return { priorities, mayInterrupt, clockWeight, isTogether, breaks }
}
