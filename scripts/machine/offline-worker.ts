/** Builds the service worker beside the built client: with the list of its files, each of which has its hash in its name. */
import { createHash } from 'node:crypto'
import { readdirSync } from 'node:fs'
import path from 'node:path'
import { build } from 'vite'

const SOURCE = path.resolve(import.meta.dirname, '../../app/run/offline/offline-worker.ts')

/** @param clientFolder - of the built client, absolute */
export async function buildOfflineWorker(clientFolder: string): Promise<void> {
	const files = readdirSync(path.join(clientFolder, 'assets')).sort()
	const entries = files.map((file) => ({ url: `/assets/${file}`, revision: null }))
	await build({
		configFile: false,
		logLevel: 'warn',
		publicDir: false,
		define: {
			BUILD_FILES: JSON.stringify(entries),
			BUILD_NAME: JSON.stringify(nameOf(files)),
			'process.env.NODE_ENV': JSON.stringify('production'),
		},
		build: {
			outDir: clientFolder,
			emptyOutDir: false,
			rollupOptions: { input: SOURCE, output: { format: 'iife', entryFileNames: 'offline-worker.js' } },
		},
	})
}

function nameOf(files: readonly string[]): string {
	return createHash('sha256').update(files.join('\n')).digest('hex').slice(0, 12)
}
