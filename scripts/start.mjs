/**
 * `npm start`: installs what is missing, builds what changed, starts a private MariaDB and the server, loads the demo
 * into an empty database, and prints where to go. `--reset-demo` makes the demo anew and ends.
 */
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { ensureBuild } from './machine/build.mjs'
import { claimDataFolder, keepSecret, openDataFolder } from './machine/data-folder.mjs'
import { startDatabase } from './machine/database.mjs'
import { setEnvironment } from './machine/environment.mjs'
import { Failure, runScript } from './machine/failure.mjs'
import { makeDemoPassword, readToday } from './machine/demo.mjs'
import { checkNode, ensureNpmPackages } from './machine/packages.mjs'

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..')
const DEFAULT_PORT = 4780
/** Requests that are still open when the server stops get so long to end. */
const GRACE_MS = 5_000

/** The end of the database is news only while nobody has asked for it. */
let isStopping = false

await runScript(async () => {
	checkNode()
	const resetDemo = process.argv.includes('--reset-demo')
	const port = readPort()
	const today = readToday()
	const folder = openDataFolder(root)
	claimDataFolder(folder, 'Calycine')
	ensureNpmPackages(root)
	ensureBuild(root)
	const starting = process.env.CALYCINE_DATABASE_URL ? undefined : startDatabase(folder)
	let app, server, sensor
	const stop = async (exitCode) => {
		sensor?.close()
		await closeServer(server)
		await app?.closeSolver()
		await app?.closeDatabase()
		// A signal may come while the database is still starting.
		await (await starting?.catch(() => undefined))?.stop()
		process.exit(exitCode)
	}
	onSignals(stop)
	const database = await starting
	setEnvironment(folder, database)
	process.env.NODE_ENV = 'production'
	try {
		// The server bundle reads its environment when it is first used, so it is loaded last.
		app = await import(path.join(root, 'build', 'server', 'index.js'))
		const demoPassword = keepSecret(folder, 'demo-password', makeDemoPassword)
		const prepared = await app.prepareDatabase({ today, demoPassword, resetDemo })
		if (resetDemo) {
			console.log('The demo is as new.')
			return await stop(0)
		}
		sensor = await startSensor(app)
		server = await listen(app.createApp({ clientFolder: path.join(root, 'build', 'client') }), port)
		greet(server, prepared, demoPassword, folder)
	} catch (error) {
		console.error(error instanceof Failure ? `\n${error.message}\n` : explain(error))
		await stop(1)
	}
	void database?.ended.then((reason) => {
		if (isStopping) return
		console.error(
			`\nThe database has ended by itself (${reason}). Nothing that was saved is lost: please start again.\n`,
		)
		void stop(1)
	})
})

function readPort() {
	const port = Number(process.env.PORT ?? DEFAULT_PORT)
	if (!Number.isInteger(port) || port < 0 || port > 65535)
		throw new Failure(`PORT must be a number from 0 to 65535, got ${process.env.PORT}`)
	return port
}

function listen(app, port) {
	const host = process.env.HOST ?? '127.0.0.1'
	return new Promise((resolve, reject) => {
		const server = app.listen(port, host, (error) => {
			if (!error) resolve(server)
			else if (error.code === 'EADDRINUSE')
				reject(
					new Failure(`Port ${port} on ${host} is taken. Set PORT to another, for example: PORT=${port + 1} npm start`),
				)
			else reject(new Failure(`Cannot listen on ${host}:${port}: ${error.message}`))
		})
	})
}

/** The stand-in for a room sensor, unless another is named. */
async function startSensor(app) {
	if (process.env.CALYCINE_SENSOR_URL) return undefined
	const sensor = app.createSensor(app.wallNow)
	await new Promise((resolve, reject) => sensor.once('error', reject).listen(0, '127.0.0.1', resolve))
	process.env.CALYCINE_SENSOR_URL = `http://127.0.0.1:${sensor.address().port}`
	return sensor
}

function closeServer(server) {
	if (!server) return undefined
	return new Promise((resolve) => {
		server.close(resolve)
		server.closeIdleConnections()
		setTimeout(() => server.closeAllConnections(), GRACE_MS).unref()
	})
}

function onSignals(stop) {
	for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
		process.on(signal, () => {
			if (isStopping) return
			isStopping = true
			void stop(0)
		})
	}
}

function greet(server, { demoLoaded, demoEmail }, demoPassword, folder) {
	const { address, port } = server.address()
	console.log(`
Calycine is at http://${address}:${port}
${demoLoaded ? 'The demo was loaded. Sign in' : 'Demo sign-in'}: ${demoEmail}  ·  ${demoPassword}
Data and logs: ${path.relative(process.cwd(), folder) || '.'}   Stop: Ctrl-C
`)
}

/** Database errors carry the statement and its values in their text: only the kind is for the terminal. */
function explain(error) {
	if (String(error?.name).startsWith('Sequelize'))
		return `\nThe database cannot be used: ${error.name}${error.original?.code ? ` (${error.original.code})` : ''}\n`
	return error
}
