/** Whether rows from outside fit their tables: columns, types, lengths, and rows that they name. What they say is not judged. */
import { DataTypes, type ModelAttributeColumnOptions } from 'sequelize'
import type { FieldProblem } from '../../core/errors'
import { pictureName, type Row, type StudioRows } from '../../exchange/studio/studio-archive'
import { StudioModel } from '../models/accounts.server'
import { hasOwnId, TABLE_NAMES, tableOf, type TableName } from './studio-tables.server'
import { settingNames } from './take-rows.server'

const DAY = /^\d{4}-\d{2}-\d{2}$/
const MOMENT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}\.\d{3}Z$/
/** Bytes of the whole numbers of the database. */
const INTEGER_BYTES: Readonly<Record<string, number>> = { TINYINT: 1, SMALLINT: 2, INTEGER: 4, BIGINT: 6 }

/** @returns each problem with the file and the row of it; a table that is not there has no rows */
export function checkColumns({ settings, tables, pictures }: StudioRows): FieldProblem[] {
	const unknown = Object.keys(tables).filter((name) => !(TABLE_NAMES as string[]).includes(name))
	const attributes = StudioModel.getAttributes() as Record<string, ModelAttributeColumnOptions>
	const known = Object.fromEntries(
		settingNames().flatMap((name) => (attributes[name] ? [[name, attributes[name]]] : [])),
	)
	return [
		...unknown.map((name) => ({ path: placeOf(name), message: 'A studio has no such table.' })),
		...problemsOfRow(settings, known).map((message) => ({ path: 'studio.json', message })),
		...TABLE_NAMES.flatMap((name) => problemsOfTable(name, tables, pictures)),
	]
}

/** 'rows/courses.json, row 3'. @param r - from 0 */
export function placeOf(table: string, r?: number): string {
	return `rows/${table}.json${r === undefined ? '' : `, row ${r + 1}`}`
}

function problemsOfTable(
	name: TableName,
	tables: StudioRows['tables'],
	pictures: StudioRows['pictures'],
): FieldProblem[] {
	const { model, references, picture, derive = {} } = tableOf(name)
	const { id: _, studioId: __, ...attributes } = model.getAttributes() as Record<string, ModelAttributeColumnOptions>
	const own = Object.fromEntries(
		Object.entries(attributes).filter(([column]) => column !== picture && !Object.hasOwn(derive, column)),
	)
	const countOf = (table: string | undefined) => tables[table ?? '']?.length ?? 0
	return (tables[name] ?? []).flatMap(({ id, ...row }, r) => {
		const messages = problemsOfRow(row, own)
		if (hasOwnId(name) && id !== r + 1) messages.push(`It should have the number ${r + 1}.`)
		for (const [column, table] of Object.entries(references))
			if (typeof row[column] === 'number' && !(row[column] >= 1 && row[column] <= countOf(table)))
				messages.push(`${column}: there is no such row in ${table}.`)
		if (picture && !pictures.has(pictureName(name, r + 1))) messages.push('Its picture is missing.')
		return messages.map((message) => ({ path: placeOf(name, r), message }))
	})
}

function problemsOfRow(row: Row, attributes: Readonly<Record<string, ModelAttributeColumnOptions>>): string[] {
	const unknown = Object.keys(row).filter((column) => !Object.hasOwn(attributes, column))
	return [
		...unknown.map((column) => `There is nothing called ${column} here.`),
		...Object.entries(attributes).flatMap(([column, attribute]) => {
			const problem = problemOf(row[column], attribute)
			return problem ? [`${column} ${problem}.`] : []
		}),
	]
}

/** @returns undefined: the column takes it */
function problemOf(value: unknown, { type, allowNull, defaultValue }: ModelAttributeColumnOptions): string | undefined {
	const mayBeEmpty = allowNull !== false
	if (value === undefined) return mayBeEmpty || defaultValue !== undefined ? undefined : 'is missing'
	if (value === null) return mayBeEmpty ? undefined : 'must not be empty'
	return problemOfType(value, type)
}

function problemOfType(value: unknown, type: unknown): string | undefined {
	if (type instanceof DataTypes.JSON) return typeof value === 'object' ? undefined : 'is no object'
	if (type instanceof DataTypes.BOOLEAN) return typeof value === 'boolean' ? undefined : 'is neither true nor false'
	if (type instanceof DataTypes.DATEONLY) return isText(value, DAY) ? undefined : 'is no day'
	if (type instanceof DataTypes.DATE) return isText(value, MOMENT) ? undefined : 'is no moment'
	if (type instanceof DataTypes.DOUBLE) return Number.isFinite(value) ? undefined : 'is no number'
	if (type instanceof DataTypes.ENUM)
		return (type as { values: readonly string[] }).values.includes(String(value)) ? undefined : 'is none of its words'
	if (type instanceof DataTypes.STRING || type instanceof DataTypes.CHAR)
		return typeof value === 'string' && value.length <= lengthOf(type) ? undefined : 'is no text, or too long'
	const bytes = INTEGER_BYTES[String((type as { key: string }).key)]
	if (bytes === undefined) throw new Error('a column has a type that copies do not know')
	return Number.isInteger(value) && Number(value) >= 0 && Number(value) < 256 ** bytes
		? undefined
		: 'is no whole number'
}

function isText(value: unknown, pattern: RegExp): boolean {
	return typeof value === 'string' && pattern.test(value) && !Number.isNaN(Date.parse(value))
}

/** Sequelize keeps it where its types do not say. */
function lengthOf(type: object): number {
	return 'options' in type ? Number((type.options as { length?: number }).length ?? 255) : 255
}
