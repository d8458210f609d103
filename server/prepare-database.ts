/** What the database needs before the first request: its tables, and the demo while it has no studio. */
import { DEMO_EMAIL, loadDemo } from '../db/load-demo.server'
import { migrate } from '../db/migrate.server'
import { deleteStudio, isEmpty, listStudiosByEmail } from '../db/repositories/accounts.server'

export interface Preparation {
	/** Names of the migrations that ran. */
	migrated: string[]
	/** Whether the demo was loaded now. */
	demoLoaded: boolean
	demoEmail: string
}

/**
 * Migrates, and loads the demo into an empty database.
 *
 * @param today - YYYY-MM-DD for the dates of the demo
 * @param resetDemo - delete the demo studio first, with all that was changed in it
 */
export async function prepareDatabase(terms: {
	today: string
	demoPassword: string
	resetDemo: boolean
}): Promise<Preparation> {
	const migrated = await migrate()
	if (terms.resetDemo) for (const id of await listStudiosByEmail(DEMO_EMAIL)) await deleteStudio(id)
	const demoLoaded = terms.resetDemo || (await isEmpty())
	if (demoLoaded) await loadDemo({ today: terms.today, password: terms.demoPassword })
	return { migrated, demoLoaded, demoEmail: DEMO_EMAIL }
}
