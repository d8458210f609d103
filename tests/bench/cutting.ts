/** Speed of the cutting plan, and how far it is from its bound. */
import { cutWires } from '../../core/materials/cutting-plan'
import { createRng } from '../../core/random'
import { report, tell, time } from './measure'

console.log('\nCutting plans, 36 cm stock')
for (const { kits, lengths } of [
	{ kits: 1, lengths: 4 },
	{ kits: 12, lengths: 4 },
	{ kits: 16, lengths: 8 },
]) {
	const rng = createRng(kits + lengths)
	const demands = Array.from({ length: lengths }, () => ({
		lengthMm: 60 + Math.floor(rng() * 24) * 5,
		count: kits * (1 + Math.floor(rng() * 5)),
	}))
	const pieces = demands.reduce((sum, { count }) => sum + count, 0)
	const { wires, minWireCount, isProven } = cutWires(demands, [360])
	const state = isProven ? 'proven' : `bound ${minWireCount}`
	report(
		`  ${pieces} pieces of ${lengths} lengths: ${wires.length} wires, ${state}`,
		tell(time(5, () => cutWires(demands, [360]))),
	)
}
