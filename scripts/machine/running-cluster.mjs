/** Three databases, two copies of the app, and one address in front of them. */
import { mkdirSync } from 'node:fs'
import path from 'node:path'
import { openBalancer } from './balancer.mjs'
import { keepSecret } from './data-folder.mjs'
import { makeDemoPassword } from './demo.mjs'
import { startCluster } from './galera.mjs'
import { startApp } from './running-app.mjs'

const APP_COUNT = 2

/**
 * @param terms.folder - with everything of it
 * @param terms.port - of the address in front; 0: any
 * @param terms.env - of the copies
 * @returns the address, the demo's sign-in, how to kill and start each part, and how to stop all
 */
export async function startRunningCluster({ folder, port = 0, env = {} }) {
	mkdirSync(folder, { recursive: true, mode: 0o700 })
	const databases = await startCluster(folder)
	const demoPassword = keepSecret(folder, 'demo-password', makeDemoPassword)
	const shared = {
		CALYCINE_SESSION_SECRET: keepSecret(folder, 'session-secret'),
		CALYCINE_DELETIONS_FILE: path.join(folder, 'deletions.jsonl'),
		CALYCINE_TRUSTED_PROXY: '127.0.0.1',
	}
	const apps = []
	const start = async (number) => {
		const dataFolder = path.join(folder, `app-${number}`)
		mkdirSync(dataFolder, { recursive: true, mode: 0o700 })
		keepSecret(dataFolder, 'demo-password', () => demoPassword)
		// Each prefers another node, and goes on with the next one.
		const own = { CALYCINE_DATABASE_URL: rotate(databases.url, number - 1) }
		return startApp({ dataFolder, env: { ...shared, ...env, ...own } })
	}
	for (let number = 1; number <= APP_COUNT; number++) apps.push(await start(number))
	const balancer = await openBalancer(apps, port)
	return {
		...{ url: balancer.url, email: apps[0].email, password: apps[0].password, letters: apps[0].letters },
		databases,
		apps: apps.map((_, a) => ({
			name: `app-${a + 1}`,
			kill: async () => apps[a].stop('SIGKILL'),
			start: async () => (apps[a] = await start(a + 1)),
		})),
		stop: async () => {
			await balancer.close()
			await Promise.all(apps.map((app) => app.stop()))
			await databases.stop()
		},
	}
}

/** The URL with its hosts in another order. */
function rotate(url, by) {
	return url.replace(/@([^/]+)/, (_, list) => {
		const hosts = list.split(',')
		return `@${[...hosts.slice(by), ...hosts.slice(0, by)].join()}`
	})
}
