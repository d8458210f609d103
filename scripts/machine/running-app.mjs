/** A copy of the app started as `npm start` does, with a data folder of its own: for tests, benches and pictures. */
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { fileURLToPath } from 'node:url'

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..', '..')
const GREETING = /Calycine is at (\S+)\n.*: (\S+) {2}· {2}(\S+)\n/

/** A folder that goes when `remove` is called. */
export function makeDataFolder() {
	const folder = mkdtempSync(path.join(os.tmpdir(), 'calycine-'))
	return { folder, remove: () => rmSync(folder, { recursive: true, force: true }) }
}

/**
 * Starts the app on a free port and waits for its greeting.
 *
 * @returns its address, the demo's sign-in, and how to end it
 * @throws {Error} it ended instead, with what it printed and its exit code
 */
export async function startApp({ dataFolder, env = {} }) {
	const child = spawn(process.execPath, [path.join(root, 'scripts', 'start.mjs')], {
		env: { ...process.env, PORT: '0', CALYCINE_DATA: dataFolder, ...env },
		stdio: ['ignore', 'pipe', 'pipe'],
	})
	let output = ''
	const ended = new Promise((resolve) => child.once('exit', (code, signal) => resolve(signal ?? code)))
	const [, url, email, password] = await new Promise((resolve, reject) => {
		const listen = (chunk) => {
			output += chunk
			const greeting = GREETING.exec(output)
			if (greeting) resolve(greeting)
		}
		child.stdout.on('data', listen)
		child.stderr.on('data', listen)
		void ended.then((code) =>
			reject(Object.assign(new Error(`the app ended with ${code}:\n${output}`), { code, output })),
		)
	})
	const stop = async (signal = 'SIGTERM') => {
		child.kill(signal)
		return ended
	}
	return { url, email, password, pid: child.pid, ended, stop, output: () => output }
}

/** Signs in as a plain form does; the cookie for further requests. */
export async function fetchCookie({ url, email, password }) {
	const body = new URLSearchParams({ email, password })
	const response = await fetch(`${url}/sign-in`, { method: 'POST', body, redirect: 'manual' })
	return response.headers.get('set-cookie')?.split(';')[0] ?? ''
}
