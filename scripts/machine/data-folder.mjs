/**
 * The folder with everything that is not source: database, secrets, logs. One running copy at a time may use it.
 */
import { randomBytes } from 'node:crypto'
import { chmodSync, existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { Failure } from './failure.mjs'

/** Opens (and makes) the folder, 0700. */
export function openDataFolder(root) {
	const folder = path.resolve(process.env.CALYCINE_DATA ?? path.join(root, '.calycine'))
	mkdirSync(folder, { recursive: true, mode: 0o700 })
	chmodSync(folder, 0o700)
	return folder
}

/**
 * Claims the folder for this process until it exits.
 *
 * @throws {Failure} a running copy has it
 */
export function claimDataFolder(folder, what) {
	const lockFile = path.join(folder, 'running.json')
	for (;;) {
		try {
			writeFileSync(lockFile, JSON.stringify({ pid: process.pid, started: startedAt(process.pid), what }), {
				flag: 'wx',
				mode: 0o600,
			})
			break
		} catch (error) {
			if (error.code !== 'EEXIST') throw error
			const holder = readHolder(lockFile)
			if (holder)
				throw new Failure(
					`${holder.what} is already running on this data folder (process ${holder.pid}).\nStop it first, or set CALYCINE_DATA to another folder.`,
				)
			// Left behind by a process that was killed.
			rmSync(lockFile, { force: true })
		}
	}
	process.on('exit', () => rmSync(lockFile, { force: true }))
}

/** The living process that holds the lock; a number that has gone to another process does not count. */
function readHolder(lockFile) {
	try {
		const holder = JSON.parse(readFileSync(lockFile, 'utf8'))
		return startedAt(holder.pid) === holder.started ? holder : undefined
	} catch {
		// Torn by a crash while it was written: nobody holds it.
		return undefined
	}
}

/** Start time of a process in clock ticks since boot, undefined if there is none; field 22 of proc_pid_stat(5). */
export function startedAt(pid) {
	try {
		const stat = readFileSync(`/proc/${pid}/stat`, 'utf8')
		const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
		// A zombie has ended, though its number is not free yet.
		return fields[0] === 'Z' ? undefined : fields[19]
	} catch {
		return undefined
	}
}

/** A random secret kept in a file of the folder, 0600, made on first use; one that a full disk has left empty, anew. */
export function keepSecret(folder, name, make = () => randomBytes(32).toString('hex')) {
	const file = path.join(folder, name)
	if (existsSync(file)) {
		chmodSync(file, 0o600)
		const kept = readFileSync(file, 'utf8').trim()
		if (kept !== '') return kept
	}
	const secret = make()
	// Written aside and moved, so that there is never half a one.
	const making = `${file}.${process.pid}`
	try {
		writeFileSync(making, secret, { mode: 0o600, flush: true })
		renameSync(making, file)
	} catch (error) {
		rmSync(making, { force: true })
		throw new Failure(`${file} cannot be written: ${error.message}`)
	}
	return secret
}
