/** What one process may do at a time: one after the other, and taken over from one that is gone. */
import { setTimeout as sleep } from 'node:timers/promises'
import { beforeAll, expect, test } from 'vitest'
import { getDatabase } from '../../db/connection.server'
import { holdLease } from '../../db/leases.server'
import { freshDatabase } from '../support/studios'

beforeAll(freshDatabase)

const hold = <T>(work: () => Promise<T>, terms: { patienceMs?: number; isAlone?: boolean } = {}) =>
	holdLease(getDatabase(), 'a test', { patienceMs: 20_000, ...terms }, work)

test('five at once do it one after the other', async () => {
	let now = 0
	let most = 0
	const work = async () => {
		most = Math.max(most, ++now)
		await sleep(20)
		now--
	}
	await Promise.all([1, 2, 3, 4, 5].map(() => hold(work)))
	expect(most).toBe(1)
})

test('it is given back where the work fails, and is over when its holder renews it no more', async () => {
	await expect(hold(() => Promise.reject(new Error('no')))).rejects.toThrow('no')
	await getDatabase().query(
		"INSERT INTO leases (name, holder, until_at) VALUES ('a test', 'somebody', NOW(3) + INTERVAL 1 SECOND)",
	)
	const begun = Date.now()
	expect(await hold(() => Promise.resolve(7))).toBe(7)
	expect(Date.now() - begun).toBeGreaterThan(500)
})

test('whoever has no patience is told, and who is alone takes it over', async () => {
	await getDatabase().query(
		"INSERT INTO leases (name, holder, until_at) VALUES ('a test', 'somebody', NOW(3) + INTERVAL 60 SECOND)",
	)
	await expect(hold(() => Promise.resolve(1), { patienceMs: 0 })).rejects.toThrow('held "a test" for too long')
	expect(await hold(() => Promise.resolve(2), { isAlone: true })).toBe(2)
})
