/** Runs a TypeScript file of this project: `node scripts/run-typescript.mjs FILE [argument ...]`. */
import path from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'
import { ensureNpmPackages } from './machine/packages.mjs'
import { runScript } from './machine/failure.mjs'

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..')

await runScript(async () => {
	ensureNpmPackages(root, { isQuiet: true })
	const { runnerImport } = await import('vite')
	const [, , file, ...words] = process.argv
	// The script sees its own arguments, as if it were run by itself.
	process.argv = [process.argv[0], file, ...words]
	await runnerImport(pathToFileURL(path.resolve(root, file)).pathname, {
		root,
		configFile: false,
		logLevel: 'error',
		server: { hmr: false, ws: false, watch: null },
	})
})
