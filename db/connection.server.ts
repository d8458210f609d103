/** The one connection pool of the process, opened on first use from CALYCINE_DATABASE_URL, and its failures in our words. */
import { readFileSync } from 'node:fs'
import { setTimeout as sleep } from 'node:timers/promises'
import {
	BaseError,
	ConnectionAcquireTimeoutError,
	ConnectionError,
	QueryTypes,
	Sequelize,
	type Options,
	type QueryOptions,
	type Transaction,
} from 'sequelize'
import { InputError, UnavailableError } from '../core/errors'
import { defineAccounts } from './models/accounts.server'
import { defineCourses } from './models/courses.server'
import { defineDesigns } from './models/designs.server'
import { defineKits } from './models/kits.server'
import { definePlaces } from './models/places.server'
import { definePreparation } from './models/preparation.server'
import { defineLearning } from './models/learning.server'
import { defineRuns } from './models/runs.server'
import { DatabaseHosts, readDatabaseUrl } from './database-hosts.server'
import { forgetRows } from './row-memory.server'

/** A page waits so long for a free connection, and so long for an answer; then it says that the database is away. */
const ACQUIRE_MS = 6_000
const ANSWER_MS = 8_000
/** What a page only reads it gives up sooner: nothing is in doubt then, and it says within five seconds that the database is away. */
const READ_MS = 4_500
/** The connector gives up after one second, which a busy machine does not always keep. */
const CONNECT_MS = 4_000
const HEALTH_MS = 2_000
/** Writers that met a deadlock begin again so often, each time after twice the pause: on a slow machine all that they do takes longer. */
const MOST_ATTEMPTS = 8
const PAUSE_MS = 15

/** Numbers of MariaDB's errors (its manual, "MariaDB Error Codes"). */
const DEADLOCKS: ReadonlySet<unknown> = new Set([1205, 1213])
/** A node that has lost the others of its cluster. */
const NOT_READY = 1047
/** Disk or table full, read-only, shutting down, a statement ended by time or by an operator, too many connections. */
const AWAY: ReadonlySet<unknown> = new Set([
	1021, 1023, 1026, 1030, 1040, 1047, 1053, 1114, 1205, 1213, 1290, 1317, 1927, 1969, 3024,
])
/** Out of range, not a text of the character set, too long: input that no schema has caught. */
const UNFIT: ReadonlySet<unknown> = new Set([1264, 1366, 1367, 1406, 3854])

const AWAY_WORDS = 'The database does not answer just now. Nothing of yours was changed; try again soon.'

let database: Sequelize | undefined

/**
 * Opens the pool and registers the models; again is no failure. No connection is made yet.
 *
 * @throws {Error} CALYCINE_DATABASE_URL is not set
 */
export function openDatabase(): Sequelize {
	database ??= registerModels(connect({}, READ_MS))
	return database
}

/** Whether the database has several nodes that are written to: named as hosts, or behind one address by CALYCINE_DATABASE_CLUSTER=1. */
export function isCluster(): boolean {
	const { CALYCINE_DATABASE_URL: url = '', CALYCINE_DATABASE_CLUSTER: said } = process.env
	return said === '1' || (url !== '' && readDatabaseUrl(url).hosts.length > 1)
}

/** @throws {Error} nobody has opened it */
export function getDatabase(): Sequelize {
	if (!database) throw new Error('the database is not open')
	return database
}

/**
 * A connection apart from the pool, whose statements may take as long as they need: for migrations.
 *
 * @throws {Error} CALYCINE_DATABASE_URL is not set
 */
export function openForMigration(): Sequelize {
	return connect({ pool: { max: 2, acquire: 60_000 }, dialectOptions: { ...connectionTerms(), socketTimeout: 0 } })
}

function connect(options: Options, readMs = Infinity): Sequelize {
	const named = process.env['CALYCINE_DATABASE_URL']
	if (!named) throw new Error('CALYCINE_DATABASE_URL is not set; `npm start` sets it')
	// The connector knows the scheme mariadb alone; mysql: is what many tools write.
	const { url, hosts } = readDatabaseUrl(named.replace(/^mysql:/, 'mariadb:'))
	const nodes = hosts.length > 1 ? new DatabaseHosts(hosts) : undefined
	const sequelize = new Sequelize(url, {
		dialect: 'mariadb',
		timezone: '+00:00',
		logging: false,
		define: { underscored: true, charset: 'utf8mb4', collate: 'utf8mb4_unicode_ci' },
		dialectOptions: { ...connectionTerms(), socketTimeout: ANSWER_MS },
		...options,
		pool: { max: 20, idle: 30_000, acquire: ACQUIRE_MS, ...options.pool, ...(nodes && { validate: nodes.isUsable }) },
	})
	nodes?.lead(sequelize, connectionTerms())
	// Everything that is asked goes through here, so the driver's failures become ours in one place.
	const query = sequelize.query.bind(sequelize) as (sql: unknown, options?: QueryOptions) => Promise<never>
	sequelize.query = (sql: unknown, how?: QueryOptions) => {
		const isRead = how?.type === QueryTypes.SELECT && !how.transaction
		return translated(() => (isRead ? inTime(query(sql, how), readMs) : query(sql, how)), nodes)
	}
	return sequelize
}

/** The connection ends by its own timeout, and says then whether its node is gone. */
async function inTime<T>(answer: Promise<T>, ms: number): Promise<T> {
	if (ms === Infinity) return answer
	let timer: NodeJS.Timeout | undefined
	const giveUp = new Promise<never>((_, reject) => {
		timer = setTimeout(() => reject(new UnavailableError(AWAY_WORDS)), ms)
	})
	try {
		return await Promise.race([answer, giveUp])
	} finally {
		clearTimeout(timer)
	}
}

/** Timeouts, and TLS where an outside database wants it: CALYCINE_DATABASE_CA names the file of its authority. */
function connectionTerms() {
	const authority = process.env['CALYCINE_DATABASE_CA']
	return { connectTimeout: CONNECT_MS, ...(authority && { ssl: { ca: readFileSync(authority, 'utf8') } }) }
}

function registerModels(sequelize: Sequelize): Sequelize {
	defineAccounts(sequelize)
	defineDesigns(sequelize)
	defineCourses(sequelize)
	definePlaces(sequelize)
	definePreparation(sequelize)
	defineKits(sequelize)
	defineRuns(sequelize)
	defineLearning(sequelize)
	return sequelize
}

/** Closes the pool, for good or until it is opened again. */
export async function closeDatabase(): Promise<void> {
	const closing = database
	database = undefined
	forgetRows()
	// A database that does not answer keeps nobody: its connections end with the process.
	await Promise.race([closing?.close(), sleep(HEALTH_MS, undefined, { ref: false })])
}

/** Whether the database answers within two seconds; for health checks. */
export async function isDatabaseAlive(): Promise<boolean> {
	const ask = async () => {
		try {
			await getDatabase().query('SELECT 1', { type: QueryTypes.SELECT })
			return true
		} catch {
			// The caller asked whether, not why.
			return false
		}
	}
	return Promise.race([ask(), sleep(HEALTH_MS, false, { ref: false })])
}

/**
 * Runs work whose writes stand or fall together; work that met a deadlock is done again from its beginning.
 *
 * @param within - a transaction under way that the work becomes part of, instead of one of its own
 * @throws {UnavailableError} the database does not answer, or has no room
 */
export function inTransaction<T>(work: (transaction: Transaction) => Promise<T>, within?: Transaction): Promise<T> {
	return within ? work(within) : writing(() => translated(() => getDatabase().transaction(work)))
}

/**
 * Runs a write of a single statement, again if it met a deadlock.
 *
 * @throws {UnavailableError} the database does not answer, or has no room
 */
export async function writing<T>(work: () => Promise<T>): Promise<T> {
	for (let attempt = 1; ; attempt++) {
		try {
			return await work()
		} catch (error) {
			if (!isDeadlock(error) || attempt === MOST_ATTEMPTS) throw error
			// Writers that met once would meet again if they all began at the same moment.
			await sleep(PAUSE_MS * 2 ** (attempt - 1) * (1 + Math.random()))
		}
	}
}

function isDeadlock(error: unknown): boolean {
	return error instanceof UnavailableError && DEADLOCKS.has(errorNumber(error.cause))
}

async function translated<T>(work: () => Promise<T>, nodes?: DatabaseHosts): Promise<T> {
	try {
		return await work()
	} catch (error) {
		if (isNodeGone(error)) nodes?.distrust()
		throw toAppError(error)
	}
}

/** Of this node nothing more is to be had; another may do. */
function isNodeGone(error: unknown): boolean {
	// That all connections are in use says nothing of the node.
	const isRefused = error instanceof ConnectionError && !(error instanceof ConnectionAcquireTimeoutError)
	return isRefused || errorNumber(error) === NOT_READY || isSevered(error)
}

function toAppError(error: unknown): unknown {
	const number = errorNumber(error)
	if (error instanceof ConnectionError || AWAY.has(number) || isSevered(error))
		return new UnavailableError(AWAY_WORDS, { cause: error })
	if (UNFIT.has(number))
		return new InputError([{ path: '', message: 'Something here is too long, too large, or not a text.' }], {
			cause: error,
		})
	return error
}

function errorNumber(error: unknown): unknown {
	return originalOf(error)?.errno
}

/** The connection ended while an answer was awaited; the connector's own codes, and those of sockets. */
function isSevered(error: unknown): boolean {
	const code = originalOf(error)?.code
	return typeof code === 'string' && /^(ER_SOCKET|ER_CMD_CONNECTION|ER_CONNECTION|ECONN|EPIPE|ETIMEDOUT)/.test(code)
}

function originalOf(error: unknown): { errno?: unknown; code?: unknown } | undefined {
	const original = error instanceof BaseError && 'original' in error ? error.original : error
	return typeof original === 'object' && original !== null ? original : undefined
}
