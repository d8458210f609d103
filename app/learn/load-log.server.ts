/** The log of past classes: what is believed because of them, whether that is any good, and each class as it was. */
import { spanOf, type BeliefSpan } from '../../core/learn/belief-span'
import { backtestMinutes, type BacktestFigures } from '../../core/learn/backtest'
import { learnMinutes } from '../../core/learn/learnt-minutes'
import { MinutesBelief } from '../../core/learn/minutes-belief'
import type { Moments } from '../../core/learn/truncated-normal'
import { setLearntMinutes, type Studio } from '../../db/repositories/accounts.server'
import { listObservations, type StoredObservation } from '../../db/repositories/observations.server'
import { today } from '../shared/http/studio-clock.server'
import { remember } from '../shared/http/remember.server'

export interface BelievedName {
	key: string
	name: string
	/** On stated minutes. */
	factor: BeliefSpan
	/** From so many classes. */
	classes: number
}

export interface LoggedOccasion {
	id: number
	stepName: string
	date: string
	/** Real minutes; `to` null: it was cut off. */
	from: number
	to: number | null
	/** Minutes, as was known before its day; absent: it is left out. */
	predicted?: number
	ninety?: [number, number]
	leftOut: string | null
}

export interface LoggedClass {
	key: string
	name: string
	isExample: boolean
	/** Where it was taught, to look it up. */
	run?: { courseId: number; session: number }
	occasions: LoggedOccasion[]
}

export interface Log {
	techniques: BelievedName[]
	/** Those that differ most from what is stated, for sure, first. */
	steps: BelievedName[]
	figures: BacktestFigures
	thirds: { first: BacktestFigures; last: BacktestFigures }
	/** The newest first. */
	classes: LoggedClass[]
	hasExamples: boolean
}

export interface LogPage extends Log {
	/** YYYY-MM-DD since when plans go by what was learnt by then; absent: by what the designs state. */
	plansSince?: string
}

/** Looking back takes its time, and is the same until something is added. */
const rememberLog = remember<Log>(50)

export async function loadLog(studio: Studio): Promise<LogPage> {
	const rows = await listObservations(studio.id)
	const log = rememberLog([studio.id, rows], () => makeLog(rows))
	const since = studio.learntMinutes?.since
	return { ...log, ...(since !== undefined && { plansSince: since }) }
}

/** From now on plans go by what is learnt today. */
export async function planWithLearnt(studio: Studio): Promise<void> {
	const rows = await listObservations(studio.id)
	const used = rows.filter(({ leftOut }) => leftOut === null).map(({ observation }) => observation)
	await setLearntMinutes(studio.id, learnMinutes(used, today(studio.timeZone)))
}

function makeLog(rows: readonly StoredObservation[]): Log {
	const used = rows.filter(({ leftOut }) => leftOut === null)
	const observations = used.map(({ observation }) => observation)
	const belief = new MinutesBelief(observations)
	const { occasions, figures, thirds } = backtestMinutes(observations)
	const saidBefore = new Map(occasions.map((own) => [own.observation.id, own]))
	const classes = new Map<string, LoggedClass>()
	for (const { id, className, stepName, observation, source, run, leftOut } of rows.toReversed()) {
		const classKey = run ? `${observation.classId} ${run.session}` : `${observation.classId} ${observation.date}`
		const own: LoggedClass = classes.get(classKey) ?? {
			...{ key: classKey, name: className, isExample: source === 'example', occasions: [] },
			...(run && { run }),
		}
		classes.set(classKey, own)
		const before = saidBefore.get(observation.id)
		const { date, from, to } = observation
		own.occasions.unshift({
			...{ id, stepName, date, from, to: to === Infinity ? null : to, leftOut },
			...(before && { predicted: before.predicted, ninety: [...before.ninety] }),
		})
	}
	return {
		techniques: believedTechniques(used, belief),
		steps: believedSteps(used, belief),
		figures,
		thirds,
		classes: [...classes.values()],
		hasExamples: rows.some(({ source }) => source === 'example'),
	}
}

function believedTechniques(used: readonly StoredObservation[], belief: MinutesBelief): BelievedName[] {
	const names = new Map(
		used.flatMap(({ observation: { technique }, techniqueName }) => {
			return technique === undefined ? [] : [[technique, techniqueName ?? technique] as const]
		}),
	)
	const list = [...names].map(([key, name]) => {
		const moments = belief.techniqueFactor(key)
		return { moments, ...{ key, name, factor: spanOf(moments), classes: belief.classesOfTechnique(key) } }
	})
	return bySureness(list)
}

function believedSteps(used: readonly StoredObservation[], belief: MinutesBelief): BelievedName[] {
	const steps = new Map(used.map((own) => [own.observation.step, own]))
	const list = [...steps].map(([key, { stepName: name, observation }]) => {
		const moments = belief.stepFactor(observation)
		return { moments, ...{ key, name, factor: spanOf(moments), classes: belief.classesOfStep(key) } }
	})
	return bySureness(list)
}

/** What is surest to differ from what is stated comes first. */
function bySureness(list: readonly (BelievedName & { moments: Moments })[]): BelievedName[] {
	const score = ({ mean, variance }: Moments) => Math.abs(mean) / Math.sqrt(variance)
	return list.toSorted((a, b) => score(b.moments) - score(a.moments)).map(({ moments: _, ...own }) => own)
}
