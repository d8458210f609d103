/** Past classes as CSV, out and in: a line for each step, part, paste, wire or tool of a class. */
import { PACES, type Pace } from '../../core/course/course'
import type { SeenInClass } from '../../core/learn/seen'
import { nameOfSeen } from '../../core/learn/seen'
import { fromCsv, toCsv, type BadRow, type CsvRow } from '../csv'

const KINDS = ['minutes', 'breakage', 'paste', 'wires', 'queue'] as const
const HEADS = [
	...['what', 'class', 'group', 'date', 'level', 'name', 'key', 'technique', 'technique key', 'stated', 'students'],
	...['done', 'from', 'to', 'made', 'broken', 'pieces', 'reckoned', 'used', 'waited', 'id'],
] as const
type Head = (typeof HEADS)[number]

/** Lines of one file: classes of many years. */
const MOST_LINES = 20_000

export function logCsv(seen: readonly SeenInClass[]): string {
	const none = Object.fromEntries(HEADS.map((head) => [head, ''])) as Record<Head, string>
	const rows = seen.map((own): CsvRow => ({ ...none, ...toCells(own) }))
	return toCsv(rows.length > 0 ? rows : [none])
}

function toCells(seen: SeenInClass): Partial<Record<Head, string | number>> {
	const { id, classId: group, date } = seen.observation
	const common = { what: seen.kind, class: seen.className, group, date, name: nameOfSeen(seen), id }
	switch (seen.kind) {
		case 'minutes': {
			const { level, step: key, technique, statedMinutes: stated, from, to } = seen.observation
			const { studentCount: students, doneCount: done } = seen.observation
			return {
				...{ ...common, level, key, stated, students, done, from, to: to === Infinity ? '' : to },
				...{ technique: seen.techniqueName ?? '', 'technique key': technique ?? '' },
			}
		}
		case 'breakage': {
			const { level, part: key, stated, made, broken } = seen.observation
			return { ...common, level, key, stated, made, broken }
		}
		case 'paste': {
			const { reckonedG: reckoned, usedG: used, kind: pieces = '' } = seen.observation
			return { ...common, pieces, reckoned, used }
		}
		case 'wires': {
			const { handed: reckoned, used } = seen.observation
			return { ...common, reckoned, used }
		}
		case 'queue': {
			const { waiting: waited, studentCount: students } = seen.observation
			return { ...common, students, waited }
		}
	}
}

/** What a spreadsheet says, and the lines that make no sense. */
export interface LogLines {
	seen: SeenInClass[]
	bad: BadRow[]
}

/**
 * Keys may be missing: `keyOf` finds that of a step or a part by its name, as the studio's designs call it.
 *
 * @param keyOf - undefined: no design has it; it is then known by its name alone
 */
export function readLogCsv(
	text: string,
	keyOf: (name: string) => { key: string; technique?: { id: string; name: string } } | undefined = () => undefined,
): LogLines {
	const read: LogLines = { seen: [], bad: [] }
	const ids = new Set<string>()
	for (const { line, values } of fromCsv(text)) {
		if (read.seen.length >= MOST_LINES) {
			read.bad.push({ line, problem: `at most ${MOST_LINES} lines are taken in one go` })
			break
		}
		const own = readLine(new Cells(values), keyOf)
		if (typeof own === 'string') read.bad.push({ line, problem: own })
		else if (ids.has(own.observation.id)) read.bad.push({ line, problem: 'the same is said twice' })
		else {
			ids.add(own.observation.id)
			read.seen.push(own)
		}
	}
	return read
}

class Cells {
	/** The first that makes no sense. */
	problem: string | undefined
	readonly #values: Record<string, string>

	constructor(values: Record<string, string>) {
		this.#values = values
	}

	text(head: Head, most = 160): string {
		const value = this.#values[head] ?? ''
		if (value.length > most) this.#fail(`${head} has more than ${most} characters`)
		return value
	}

	needed(head: Head): string {
		const value = this.text(head)
		if (value === '') this.#fail(`${head} is missing`)
		return value
	}

	number(head: Head, { min, max = 100_000 }: { min: number; max?: number }): number {
		const value = Number((this.#values[head] || 'NaN').replace(',', '.'))
		if (!(value >= min && value <= max)) this.#fail(`${head} must be a number from ${min} to ${max}`)
		return value
	}

	whole(head: Head, range: { min: number; max?: number }): number {
		const value = this.number(head, range)
		if (!Number.isInteger(value)) this.#fail(`${head} must be a whole number`)
		return value
	}

	has(head: Head): boolean {
		return (this.#values[head] ?? '') !== ''
	}

	#fail(problem: string): void {
		this.problem ??= problem
	}
}

function readLine(cells: Cells, keyOf: NonNullable<Parameters<typeof readLogCsv>[1]>): SeenInClass | string {
	const kind = (cells.text('what') || 'minutes') as (typeof KINDS)[number]
	if (!KINDS.includes(kind)) return `"${kind}" is none of ${KINDS.join(', ')}`
	const className = cells.needed('class')
	const date = cells.needed('date')
	if (!/^\d{4}-\d{2}-\d{2}$/.test(date) || Number.isNaN(Date.parse(date))) return `"${date}" is no day, as 2026-03-05`
	const classId = cells.text('group') || `file ${className}`
	const name = cells.needed('name')
	const found = cells.has('key') ? undefined : keyOf(name)
	const key = cells.text('key') || found?.key || `file/${name}`
	const what = [kind, name, cells.text('pieces', 40)].filter((word) => word !== '').join(' ')
	const head = { id: cells.text('id', 200) || `file ${classId} ${date} ${what}`.slice(0, 200), classId, date }
	const seen = readSeen(kind, cells, { className, head, name, key, technique: found?.technique })
	return cells.problem ?? seen
}

interface Named {
	className: string
	head: { id: string; classId: string; date: string }
	name: string
	key: string
	technique: { id: string; name: string } | undefined
}

function readSeen(
	kind: (typeof KINDS)[number],
	cells: Cells,
	{ className, head, name, key, technique: found }: Named,
): SeenInClass | string {
	if (kind === 'paste') {
		const grams = { reckonedG: cells.number('reckoned', { min: 1 }), usedG: cells.number('used', { min: 1 }) }
		const pieces = cells.text('pieces', 40)
		return { kind, className, observation: { ...head, paste: name, ...(pieces !== '' && { kind: pieces }), ...grams } }
	}
	if (kind === 'wires') {
		const [handed, used] = [cells.whole('reckoned', { min: 1 }), cells.whole('used', { min: 1 })]
		if (used > handed) return 'more were used than were handed out'
		return { kind, className, observation: { ...head, wire: name, handed, used } }
	}
	if (kind === 'queue') {
		const [waiting, students] = [cells.whole('waited', { min: 0 }), cells.whole('students', { min: 1, max: 500 })]
		if (waiting > students) return 'more waited than there were'
		return { kind, className, observation: { ...head, tool: name, waiting, studentCount: students } }
	}
	const level = cells.needed('level').toLowerCase() as Pace
	if (!PACES.includes(level)) return `"${level}" is none of ${PACES.join(', ')}`
	if (kind === 'breakage') {
		const [made, broken] = [cells.number('made', { min: 0 }), cells.number('broken', { min: 0 })]
		if (broken > made) return 'more broke than were made'
		const stated = cells.number('stated', { min: 0.001, max: 0.5 })
		return { kind, className, observation: { ...head, part: key, partName: name, level, stated, made, broken } }
	}
	const studentCount = cells.number('students', { min: 1, max: 500 })
	const doneCount = cells.has('done') ? cells.number('done', { min: 1, max: 500 }) : studentCount
	const from = cells.number('from', { min: 0 })
	const to = cells.has('to') ? cells.number('to', { min: 0.5 }) : Infinity
	if (doneCount > studentCount) return 'more were done than there were'
	if (to < from) return '"to" is before "from"'
	const technique = cells.text('technique key') || found?.id || cells.text('technique')
	const techniqueName = cells.text('technique') || found?.name
	const taught = { level, statedMinutes: cells.number('stated', { min: 0.1 }), studentCount, doneCount, from, to }
	return {
		...{ kind, className, stepName: name },
		...(techniqueName !== undefined && techniqueName !== '' && { techniqueName }),
		observation: { ...head, step: key, ...taught, ...(technique !== '' && { technique }) },
	}
}
