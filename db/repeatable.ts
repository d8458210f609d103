/**
 * Steps of migrations that may be done again: MariaDB commits each change of a table by itself, so a process that is
 * killed half way leaves the first half, and the next start begins the same migration from its top.
 * `createTable` needs none of this: it asks for IF NOT EXISTS.
 */
import type { ModelAttributeColumnOptions, QueryInterface } from 'sequelize'

/** Adds a column where the table has none of that name. */
export async function ensureColumn(
	context: QueryInterface,
	table: string,
	column: string,
	options: ModelAttributeColumnOptions,
): Promise<void> {
	const columns = await context.describeTable(table)
	if (!(column in columns)) await context.addColumn(table, column, options)
}

/** Adds an index where the table has none over just these columns. */
export async function ensureIndex(
	context: QueryInterface,
	table: string,
	columns: string[],
	options: { unique?: boolean } = {},
): Promise<void> {
	const indexes = (await context.showIndex(table)) as { fields: { attribute: string }[] }[]
	const isThere = indexes.some(({ fields }) => fields.map(({ attribute }) => attribute).join() === columns.join())
	if (!isThere) await context.addIndex(table, columns, options)
}
