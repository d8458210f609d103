/**
 * What a studio plans with of what past classes have taught it: minutes, breakage and paste. Taken over by a press, and the
 * same until the next one: a plan never changes by itself.
 */
import type { Pace } from '../course/course'
import type { ResolvedDesign } from '../design/resolve-design'
import { learnBreakage, meanBreakage, type BreakageBelief, type BreakageObservation } from './breakage-belief'
import { learnMinutes, learntStepKey, withLearntMinutes, type LearntMinutes } from './learnt-minutes'
import type { MinutesObservation } from './minutes-belief'
import { kindsOfPaste, PasteBelief, type PasteObservation } from './paste-belief'
import { pasteUseKey, type PasteUse } from './paste-use'

export interface Learnt extends LearntMinutes {
	/** YYYY-MM-DD: the day on which it was taken over. */
	since: string
	/** Of the parts that were seen, by `learntPartKey`; absent: none. */
	breakage?: Record<string, BreakageBelief>
	/** Absent: as reckoned. */
	paste?: PasteUse
}

/** Pieces of a part in a class. */
export interface PartObservation extends BreakageObservation {
	id: string
	/** By `learntPartKey`. */
	part: string
	/** The design's probability that one is lost, in (0, 1). */
	stated: number
}

/** What past classes have left. */
export interface Observed {
	minutes: readonly MinutesObservation[]
	breakage: readonly PartObservation[]
	paste: readonly PasteObservation[]
}

/** Address of a part in all designs of a studio. */
export function learntPartKey(designId: string, partId: string): string {
	return `${designId}/${partId}`
}

/**
 * @param observed - in any order: what is learnt is the same
 * @param since - YYYY-MM-DD
 */
export function learnFrom({ minutes, breakage, paste }: Observed, since: string): Learnt {
	const parts = [...new Set(breakage.map(({ part }) => part))].toSorted()
	const pastes = kindsOfPaste(paste)
	const belief = new PasteBelief(paste)
	return {
		since,
		...learnMinutes(minutes),
		...(parts.length > 0 && {
			breakage: Object.fromEntries(parts.map((part) => [part, believedBreakage(breakage, part)])),
		}),
		...(pastes.length > 0 && {
			paste: Object.fromEntries(
				pastes.map((own) => [
					pasteUseKey(own.paste, own.kind),
					Math.round(1000 * Math.exp(belief.ratioOf(own).mean)) / 1000,
				]),
			),
		}),
	}
}

/** Of a part: the last that its design stated is where the belief begins. */
export function believedBreakage(breakage: readonly PartObservation[], part: string): BreakageBelief {
	const own = breakage.filter((one) => one.part === part).toSorted((a, b) => (a.id < b.id ? -1 : 1))
	return learnBreakage(own.at(-1)?.stated ?? 0, own)
}

/** What was seen of a part in all, and what is believed of it. */
export interface BelievedBreakage {
	part: string
	/** Probabilities, of a practised adult. */
	stated: number
	believed: number
	made: number
	broken: number
}

/** Those that break most first. */
export function sumBreakage(breakage: readonly PartObservation[]): BelievedBreakage[] {
	const parts = [...new Set(breakage.map(({ part }) => part))]
	return parts
		.map((part) => {
			const own = breakage.filter((one) => one.part === part)
			return {
				...{ part, stated: own.at(-1)?.stated ?? 0, believed: meanBreakage(believedBreakage(breakage, part)) },
				made: Math.round(own.reduce((sum, { made }) => sum + made, 0)),
				broken: own.reduce((sum, { broken }) => sum + broken, 0),
			}
		})
		.toSorted((a, b) => b.believed - a.believed)
}

/** The design as it really goes with a group of that level. */
export function withLearnt(design: ResolvedDesign, learnt: Learnt, pace: Pace): ResolvedDesign {
	return {
		...design,
		steps: design.steps.map((step) => {
			return withLearntMinutes(step, { learnt, key: learntStepKey(design.id, step.id), pace })
		}),
		parts: design.parts.map((part) => {
			const belief = learnt.breakage?.[learntPartKey(design.id, part.of)]
			if (!belief || part.breakage === 0) return part
			return { ...part, lostBefore: { ...belief, stated: part.breakage }, breakage: meanBreakage(belief) }
		}),
	}
}
