/** Brings the database to the newest migration; each runs once, in the order of its file name. */
import type { QueryInterface, Sequelize } from 'sequelize'
import { SequelizeStorage, Umzug } from 'umzug'
import { openForMigration } from './connection.server'
import { holdLease } from './leases.server'

interface Migration {
	up(parameters: { context: QueryInterface }): Promise<void>
}

// Bundled with the server: no paths to files are needed at run time.
const MIGRATIONS = import.meta.glob<Migration>('./migrations/*.ts', { eager: true })

/** A node waits so long for another that is migrating. */
const PATIENCE_MS = 300_000

export interface MigrationTerms {
	/** Told before the tables of an older version are changed, with the names of what will run. */
	beforeUpgrade?: (names: readonly string[]) => Promise<void>
	/** What must not be done by two nodes at once either, after the migrations. */
	afterwards?: () => Promise<void>
	/** No other process can be at this database. */
	isAlone?: boolean
}

/**
 * Only one process at a time migrates a database; others wait for it.
 *
 * @returns names of the migrations that ran
 * @throws {Error} another has been at it for five minutes
 */
export async function migrate({ beforeUpgrade, afterwards, isAlone = false }: MigrationTerms = {}): Promise<string[]> {
	const sequelize = openForMigration()
	try {
		return await holdLease(sequelize, 'migration', { patienceMs: PATIENCE_MS, isAlone }, async () => {
			const names = await runMigrations(sequelize, beforeUpgrade)
			await afterwards?.()
			return names
		})
	} finally {
		await sequelize.close()
	}
}

async function runMigrations(sequelize: Sequelize, beforeUpgrade: MigrationTerms['beforeUpgrade']): Promise<string[]> {
	const umzug = new Umzug({
		migrations: Object.entries(MIGRATIONS)
			.toSorted(([a], [b]) => a.localeCompare(b))
			.map(([path, { up }]) => ({ name: path.replace(/^.*\/(.*)\.ts$/, '$1'), up })),
		context: sequelize.getQueryInterface(),
		storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
		logger: undefined,
	})
	const [done, pending] = [await umzug.executed(), await umzug.pending()]
	if (done.length > 0 && pending.length > 0) await beforeUpgrade?.(pending.map(({ name }) => name))
	return (await umzug.up()).map(({ name }) => name)
}
