/** Backups: taken while somebody writes, restored elsewhere, compared row by row; and what is not whole changes nothing. */
import { appendFileSync, mkdtempSync, readdirSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import * as mariadb from 'mariadb'
import { QueryTypes } from 'sequelize'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { getDatabase } from '../../db/connection.server'
import { backUp, checkBackup, restoreBackup, stamp } from '../../scripts/machine/backup.mjs'
import { backUpBeforeUpgrade, backUpDaily } from '../../scripts/machine/kept-backups.mjs'
import { findRunningDatabase, startDatabase } from '../../scripts/machine/database.mjs'
import { makeDataFolder } from '../../scripts/machine/running-app.mjs'
import { foundStudio, freshDatabase } from '../support/studios'

const KEY = 'wired petals, cupped'
const folder = mkdtempSync(path.join(os.tmpdir(), 'calycine-backups-'))
const elsewhere = makeDataFolder()
let other: Awaited<ReturnType<typeof startDatabase>>
const url = () => process.env['CALYCINE_DATABASE_URL'] ?? ''

beforeAll(async () => {
	await freshDatabase()
	await foundStudio(['magnolia', 'calla-lily'])
	other = await startDatabase(elsewhere.folder)
})
afterAll(async () => {
	await other.stop()
	elsewhere.remove()
	rmSync(folder, { recursive: true, force: true })
})

type Tables = Map<string, unknown[]>

/** Every row of every table, in one order. */
async function tablesOf(ask: (sql: string) => Promise<object[]>): Promise<Tables> {
	const names = await ask('SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()')
	const tables: Tables = new Map()
	for (const { name } of names as { name: string }[]) {
		const rows = (await ask(`SELECT * FROM \`${name}\``)).map((row) => JSON.stringify(row))
		tables.set(name, rows.toSorted())
	}
	return tables
}

const here = () => tablesOf((sql) => getDatabase().query(sql, { type: QueryTypes.SELECT }))

async function there(): Promise<Tables> {
	// As the application's own connection reads them.
	const connection = await mariadb.createConnection(other.url)
	try {
		return await tablesOf(async (sql) => [...((await connection.query({ sql, timezone: 'Z' })) as object[])])
	} finally {
		await connection.end()
	}
}

test('what is written while a backup is taken is in it whole or not at all, and all that was there before', async () => {
	const sql = (statement: string) => getDatabase().query(statement)
	for (const name of ['load_a', 'load_b']) await sql(`CREATE TABLE ${name} (n INT PRIMARY KEY) ENGINE=InnoDB`)
	let [written, isOver] = [0, false]
	const write = async () => {
		while (!isOver) {
			const n = written + 1
			await getDatabase().transaction(async (transaction) => {
				for (const name of ['load_a', 'load_b'])
					await getDatabase().query(`INSERT INTO ${name} VALUES (${n})`, { transaction })
			})
			written = n
		}
	}
	const writing = write()
	while (written < 20) await new Promise((resolve) => setTimeout(resolve, 5))
	const before = written
	const file = await backUp(url(), { folder, key: KEY })
	isOver = true
	await writing
	expect(path.basename(file)).toMatch(/^calycine-.+\.sql\.gz\.enc$/)
	expect(readFileSync(file).includes('magnolia')).toBe(false)

	await restoreBackup(file, other.url, KEY)
	const [own, restored] = [await here(), await there()]
	const counts = ['load_a', 'load_b'].map((name) => restored.get(name)!.length)
	expect(counts[0]).toBe(counts[1])
	expect(counts[0]).toBeGreaterThanOrEqual(before)
	expect(counts[0]).toBeLessThanOrEqual(written)
	for (const name of ['load_a', 'load_b']) {
		await sql(`DROP TABLE ${name}`)
		own.delete(name)
		restored.delete(name)
	}
	expect(own.size).toBeGreaterThan(20)
	expect([...restored.keys()].toSorted()).toEqual([...own.keys()].toSorted())
	for (const [name, rows] of own) expect(restored.get(name), name).toEqual(rows)
})

describe('a file', () => {
	test('that has another key, was cut short or changed is refused, and nothing is touched', async () => {
		const file = await backUp(url(), { folder, name: 'sealed', key: KEY })
		const untouched = await there()
		await expect(restoreBackup(file, other.url, 'another')).rejects.toThrow(/key/)
		await expect(restoreBackup(file, other.url, undefined)).rejects.toThrow(/CALYCINE_BACKUP_KEY/)
		const bytes = readFileSync(file)
		bytes[bytes.length >> 1]! ^= 1
		writeFileSync(`${file}.changed`, bytes)
		await expect(restoreBackup(`${file}.changed`, other.url, KEY)).rejects.toThrow(/not whole/)
		truncateSync(file, bytes.length - 40)
		await expect(restoreBackup(file, other.url, KEY)).rejects.toThrow(/not whole/)

		const plain = await backUp(url(), { folder, name: 'plain', key: undefined })
		await checkBackup(plain, undefined)
		truncateSync(plain, readFileSync(plain).length - 40)
		await expect(restoreBackup(plain, other.url, undefined)).rejects.toThrow(/cannot be read/)
		appendFileSync(`${plain}.other`, 'a letter')
		await expect(restoreBackup(`${plain}.other`, other.url, undefined)).rejects.toThrow(/cannot be read/)
		expect(await there()).toEqual(untouched)
	})

	test('that cannot be written leaves nothing behind', async () => {
		const gone = url().replace(/:\d+\//, ':1/')
		await expect(backUp(gone, { folder, name: 'gone', key: undefined })).rejects.toThrow(/could not be made/)
		expect(readdirSync(folder).filter((name) => name.startsWith('gone'))).toEqual([])
	})
})

describe('of what the folder keeps by itself', () => {
	test('one is made a day, and the last fourteen stay', async () => {
		const daily = path.join(folder, 'daily')
		const at = (day: number, hour: number) => new Date(Date.UTC(2026, 2, day, hour))
		const first = await backUpDaily(daily, url(), at(2, 9))
		expect(path.basename(first!)).toBe(`daily-${stamp(at(2, 9))}.sql.gz`)
		expect(await backUpDaily(daily, url(), at(2, 23))).toBeUndefined()
		for (let day = 3; day <= 17; day++) writeFileSync(path.join(daily, `daily-${stamp(at(day, 9))}.sql.gz`), '')
		expect(await backUpDaily(daily, url(), at(18, 10))).toBeDefined()
		const kept = readdirSync(daily).toSorted()
		expect(kept).toHaveLength(14)
		expect(kept[0]).toBe(`daily-${stamp(at(5, 9))}.sql.gz`)
	})

	test('those before an upgrade let go of their own oldest alone', async () => {
		const own = path.join(folder, 'upgrades')
		const at = (day: number) => new Date(Date.UTC(2026, 2, day))
		await backUpDaily(own, url(), at(1))
		for (let day = 2; day <= 5; day++) await backUpBeforeUpgrade(own, url(), at(day))
		writeFileSync(path.join(own, `before-restore-${stamp(at(1))}.sql.gz`), '')
		await backUpBeforeUpgrade(own, url(), at(6))
		expect(readdirSync(own).toSorted()).toEqual([
			`before-restore-${stamp(at(1))}.sql.gz`,
			...[4, 5, 6].map((day) => `before-upgrade-${stamp(at(day))}.sql.gz`),
			`daily-${stamp(at(1))}.sql.gz`,
		])
		const gone = url().replace(/:\d+\//, ':1/')
		await expect(backUpBeforeUpgrade(own, gone, at(7))).rejects.toThrow(/so nothing was changed/)
	})
})

test('a running database is found by its folder, and one that does not run is not', () => {
	expect(findRunningDatabase(elsewhere.folder)).toBe(other.url)
	expect(findRunningDatabase(folder)).toBeUndefined()
})
