/** The data folder of a first start with the demo: made once for a run, copied by each file that wants an app of its own. */
import type { TestProject } from 'vitest/node'
import { makeDataFolder, startApp } from '../../scripts/machine/running-app.mjs'
import { TODAY } from './today'

declare module 'vitest' {
	interface ProvidedContext {
		demoFolder: string
	}
}

export default async function setUp(project: TestProject): Promise<() => void> {
	const data = makeDataFolder()
	const app = await startApp({ dataFolder: data.folder, env: { CALYCINE_TODAY: TODAY } })
	await app.stop()
	project.provide('demoFolder', data.folder)
	return data.remove
}
