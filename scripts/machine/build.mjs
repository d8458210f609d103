/** The production build, made again only when its sources changed. */
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { Failure } from './failure.mjs'

const SOURCES = [
	'app',
	'core',
	'db',
	'demo',
	'exchange',
	'server',
	'public',
	'scripts/antd-css.tsx',
	'package-lock.json',
	'vite.config.ts',
	'react-router.config.ts',
	'tsconfig.json',
]

export function ensureBuild(root) {
	const stampFile = path.join(root, 'build', 'sources.sha256')
	const stamp = hashSources(root)
	if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === stamp) return
	console.log('Building…')
	makeStyles(root)
	run(root, ['react-router', 'build'])
	writeFileSync(stampFile, stamp)
}

/** The component library's styles as one static file, and the types of the routes. */
export function makeStyles(root) {
	run(root, ['vite-script', 'scripts/antd-css.tsx'])
}

function run(root, [program, ...words]) {
	const command =
		program === 'vite-script'
			? [path.join(root, 'scripts', 'run-typescript.mjs'), ...words]
			: [path.join(root, 'node_modules', '@react-router', 'dev', 'bin.js'), ...words]
	const { status, stdout, stderr } = spawnSync(process.execPath, command, {
		cwd: root,
		encoding: 'utf8',
		env: { ...process.env, NODE_ENV: 'production' },
	})
	if (status !== 0) throw new Failure(`The build failed:\n${stdout}\n${stderr}`)
}

function hashSources(root) {
	const hash = createHash('sha256')
	for (const source of SOURCES) {
		const file = path.join(root, source)
		if (existsSync(file)) addToHash(hash, file, source)
	}
	return hash.digest('hex')
}

function addToHash(hash, file, name) {
	if (statSync(file).isDirectory()) {
		const entries = readdirSync(file).sort()
		// Made by the build itself.
		for (const entry of entries) if (entry !== 'generated') addToHash(hash, path.join(file, entry), `${name}/${entry}`)
	} else hash.update(name).update('\0').update(readFileSync(file))
}
