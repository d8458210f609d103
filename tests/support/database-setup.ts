/** A MariaDB of the tests' own: made before the first test of a run, gone after the last. */
import type { TestProject } from 'vitest/node'
import { startDatabase } from '../../scripts/machine/database.mjs'
import { makeDataFolder } from '../../scripts/machine/running-app.mjs'

declare module 'vitest' {
	interface ProvidedContext {
		databaseUrl: string
	}
}

export default async function setUp(project: TestProject): Promise<() => Promise<void>> {
	const data = makeDataFolder()
	const database = await startDatabase(data.folder)
	// Handed on, not put into this process's environment, which the other projects share.
	project.provide('databaseUrl', database.url)
	return async () => {
		await database.stop()
		data.remove()
	}
}
