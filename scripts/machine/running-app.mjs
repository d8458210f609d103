/** A copy of the app started as `npm start` does, with a data folder of its own: for tests, benches and pictures. */
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { fileURLToPath } from 'node:url'

const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..', '..')
/** As `npm start` has it: pages are drawn of many small things that are soon done with, and are cleared away less often. */
const SERVER_WORDS = ['--max-semi-space-size=32']
const GREETING =
	/Calycine is at (\S+)\n(?:(?:Set up your studio: (?<setUp>\S+)|.*: (?<email>\S+) {2}· {2}(?<password>\S+))\n)?(?:Letters.*: (?<letters>\S+)\n)?Data/

/** A folder that goes when `remove` is called. */
export function makeDataFolder() {
	const folder = mkdtempSync(path.join(os.tmpdir(), 'calycine-'))
	return { folder, remove: () => rmSync(folder, { recursive: true, force: true }) }
}

/**
 * Starts the app on a free port and waits for its greeting.
 *
 * @param {{ dataFolder: string, env?: Record<string, string>, words?: string[], root?: string }} terms - `words`: after
 *   `npm start --`; `root`: of another copy of the project
 * @returns its address, the demo's sign-in or the link to set a studio up, the page of its letters, and how to end it
 * @throws {Error} it ended instead, with what it printed and its exit code
 */
export async function startApp({ dataFolder, env = {}, words = [], root = ROOT }) {
	const child = spawn(process.execPath, [...SERVER_WORDS, path.join(root, 'scripts', 'start.mjs'), ...words], {
		env: { ...process.env, PORT: '0', CALYCINE_DATA: dataFolder, ...env },
		stdio: ['ignore', 'pipe', 'pipe'],
	})
	let output = ''
	const ended = new Promise((resolve) => child.once('exit', (code, signal) => resolve(signal ?? code)))
	const { 1: url, groups } = await new Promise((resolve, reject) => {
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
	return { url, ...groups, pid: child.pid, ended, stop, output: () => output }
}

/** Signs in as a plain form does; the cookie for further requests. */
export async function fetchCookie({ url, email, password }) {
	const body = new URLSearchParams({ email, password })
	const response = await fetch(`${url}/sign-in`, { method: 'POST', body, redirect: 'manual' })
	return response.headers.get('set-cookie')?.split(';')[0] ?? ''
}
