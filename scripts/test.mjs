/**
 * `npm test`: installs what is missing, then formatting, lint, types, build and all tests. Words after it go to the test
 * runner, which then runs alone: `npm test -- --project core`.
 */
import { spawn, spawnSync } from 'node:child_process'
import { once } from 'node:events'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { ensureBuild, makeStyles } from './machine/build.mjs'
import { Failure, runScript } from './machine/failure.mjs'
import { checkNode, ensureDatabasePrograms, ensureNpmPackages, ensurePrograms } from './machine/packages.mjs'

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..')
const bin = (...parts) => path.join(root, 'node_modules', ...parts)

await runScript(async () => {
	const words = process.argv.slice(2)
	checkNode()
	ensureNpmPackages(root)
	ensureDatabasePrograms()
	ensurePrograms(['chromium'], ['chromium'])
	ensureBuild(root)
	makeStyles(root)
	if (words.length === 0) await checkSources()
	runTests(words)
})

/** What needs no test runner: the two take as long as each other, each on a core of its own. */
async function checkSources() {
	const checkForm = async () => {
		await step('Formatting', [bin('prettier', 'bin', 'prettier.cjs'), '--check', '--log-level', 'warn', '.'])
		await step('Lint', [bin('eslint', 'bin', 'eslint.js'), '--max-warnings', '0', '.'])
	}
	const checkTypes = async () => {
		await step('Types of the routes', [bin('@react-router', 'dev', 'bin.js'), 'typegen'])
		await step('Types', [bin('typescript', 'bin', 'tsc'), '--noEmit'])
	}
	const ends = await Promise.allSettled([checkForm(), checkTypes()])
	const failed = ends.find(({ status }) => status === 'rejected')
	if (failed) throw failed.reason
}

async function step(name, command) {
	const started = Date.now()
	const [status] = await once(
		spawn(process.execPath, command, { cwd: root, stdio: ['ignore', 'inherit', 'inherit'] }),
		'exit',
	)
	if (status !== 0) throw new Failure(`${name}: see above.`)
	console.log(`${name}: in order (${Math.round((Date.now() - started) / 1000)} s)`)
}

/** Runs the tests and closes with their counts on a line of its own. */
function runTests(words) {
	const folder = mkdtempSync(path.join(os.tmpdir(), 'calycine-report-'))
	const report = path.join(folder, 'report.json')
	const reporters = ['--reporter=default', '--reporter=json', `--outputFile.json=${report}`]
	const { status } = spawnSync(process.execPath, [bin('vitest', 'vitest.mjs'), 'run', ...reporters, ...words], {
		cwd: root,
		stdio: ['ignore', 'inherit', 'inherit'],
	})
	const { numPassedTests, numFailedTests, numPendingTests } = JSON.parse(readFileSync(report, 'utf8'))
	rmSync(folder, { recursive: true })
	console.log(`\n${numPassedTests} passed, ${numFailedTests} failed, ${numPendingTests} skipped`)
	if (status !== 0) process.exitCode = 1
	else if (numPassedTests === 0) throw new Failure('No test ran.')
}
