/**
 * A private MariaDB: its own data folder, bound to 127.0.0.1 on a free port, with a password of its own.
 * Not for: a database that somebody else runs; that one is named by CALYCINE_DATABASE_URL.
 */
import { spawn, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import {
	chmodSync,
	existsSync,
	mkdirSync,
	mkdtempSync,
	readdirSync,
	readFileSync,
	renameSync,
	rmSync,
	writeFileSync,
} from 'node:fs'
import net from 'node:net'
import os from 'node:os'
import path from 'node:path'
import { setTimeout as sleep } from 'node:timers/promises'
import { keepSecret, startedAt } from './data-folder.mjs'
import { Failure } from './failure.mjs'
import { ensureDatabasePrograms, findProgram } from './packages.mjs'

const START_TIMEOUT_MS = 60_000
const STOP_TIMEOUT_MS = 8_000
/** A database that ends more often than this within that time is given up. */
const MOST_RESTARTS = 5
const RESTART_WINDOW_MS = 60_000
/** A Unix socket's path holds so many bytes at most; see unix(7). */
const MAX_SOCKET_PATH = 100
const NAME = 'calycine'
/** Between the name of a data folder and what makes the one that is being made differ from others. */
const MAKING = '.making-'

/**
 * Starts the database in `folder/database`; makes it first where there is none. One that ends by itself is started again
 * at the same address, unless it does so again and again.
 *
 * @returns its URL, a promise of its end for good, and how to stop it
 * @throws {Failure} it cannot be installed or started
 */
export async function startDatabase(folder) {
	ensureDatabasePrograms()
	const dataFolder = path.join(folder, 'database')
	await stopOrphans(dataFolder)
	if (!existsSync(dataFolder)) installDatabase(dataFolder)
	const password = keepSecret(folder, 'database-password')
	const initFile = path.join(folder, 'database-init.sql')
	writeFileSync(initFile, initStatements(password), { mode: 0o600 })
	const files = { dataFolder, folder, pidFile: path.join(folder, 'database.pid'), initFile }
	const logFile = path.join(folder, 'database.log')
	// A free port may be taken between the asking and the start: then another is tried.
	for (let attempt = 1; ; attempt++) {
		const terms = { ...files, logFile, port: await findFreePort() }
		const database = spawnDatabase(terms)
		if (await isReady(database, terms.port))
			return {
				url: urlOf(password, terms.port),
				...keepRunning(database, terms),
			}
		await stop(database.child)
		if (attempt === 3) throw new Failure(`MariaDB did not start. The end of ${logFile}:\n${endOf(logFile)}`)
	}
}

/** Starts it again when it ends, on the same port. */
function keepRunning(first, terms) {
	let current = first
	let isStopping = false
	const watch = async () => {
		const ends = []
		for (;;) {
			const reason = await current.ended
			if (isStopping) return new Promise(() => undefined)
			ends.push(Date.now())
			if (ends.filter((time) => time > Date.now() - RESTART_WINDOW_MS).length > MOST_RESTARTS) return reason
			console.error(`The database has ended by itself (${reason}); it is started again.`)
			current = spawnDatabase(terms)
			if (!(await isReady(current, terms.port))) await stop(current.child)
		}
	}
	return {
		ended: watch(),
		stop: () => {
			isStopping = true
			return stop(current.child)
		},
	}
}

/** @returns the URL of the database that runs on the folder; undefined: none does */
export function findRunningDatabase(folder) {
	const dataFolder = path.join(folder, 'database')
	for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name) && isOurs(name, dataFolder))) {
		const port = portOf(pid)
		if (port) return urlOf(keepSecret(folder, 'database-password'), port)
	}
	return undefined
}

/** As it was started with; undefined: it has ended, or is none that listens. */
function portOf(pid) {
	try {
		return /--port=(\d+)/.exec(readFileSync(`/proc/${pid}/cmdline`, 'utf8'))?.[1]
	} catch {
		// No such process any more.
		return undefined
	}
}

export function urlOf(password, ...ports) {
	return `mariadb://${NAME}:${password}@${ports.map((port) => `127.0.0.1:${port}`).join()}/${NAME}`
}

export function asRoot() {
	return process.getuid?.() === 0 ? ['--user=root'] : []
}

/**
 * Makes the system tables in a folder aside, so that a half-made one is never taken for whole; in one of its own, since
 * the installer of a start that was killed may still be writing into its.
 */
export function installDatabase(dataFolder) {
	const parent = path.dirname(dataFolder)
	const stem = `${path.basename(dataFolder)}${MAKING}`
	for (const left of readdirSync(parent).filter((name) => name.startsWith(stem)))
		rmSync(path.join(parent, left), { recursive: true, force: true, maxRetries: 5, retryDelay: 200 })
	const making = mkdtempSync(`${dataFolder}${MAKING}`)
	chmodSync(making, 0o700)
	const { status, stderr, stdout } = spawnSync(
		findProgram('mariadb-install-db'),
		[
			'--no-defaults',
			`--datadir=${making}`,
			'--auth-root-authentication-method=socket',
			`--auth-root-socket-user=${os.userInfo().username}`,
			'--skip-test-db',
			'--skip-name-resolve',
			'--innodb-log-file-size=32M',
			...asRoot(),
		],
		{ encoding: 'utf8' },
	)
	if (status !== 0) throw new Failure(`The database could not be made:\n${stdout}\n${stderr}`)
	renameSync(making, dataFolder)
}

/** Run by the server at each start, before it takes connections. */
export function initStatements(password) {
	return [
		`CREATE DATABASE IF NOT EXISTS ${NAME} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;`,
		`CREATE USER IF NOT EXISTS '${NAME}'@'127.0.0.1' IDENTIFIED BY '${password}';`,
		`ALTER USER '${NAME}'@'127.0.0.1' IDENTIFIED BY '${password}';`,
		`GRANT ALL ON ${NAME}.* TO '${NAME}'@'127.0.0.1';`,
		'',
	].join('\n')
}

/** @param terms.more - further words; `environment`: of the process */
export function spawnDatabase({ dataFolder, folder, pidFile, initFile, logFile, port, more = [], environment }) {
	const child = spawn(
		findProgram('mariadbd'),
		[
			// Must be first, or the machine's own settings are read.
			'--no-defaults',
			...asRoot(),
			`--datadir=${dataFolder}`,
			`--socket=${socketPath(folder)}`,
			`--pid-file=${pidFile}`,
			`--log-error=${logFile}`,
			...(initFile ? [`--init-file=${initFile}`] : []),
			'--bind-address=127.0.0.1',
			`--port=${port}`,
			'--skip-name-resolve',
			'--skip-log-bin',
			'--character-set-server=utf8mb4',
			'--collation-server=utf8mb4_unicode_ci',
			'--default-time-zone=+00:00',
			'--innodb-buffer-pool-size=64M',
			'--innodb-log-file-size=32M',
			'--performance-schema=OFF',
			'--key-buffer-size=1M',
			'--aria-pagecache-buffer-size=8M',
			'--max-connections=50',
			...more,
		],
		// A group of its own: Ctrl-C then stops us first, and we stop the database.
		{ stdio: 'ignore', detached: true, ...(environment && { env: environment }) },
	)
	const ended = new Promise((resolve) => {
		child.once('exit', (code, signal) => resolve(signal ?? code))
		child.once('error', ({ code }) => resolve(code))
	})
	return { child, ended }
}

function socketPath(folder) {
	const inside = path.join(folder, 'database.sock')
	if (Buffer.byteLength(inside) <= MAX_SOCKET_PATH) return inside
	const name = createHash('sha256').update(folder).digest('hex').slice(0, 16)
	const aside = path.join(os.tmpdir(), `calycine-${process.getuid?.() ?? 'user'}-${name}`)
	mkdirSync(aside, { recursive: true, mode: 0o700 })
	return path.join(aside, 'database.sock')
}

export function findFreePort() {
	return new Promise((resolve, reject) => {
		const server = net.createServer()
		server.once('error', reject)
		server.listen(0, '127.0.0.1', () => {
			const { port } = server.address()
			// 3306 is where another MariaDB of this machine belongs.
			server.close(() => (port === 3306 ? resolve(findFreePort()) : resolve(port)))
		})
	})
}

/** The server greets every connection first, and takes none before the init file has run. */
export async function isReady({ child, ended }, port) {
	const deadline = Date.now() + START_TIMEOUT_MS
	let hasEnded = false
	void ended.then(() => (hasEnded = true))
	while (Date.now() < deadline && !hasEnded && child.pid !== undefined) {
		if (await isGreeted(port)) return true
		await sleep(50)
	}
	return false
}

function isGreeted(port) {
	return new Promise((resolve) => {
		const socket = net.connect(port, '127.0.0.1')
		const finish = (isGreeted) => {
			socket.destroy()
			resolve(isGreeted)
		}
		socket.once('data', () => finish(true))
		socket.once('error', () => finish(false))
		socket.setTimeout(2000, () => finish(false))
	})
}

export async function stop(child) {
	if (child.exitCode !== null || child.signalCode !== null || child.pid === undefined) return
	const exited = new Promise((resolve) => child.once('exit', resolve))
	child.kill('SIGTERM')
	const timer = setTimeout(() => child.kill('SIGKILL'), STOP_TIMEOUT_MS)
	await exited
	clearTimeout(timer)
}

/**
 * A server or an installer of ours whose parent was killed goes on running: it is stopped in order, so that ours can
 * start. Found by the data folder among its words, since one that has just begun has no file with its number yet.
 */
export async function stopOrphans(dataFolder) {
	const pids = readdirSync('/proc').filter((name) => /^\d+$/.test(name) && isOurs(name, dataFolder))
	for (const pid of pids.map(Number)) {
		signal(pid, 'SIGTERM')
		for (const deadline = Date.now() + STOP_TIMEOUT_MS; startedAt(pid) !== undefined;) {
			if (Date.now() > deadline) signal(pid, 'SIGKILL')
			await sleep(50)
		}
	}
}

/** One that has ended since it was found is as good as stopped. */
function signal(pid, name) {
	try {
		process.kill(pid, name)
	} catch (error) {
		if (error.code !== 'ESRCH') throw error
	}
}

function isOurs(pid, dataFolder) {
	try {
		const words = readFileSync(`/proc/${pid}/cmdline`, 'utf8').split('\0')
		return words.some(
			(word) => word === `--datadir=${dataFolder}` || word.startsWith(`--datadir=${dataFolder}${MAKING}`),
		)
	} catch {
		// No such process any more.
		return false
	}
}

function endOf(file) {
	return existsSync(file) ? readFileSync(file, 'utf8').split('\n').slice(-15).join('\n') : '(there is none)'
}
