/** What the database needs before the first request: its tables, and while it has no studio the demo, or a link to found one. */
import { demoZone, today } from '../app/shared/http/studio-clock.server'
import { openDatabase } from '../db/connection.server'
import { DEMO_EMAIL, loadDemo } from '../db/load-demo.server'
import { migrate, type MigrationTerms } from '../db/migrate.server'
import { createLink } from '../db/repositories/links.server'
import { deleteStudio, isEmpty, listStudiosByEmail } from '../db/repositories/accounts.server'

export interface Preparation {
	/** Names of the migrations that ran. */
	migrated: string[]
	/** Whether the demo was loaded now. */
	demoLoaded: boolean
	demoEmail: string
	/** Whether the demo's studio is there. */
	hasDemo: boolean
	/** Of a link to found the first studio; absent: there is one. */
	setUpToken?: string
}

/**
 * Migrates, and loads the demo into an empty database; two nodes on one database do it one after the other.
 *
 * @param withoutDemo - leave an empty database without the demo
 * @param resetDemo - delete the demo studio first, with all that was changed in it
 */
export async function prepareDatabase(
	terms: { demoPassword: string; resetDemo: boolean; withoutDemo?: boolean } & Pick<
		MigrationTerms,
		'beforeUpgrade' | 'isAlone'
	>,
): Promise<Preparation> {
	openDatabase()
	let demoLoaded = false
	const migrated = await migrate({
		isAlone: terms.isAlone ?? false,
		...(terms.beforeUpgrade && { beforeUpgrade: terms.beforeUpgrade }),
		afterwards: async () => {
			if (terms.resetDemo) for (const id of await listStudiosByEmail(DEMO_EMAIL)) await deleteStudio(id)
			demoLoaded = terms.resetDemo || (!terms.withoutDemo && (await isEmpty()))
			const zone = demoZone()
			if (demoLoaded) await loadDemo({ today: today(zone), zone, password: terms.demoPassword })
		},
	})
	const hasDemo = (await listStudiosByEmail(DEMO_EMAIL)).length > 0
	const setUpToken = (await isEmpty()) ? await createLink({ kind: 'found' }, new Date()) : undefined
	return { migrated, demoLoaded, demoEmail: DEMO_EMAIL, hasDemo, ...(setUpToken && { setUpToken }) }
}
