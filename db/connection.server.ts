/** The one connection pool of the process, opened on first use from CALYCINE_DATABASE_URL. */
import { QueryTypes, Sequelize, type Transaction } from 'sequelize'
import { defineAccounts } from './models/accounts.server'
import { defineCourses } from './models/courses.server'
import { defineDesigns } from './models/designs.server'
import { defineKits } from './models/kits.server'
import { definePlaces } from './models/places.server'

let database: Sequelize | undefined

/** @throws {Error} CALYCINE_DATABASE_URL is not set */
export function getDatabase(): Sequelize {
	database ??= openDatabase(process.env['CALYCINE_DATABASE_URL'])
	return database
}

function openDatabase(url: string | undefined): Sequelize {
	if (!url) throw new Error('CALYCINE_DATABASE_URL is not set; `npm start` sets it')
	// The connector knows the scheme mariadb alone; mysql: is what many tools write.
	const sequelize = new Sequelize(url.replace(/^mysql:/, 'mariadb:'), {
		dialect: 'mariadb',
		timezone: '+00:00',
		logging: false,
		define: { underscored: true, charset: 'utf8mb4', collate: 'utf8mb4_unicode_ci' },
		pool: { max: 10, idle: 30_000, acquire: 20_000 },
		// The connector gives up after one second, which a machine at the end of its breath does not always keep.
		dialectOptions: { connectTimeout: 10_000 },
	})
	defineAccounts(sequelize)
	defineDesigns(sequelize)
	defineCourses(sequelize)
	definePlaces(sequelize)
	defineKits(sequelize)
	return sequelize
}

/** Closes the pool; a later call of `getDatabase` opens a new one. */
export async function closeDatabase(): Promise<void> {
	await database?.close()
	database = undefined
}

/** Whether the database answers; for health checks. */
export async function isDatabaseAlive(): Promise<boolean> {
	try {
		await getDatabase().query('SELECT 1', { type: QueryTypes.SELECT })
		return true
	} catch {
		// The caller asked whether, not why.
		return false
	}
}

/** Runs work whose writes stand or fall together. */
export function inTransaction<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
	return getDatabase().transaction(work)
}
