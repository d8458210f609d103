/** The log of past classes: what is believed because of them, whether that is any good, and each class as it was. */
import { advise, type Advice } from '../../core/learn/advice'
import { backtestMinutes, type BacktestedOccasion, type BacktestFigures } from '../../core/learn/backtest'
import { learnFrom, sumBreakage, type BelievedBreakage } from '../../core/learn/learnt'
import { MinutesBelief } from '../../core/learn/minutes-belief'
import { nameOfSeen } from '../../core/learn/seen'
import { setLearnt, type Studio } from '../../db/repositories/accounts.server'
import { learntFrom, listObservations, type StoredObservation } from '../../db/repositories/observations.server'
import { listStudentSpeeds, type KnownStudent } from '../../db/repositories/student-speeds.server'
import { today } from '../shared/http/studio-clock.server'
import { remember } from '../shared/http/remember.server'
import { pasteWords } from './words/log'
import { believedPastes, believedSteps, believedTechniques, type BelievedName } from './believed-names'

export type LoggedOccasion = {
	id: number
	/** Of the step, the part, the paste, the wire or the tool. */
	name: string
	leftOut: string | null
	isCorrected: boolean
} & (
	| {
			kind: 'minutes'
			/** Real minutes; `to` null: it was cut off. */
			from: number
			to: number | null
			/** Minutes, as was known before its day; absent: it is left out. */
			predicted?: number
			ninety?: [number, number]
	  }
	| { kind: 'breakage'; made: number; broken: number }
	| { kind: 'paste'; reckonedG: number; usedG: number }
	| { kind: 'wires'; handed: number; used: number }
	| { kind: 'queue'; waiting: number; studentCount: number }
)

export interface LoggedClass {
	key: string
	name: string
	/** YYYY-MM-DD. */
	date: string
	source: StoredObservation['source']
	/** Where it was taught, to look it up. */
	run?: { courseId: number; session: number }
	occasions: LoggedOccasion[]
}

/** How often pieces of a part are lost. */
export interface BelievedPart extends BelievedBreakage {
	name: string
}

export interface NamedAdvice {
	advice: Advice
	/** Of what it is about. */
	name: string
}

export interface Log {
	techniques: BelievedName[]
	/** Those that differ most from what is stated, for sure, first. */
	steps: BelievedName[]
	parts: BelievedPart[]
	pastes: BelievedName[]
	advice: NamedAdvice[]
	figures: BacktestFigures
	thirds: { first: BacktestFigures; last: BacktestFigures }
	/** The newest first. */
	classes: LoggedClass[]
	hasExamples: boolean
}

export interface LogPage extends Log {
	/** YYYY-MM-DD since when plans go by what was learnt by then; absent: by what the designs state. */
	plansSince?: string
	/** How fast people are who come again; absent: nobody asks for it. */
	students?: KnownStudent[]
}

/** Looking back takes its time, and is the same until something is added. */
const rememberLog = remember<Log>(50)

export async function loadLog(studio: Studio): Promise<LogPage> {
	const [rows, students] = await Promise.all([
		listObservations(studio.id),
		studio.learnsStudents ? listStudentSpeeds(studio.id) : undefined,
	])
	const log = rememberLog([studio.id, rows], () => makeLog(rows))
	const since = studio.learnt?.since
	return { ...log, ...(since !== undefined && { plansSince: since }), ...(students && { students }) }
}

/** From now on plans go by what is learnt today. */
export async function planWithLearnt(studio: Studio): Promise<void> {
	const rows = await listObservations(studio.id)
	await setLearnt(studio.id, learnFrom(learntFrom(rows), today(studio.timeZone)))
}

function makeLog(rows: readonly StoredObservation[]): Log {
	const observed = learntFrom(rows)
	const belief = new MinutesBelief(observed.minutes)
	const names = namesOf(rows)
	const { occasions, figures, thirds } = backtestMinutes(observed.minutes)
	return {
		...{ figures, thirds },
		techniques: believedTechniques(rows, belief),
		steps: believedSteps(rows, belief),
		parts: sumBreakage(observed.breakage).map((own) => ({ ...own, name: names.get(own.part) ?? own.part })),
		pastes: believedPastes(observed.paste),
		advice: advise(observed, belief).map((advice) => {
			const key = keyOfAdvice(advice)
			return { advice, name: names.get(key) ?? key }
		}),
		classes: gatherClasses(rows, occasions),
		hasExamples: rows.some(({ source }) => source === 'example'),
	}
}

function keyOfAdvice(advice: Advice): string {
	switch (advice.kind) {
		case 'late':
		case 'early':
			return advice.step
		case 'fragile':
		case 'sturdy':
			return advice.part
		case 'over':
		case 'short':
			return advice.paste
		case 'spare wires':
			return advice.wire
		case 'queue':
			return advice.tool
	}
}

/** The newest first. */
function gatherClasses(rows: readonly StoredObservation[], occasions: readonly BacktestedOccasion[]): LoggedClass[] {
	const saidBefore = new Map(occasions.map((own) => [own.observation.id, own]))
	const classes = new Map<string, LoggedClass>()
	for (const row of rows.toReversed()) {
		const { className: name, source, run, observation } = row
		const { classId, date } = observation
		const key = run ? `${classId} ${run.session}` : `${classId} ${date}`
		const own = classes.get(key) ?? { ...{ key, name, date, source, occasions: [] }, ...(run && { run }) }
		classes.set(key, own)
		own.occasions.unshift(toOccasion(row, saidBefore.get(observation.id)))
	}
	return [...classes.values()]
}

function toOccasion(row: StoredObservation, before: BacktestedOccasion | undefined): LoggedOccasion {
	const { id, leftOut, original } = row
	const name = row.kind === 'paste' ? pasteWords(row.observation) : nameOfSeen(row)
	const common = { id, leftOut, name, isCorrected: original !== undefined }
	switch (row.kind) {
		case 'minutes': {
			const { from, to } = row.observation
			return {
				...{ ...common, kind: row.kind, from, to: to === Infinity ? null : to },
				...(before && { predicted: before.predicted, ninety: [...before.ninety] }),
			}
		}
		case 'breakage': {
			const { made, broken } = row.observation
			return { ...common, kind: row.kind, made: Math.round(made), broken }
		}
		case 'paste': {
			const { reckonedG, usedG } = row.observation
			return { ...common, kind: row.kind, reckonedG, usedG }
		}
		case 'wires': {
			const { handed, used } = row.observation
			return { ...common, kind: row.kind, handed, used }
		}
		case 'queue': {
			const { waiting, studentCount } = row.observation
			return { ...common, kind: row.kind, waiting, studentCount }
		}
	}
}

/** Of steps and parts, as they were called last; anything else is known by its name. */
function namesOf(rows: readonly StoredObservation[]): Map<string, string> {
	return new Map(
		rows.flatMap((row) => {
			if (row.kind === 'minutes') return [[row.observation.step, row.stepName] as const]
			return row.kind === 'breakage' ? [[row.observation.part, row.observation.partName] as const] : []
		}),
	)
}
