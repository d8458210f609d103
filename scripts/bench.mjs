/** `npm run bench`: speeds, sizes and what the planner proves. Words choose: `npm run bench -- planning`. */
import { spawnSync } from 'node:child_process'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { ensureBuild } from './machine/build.mjs'
import { bundleForNode } from './machine/bundle.mjs'
import { Failure, runScript } from './machine/failure.mjs'
import { checkNode, ensureDatabasePrograms, ensureNpmPackages, ensurePrograms } from './machine/packages.mjs'

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..')
const BENCHES = {
	planning: 'planning.ts',
	'what-fits': 'what-fits.ts',
	cutting: 'cutting.ts',
	kits: 'kits.ts',
	rehearse: 'rehearse.ts',
	advice: 'advice.ts',
	offers: 'offers.ts',
	learn: 'learn.ts',
	log: 'log-page.ts',
	drying: 'drying.ts',
	'broken-files': 'broken-files.ts',
	pages: 'pages.mjs',
	solving: 'solving.mjs',
	hands: 'hands.mjs',
	frames: 'frames.mjs',
	teaching: 'teaching.mjs',
	load: 'load.mjs',
	cluster: 'cluster.mjs',
	upgrade: 'upgrade.mjs',
}
/** They need a running app; the last three many minutes, so they are run by their names alone. */
const WITH_APP = ['pages', 'solving', 'hands', 'frames', 'teaching', 'load', 'cluster', 'upgrade']
const BY_NAME = ['load', 'cluster', 'upgrade']

await runScript(async () => {
	const wanted = process.argv.slice(2)
	const unknown = wanted.filter((name) => !(name in BENCHES))
	if (unknown.length > 0)
		throw new Failure(`There is no bench ${unknown.join(', ')}: choose from ${Object.keys(BENCHES).join(', ')}`)
	checkNode()
	ensureNpmPackages(root)
	if (wanted.length === 0 || WITH_APP.some((name) => wanted.includes(name))) {
		ensureDatabasePrograms()
		ensurePrograms(['chromium'], ['chromium'])
		ensureBuild(root)
	}
	console.log(`Node ${process.versions.node}, ${process.arch}`)
	for (const [name, file] of Object.entries(BENCHES)) {
		if (wanted.length > 0 ? !wanted.includes(name) : BY_NAME.includes(name)) continue
		const program = file.endsWith('.ts')
			? [await bundleForNode(root, `tests/bench/${file}`)]
			: ['scripts/run-typescript.mjs', `tests/bench/${file}`]
		const { status } = spawnSync(process.execPath, program, { cwd: root, stdio: 'inherit' })
		if (status !== 0) throw new Failure(`The bench ${name} failed: see above.`)
	}
})
