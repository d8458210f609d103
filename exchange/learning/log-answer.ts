/** What the command-line door says of a log: beliefs with their doubt, and whether they are any good. */
import { PACES } from '../../core/course/course'
import { backtestMinutes } from '../../core/learn/backtest'
import { spanOf } from '../../core/learn/belief-span'
import { learnBreakage, meanBreakage } from '../../core/learn/breakage-belief'
import { MinutesBelief } from '../../core/learn/minutes-belief'
import { PasteBelief } from '../../core/learn/paste-belief'
import type { Moments } from '../../core/learn/truncated-normal'
import type { ClassLog } from './log-document'

export function tellBeliefs({ minutes, breakage, paste }: ClassLog): object {
	const belief = new MinutesBelief(minutes)
	const levels = PACES.filter((level) => minutes.some((own) => own.level === level))
	const techniques = [...new Set(minutes.flatMap(({ technique }) => technique ?? []))].toSorted()
	const steps = new Map(minutes.map(({ step, technique }) => [step, technique]))
	const { figures, thirds } = backtestMinutes(minutes)
	const pasteBelief = new PasteBelief(paste)
	const used = new Map(paste.map(({ paste: name, kind }) => [`${name} ${kind ?? ''}`, { paste: name, kind }]))
	const parts = new Map(breakage.map((own) => [own.part, own.stated]))
	return {
		levels: levels.map((level) => ({ level, ...factorOf(belief.levelFactor(level)) })),
		techniques: techniques.map((technique) => ({
			technique,
			...factorOf(belief.techniqueFactor(technique)),
			classes: belief.classesOfTechnique(technique),
		})),
		steps: [...steps].map(([step, technique]) => ({
			step,
			...factorOf(belief.stepFactor({ step, ...(technique !== undefined && { technique }) })),
			classes: belief.classesOfStep(step),
		})),
		backtest: { ...figures, thirds },
		breakage: [...parts].map(([part, stated]) => {
			const own = learnBreakage(
				stated,
				breakage.filter((one) => one.part === part),
			)
			return { part, stated, believed: meanBreakage(own) }
		}),
		paste: [...used.values()].map(({ paste: name, kind }) => ({
			paste: name,
			...(kind !== undefined && { kind }),
			...factorOf(pasteBelief.ratioOf({ paste: name, ...(kind !== undefined && { kind }) })),
		})),
	}
}

/** A factor, and what it lies between. */
function factorOf(moments: Moments) {
	const { at, ...between } = spanOf(moments)
	return { factor: at, ...between }
}
