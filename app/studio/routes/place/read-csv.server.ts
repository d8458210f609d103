/** Readings from a file of comma-separated values, or of lines as sensors send them. */
import Papa from 'papaparse'
import { parseAirLines, readRows, type ReadLines } from '../../../../core/readings/air-lines'

/** Columns time, °C, %; a first line of headings is passed over. Lines without a separator are a sensor's own. */
export function readReadingsFile(text: string): ReadLines {
	const firstData = text.split(/\r?\n/).find((line) => line.trim() !== '' && !line.trim().startsWith('#')) ?? ''
	// A comma beside one of the others is a decimal one.
	const delimiter = [';', '\t', ','].find((one) => firstData.includes(one))
	if (delimiter === undefined) return parseAirLines(text)
	const { data } = Papa.parse<string[]>(text, { delimiter, skipEmptyLines: 'greedy', comments: '#' })
	const rows = data.map((cells, i) => ({ line: i + 1, cells, text: cells.join(', ') }))
	const isHeading = rows[0] && !/\d/.test(rows[0].cells[1] ?? '')
	return readRows(isHeading ? rows.slice(1) : rows)
}
