/** Files of every kind, each broken 10 000 times: how many a program error meets, and how long the slowest takes to be read. */
import { createRng } from '../../core/random'
import { breakFile, fallOver, listFileKinds } from '../support/broken-files'
import { report } from './measure'

const COUNT = Number(process.env['CALYCINE_BROKEN_FILES'] ?? 10_000)
let fallen = 0

console.log(`\nFiles broken by chance, ${COUNT} of each kind`)
for (const kind of await listFileKinds()) {
	const rng = createRng(23)
	let [own, slowest] = [0, 0]
	for (let k = 0; k < COUNT; k++) {
		const file = breakFile(kind.whole, rng)
		const before = performance.now()
		const error = fallOver(kind, file)
		slowest = Math.max(slowest, performance.now() - before)
		if (error === undefined) continue
		if (own++ === 0) console.log(`    ${kind.name}: ${String(error)}`)
	}
	fallen += own
	report(`  ${kind.name}`, `${own} errors, the slowest read in ${slowest.toFixed(0)} ms`, '0')
}
if (fallen > 0) process.exitCode = 1
