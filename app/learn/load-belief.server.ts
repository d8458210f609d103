/** One technique or step: what is stated, what is believed of it, and how what was foretold came out from class to class. */
import { spanOf, type BeliefSpan } from '../../core/learn/belief-span'
import { backtestMinutes } from '../../core/learn/backtest'
import { MinutesBelief } from '../../core/learn/minutes-belief'
import { NotFoundError } from '../../core/errors'
import type { Studio } from '../../db/repositories/accounts.server'
import { listObservations } from '../../db/repositories/observations.server'
import { remember } from '../shared/http/remember.server'
import { usedMinutes, type BelievedName, type StoredMinutes } from './believed-names'

export interface BeliefAddress {
	kind: 'technique' | 'step'
	key: string
}

export interface BeliefOccasion {
	id: number
	className: string
	date: string
	stepName: string
	/** Minutes; `to` null: it was cut off. */
	from: number
	to: number | null
	/** As the design states them, for this class and the last of those who were done. */
	stated: number
	/** As was known before its day. */
	predicted: number
	ninety: [number, number]
}

export interface BeliefPage extends BelievedName, BeliefAddress {
	/** The oldest first. */
	occasions: BeliefOccasion[]
	/** Of a technique: its steps. */
	steps: (BelievedName & { factor: BeliefSpan })[]
	/** Of a step: its technique. */
	technique?: { key: string; name: string }
}

const rememberBelief = remember<BeliefPage>(100)

/** @throws {NotFoundError} nothing is known of it */
export async function loadBelief(studio: Studio, address: BeliefAddress): Promise<BeliefPage> {
	const rows = usedMinutes(await listObservations(studio.id))
	const own = rows.filter(({ observation }) => observation[address.kind] === address.key)
	if (own.length === 0) throw new NotFoundError('Nothing is known of it.')
	return rememberBelief([studio.id, address, rows], () => makeBelief(address, rows, own))
}

function makeBelief(
	{ kind, key }: BeliefAddress,
	rows: readonly StoredMinutes[],
	own: readonly StoredMinutes[],
): BeliefPage {
	const observations = rows.map(({ observation }) => observation)
	const belief = new MinutesBelief(observations)
	const before = new Map(backtestMinutes(observations).occasions.map((one) => [one.observation.id, one]))
	const [first] = own
	const newest = own.at(-1) ?? first
	if (!newest) throw new NotFoundError('Nothing is known of it.')
	const { technique } = newest.observation
	const factorOfStep = (row: StoredMinutes) => spanOf(belief.stepFactor(row.observation))
	const steps = [...new Map(own.map((row) => [row.observation.step, row]))]
	return {
		...{ kind, key },
		name: kind === 'step' ? newest.stepName : (newest.techniqueName ?? key),
		factor: kind === 'step' ? factorOfStep(newest) : spanOf(belief.techniqueFactor(key)),
		classes: kind === 'step' ? belief.classesOfStep(key) : belief.classesOfTechnique(key),
		occasions: own.flatMap(({ id, className, stepName, observation }): BeliefOccasion[] => {
			const foretold = before.get(observation.id)
			if (!foretold) return []
			const { date, from, to } = observation
			const { stated, predicted, ninety } = foretold
			return [
				{
					...{ id, className, stepName, date, from, to: to === Infinity ? null : to },
					...{ stated, predicted, ninety: [...ninety] as [number, number] },
				},
			]
		}),
		steps:
			kind === 'step'
				? []
				: steps.map(([step, row]) => ({
						...{ key: step, name: row.stepName, factor: factorOfStep(row), classes: belief.classesOfStep(step) },
					})),
		...(kind === 'step' &&
			technique !== undefined && { technique: { key: technique, name: newest.techniqueName ?? technique } }),
	}
}
