import jstat from 'jstat'
import { describe, expect, test } from 'vitest'
import { createStepper, faceMoisture, meanMoisture, type Conditions } from '../../../core/drying/diffusion'
import { makeGrid, type Extent, type Grid } from '../../../core/drying/grid'
import { PASTE_TERMS } from '../../../core/drying/paste-terms'
import { filmLaw, linearLaw } from '../../../core/drying/surface-law'
import { exactTheta, type SeriesGeometry } from '../../support/crank-series'
import { dryingChecks } from '../../support/drying-checks'

const D = 4.5e-12
const RADIUS_M = 1e-3
const EXPONENTS: Record<SeriesGeometry, number> = { sheet: 0, cylinder: 1, sphere: 2 }

interface Mesh {
	cellCount: number
	growth: number
}
const USUAL: Mesh = { cellCount: 36, growth: 1.1 }
const FINE: Mesh = { cellCount: 400, growth: 1.01 }

/** θ after a Fourier number under a linear film. */
function solveLinear(geometry: SeriesGeometry, biot: number, fourier: number, mesh: Mesh) {
	const extent: Extent = { innerM: 0, outerM: RADIUS_M, exponent: EXPONENTS[geometry] }
	const grid = makeGrid(extent, 'outer', mesh.cellCount, mesh === FINE ? 5e-7 : 1e-5)
	const conditions: Conditions = { diffusivity: D, outer: linearLaw((biot * D) / RADIUS_M, 0) }
	const profile = march(grid, conditions, (fourier * RADIUS_M ** 2) / D, mesh)
	// At the middle the profile is flat: a parabola through the first two cells with no slope at 0.
	const [x0, x1] = [grid.centres[0] ?? 0, grid.centres[1] ?? 0]
	const [y0, y1] = [profile[0] ?? 0, profile[1] ?? 0]
	const centre = y0 - ((y1 - y0) * x0 ** 2) / (x1 ** 2 - x0 ** 2)
	return {
		mean: meanMoisture(grid, profile),
		centre,
		surface: faceMoisture(grid, profile, conditions).outer,
	}
}

function march(grid: Grid, conditions: Conditions, untilSec: number, { growth }: Mesh, start = 1): Float64Array {
	const step = createStepper(grid)
	let [profile, next] = [new Float64Array(grid.centres.length).fill(start), new Float64Array(grid.centres.length)]
	let [time, length] = [0, growth < 1.05 ? 0.4 : 4]
	while (time < untilSec) {
		const taken = Math.min(length, untilSec - time)
		step(profile, taken, conditions, conditions, next)
		;[profile, next] = [next, profile]
		time += taken
		length *= growth
	}
	return profile
}

const cases = (['sheet', 'cylinder', 'sphere'] as const).flatMap((geometry) =>
	[
		[0.5, 0.5],
		[1, 1],
		[5, 0.2],
		[10, 0.1],
		[100, 0.3],
	].map(([biot = 0, fourier = 0]) => ({ geometry, biot, fourier })),
)

describe('diffusion with a linear film against the exact series (Crank 1975, ch. 4–6)', () => {
	test.each(cases)('$geometry, Bi $biot, Fo $fourier, on the usual grid', ({ geometry, biot, fourier }) => {
		const exact = exactTheta(geometry, biot, fourier)

		const { mean, centre, surface } = solveLinear(geometry, biot, fourier, USUAL)

		expect(Math.abs(mean - exact.mean)).toBeLessThan(1e-3)
		expect(Math.abs(centre - exact.at(0))).toBeLessThan(1e-3)
		expect(Math.abs(surface - exact.at(1))).toBeLessThan(1e-3)
	})

	test.each(cases)('$geometry, Bi $biot, Fo $fourier, on a fine grid', ({ geometry, biot, fourier }) => {
		const exact = exactTheta(geometry, biot, fourier)

		const { mean, centre, surface } = solveLinear(geometry, biot, fourier, FINE)

		expect(Math.abs(mean - exact.mean)).toBeLessThan(1e-5)
		expect(Math.abs(centre - exact.at(0))).toBeLessThan(1e-5)
		expect(Math.abs(surface - exact.at(1))).toBeLessThan(1e-5)
	})

	test('the series themselves equal the check values', () => {
		for (const { geometry, Bi, Fo, mean, centre, surface } of dryingChecks.series) {
			const exact = exactTheta(geometry === 'slab' ? 'sheet' : geometry, Bi, Fo)
			expect(exact.mean).toBeCloseTo(mean, 6)
			expect(exact.at(0)).toBeCloseTo(centre, 6)
			expect(exact.at(1)).toBeCloseTo(surface, 6)
		}
	})

	test('errs less by the order of the scheme when the steps are halved', () => {
		const grid = makeGrid({ innerM: 0, outerM: RADIUS_M, exponent: 0 }, 'outer', 60)
		const conditions: Conditions = { diffusivity: D, outer: linearLaw((2 * D) / RADIUS_M, 0) }
		const untilSec = (0.3 * RADIUS_M ** 2) / D
		const meanWith = (stepCount: number) => {
			const step = createStepper(grid)
			let [profile, next] = [new Float64Array(60).fill(1), new Float64Array(60)]
			for (let s = 0; s < stepCount; s++) {
				step(profile, untilSec / stepCount, conditions, conditions, next)
				;[profile, next] = [next, profile]
			}
			return meanMoisture(grid, profile)
		}
		const exact = meanWith(4096)

		const errors = [32, 64, 128].map((count) => Math.abs(meanWith(count) - exact))

		const orders = [Math.log2((errors[0] ?? 0) / (errors[1] ?? 1)), Math.log2((errors[1] ?? 0) / (errors[2] ?? 1))]
		for (const order of orders) expect(order).toBeGreaterThan(1.7)
	})

	test('errs less by the second order when the cells are halved', () => {
		const exact = exactTheta('sphere', 2, 0.2).mean
		const errorWith = (cellCount: number) => {
			// Cells of one width: the first as wide as all.
			const grid = makeGrid({ innerM: 0, outerM: RADIUS_M, exponent: 2 }, 'outer', cellCount, RADIUS_M)
			const conditions: Conditions = { diffusivity: D, outer: linearLaw((2 * D) / RADIUS_M, 0) }
			return Math.abs(meanMoisture(grid, march(grid, conditions, (0.2 * RADIUS_M ** 2) / D, FINE)) - exact)
		}

		const order = Math.log2(errorWith(12) / errorWith(24))

		expect(order).toBeGreaterThan(1.8)
	})
})

// Carslaw & Jaeger: θ = 1 − erfc z + e^(y+H²) erfc(z+H), y = kx/D, H = k√(Dt)/D, z = y/2H (from memory).
test.each([
	[0.5, 0.5],
	[0.5, 1],
	[1, 1],
	[2, 2],
])('a deep sheet dries from its face like a half-space: y %s, H %s', (y, h) => {
	const k = 1e-8
	const depthM = (y * D) / k
	const timeSec = (h * D) ** 2 / (k * k * D)
	const grid = makeGrid({ innerM: 0, outerM: 40 * Math.sqrt(D * timeSec), exponent: 0 }, 'outer', 600, 2e-7)
	const z = y / (2 * h)
	const exact = 1 - jstat.erfc(z) + Math.exp(y + h * h) * jstat.erfc(z + h)

	const profile = march(grid, { diffusivity: D, outer: linearLaw(k, 0) }, timeSec, FINE)

	const target = grid.outerM - depthM
	const i = grid.centres.findIndex((centre) => centre > target)
	const [x0 = 0, x1 = 0] = [grid.centres[i - 1], grid.centres[i]]
	const [y0 = 0, y1 = 0] = [profile[i - 1], profile[i]]
	expect(y0 + ((y1 - y0) * (target - x0)) / (x1 - x0)).toBeCloseTo(exact, 4)
})

describe('mass', () => {
	test('is kept in a closed piece', () => {
		const grid = makeGrid({ innerM: 2e-4, outerM: 4e-3, exponent: 1 }, 'outer')
		const step = createStepper(grid)
		const before = Float64Array.from(grid.centres, (_, i) => 0.05 + 0.05 * Math.sin(i))
		const after = new Float64Array(before.length)

		step(before, 7200, { diffusivity: D }, { diffusivity: D }, after)

		expect(meanMoisture(grid, after)).toBeCloseTo(meanMoisture(grid, before), 14)
	})

	test('leaves a drying piece as fast as the face lets it out', () => {
		const gum = PASTE_TERMS['gum paste']
		const grid = makeGrid({ innerM: 0, outerM: 1e-3, exponent: 0 }, 'both')
		const law = filmLaw(gum, 3.6e-8, 0.5)
		const conditions: Conditions = { diffusivity: D, outer: law, inner: filmLaw(gum, 1e-8, 0.5) }
		const step = createStepper(grid)
		let [profile, next] = [new Float64Array(36).fill(0.1), new Float64Array(36)]
		let lost = 0
		for (let s = 0; s < 400; s++) {
			step(profile, 2, conditions, conditions, next)
			// By the trapezoid rule over the fluxes at both ends of the step.
			for (const state of s === 0 ? [next] : [profile, next]) {
				const [q0, q1] = [D / (grid.centres[0] ?? 1), D / (grid.outerM - (grid.centres[35] ?? 0))]
				const out = law.flux(state[35] ?? 0, q1) + (conditions.inner?.flux(state[0] ?? 0, q0) ?? 0)
				lost += out * (s === 0 ? 2 : 1)
			}
			;[profile, next] = [next, profile]
		}

		expect(lost).toBeCloseTo((0.1 - meanMoisture(grid, profile)) * grid.outerM, 7)
		expect(lost / ((0.1 - meanMoisture(grid, profile)) * grid.outerM)).toBeCloseTo(1, 1)
	})
})

test('a piece needs depth', () => {
	expect(() => makeGrid({ innerM: 1e-3, outerM: 1e-3, exponent: 1 }, 'outer')).toThrow('a piece needs depth')
})
