/** Whatever becomes of a file on its way, it is taken or refused in words; 10 000 of each kind: `npm run bench -- broken-files`. */
import { expect, test } from 'vitest'
import { createRng } from '../../core/random'
import { breakFile, fallOver, listFileKinds } from '../support/broken-files'

const kinds = await listFileKinds()

test.each(kinds)('$name, whole, is taken', ({ read, whole }) => {
	expect(() => read(whole)).not.toThrow()
})

test.each(kinds)('$name, broken 300 times, is taken or refused', (kind) => {
	const rng = createRng(11)
	for (let k = 0; k < 300; k++) {
		const file = breakFile(kind.whole, rng)
		expect(fallOver(kind, file), new TextDecoder().decode(file).slice(0, 400)).toBeUndefined()
	}
})
