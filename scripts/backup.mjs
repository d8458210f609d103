/**
 * `npm run backup -- FOLDER`: the whole database as one file, also while Calycine is running. CALYCINE_BACKUP_KEY, if it is
 * set, encrypts it.
 */
import { existsSync } from 'node:fs'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { backUp } from './machine/backup.mjs'
import { claimDataFolder, openDataFolder } from './machine/data-folder.mjs'
import { findRunningDatabase, startDatabase } from './machine/database.mjs'
import { Failure, runScript } from './machine/failure.mjs'

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..')

await runScript(async () => {
	const [folder] = process.argv.slice(2)
	if (!folder) throw new Failure('Where to? For example: npm run backup -- /media/stick/calycine')
	const file = await withDatabase((url) => {
		return backUp(url, { folder: path.resolve(folder), key: process.env.CALYCINE_BACKUP_KEY || undefined })
	})
	console.log(`Backed up, and found whole: ${file}`)
})

/** With the database that runs, or one that is started for it. */
async function withDatabase(work) {
	const outside = process.env.CALYCINE_DATABASE_URL
	if (outside) return work(outside)
	const data = openDataFolder(root)
	if (!existsSync(path.join(data, 'database'))) throw new Failure(`There is nothing to back up in ${data}.`)
	const running = findRunningDatabase(data)
	if (running) return work(running)
	claimDataFolder(data, 'A backup')
	const database = await startDatabase(data)
	try {
		return await work(database.url)
	} finally {
		await database.stop()
	}
}
