/** Techniques, steps and pastes with what is believed of them. */
import { spanOf, type BeliefSpan } from '../../core/learn/belief-span'
import type { MinutesBelief } from '../../core/learn/minutes-belief'
import { kindsOfPaste, PasteBelief } from '../../core/learn/paste-belief'
import { pasteUseKey } from '../../core/learn/paste-use'
import type { SeenPaste } from '../../core/learn/seen'
import type { Moments } from '../../core/learn/truncated-normal'
import type { StoredObservation } from '../../db/repositories/observations.server'
import { pasteWords } from './words/log'

export interface BelievedName {
	key: string
	name: string
	/** On what is stated or reckoned. */
	factor: BeliefSpan
	/** From so many classes. */
	classes: number
}

export type StoredMinutes = Extract<StoredObservation, { kind: 'minutes' }>

/** Those that are learnt from. */
export function usedMinutes(rows: readonly StoredObservation[]): StoredMinutes[] {
	return rows.filter((row): row is StoredMinutes => row.kind === 'minutes' && row.leftOut === null)
}

export function believedTechniques(rows: readonly StoredObservation[], belief: MinutesBelief): BelievedName[] {
	const names = new Map(
		usedMinutes(rows).flatMap(({ observation: { technique }, techniqueName }) => {
			return technique === undefined ? [] : [[technique, techniqueName ?? technique] as const]
		}),
	)
	const list = [...names].map(([key, name]) => {
		const moments = belief.techniqueFactor(key)
		return { moments, ...{ key, name, factor: spanOf(moments), classes: belief.classesOfTechnique(key) } }
	})
	return bySureness(list)
}

export function believedSteps(rows: readonly StoredObservation[], belief: MinutesBelief): BelievedName[] {
	const steps = new Map(usedMinutes(rows).map((own) => [own.observation.step, own]))
	const list = [...steps].map(([key, { stepName: name, observation }]) => {
		const moments = belief.stepFactor(observation)
		return { moments, ...{ key, name, factor: spanOf(moments), classes: belief.classesOfStep(key) } }
	})
	return bySureness(list)
}

/** @param used - those that are learnt from */
export function believedPastes(
	used: readonly Pick<SeenPaste, 'id' | 'classId' | 'paste' | 'kind' | 'reckonedG' | 'usedG'>[],
): BelievedName[] {
	const belief = new PasteBelief(used)
	const list = kindsOfPaste(used).map((own) => {
		const moments = belief.ratioOf(own)
		const seen = used.filter(({ paste, kind }) => paste === own.paste && (own.kind === undefined || kind === own.kind))
		const classes = new Set(seen.map(({ classId }) => classId)).size
		const key = pasteUseKey(own.paste, own.kind)
		return { moments, ...{ key, name: pasteWords(own), factor: spanOf(moments), classes } }
	})
	return bySureness(list)
}

/** What is surest to differ from what is stated comes first. */
function bySureness(list: readonly (BelievedName & { moments: Moments })[]): BelievedName[] {
	const score = ({ mean, variance }: Moments) => Math.abs(mean) / Math.sqrt(variance)
	return list.toSorted((a, b) => score(b.moments) - score(a.moments)).map(({ moments: _, ...own }) => own)
}
