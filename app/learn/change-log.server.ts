/** What may be done to the log: leaving out, correcting, taking in a file; and what plans go by. */
import { InputError } from '../../core/errors'
import { setLearnt, type Studio } from '../../db/repositories/accounts.server'
import { listDocuments } from '../../db/repositories/designs.server'
import {
	addObservations,
	correctObservation,
	leaveOut,
	type StoredObservation,
} from '../../db/repositories/observations.server'
import { forgetStudent, setLearnsStudents } from '../../db/repositories/student-speeds.server'
import type { Seen } from '../../core/learn/seen'
import { readLogCsv } from '../../exchange/learning/log-csv'
import type { IntentOf } from '../shared/schemas/intent'
import { count } from '../shared/words/times'
import { findByName } from './find-by-name'
import { planWithLearnt } from './load-log.server'
import type { logActions } from './schemas/log'

type LogAction = IntentOf<typeof logActions>

export interface LogAnswer {
	/** What was done, where it cannot be seen on the page. */
	told?: string
}

/** @throws {NotFoundError} the studio has no such observation */
export async function changeLog(studio: Studio, action: LogAction): Promise<LogAnswer> {
	switch (action.intent) {
		case 'leave-out':
			await leaveOut(studio.id, action.id, action.reason)
			return {}
		case 'take-in':
			await leaveOut(studio.id, action.id, null)
			return {}
		case 'correct-minutes':
		case 'correct-breakage':
		case 'correct-paste':
		case 'correct-wires':
		case 'correct-queue':
			await correctObservation(studio.id, action.id, (seen) => corrected(seen, action))
			return {}
		case 'as-observed':
			await correctObservation(studio.id, action.id)
			return {}
		case 'plan-with':
			await planWithLearnt(studio)
			return {}
		case 'plan-stated':
			await setLearnt(studio.id, null)
			return {}
		case 'learn-students':
			await setLearnsStudents(studio.id, action.learns)
			return {}
		case 'forget-student':
			await forgetStudent(studio.id, action.person)
			return {}
		case 'import':
			return importFile(studio.id, action.text)
	}
}

/** @throws {InputError} it is not of that kind */
function corrected(seen: StoredObservation, action: Extract<LogAction, { intent: `correct-${string}` }>): Seen {
	if (action.intent === 'correct-minutes' && seen.kind === 'minutes') {
		const { minutes } = action
		return { ...seenOf(seen), observation: { ...seen.observation, from: minutes, to: minutes } }
	}
	if (action.intent === 'correct-breakage' && seen.kind === 'breakage') {
		const { made, broken } = action
		return { ...seenOf(seen), observation: { ...seen.observation, made, broken } }
	}
	if (action.intent === 'correct-paste' && seen.kind === 'paste')
		return { ...seenOf(seen), observation: { ...seen.observation, usedG: action.usedG } }
	if (action.intent === 'correct-wires' && seen.kind === 'wires') {
		const { handed, used } = action
		return { ...seenOf(seen), observation: { ...seen.observation, handed, used } }
	}
	if (action.intent === 'correct-queue' && seen.kind === 'queue')
		return { ...seenOf(seen), observation: { ...seen.observation, waiting: action.waiting } }
	throw new InputError([{ path: 'intent', message: 'This cannot be corrected so.' }])
}

/** Without what the log adds to it. */
function seenOf<Row extends StoredObservation>({
	id: _,
	source: __,
	run: ___,
	leftOut: ____,
	original: _____,
	className: ______,
	...seen
}: Row) {
	return seen
}

/** All of its lines, or none. */
async function importFile(studioId: number, text: string): Promise<LogAnswer> {
	const byName = findByName(await listDocuments(studioId))
	const { seen, bad } = readLogCsv(text, byName)
	if (bad.length > 0)
		throw new InputError(
			bad.slice(0, 20).map(({ line, problem }) => ({ path: 'text', message: `Line ${line}: ${problem}` })),
		)
	if (seen.length === 0) throw new InputError([{ path: 'text', message: 'The file has no line' }])
	const taken = await addObservations(studioId, { source: 'file', observations: seen })
	const known = seen.length - taken
	return { told: `${count(taken, 'line')} taken${known > 0 ? `, ${known} were there already` : ''}.` }
}
