/** What past classes say, as a document: `{ format: 'calycine-log', minutes: [...], breakage?: [...], paste?: [...] }`. */
import type { Pace } from '../../core/course/course'
import { InputError, type FieldProblem } from '../../core/errors'
import type { BreakageObservation } from '../../core/learn/breakage-belief'
import type { MinutesObservation } from '../../core/learn/minutes-belief'
import type { PasteObservation } from '../../core/learn/paste-belief'
import { readAgainst } from '../read-document'
import logSchema from '../schemas/log.schema.json'

export interface ClassLog {
	minutes: MinutesObservation[]
	breakage: (BreakageObservation & { part: string; stated: number })[]
	paste: PasteObservation[]
}

interface OccasionDocument {
	class: string
	date: string
	level: Pace
	technique?: string
	step: string
	statedMinutes: number
	students: number
	done: number
	real?: number
	from?: number
	to?: number
}

interface LogDocument {
	minutes: OccasionDocument[]
	breakage?: ClassLog['breakage']
	paste?: Omit<PasteObservation, 'id'>[]
}

/** @throws {InputError} every problem by JSON pointer */
export function readLog(document: unknown): ClassLog {
	const { minutes, breakage = [], paste = [] } = readAgainst<LogDocument>(logSchema, document)
	const problems = [
		...minutes.flatMap((own, k) => problemsOf(own, `/minutes/${k}`)),
		...breakage.flatMap(({ made, broken }, k) => {
			return broken > made ? [{ path: `/breakage/${k}/broken`, message: 'More broke than were made' }] : []
		}),
	]
	if (problems.length > 0) throw new InputError(problems)
	return {
		minutes: minutes.map(toObservation),
		breakage,
		paste: paste.map((own, k) => ({ ...own, id: numbered(k) })),
	}
}

function problemsOf({ students, done, real, from, to }: OccasionDocument, path: string): FieldProblem[] {
	const told: FieldProblem[] = []
	if (done > students) told.push({ path: `${path}/done`, message: 'More were done than there were' })
	if (real !== undefined && (from !== undefined || to !== undefined))
		told.push({ path: `${path}/real`, message: 'Either real, or from and to' })
	if (real === undefined && from === undefined && to === undefined)
		told.push({ path, message: 'Needs real minutes, or from and to' })
	if (from !== undefined && to !== undefined && !(to > from))
		told.push({ path: `${path}/to`, message: 'Must be more than from' })
	return told
}

function toObservation(own: OccasionDocument, k: number): MinutesObservation {
	const { class: classId, students: studentCount, done: doneCount, real, from = real ?? 0, to = real ?? Infinity } = own
	const { date, level, technique, step, statedMinutes } = own
	return {
		...{ id: numbered(k), classId, date, level, step, statedMinutes, studentCount, doneCount, from, to },
		...(technique !== undefined && { technique }),
	}
}

/** In the order of the document, also as text. */
function numbered(k: number): string {
	return String(k).padStart(6, '0')
}
