/**
 * Numbers of rows inside documents and texts: rooms in plans, plans in runs, courses in what a class left. In a copy of a
 * studio rows are numbered from 1 on, so the same studio gives the same copy wherever it is kept.
 */
import type { TableName } from './studio-tables.server'

/** @returns undefined: there is no such row */
export type Numbers = (table: TableName, number: number) => number | undefined

type Row = Readonly<Record<string, unknown>>

/** Of a row that was deleted: no row has it, before or after. */
const GONE = -1

const TABLE_OF_FIELD: Readonly<Record<string, TableName>> = {
	roomId: 'places',
	storeId: 'places',
	placeId: 'places',
	planId: 'plans',
}

/** What else of a row holds numbers of rows, with its numbers changed. */
export function renumberInside(table: TableName, row: Row, numbers: Numbers): Row {
	const courses = (value: unknown, before: string) => renumberText(value, before, numbers)
	switch (table) {
		case 'plans':
			return { ...row, document: renumberFields(row['document'], numbers) }
		case 'runEvents':
			return { ...row, event: renumberFields(row['event'], numbers) }
		case 'prepMarks':
			return { ...row, taskId: courses(row['taskId'], 'course-') }
		case 'observations':
			return {
				...row,
				observationKey: courses(row['observationKey'], 'course '),
				document: renumberSeen(row['document'], numbers),
				original: renumberSeen(row['original'], numbers),
			}
		default:
			return row
	}
}

function renumberFields(value: unknown, numbers: Numbers): unknown {
	if (Array.isArray(value)) return value.map((inner) => renumberFields(inner, numbers))
	if (!isRecord(value)) return value
	return Object.fromEntries(
		Object.entries(value).map(([field, inner]) => {
			const table = Object.hasOwn(TABLE_OF_FIELD, field) ? TABLE_OF_FIELD[field] : undefined
			if (table && typeof inner === 'number') return [field, renumbered(table, inner, numbers)]
			if (field === 'places' && Array.isArray(inner))
				return [field, inner.map((place) => renumberPlace(place, numbers))]
			return [field, renumberFields(inner, numbers)]
		}),
	)
}

/** Of the places that a plan was made with. */
function renumberPlace(place: unknown, numbers: Numbers): unknown {
	if (!isRecord(place) || typeof place['id'] !== 'number') return place
	return { ...place, id: renumbered('places', place['id'], numbers) }
}

/** The ordinary place has the number 0, and no row. */
function renumbered(table: TableName, number: number, numbers: Numbers): number {
	return number <= 0 ? number : (numbers(table, number) ?? GONE)
}

function renumberSeen(document: unknown, numbers: Numbers): unknown {
	if (!isRecord(document) || !isRecord(document['observation'])) return document
	const { observation } = document
	const text = (field: string) => {
		return field in observation ? { [field]: renumberText(observation[field], 'course ', numbers) } : {}
	}
	return { ...document, observation: { ...observation, ...text('id'), ...text('classId') } }
}

/** 'course 12 1 petals' with the number that course 12 has. */
function renumberText(value: unknown, before: string, numbers: Numbers): unknown {
	const match =
		typeof value === 'string' && value.startsWith(before) && /^(\d+)( .*)?$/s.exec(value.slice(before.length))
	if (!match) return value
	const number = numbers('courses', Number(match[1]))
	return `${before}${number ?? `gone-${match[1]}`}${match[2] ?? ''}`
}

function isRecord(value: unknown): value is Record<string, unknown> {
	return typeof value === 'object' && value !== null && !Array.isArray(value)
}
