/**
 * What a studio plans with of what it has learnt: factors on the minutes that its designs state. Taken over by a press, and
 * the same until the next one: a plan never changes by itself.
 */
import { levelFactor } from '../course/pace'
import type { Pace } from '../course/course'
import type { ResolvedDesign, ResolvedStep } from '../design/resolve-design'
import { MinutesBelief, type MinutesObservation } from './minutes-belief'

/** Factors > 0. */
export interface LearntMinutes {
	/** YYYY-MM-DD: the day on which it was taken over. */
	since: string
	/** On what a level makes of a practised adult's minutes. */
	levels: Partial<Record<Pace, number>>
	/** Of a technique by itself, for steps that nobody has taught. */
	techniques: Record<string, number>
	/** By `learntStepKey`; the technique is in it. */
	steps: Record<string, number>
}

/** Address of a step in all designs of a studio. */
export function learntStepKey(designId: string, stepId: string): string {
	return `${designId}/${stepId}`
}

/** @param since - YYYY-MM-DD */
export function learnMinutes(observations: readonly MinutesObservation[], since: string): LearntMinutes {
	const belief = new MinutesBelief(observations)
	const factor = ({ mean }: { mean: number }) => Math.round(1000 * Math.exp(mean)) / 1000
	const levels = new Set(observations.map(({ level }) => level))
	const techniques = new Set(observations.flatMap(({ technique }) => technique ?? []))
	const steps = new Map(observations.map((own) => [own.step, own]))
	const factorOfStep = (own: MinutesObservation) => factor(belief.stepFactor(own))
	// What is done together with another, and was never taught by itself, takes as much longer as the two do.
	const together = observations.flatMap((own) => (own.alsoSteps ?? []).map((also) => [also, own] as const))
	const known = new Map([...together, ...steps])
	return {
		since,
		levels: Object.fromEntries(
			[...levels].toSorted().map((level) => {
				const { mean } = belief.levelFactor(level)
				return [level, factor({ mean: mean - Math.log(levelFactor(level)) })]
			}),
		),
		techniques: Object.fromEntries(
			[...techniques].toSorted().map((technique) => [technique, factor(belief.techniqueFactor(technique))]),
		),
		steps: Object.fromEntries(
			[...known].toSorted(([a], [b]) => (a < b ? -1 : 1)).map(([step, own]) => [step, factorOfStep(own)]),
		),
	}
}

/** Of the minutes that a design states of a practised adult, for a group of that level. */
export function learntFactor(
	{ levels, techniques, steps }: LearntMinutes,
	{ pace, step, technique }: { pace: Pace; step: string; technique?: string | undefined },
): number {
	const ofStep = steps[step] ?? (technique === undefined ? undefined : techniques[technique]) ?? 1
	return ofStep * (levels[pace] ?? 1)
}

/** The design with the minutes that its steps really take a group of that level. */
export function withLearntMinutes(design: ResolvedDesign, learnt: LearntMinutes, pace: Pace): ResolvedDesign {
	return {
		...design,
		steps: design.steps.map((step): ResolvedStep => {
			const factor = learntFactor(learnt, { pace, step: learntStepKey(design.id, step.id), technique: step.technique })
			const { minutesBySize } = step
			return {
				...step,
				minutesPerPiece: factor * step.minutesPerPiece,
				fixedMinutes: factor * step.fixedMinutes,
				...(minutesBySize && {
					minutesBySize: Object.fromEntries(
						Object.entries(minutesBySize).map(([size, minutes]) => [size, factor * minutes]),
					),
				}),
			}
		}),
	}
}
