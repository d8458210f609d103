/** `npm run attack [-- SEED]`: some minutes of everything that could make Calycine fall over or lose something. */
import { spawnSync } from 'node:child_process'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { ensureBuild } from './machine/build.mjs'
import { runScript } from './machine/failure.mjs'
import { checkNode, ensureDatabasePrograms, ensureNpmPackages, ensurePrograms } from './machine/packages.mjs'

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..')

await runScript(() => {
	checkNode()
	ensureNpmPackages(root)
	ensureDatabasePrograms()
	ensurePrograms(['chromium'], ['chromium'])
	ensureBuild(root)
	const words = ['scripts/run-typescript.mjs', 'tests/attack/attack.ts', ...process.argv.slice(2)]
	process.exitCode = spawnSync(process.execPath, words, { cwd: root, stdio: 'inherit' }).status ?? 1
})
