import path from 'node:path'

/**
 * A TypeScript file of this project and all that it imports in one file, made the way the app is: what is measured runs
 * as it ships.
 *
 * @param {string} root - of the project
 * @param {string} file - within it
 * @returns {Promise<string>} path of the file that was written, for Node
 */
export async function bundleForNode(root, file) {
	const { build } = await import('vite')
	const outDir = path.join(root, 'build', 'bench')
	const { name } = path.parse(file)
	await build({
		root,
		configFile: false,
		publicDir: false,
		logLevel: 'error',
		plugins: [keepFolders],
		build: {
			...{ ssr: path.join(root, file), outDir, emptyOutDir: false, minify: false, target: 'node20' },
			rolldownOptions: { output: { entryFileNames: '[name].mjs', codeSplitting: false } },
		},
	})
	return path.join(outDir, `${name}.mjs`)
}

/** Files that lie beside a module are found beside where it was. */
const keepFolders = {
	name: 'keep-folders',
	transform(code, id) {
		if (!code.includes('import.meta.dirname')) return
		return { code: code.replaceAll('import.meta.dirname', JSON.stringify(path.dirname(id))), map: null }
	},
}
