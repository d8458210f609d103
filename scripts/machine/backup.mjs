/**
 * The whole database as one file: taken while it is in use, at one moment; read again and found whole before it has its
 * name; encrypted where a key is given (AES-256-GCM under a key that scrypt makes of the words given).
 */
import { createCipheriv, createDecipheriv, randomBytes, scryptSync } from 'node:crypto'
import { spawn } from 'node:child_process'
import {
	closeSync,
	createReadStream,
	createWriteStream,
	existsSync,
	fstatSync,
	mkdirSync,
	openSync,
	readdirSync,
	readSync,
	renameSync,
	rmSync,
} from 'node:fs'
import path from 'node:path'
import { Transform, Writable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGunzip, createGzip } from 'node:zlib'
import { Failure } from './failure.mjs'
import { listNodeUrls } from './node-urls.mjs'
import { ensurePrograms, findProgram } from './packages.mjs'

/** At the head of an encrypted file; salt and initial vector follow, at its end stands the tag. */
const MAGIC = Buffer.from('CALYCINE1')
const [SALT_BYTES, IV_BYTES, TAG_BYTES] = [16, 12, 16]
const HEAD_BYTES = MAGIC.length + SALT_BYTES + IV_BYTES
const KEY_COST = { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 2 ** 20 }
/** mariadb-dump ends with so many bytes at most once it has written all. */
const TAIL_BYTES = 200

/**
 * @param url - of the database
 * @param terms.folder - made where there is none; the file lies in it under `name` and what it is
 * @param terms.key - words to encrypt it with; undefined: anybody who has the file can read it
 * @returns the file's path
 * @throws {Failure} it could not be written, or is not whole
 */
export async function backUp(url, { folder, name = `calycine-${stamp()}`, key }) {
	ensurePrograms(['mariadb-dump'], ['mariadb-client'])
	mkdirSync(folder, { recursive: true, mode: 0o700 })
	const file = path.join(folder, `${name}.sql.gz${key ? '.enc' : ''}`)
	const making = `${file}.part`
	try {
		const { words, environment, database } = connectionOf(url)
		// Its last words say when, by this clock.
		const zone = { ...environment, TZ: 'UTC' }
		const dump = run('mariadb-dump', [...words, '--single-transaction', '--skip-lock-tables', database], zone)
		const out = createWriteStream(making, { mode: 0o600, flush: true })
		await Promise.all([pipeline(dump.child.stdout, createGzip(), ...(key ? [new Sealing(key)] : []), out), dump.ended])
		await checkBackup(making, key)
		renameSync(making, file)
		return file
	} catch (error) {
		rmSync(making, { force: true })
		throw new Failure(`The backup could not be made: ${error.message}`)
	}
}

/**
 * Reads the file through.
 *
 * @returns when it was complete
 * @throws {Failure} it is not whole, was changed, or has another key
 */
export async function checkBackup(file, key) {
	let tail = ''
	const keepTail = new Writable({
		write(chunk, _encoding, done) {
			tail = (tail + chunk.toString('latin1')).slice(-TAIL_BYTES)
			done()
		},
	})
	try {
		await pipeline(...openBackup(file, key), keepTail)
	} catch (error) {
		throw new Failure(`${file} cannot be read: ${key ? 'it is not whole, or the key is another one' : error.message}`)
	}
	const [, day, time] = /-- Dump completed on (\d{4}-\d\d-\d\d) +(\d{1,2}:\d\d:\d\d)/.exec(tail) ?? []
	if (!day) throw new Failure(`${file} is not whole`)
	return new Date(`${day}T${time.padStart(8, '0')}Z`)
}

/**
 * Puts what is in the file in place of all that is in the database. The file is found whole first; if the database fails
 * half way it is empty or half full, and the file can be restored again.
 *
 * @returns when the backup was complete
 * @throws {Failure} the file cannot be used, or the database does not take it
 */
export async function restoreBackup(file, url, key) {
	ensurePrograms(['mariadb'], ['mariadb-client'])
	if (!existsSync(file)) throw new Failure(`There is no file ${file}.`)
	const completed = await checkBackup(file, key)
	const { words, environment, database } = connectionOf(url)
	const name = `\`${database.replaceAll('`', '``')}\``
	const anew = `DROP DATABASE IF EXISTS ${name}; CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;`
	await run('mariadb', [...words, `--execute=${anew}`], environment).ended
	const client = run('mariadb', [...words, database], environment)
	await Promise.all([pipeline(...openBackup(file, key), client.child.stdin), client.ended])
	return completed
}

/** Backups of a folder whose names begin so, but for the newest. */
export function forgetOldBackups(folder, stem, kept) {
	const names = readdirSync(folder).filter((name) => name.startsWith(stem) && !name.endsWith('.part'))
	for (const old of names.toSorted().slice(0, -kept)) rmSync(path.join(folder, old), { force: true })
}

/** '2026-03-05T10-20-30-123': as names of files have it, in their order. */
export function stamp(now = new Date()) {
	return now.toISOString().slice(0, 23).replace(/[:.]/g, '-')
}

/** Encrypts what comes through: a head that is needed to read it, and at the end a tag that tells any change. */
class Sealing extends Transform {
	#cipher

	constructor(key) {
		super()
		const [salt, iv] = [randomBytes(SALT_BYTES), randomBytes(IV_BYTES)]
		this.#cipher = createCipheriv('aes-256-gcm', keyOf(key, salt), iv)
		this.push(Buffer.concat([MAGIC, salt, iv]))
	}

	_transform(chunk, _encoding, done) {
		done(null, this.#cipher.update(chunk))
	}

	_flush(done) {
		this.push(this.#cipher.final())
		done(null, this.#cipher.getAuthTag())
	}
}

/** Streams from the file to plain statements. */
function openBackup(file, key) {
	const descriptor = openSync(file, 'r')
	try {
		const head = Buffer.alloc(HEAD_BYTES)
		const { size } = fstatSync(descriptor)
		readSync(descriptor, head, 0, HEAD_BYTES, 0)
		if (!head.subarray(0, MAGIC.length).equals(MAGIC)) return [createReadStream(file), createGunzip()]
		if (!key) throw new Failure(`${file} is encrypted: set CALYCINE_BACKUP_KEY.`)
		const tag = Buffer.alloc(TAG_BYTES)
		readSync(descriptor, tag, 0, TAG_BYTES, size - TAG_BYTES)
		const salt = head.subarray(MAGIC.length, MAGIC.length + SALT_BYTES)
		const decipher = createDecipheriv('aes-256-gcm', keyOf(key, salt), head.subarray(MAGIC.length + SALT_BYTES))
		decipher.setAuthTag(tag)
		return [createReadStream(file, { start: HEAD_BYTES, end: size - TAG_BYTES - 1 }), decipher, createGunzip()]
	} finally {
		closeSync(descriptor)
	}
}

function keyOf(words, salt) {
	return scryptSync(words.normalize('NFKC'), salt, 32, KEY_COST)
}

function connectionOf(url) {
	const { hostname, port, username, password, pathname } = new URL(listNodeUrls(url)[0])
	return {
		words: ['--no-defaults', `--host=${hostname}`, `--port=${port || 3306}`, `--user=${decodeURIComponent(username)}`],
		// Not among the words: every user of the machine can read those.
		environment: { ...process.env, MYSQL_PWD: decodeURIComponent(password) },
		database: decodeURIComponent(pathname.slice(1)),
	}
}

/** @returns the process, and its end; which fails where it says that it failed */
function run(program, words, env) {
	const child = spawn(findProgram(program), words, { env })
	let told = ''
	child.stderr.on('data', (chunk) => (told = (told + chunk).slice(-2000)))
	const ended = new Promise((resolve, reject) => {
		child.once('error', reject)
		child.once('close', (code) => (code === 0 ? resolve() : reject(new Failure(`${program}: ${told.trim()}`))))
	})
	return { child, ended }
}
