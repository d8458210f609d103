/** What is learnt of minutes, to plan and to rehearse with: factors on those that designs state, and how far they hold. */
import { levelFactor } from '../course/pace'
import type { Pace } from '../course/course'
import type { ResolvedStep } from '../design/resolve-design'
import { OCCASION_SD } from '../vocabulary/spreads'
import { MinutesBelief, type MinutesObservation } from './minutes-belief'

/** Factors > 0. */
export interface LearntMinutes {
	/** On what a level makes of a practised adult's minutes. */
	levels: Partial<Record<Pace, number>>
	/** Of a technique by itself, for steps that nobody has taught. */
	techniques: Record<string, number>
	/** By `learntStepKey`; the technique is in it. */
	steps: Record<string, number>
	/** Of the steps: standard deviation of ln of what one takes a class, with what differs from class to class. */
	doubts?: Record<string, number>
}

/** Address of a step in all designs of a studio. */
export function learntStepKey(designId: string, stepId: string): string {
	return `${designId}/${stepId}`
}

/** @param observations - in any order: what is learnt is the same */
export function learnMinutes(observations: readonly MinutesObservation[]): LearntMinutes {
	const belief = new MinutesBelief(observations)
	const thousandths = (value: number) => Math.round(1000 * value) / 1000
	const factor = ({ mean }: { mean: number }) => thousandths(Math.exp(mean))
	const levels = new Set(observations.map(({ level }) => level))
	const techniques = new Set(observations.flatMap(({ technique }) => technique ?? []))
	const steps = new Map(observations.map((own) => [own.step, own]))
	// What is done together with another, and was never taught by itself, takes as much longer as the two do.
	const together = observations.flatMap((own) => (own.alsoSteps ?? []).map((also) => [also, own] as const))
	const known = [...new Map([...together, ...steps])].toSorted(([a], [b]) => (a < b ? -1 : 1))
	return {
		levels: Object.fromEntries(
			[...levels].toSorted().map((level) => {
				const { mean } = belief.levelFactor(level)
				return [level, factor({ mean: mean - Math.log(levelFactor(level)) })]
			}),
		),
		techniques: Object.fromEntries(
			[...techniques].toSorted().map((technique) => [technique, factor(belief.techniqueFactor(technique))]),
		),
		steps: Object.fromEntries(known.map(([step, own]) => [step, factor(belief.stepFactor(own))])),
		doubts: Object.fromEntries(
			known.map(([step, own]) => {
				const { variance } = belief.stepFactor(own)
				return [step, thousandths(Math.hypot(Math.sqrt(variance), OCCASION_SD))]
			}),
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

/** The step with the minutes that it really takes a group of that level. */
export function withLearntMinutes(
	step: ResolvedStep,
	{ learnt, key, pace }: { learnt: LearntMinutes; key: string; pace: Pace },
): ResolvedStep {
	const factor = learntFactor(learnt, { pace, step: key, technique: step.technique })
	const doubt = learnt.doubts?.[key]
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
		...(doubt !== undefined && { doubt }),
	}
}
