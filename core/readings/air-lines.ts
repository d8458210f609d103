/**
 * The line protocol of room sensors, over HTTP as text/plain: one reading a line, oldest first.
 *
 *     # calycine-air 1 · Back room
 *     2026-03-02T18:05 21.4 52.3
 *
 * A line has the time on the room's wall clock, °C and % relative humidity, parted by blanks; `#` begins a remark.
 * `GET /now` answers the newest line, `GET /readings?from=…&to=…` those between two times.
 */
import { readingProblem, type Reading } from './reading'

export interface BadLine {
	/** 1-based. */
	line: number
	/** The line, shortened. */
	text: string
	/** What makes no sense of it. */
	problem: string
}

export interface ReadLines {
	readings: Reading[]
	bad: BadLine[]
}

/** So many bad lines are told; a file with more is a different file. */
const MAX_BAD = 20
/** Of a line that makes no sense: enough to find it again. */
const SHOWN_CHARACTERS = 60

/** Readings of lines as sensors send them; lines that are none are told, and lose nothing else. */
export function parseAirLines(text: string): ReadLines {
	const rows = text.split(/\r?\n/).map((line, i) => ({ line: i + 1, cells: line.trim().split(/\s+/), text: line }))
	return readRows(rows.filter(({ text: row }) => row.trim() !== '' && !row.trim().startsWith('#')))
}

/** A line of the protocol. */
export function formatAirLine({ at, temperatureC, humidity }: Reading): string {
	return `${at} ${temperatureC.toFixed(1)} ${(100 * humidity).toFixed(1)}`
}

/** Rows of a table in the order time, °C, %, as a file of comma-separated values has them. */
export function readRows(rows: readonly { line: number; cells: readonly string[]; text: string }[]): ReadLines {
	const readings: Reading[] = []
	const bad: BadLine[] = []
	for (const { line, cells, text } of rows) {
		const [at = '', temperature = '', humidity = ''] = cells
		const reading = { at: toWallTime(at), temperatureC: toNumber(temperature), humidity: toNumber(humidity) / 100 }
		const problem = cells.length < 3 ? 'needs a time, °C and %' : describeProblem(reading, temperature, humidity)
		if (problem === undefined) readings.push(reading)
		else if (bad.length < MAX_BAD) bad.push({ line, text: text.slice(0, SHOWN_CHARACTERS), problem })
	}
	return { readings, bad }
}

/** Undefined: it is a reading of a room. */
function describeProblem(reading: Reading, temperature: string, humidity: string): string | undefined {
	if (Number.isNaN(reading.temperatureC)) return `"${temperature}" is no temperature`
	if (Number.isNaN(reading.humidity)) return `"${humidity}" is no humidity`
	return readingProblem(reading)
}

/** Seconds, and a blank instead of the T, are taken too. */
function toWallTime(text: string): string {
	return text.trim().replace(' ', 'T').slice(0, 16)
}

/** A comma for the decimals is taken too. */
function toNumber(text: string): number {
	const plain = text
		.trim()
		.replace(',', '.')
		.replace(/\s*(°C|%)$/, '')
	return plain === '' ? NaN : Number(plain)
}
