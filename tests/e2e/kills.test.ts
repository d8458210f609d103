/** What kills processes and freezes them: alone on the machine, so that only what is killed stands still. */
import { expect, test } from 'vitest'
import { takeDatabaseAway } from '../attack/database-away'
import { killFirstStarts, killWhileWriting } from '../attack/kill-rounds'
import { HANG_MS, makeDataFolder, postForm, startTarget } from '../attack/target'

test('a database that is frozen is told within seconds, and one that is gone comes back by itself', async () => {
	const data = makeDataFolder()
	const target = await startTarget(data.folder)
	const { frozen, health, live, backAfterMs } = await takeDatabaseAway(target)

	for (const answer of frozen) {
		expect(answer.status, answer.text.slice(0, 200)).toBe(503)
		expect(answer.ms).toBeLessThan(HANG_MS)
	}
	expect(frozen[0]?.text).toContain('The database is away')
	expect(health).toMatchObject({ status: 503 })
	expect(health.ms).toBeLessThan(4_000)
	// A balancer is told that it runs, and to send nobody.
	expect(live).toMatchObject({ status: 200 })
	expect(live.ms).toBeLessThan(1_000)
	expect(backAfterMs).toBeLessThan(HANG_MS)
	const saved = await postForm(target, '/stock', { intent: 'item', kind: 'tool', name: 'after all', onHand: '1' })
	expect(saved.status).toBe(200)
	await target.stop()
	data.remove()
})

test('kill -9 in the middle of writing loses nothing that was acknowledged', { timeout: 180_000 }, async () => {
	const own = makeDataFolder()

	const report = await killWhileWriting(own.folder, { rounds: 2, seed: 4 })

	expect(report).toMatchObject({ lost: 0, failedStarts: [] })
	expect(report.acknowledged, `answers by status: ${JSON.stringify(report.statuses)}`).toBeGreaterThan(5)
	own.remove()
})

test('kill -9 at a first start leaves a folder that starts', { timeout: 180_000 }, async () => {
	expect(await killFirstStarts(makeDataFolder, { rounds: 2, seed: 4 })).toEqual([])
})
