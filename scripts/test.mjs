/**
 * `npm test`: installs what is missing, then formatting, lint, types, build and all tests. Words after it go to the test
 * runner, which then runs alone: `npm test -- --project core`.
 */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { ensureBuild, makeStyles } from './machine/build.mjs'
import { Failure, runScript } from './machine/failure.mjs'
import { checkNode, ensureDatabasePrograms, ensureNpmPackages, ensurePrograms } from './machine/packages.mjs'

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..')
const bin = (...parts) => path.join(root, 'node_modules', ...parts)

await runScript(() => {
	const words = process.argv.slice(2)
	checkNode()
	ensureNpmPackages(root)
	ensureDatabasePrograms()
	ensurePrograms(['chromium'], ['chromium'])
	ensureBuild(root)
	makeStyles(root)
	if (words.length === 0) {
		step('Formatting', [bin('prettier', 'bin', 'prettier.cjs'), '--check', '--log-level', 'warn', '.'])
		step('Lint', [bin('eslint', 'bin', 'eslint.js'), '--max-warnings', '0', '.'])
		step('Types of the routes', [bin('@react-router', 'dev', 'bin.js'), 'typegen'])
		step('Types', [bin('typescript', 'bin', 'tsc'), '--noEmit'])
	}
	runTests(words)
})

function step(name, command) {
	const started = Date.now()
	const { status } = spawnSync(process.execPath, command, { cwd: root, stdio: ['ignore', 'inherit', 'inherit'] })
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
