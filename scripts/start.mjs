/**
 * `npm start`: installs what is missing, builds what changed, starts a private MariaDB and the server, loads the demo
 * into an empty database, and prints where to go. `--empty` loads no demo: the first visitor sets up her studio.
 * `--lan` serves the room over HTTPS. `--reset-demo` makes the demo anew and ends.
 */
import { readFileSync } from 'node:fs'
import { createServer as createPlainServer } from 'node:http'
import { createServer } from 'node:https'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { backUpBeforeUpgrade, keepDailyBackups } from './machine/kept-backups.mjs'
import { ensureBuild } from './machine/build.mjs'
import { claimDataFolder, keepSecret, openDataFolder } from './machine/data-folder.mjs'
import { startDatabase } from './machine/database.mjs'
import { setEnvironment } from './machine/environment.mjs'
import { Failure, runScript } from './machine/failure.mjs'
import { checkToday, makeDemoPassword } from './machine/demo.mjs'
import { openAuthorityPage } from './machine/authority-page.mjs'
import { ensureLocalCertificate, listRoomAddresses } from './machine/local-authority.mjs'
import { checkNode, ensureNpmPackages } from './machine/packages.mjs'

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..')
const DEFAULT_PORT = 4780
/** Requests that are still open when the server stops get so long to end. */
const GRACE_MS = 5_000
const STOP_MS = 25_000
const TIDY_MS = 60 * 60_000

/** Signals that come while we stop already change nothing. */
let isStopping = false

await runScript(async () => {
	checkNode()
	const resetDemo = process.argv.includes('--reset-demo')
	const withoutDemo = process.argv.includes('--empty') || process.env.CALYCINE_DEMO === 'off'
	const isForRoom = process.argv.includes('--lan')
	const port = readPort()
	const host = process.env.HOST ?? (isForRoom ? '0.0.0.0' : '127.0.0.1')
	checkToday()
	const folder = openDataFolder(root)
	const backups = path.join(folder, 'backups')
	claimDataFolder(folder, 'Calycine')
	ensureNpmPackages(root)
	ensureBuild(root)
	const starting = process.env.CALYCINE_DATABASE_URL ? undefined : startDatabase(folder)
	let app, server, sensor, postBox, authorityPage, metrics
	const stop = async (exitCode) => {
		isStopping = true
		// Whatever does not answer any more, a database that is frozen among it, keeps nobody.
		setTimeout(() => process.exit(exitCode), STOP_MS).unref()
		sensor?.close()
		await closeServer(server)
		await postBox?.close()
		await closeServer(authorityPage)
		await closeServer(metrics)
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
	const tls = readTls() ?? (isForRoom ? ensureLocalCertificate(folder) : undefined)
	// Cookies, and what browsers are told, depend on it.
	if (tls) process.env.CALYCINE_HTTPS = '1'
	try {
		// The server bundle reads its environment when it is loaded, so that comes last.
		app = await import(path.join(root, 'build', 'server', 'index.js'))
		const demoPassword = keepSecret(folder, 'demo-password', makeDemoPassword)
		const prepared = await app.prepareDatabase({
			demoPassword,
			resetDemo,
			withoutDemo,
			// Its data folder is this process's own.
			isAlone: database !== undefined,
			beforeUpgrade: async () =>
				console.log(
					`Saved before the upgrade: ${await backUpBeforeUpgrade(backups, process.env.CALYCINE_DATABASE_URL)}`,
				),
		})
		if (resetDemo) {
			console.log('The demo is as new.')
			return await stop(0)
		}
		sensor = await startSensor(app)
		postBox = await startPostBox()
		server = await listen(app.createApp(appTerms()), { host, port, tls })
		process.env.CALYCINE_ORIGIN ??= addressOf(server, tls)
		if (tls?.authority) {
			const own = { host, port: port === 0 ? 0 : port + 1, origin: process.env.CALYCINE_ORIGIN }
			authorityPage = await openAuthorityPage(tls, own)
		}
		metrics = await startMetrics(app)
		void app.tidyUp()
		setInterval(() => void app.tidyUp(), TIDY_MS).unref()
		keepDailyBackups(backups, process.env.CALYCINE_DATABASE_URL)
		greet(prepared, { demoPassword, folder, letters: postBox?.pageUrl })
		greetRoom(tls, authorityPage)
		if (!tls && !isLoopback(host)) warnOfPlain()
	} catch (error) {
		console.error(error instanceof Failure ? `\n${error.message}\n` : explain(error))
		await stop(1)
	}
	void database?.ended.then((reason) => {
		if (isStopping) return
		console.error(`\nThe database ends again and again (${reason}). Nothing that was saved is lost.\n`)
		void stop(1)
	})
})

function appTerms() {
	return {
		clientFolder: path.join(root, 'build', 'client'),
		isHttps: process.env.CALYCINE_HTTPS === '1',
		trustedProxy: process.env.CALYCINE_TRUSTED_PROXY,
	}
}

function readPort() {
	const port = Number(process.env.PORT ?? DEFAULT_PORT)
	if (!Number.isInteger(port) || port < 0 || port > 65535)
		throw new Failure(`PORT must be a number from 0 to 65535, got ${process.env.PORT}`)
	return port
}

function listen(app, { host, port, tls }) {
	return new Promise((resolve, reject) => {
		const server = tls ? createServer({ cert: tls.cert, key: tls.key }, app) : createPlainServer(app)
		server.once('error', (error) => {
			if (error.code === 'EADDRINUSE')
				reject(
					new Failure(`Port ${port} on ${host} is taken. Set PORT to another, for example: PORT=${port + 1} npm start`),
				)
			else reject(new Failure(`Cannot listen on ${host}:${port}: ${error.message}`))
		})
		server.listen(port, host, () => resolve(server))
	})
}

/** For a machine that watches this one; on loopback, where a port is named for it. */
async function startMetrics(app) {
	const { CALYCINE_METRICS_PORT: port } = process.env
	if (!port) return undefined
	if (!/^\d{1,5}$/.test(port)) throw new Failure(`CALYCINE_METRICS_PORT must be a port, got ${port}`)
	try {
		return await app.openMetrics(Number(port))
	} catch (error) {
		throw new Failure(`No numbers at port ${port}: ${error.message}`)
	}
}

/** The stand-in for a room sensor, unless another is named. */
async function startSensor(app) {
	if (process.env.CALYCINE_SENSOR_URL) return undefined
	const sensor = app.createSensor(() => app.wallNow(app.demoZone()))
	await new Promise((resolve, reject) => sensor.once('error', reject).listen(0, '127.0.0.1', resolve))
	process.env.CALYCINE_SENSOR_URL = `http://127.0.0.1:${sensor.address().port}`
	return sensor
}

/** The stand-in for a mail server, unless one is named. */
async function startPostBox() {
	if (process.env.CALYCINE_SMTP_URL) return undefined
	// Needs packages, which are there only now.
	const { openPostBox } = await import('./machine/post-box.mjs')
	const postBox = await openPostBox()
	process.env.CALYCINE_SMTP_URL = postBox.smtpUrl
	return postBox
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
			if (!isStopping) void stop(0)
		})
	}
}

/** Where it is for whoever is asked to come: in a room by the address that others see. */
function addressOf(server, tls) {
	const { address, port } = server.address()
	const [seen = '127.0.0.1'] = address === '0.0.0.0' || address === '::' ? listRoomAddresses() : [address]
	return `${tls ? 'https' : 'http'}://${seen}:${port}`
}

function isLoopback(host) {
	return host === 'localhost' || host === '::1' || host.startsWith('127.')
}

/** @throws {Failure} one of the two files is missing */
function readTls() {
	const { CALYCINE_TLS_CERT: cert, CALYCINE_TLS_KEY: key } = process.env
	if (!cert && !key) return undefined
	if (!cert || !key) throw new Failure('CALYCINE_TLS_CERT and CALYCINE_TLS_KEY belong together: name both files.')
	try {
		return { cert: readFileSync(cert), key: readFileSync(key) }
	} catch (error) {
		throw new Failure(`The certificate cannot be read: ${error.message}`)
	}
}

/** How a tablet comes to trust the certificate that is ours. */
function greetRoom(tls, page) {
	if (!page) return
	const { hostname } = new URL(process.env.CALYCINE_ORIGIN)
	console.log(
		`A tablet that was never here opens http://${hostname}:${page.address().port} first, for the certificate\n${tls.fingerprint}\n`,
	)
}

function warnOfPlain() {
	console.warn(
		'Without HTTPS passwords travel in the clear, and a tablet can neither go on without a network nor keep its screen on:\nstart with --lan, or name CALYCINE_TLS_CERT and CALYCINE_TLS_KEY.\n',
	)
}

function greet({ demoLoaded, hasDemo, demoEmail, setUpToken }, { demoPassword, folder, letters }) {
	const origin = process.env.CALYCINE_ORIGIN
	const demo = `${demoLoaded ? 'The demo was loaded. Sign in' : 'Demo sign-in'}: ${demoEmail}  ·  ${demoPassword}`
	const door = setUpToken ? `Set up your studio: ${new URL(`/set-up/${setUpToken}`, origin)}` : hasDemo && demo
	console.log(
		[
			`\nCalycine is at ${origin}`,
			door,
			// It sends none on: who reads them can choose anybody's password anew.
			letters && `Letters, in place of a mail server: ${letters}`,
			`Data and logs: ${path.relative(process.cwd(), folder) || '.'}   Stop: Ctrl-C\n`,
		]
			.filter(Boolean)
			.join('\n'),
	)
}

/** Database errors carry the statement and its values in their text: only the kind is for the terminal. */
function explain(error) {
	const failure = String(error?.cause?.name).startsWith('Sequelize') ? error.cause : error
	if (String(failure?.name).startsWith('Sequelize'))
		return `\nThe database cannot be used: ${failure.name}${failure.original?.code ? ` (${failure.original.code})` : ''}\n`
	return error
}
