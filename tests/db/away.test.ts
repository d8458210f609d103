/** A database that takes its time: what a page only reads is given up, what it writes is waited for. */
import { QueryTypes } from 'sequelize'
import { beforeAll, test } from 'vitest'
import { UnavailableError } from '../../core/errors'
import { getDatabase, inTransaction, openForMigration } from '../../db/connection.server'
import { freshDatabase } from '../support/studios'

const SLOW = 'SELECT SLEEP(5) AS slept'

beforeAll(freshDatabase)

test.concurrent(
	'a reading that is not answered says that the database is away, and the next goes on',
	async ({ expect }) => {
		const read = (sql: string) => getDatabase().query(sql, { type: QueryTypes.SELECT })

		await expect(read(SLOW)).rejects.toThrow(UnavailableError)
		expect(await read('SELECT 1 AS one')).toEqual([{ one: 1 }])
	},
)

test.concurrent('what is read between writes, and by a migration, is waited for', async ({ expect }) => {
	const migration = openForMigration()
	const slept = [{ slept: 0 }]
	const answers = await Promise.all([
		inTransaction((transaction) => getDatabase().query(SLOW, { type: QueryTypes.SELECT, transaction })),
		migration.query(SLOW, { type: QueryTypes.SELECT }),
	])
	await migration.close()

	expect(answers).toEqual([slept, slept])
})
