import { expect, test } from 'vitest'
import { carryProof } from '../../../../core/plan/exact/carry-proof'

const best = {
	shortfall: 0,
	valueLost: 4,
	prepMinutes: 31,
	lastSession: 2,
	strain: 23,
	late: 60,
	order: 0,
	soon: 40,
}
const proof = { status: 'optimal' as const, proven: best, bounds: best }

test.each([
	{ name: 'all of it, to a plan as good', plan: best, status: 'optimal', proven: best, bounds: best },
	{
		name: 'up to the first level that is worse, and its bound',
		plan: { ...best, prepMinutes: 78, lastSession: 1 },
		status: 'feasible',
		proven: { shortfall: 0, valueLost: 4 },
		bounds: { shortfall: 0, valueLost: 4, prepMinutes: 31 },
	},
	{
		name: 'nothing to one that is later than it need be',
		plan: { shortfall: 12 },
		status: 'infeasible',
		proven: {},
		bounds: { shortfall: 0 },
	},
])('carries $name', ({ plan, status, proven, bounds }) => {
	expect(carryProof(proof, plan)).toEqual({ status, proven, bounds })
})

test('carries a bound that is not yet a proof as no more than that', () => {
	const searched = { status: 'feasible' as const, proven: { shortfall: 0 }, bounds: { shortfall: 0, valueLost: 2 } }

	expect(carryProof(searched, { ...best, valueLost: 2 })).toEqual({
		status: 'feasible',
		proven: { shortfall: 0 },
		bounds: { shortfall: 0, valueLost: 2 },
	})
})
