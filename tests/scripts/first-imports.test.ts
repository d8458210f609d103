/** What runs before the packages are installed needs none of them. */
import { readFileSync } from 'node:fs'
import path from 'node:path'
import { expect, test } from 'vitest'

const scripts = path.resolve(import.meta.dirname, '../../scripts')

/** Packages that are imported before anything runs, with the file that does. */
function packagesOf(file: string, seen = new Set<string>()): string[] {
	if (seen.has(file)) return []
	seen.add(file)
	const named = [...readFileSync(file, 'utf8').matchAll(/^(?:import|\} from)\b[^'\n]*'([^']+)'/gm)].map(
		([, name = '']) => name,
	)
	return named.flatMap((name) => {
		if (name.startsWith('.')) return packagesOf(path.resolve(path.dirname(file), name), seen)
		return name.startsWith('node:') ? [] : [`${path.basename(file)}: ${name}`]
	})
}

test.each(['start', 'cluster', 'test', 'dev', 'backup', 'restore', 'run-typescript'])(
	'%s.mjs begins without packages',
	(name) => {
		const seen = new Set<string>()
		expect(packagesOf(path.join(scripts, `${name}.mjs`), seen)).toEqual([])
		// It has looked further than the first file.
		expect(seen.size).toBeGreaterThan(1)
	},
)

test('a package is found where there is one', () => {
	expect(packagesOf(path.join(scripts, 'machine/post-box.mjs'))).toContain('post-box.mjs: mailparser')
})
