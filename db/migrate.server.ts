/** Brings the database to the newest migration; each runs once, in the order of its file name. */
import type { QueryInterface } from 'sequelize'
import { SequelizeStorage, Umzug } from 'umzug'
import { getDatabase } from './connection.server'

interface Migration {
	up(parameters: { context: QueryInterface }): Promise<void>
}

// Bundled with the server: no paths to files are needed at run time.
const MIGRATIONS = import.meta.glob<Migration>('./migrations/*.ts', { eager: true })

/** @returns names of the migrations that ran */
export async function migrate(): Promise<string[]> {
	const sequelize = getDatabase()
	const umzug = new Umzug({
		migrations: Object.entries(MIGRATIONS)
			.toSorted(([a], [b]) => a.localeCompare(b))
			.map(([path, { up }]) => ({ name: path.replace(/^.*\/(.*)\.ts$/, '$1'), up })),
		context: sequelize.getQueryInterface(),
		storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
		logger: undefined,
	})
	return (await umzug.up()).map(({ name }) => name)
}
