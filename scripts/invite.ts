/** `npm run invite`: a link with which one more studio is founded on a Calycine that runs, where CALYCINE_SIGN_UP=invite. */
import path from 'node:path'
import { closeDatabase, openDatabase } from '../db/connection.server'
import { createLink } from '../db/repositories/links.server'
import { openDataFolder } from './machine/data-folder.mjs'
import { findRunningDatabase } from './machine/database.mjs'
import { Failure, runScript } from './machine/failure.mjs'

await runScript(async () => {
	process.env['CALYCINE_DATABASE_URL'] ??= findRunningDatabase(openDataFolder(path.resolve('.')))
	if (!process.env['CALYCINE_DATABASE_URL'])
		throw new Failure('Calycine does not run here: start it first, or set CALYCINE_DATABASE_URL.')
	openDatabase()
	try {
		const token = await createLink({ kind: 'found' }, new Date(), { keepsOlder: true })
		console.log(`Works once, for seven days, after the address of your Calycine:\n/set-up/${token}`)
	} finally {
		await closeDatabase()
	}
})
