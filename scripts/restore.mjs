/**
 * `npm run restore -- FILE`: what is in a backup takes the place of all that is in the database, which is saved before.
 * Calycine must not be running. CALYCINE_BACKUP_KEY opens a file that is encrypted.
 */
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { backUp, checkBackup, restoreBackup, stamp } from './machine/backup.mjs'
import { claimDataFolder, openDataFolder } from './machine/data-folder.mjs'
import { deletionsFile } from './machine/environment.mjs'
import { startDatabase } from './machine/database.mjs'
import { ensureNpmPackages } from './machine/packages.mjs'
import { Failure, runScript } from './machine/failure.mjs'

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..')

await runScript(async () => {
	const [name] = process.argv.slice(2)
	if (!name)
		throw new Failure('Which one? For example: npm run restore -- .calycine/backups/daily-2026-03-05T10-20-30.sql.gz')
	const file = path.resolve(name)
	const key = process.env.CALYCINE_BACKUP_KEY || undefined
	ensureNpmPackages(root)
	await checkBackup(file, key)
	const data = openDataFolder(root)
	claimDataFolder(data, 'A restore')
	const outside = process.env.CALYCINE_DATABASE_URL
	const database = outside ? undefined : await startDatabase(data)
	try {
		const url = outside ?? database.url
		const before = await backUp(url, { folder: path.join(data, 'backups'), name: `before-restore-${stamp()}`, key })
		console.log(`What was there is saved: ${before}`)
		const completed = await restoreBackup(file, url, key)
		// Needs packages, which are there only now.
		const { deleteAgain } = await import('./machine/deletions.mjs')
		const again = await deleteAgain(deletionsFile(data), url, completed)
		if (again > 0) console.log(`Deleted again what had been deleted since: ${again}`)
		console.log(`Restored from ${file}. Start Calycine: npm start`)
	} finally {
		await database?.stop()
	}
})
