/** All rows of a studio as they are at one moment, in a form that belongs to no database. */
import type { Model, ModelStatic, Transaction } from 'sequelize'
import { NotFoundError } from '../../core/errors'
import { pictureName, type Row, type StudioRows } from '../../exchange/studio/studio-archive'
import { inTransaction } from '../connection.server'
import { StudioModel } from '../models/accounts.server'
import { renumberInside, type Numbers } from './renumber'
import { hasOwnId, TABLE_NAMES, tableOf, type TableName } from './studio-tables.server'

/** Of the studio itself, and not of what it has set. */
const NO_SETTINGS: ReadonlySet<string> = new Set(['id', 'leavingAt', 'version', 'createdAt', 'updatedAt'])

/** Names of what is set for a studio. */
export function settingNames(): string[] {
	return Object.keys(StudioModel.getAttributes()).filter((name) => !NO_SETTINGS.has(name))
}

export interface TakenStudio extends StudioRows {
	tables: Record<TableName, Row[]>
	/** Ids of its courses in the database, in the order of their rows. */
	courseIds: number[]
}

/** @throws {NotFoundError} there is no such studio */
export function takeStudioRows(studioId: number): Promise<TakenStudio> {
	// One transaction: what is written meanwhile is not seen.
	return inTransaction(async (transaction) => {
		const studio = await StudioModel.findByPk(studioId, { transaction })
		if (!studio) throw new NotFoundError('There is no such studio.')
		const taking = new Taking(studioId, transaction)
		for (const name of TABLE_NAMES) await taking.take(name)
		const settings = Object.fromEntries(settingNames().map((name) => [name, plainValue(studio.get(name))]))
		return { settings, tables: taking.renumbered(), pictures: taking.pictures, courseIds: taking.idsOf('courses') }
	})
}

/** How many rows of each kind a studio has; what is part of something is there only where that is, and not counted. */
export async function countStudioRows(studioId: number, transaction?: Transaction): Promise<Record<TableName, number>> {
	const own = { where: { studioId }, ...(transaction && { transaction }) }
	const names = TABLE_NAMES.filter((name) => !tableOf(name).partOf)
	const counts: [TableName, number][] = []
	for (const name of names) counts.push([name, await tableOf(name).model.count(own)])
	return Object.fromEntries(counts) as Record<TableName, number>
}

/** Whether there is nothing in it but its settings and who signs in. */
export function isNothing(counts: Record<TableName, number>): boolean {
	return Object.values(counts).every((rows) => rows === 0)
}

class Taking {
	readonly pictures = new Map<string, Uint8Array>()
	readonly #studioId: number
	readonly #transaction: Transaction
	readonly #rows = {} as Record<TableName, Row[]>
	/** By the id in the database. */
	readonly #numbers = new Map<TableName, ReadonlyMap<number, number>>()

	constructor(studioId: number, transaction: Transaction) {
		this.#studioId = studioId
		this.#transaction = transaction
	}

	async take(name: TableName): Promise<void> {
		const { model, picture, derive = {} } = tableOf(name)
		const found = await model.findAll({
			where: this.#whereOf(name),
			order: primaryKeyOf(model),
			transaction: this.#transaction,
		})
		const rows = found.map((row) => row.get({ plain: true }) as Row)
		if (hasOwnId(name)) this.#numbers.set(name, new Map(rows.map(({ id }, r) => [Number(id), r + 1])))
		this.#rows[name] = rows.map(({ studioId: _, [picture ?? '']: bytes, ...row }, r) => {
			if (bytes !== undefined) this.pictures.set(pictureName(name, r + 1), bytes as Buffer)
			return plainRow(row, derive)
		})
	}

	idsOf(name: TableName): number[] {
		return [...(this.#numbers.get(name)?.keys() ?? [])]
	}

	/** Only now are all numbers known: a run may speak of any plan. */
	renumbered(): Record<TableName, Row[]> {
		const entries = TABLE_NAMES.map((name) => [name, this.#rows[name].map((row) => this.#renumber(name, row))])
		return Object.fromEntries(entries) as Record<TableName, Row[]>
	}

	#whereOf(name: TableName) {
		const { partOf, references } = tableOf(name)
		if (!partOf) return { studioId: this.#studioId }
		return { [partOf]: this.idsOf(references[partOf] as TableName) }
	}

	#renumber(name: TableName, row: Row): Row {
		const numbers: Numbers = (table, id) => this.#numbers.get(table)?.get(id)
		const references = Object.entries(tableOf(name).references).map(([column, table]) => {
			const id = row[column]
			return [column, id === null ? null : (numbers(table as TableName, Number(id)) ?? null)]
		})
		const own = hasOwnId(name) && { id: numbers(name, Number(row['id'])) }
		return { ...renumberInside(name, row, numbers), ...Object.fromEntries(references), ...own }
	}
}

function primaryKeyOf(model: ModelStatic<Model>): string[] {
	return [...model.primaryKeyAttributes]
}

function plainRow(row: Row, without: object): Row {
	const kept = Object.entries(row).filter(([column]) => !Object.hasOwn(without, column))
	return Object.fromEntries(kept.map(([column, value]) => [column, plainValue(value)]))
}

function plainValue(value: unknown): unknown {
	return value instanceof Date ? value.toISOString() : value
}
