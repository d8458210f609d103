/** `npm run dev`: database and demo as with `npm start`, and the development server, which reloads what changes. */
import { spawn, spawnSync } from 'node:child_process'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { makeStyles } from './machine/build.mjs'
import { claimDataFolder, keepSecret, openDataFolder } from './machine/data-folder.mjs'
import { startDatabase } from './machine/database.mjs'
import { checkToday, makeDemoPassword } from './machine/demo.mjs'
import { setEnvironment } from './machine/environment.mjs'
import { Failure, runScript } from './machine/failure.mjs'
import { checkNode, ensureNpmPackages } from './machine/packages.mjs'

const PORT = process.env.PORT ?? '4781'
const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..')

await runScript(async () => {
	checkNode()
	checkToday()
	const folder = openDataFolder(root)
	claimDataFolder(folder, 'Calycine')
	ensureNpmPackages(root)
	makeStyles(root)
	const database = process.env.CALYCINE_DATABASE_URL ? undefined : await startDatabase(folder)
	setEnvironment(folder, database)
	// Needs packages, which are there only now.
	const { openPostBox } = await import('./machine/post-box.mjs')
	const postBox = process.env.CALYCINE_SMTP_URL ? undefined : await openPostBox()
	process.env.CALYCINE_SMTP_URL ??= postBox.smtpUrl
	process.env.CALYCINE_ORIGIN ??= `http://127.0.0.1:${PORT}`
	try {
		const demoPassword = keepSecret(folder, 'demo-password', makeDemoPassword)
		const { demoEmail } = prepare(demoPassword)
		console.log(
			`\nSign in: ${demoEmail}  ·  ${demoPassword}   Data and logs: ${folder}${postBox ? `\nLetters: ${postBox.pageUrl}` : ''}\n`,
		)
		process.exitCode = await runServer()
	} finally {
		await postBox?.close()
		await database?.stop()
	}
	process.exit()
})

function prepare(demoPassword) {
	const words = [path.join(root, 'scripts', 'run-typescript.mjs'), 'scripts/prepare-database.ts', demoPassword]
	const { status, stdout } = spawnSync(process.execPath, words, {
		encoding: 'utf8',
		stdio: ['ignore', 'pipe', 'inherit'],
	})
	if (status !== 0) throw new Failure('The database could not be prepared: see above.')
	return JSON.parse(stdout)
}

/** Runs until it is stopped; Ctrl-C reaches it by itself, other signals are handed on. */
function runServer() {
	const bin = path.join(root, 'node_modules', '@react-router', 'dev', 'bin.js')
	const server = spawn(process.execPath, [bin, 'dev', '--host', '127.0.0.1', '--port', PORT], {
		cwd: root,
		stdio: 'inherit',
	})
	process.on('SIGINT', () => undefined)
	for (const signal of ['SIGTERM', 'SIGHUP']) process.on(signal, () => server.kill(signal))
	return new Promise((resolve) => server.once('exit', (code) => resolve(code ?? 0)))
}
