/** Brings the database to the newest migration; each runs once, in the order of its file name. */
import { QueryTypes, type QueryInterface, type Sequelize } from 'sequelize'
import { SequelizeStorage, Umzug } from 'umzug'
import { openForMigration } from './connection.server'

interface Migration {
	up(parameters: { context: QueryInterface }): Promise<void>
}

// Bundled with the server: no paths to files are needed at run time.
const MIGRATIONS = import.meta.glob<Migration>('./migrations/*.ts', { eager: true })

const LOCK = 'calycine-migration'
/** A node waits so long for another that is migrating, s. */
const LOCK_SECONDS = 300

export interface MigrationTerms {
	/** Told before the tables of an older version are changed, with the names of what will run. */
	beforeUpgrade?: (names: readonly string[]) => Promise<void>
	/** What must not be done by two nodes at once either, after the migrations. */
	afterwards?: () => Promise<void>
}

/**
 * Only one process at a time migrates a database; others wait for it.
 *
 * @returns names of the migrations that ran
 * @throws {Error} another has held the lock for five minutes
 */
export async function migrate({ beforeUpgrade, afterwards }: MigrationTerms = {}): Promise<string[]> {
	const sequelize = openForMigration()
	try {
		// A lock belongs to its connection, which the transaction keeps hold of.
		return await sequelize.transaction(async (transaction) => {
			const [row] = await sequelize.query<{ isHeld: number | null }>(
				`SELECT GET_LOCK(CONCAT('${LOCK}-', DATABASE()), ${LOCK_SECONDS}) AS isHeld`,
				{ type: QueryTypes.SELECT, transaction },
			)
			if (Number(row?.isHeld) !== 1) throw new Error('another process is migrating this database')
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
