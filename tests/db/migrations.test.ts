/** Migrations that are interrupted anywhere, and by two processes at once. */
import { QueryTypes, type QueryInterface } from 'sequelize'
import { beforeEach, describe, expect, test } from 'vitest'
import { closeDatabase, getDatabase, openDatabase } from '../../db/connection.server'
import { migrate } from '../../db/migrate.server'
import { getStudio } from '../../db/repositories/accounts.server'
import { getDesign, listDesigns } from '../../db/repositories/designs.server'
import { readDesign } from '../../exchange/read-document'
import firstForm from '../fixtures/designs-form-1.json'

import { foundStudio, freshDatabase } from '../support/studios'

const MIGRATIONS = import.meta.glob<{ up(parameters: { context: QueryInterface }): Promise<void> }>(
	'../../db/migrations/*.ts',
	{ eager: true },
)
const NAMES = Object.keys(MIGRATIONS).toSorted()

async function emptyDatabase(): Promise<void> {
	const database = openDatabase()
	await database.query('SET FOREIGN_KEY_CHECKS = 0')
	await database.getQueryInterface().dropAllTables()
	await closeDatabase()
	openDatabase()
}

/** The same, but that its call number `last` is the last one that is done. */
function killedAfter(context: QueryInterface, last: number): QueryInterface {
	let calls = 0
	return new Proxy(context, {
		get(target, key) {
			const value: unknown = Reflect.get(target, key)
			if (typeof value !== 'function') return value
			return (...words: unknown[]) => {
				if (++calls > last) throw new Error('killed')
				return Reflect.apply(value, target, words)
			}
		},
	})
}

describe('a migration', () => {
	beforeEach(emptyDatabase)

	test.each(NAMES)('that was killed anywhere is done again from its top: %s', async (path) => {
		const before = NAMES.slice(0, NAMES.indexOf(path))
		const context = getDatabase().getQueryInterface()
		for (const name of before) await MIGRATIONS[name]?.up({ context })

		// Each time some calls further, over what the time before has left.
		for (let last = 0, isWhole = false; !isWhole; last += 2) {
			isWhole = await MIGRATIONS[path]!.up({ context: killedAfter(context, last) }).then(
				() => true,
				(error: Error) => {
					if (error.message !== 'killed') throw error
					return false
				},
			)
		}

		expect(await migrate()).toHaveLength(NAMES.length)
	})

	test('done by two processes at once is done once', async () => {
		const names = await Promise.all([migrate(), migrate()])

		expect(names.map(({ length }) => length).toSorted()).toEqual([0, NAMES.length])
	})

	test('of an older database is told first, so that it can be saved; of an empty one not', async () => {
		const told: string[][] = []
		const beforeUpgrade = async (names: readonly string[]) => void told.push([...names])
		await migrate({ beforeUpgrade })
		expect(told).toEqual([])

		await getDatabase().query("DELETE FROM migrations WHERE name LIKE '0005%'")
		await migrate({ beforeUpgrade })

		expect(told).toEqual([['0005-versions-and-zone']])
	})
})

test('cards of designs that were stored without are filled by the migration, and no listing does it', async () => {
	await freshDatabase()
	const { studioId } = await foundStudio(['magnolia'])
	await getDatabase().query('UPDATE designs SET card = NULL')
	expect((await listDesigns(studioId)).designs).toEqual([])

	await getDatabase().query("DELETE FROM migrations WHERE name LIKE '0005%'")
	await migrate()

	expect((await listDesigns(studioId)).designs).toMatchObject([{ slug: 'magnolia', hasWires: true }])
	const rows = await getDatabase().query('SELECT card FROM designs', { type: QueryTypes.SELECT })
	expect(rows).toHaveLength(1)
})

test('designs of the first form, and all that names their paste, are brought to the second', async () => {
	await freshDatabase()
	const { studioId } = await foundStudio(['nest-with-eggs', 'magnolia'])
	const stored = (name: string) => firstForm.find(({ id }) => id === name)
	for (const name of ['nest-with-eggs', 'magnolia']) {
		const replacements = { document: JSON.stringify(stored(name)), name }
		await getDatabase().query('UPDATE designs SET document = :document WHERE slug = :name', { replacements })
		await getDatabase().query(
			'UPDATE design_versions SET document = :document WHERE design_id = (SELECT id FROM designs WHERE slug = :name)',
			{ replacements },
		)
	}
	await getDatabase().query('UPDATE studios SET own_pastes = :pastes', {
		replacements: { pastes: JSON.stringify([{ name: 'Bench mix', like: 'stiffened sugarpaste', paceFactor: 1.2 }]) },
	})
	expect(JSON.stringify(stored('nest-with-eggs'))).toContain('stiffened sugarpaste')

	await getDatabase().query("DELETE FROM migrations WHERE name LIKE '0007%'")
	await migrate()

	for (const name of ['nest-with-eggs', 'magnolia']) {
		const upgraded = readDesign(stored(name))
		expect((await getDesign(studioId, name)).document).toEqual(upgraded)
		expect((await getDesign(studioId, name, 1)).document).toEqual(upgraded)
	}
	const [studio] = await getDatabase().query<{ pastes: string }>('SELECT own_pastes AS pastes FROM studios', {
		type: QueryTypes.SELECT,
	})
	expect(JSON.stringify(studio)).toContain('sugarpaste with CMC')
})

test('a studio that measures in inches goes on printing on Letter, the others on A4', async () => {
	await freshDatabase()
	const [inches, metric] = [await foundStudio(), await foundStudio()]
	await getDatabase().query('ALTER TABLE studios DROP COLUMN paper')
	await getDatabase().query("UPDATE studios SET units = 'imperial' WHERE id = :studioId", {
		replacements: { studioId: inches.studioId },
	})
	await getDatabase().query("DELETE FROM migrations WHERE name LIKE '0029%'")
	await migrate()

	expect((await getStudio(inches.studioId)).paper).toBe('letter')
	expect((await getStudio(metric.studioId)).paper).toBe('a4')
})
