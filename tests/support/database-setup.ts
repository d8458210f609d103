/** A MariaDB for each worker of the tests: made before the first test of a run, gone after the last. */
import type { TestProject } from 'vitest/node'
import { startDatabase } from '../../scripts/machine/database.mjs'
import { makeDataFolder } from '../../scripts/machine/running-app.mjs'

declare module 'vitest' {
	interface ProvidedContext {
		/** By the number of the worker. */
		databaseUrls: string[]
	}
}

export default async function setUp(project: TestProject): Promise<() => Promise<void>> {
	const workers = Array.from({ length: Number(project.config.maxWorkers) }, () => makeDataFolder())
	const databases = await Promise.all(workers.map(({ folder }) => startDatabase(folder)))
	// Handed on, not put into this process's environment, which the other projects share.
	project.provide(
		'databaseUrls',
		databases.map(({ url }) => url),
	)
	return async () => {
		await Promise.all(databases.map((database) => database.stop()))
		for (const worker of workers) worker.remove()
	}
}
