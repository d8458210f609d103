/**
 * `npm run cluster`: three databases in a Galera cluster, two copies of the app and one address in front of them, with
 * the demo, all on this machine: to see that nothing is lost when one of them is gone.
 */
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { ensureBuild } from './machine/build.mjs'
import { claimDataFolder, openDataFolder } from './machine/data-folder.mjs'
import { Failure, runScript } from './machine/failure.mjs'
import { checkNode, ensureNpmPackages } from './machine/packages.mjs'
import { startRunningCluster } from './machine/running-cluster.mjs'

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..')
const DEFAULT_PORT = 4790

await runScript(async () => {
	checkNode()
	const folder = path.join(openDataFolder(root), 'cluster')
	ensureNpmPackages(root)
	ensureBuild(root)
	const port = Number(process.env.PORT ?? DEFAULT_PORT)
	if (!Number.isInteger(port)) throw new Failure(`PORT must be a number, got ${process.env.PORT}`)
	const cluster = await startRunningCluster({ folder, port })
	claimDataFolder(folder, 'The cluster')
	const pids = cluster.databases.nodes.map(({ name, pid }) => `${name} ${pid()}`).join(', ')
	console.log(
		[
			`\nCalycine is at ${cluster.url}: two copies of the app on three databases`,
			`Sign in: ${cluster.email}  ·  ${cluster.password}`,
			`Databases by process: ${pids}   Data and logs: ${path.relative(process.cwd(), folder)}   Stop: Ctrl-C\n`,
		].join('\n'),
	)
	for (const signal of ['SIGINT', 'SIGTERM'])
		process.once(signal, () => void cluster.stop().then(() => process.exit(0)))
})
