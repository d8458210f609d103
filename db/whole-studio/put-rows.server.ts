/** Rows of a copy put into a studio that has nothing yet. */
import type { Transaction } from 'sequelize'
import { ConflictError } from '../../core/errors'
import { present } from '../../core/present'
import { pictureName, type Row, type StudioRows } from '../../exchange/studio/studio-archive'
import { inTransaction } from '../connection.server'
import { StudioModel } from '../models/accounts.server'
import { renumberInside, type Numbers } from './renumber'
import { countStudioRows, isNothing } from './take-rows.server'
import { hasOwnId, TABLE_NAMES, tableOf, type TableName } from './studio-tables.server'

/** Written in one statement, far below what the database takes in one (max_allowed_packet, 16 MB); of pictures each is one. */
const CHARACTERS_AT_ONCE = 1_000_000

/**
 * All of it, or nothing.
 *
 * @param rows - looked through before (`checkColumns`, and what they say)
 * @returns the ids of the new rows by their numbers in the copy
 * @throws {ConflictError} the studio has something in it
 */
export function putStudioRows(studioId: number, { settings, tables, pictures }: StudioRows): Promise<Numbers> {
	return inTransaction(async (transaction) => {
		// Whoever puts something in at the same time waits here, and finds the studio full.
		const studio = await StudioModel.findByPk(studioId, { transaction, lock: true })
		if (!studio || !isNothing(await countStudioRows(studioId, transaction)))
			throw new ConflictError('A copy is read into a studio in which nothing is yet, and this one has something.')
		await studio.update({ ...settings, version: studio.version + 1 }, { transaction })
		const putting = new Putting(studioId, transaction)
		for (const name of TABLE_NAMES) await putting.put(name, tables[name] ?? [], pictures)
		return putting.idOf
	})
}

class Putting {
	readonly #studioId: number
	readonly #transaction: Transaction
	/** Ids in the database, by the number in the copy. */
	readonly #ids = new Map<TableName, number[]>()

	constructor(studioId: number, transaction: Transaction) {
		this.#studioId = studioId
		this.#transaction = transaction
	}

	readonly idOf: Numbers = (table, number) => this.#ids.get(table)?.[number - 1]

	async put(name: TableName, rows: readonly Row[], pictures: StudioRows['pictures']): Promise<void> {
		const { model, picture, derive = {} } = tableOf(name)
		const isNamed = hasOwnId(name)
		const values = (row: Row, r: number) => ({
			...this.#renumber(name, row),
			...Object.fromEntries(Object.entries(derive).map(([column, make]) => [column, make(row)])),
			...(picture && { [picture]: Buffer.from(present(pictures.get(pictureName(name, r + 1)), 'a picture')) }),
		})
		if (!isNamed || NOT_NAMED.has(name)) {
			const all = rows.map(values)
			const batches = picture ? all.map((row) => [row]) : batchesOf(all)
			for (const batch of batches) await model.bulkCreate(batch, { transaction: this.#transaction })
			return
		}
		const ids: number[] = []
		for (const [r, row] of rows.entries()) {
			const created = await model.create(values(row, r), { transaction: this.#transaction, silent: true })
			ids.push(Number(created.get('id')))
		}
		this.#ids.set(name, ids)
	}

	#renumber(name: TableName, { id: _, ...row }: Row): Row {
		const references = Object.entries(tableOf(name).references).map(([column, table]) => {
			const number = row[column]
			return [column, number === null || number === undefined ? null : this.idOf(table as TableName, Number(number))]
		})
		const { model } = tableOf(name)
		const own = 'studioId' in model.getAttributes() && { studioId: this.#studioId }
		return { ...renumberInside(name, row, this.idOf), ...Object.fromEntries(references), ...own }
	}
}

function batchesOf(rows: readonly Row[]): Row[][] {
	const batches: Row[][] = []
	let left = 0
	for (const row of rows) {
		const length = JSON.stringify(row).length
		if (length > left) {
			batches.push([])
			left = CHARACTERS_AT_ONCE
		}
		batches.at(-1)?.push(row)
		left -= length
	}
	return batches
}

/** Nobody names their rows, and there may be many. */
const NOT_NAMED: ReadonlySet<TableName> = new Set([
	'readings',
	'designVersions',
	'stockItems',
	'offers',
	'courseDesigns',
	'courseSessions',
	'students',
	'runEvents',
	'dryingNotes',
	'observations',
	'studentSpeeds',
])
