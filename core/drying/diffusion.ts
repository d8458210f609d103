/**
 * One time step of diffusion over a grid: dX/dt = r^-m d/dr (r^m D dX/dr) with a law at each face. Two-stage stiffly
 * accurate SDIRK, γ = 1 − 1/√2 (Alexander 1977, SIAM J. Numer. Anal. 14:1006, from memory): L-stable, second order, no
 * limit on the step. Only the faces are non-linear: Newton on their fluxes, a tridiagonal system each time.
 * Not for: shrinking pieces, diffusivity that falls as the paste dries.
 * `!`: indices run over arrays of one known length.
 */
import type { Grid } from './grid'
import type { SurfaceLaw } from './surface-law'

/** Of the method: with it both stages have one matrix, and the step is L-stable. */
const GAMMA = 1 - Math.SQRT1_2
/** Of the moisture of the outermost cell, kg/kg. */
const NEWTON_TOLERANCE = 1e-8
/** Rounds in which the fluxes at the faces must have settled; more would hide a fault. */
const MAX_NEWTON = 12

/** What holds at one moment; an absent law: nothing crosses that face. */
export interface Conditions {
	/** m²/s. */
	diffusivity: number
	/** At the back of a sheet, or the wire. */
	inner?: SurfaceLaw | undefined
	/** At the front, or the outside of a body. */
	outer?: SurfaceLaw | undefined
}

/** Writes the profile one step later into `out`, which may not be `from`. */
export type StepInto = (
	from: Float64Array,
	stepSec: number,
	atStage1: Conditions,
	atEnd: Conditions,
	out: Float64Array,
) => void

/** Time of the first stage within a step, as a fraction of it; the second is its end. */
export const STAGE1_FRACTION = GAMMA

/** A stepper with work arrays of its own for profiles on this grid. */
export function createStepper(grid: Grid): StepInto {
	const n = grid.centres.length
	const stage1 = new Float64Array(n)
	const rhs = new Float64Array(n)
	const solve = createStageSolver(grid)
	return (from, stepSec, atStage1, atEnd, out) => {
		const implicitSec = GAMMA * stepSec
		solve(from, from, implicitSec, atStage1, stage1)
		const carry = (1 - GAMMA) / GAMMA
		for (let i = 0; i < n; i++) rhs[i] = from[i]! + carry * (stage1[i]! - from[i]!)
		solve(rhs, stage1, implicitSec, atEnd, out)
	}
}

/**
 * Solves V (Y − rhs) / dt = diffusion(Y) − faces(Y) for Y. Inner rows are linear: each cell is written as
 * a + b·(first cell) + c·(next cell), so that Newton works on the two outermost cells alone. b, c and the pivots
 * depend on dt and D only, and are kept for the second stage.
 */
function createStageSolver(grid: Grid) {
	const { centres, edges, volumes, areas } = grid
	const n = centres.length
	const last = n - 1
	/** Area over distance between the centres on either side of an edge. */
	const links = Float64Array.from(centres, (centre, i) => (i === 0 ? 0 : areas[i]! / (centre - centres[i - 1]!)))
	const innerHalf = centres[0]! - edges[0]!
	const outerHalf = edges[n]! - centres[last]!
	const [a, b, c] = [new Float64Array(n), new Float64Array(n), new Float64Array(n)]
	const inversePivots = new Float64Array(n)
	/** Products of c up to a row: how much of it reaches the second cell. */
	const reach = new Float64Array(n)
	let [factoredScale, secondPerFirst, secondPerLast] = [NaN, 0, 0]

	const factor = (scale: number) => {
		factoredScale = scale
		let product = 1
		secondPerFirst = 0
		for (let i = 1; i < last; i++) {
			const below = scale * links[i]!
			const above = scale * links[i + 1]!
			inversePivots[i] = 1 / (volumes[i]! + above + below * (i === 1 ? 1 : 1 - c[i - 1]!))
			b[i] = below * inversePivots[i]! * (i === 1 ? 1 : b[i - 1]!)
			c[i] = above * inversePivots[i]!
			reach[i] = product
			secondPerFirst += product * b[i]!
			product *= c[i]!
		}
		secondPerLast = product
	}

	return (
		rhs: Float64Array,
		guess: Float64Array,
		dt: number,
		{ diffusivity, inner, outer }: Conditions,
		out: Float64Array,
	) => {
		const scale = dt * diffusivity
		if (scale !== factoredScale) factor(scale)
		let second = 0
		a[0] = 0
		for (let i = 1; i < last; i++) {
			a[i] = (volumes[i]! * rhs[i]! + scale * links[i]! * a[i - 1]!) * inversePivots[i]!
			second += reach[i]! * a[i]!
		}
		const [firstLink, lastLink] = [scale * links[1]!, scale * links[last]!]
		const firstDiagonal = volumes[0]! + firstLink * (1 - secondPerFirst)
		const lastDiagonal = volumes[last]! + lastLink * (1 - c[last - 1]!)
		const [firstCross, lastCross] = [firstLink * secondPerLast, lastLink * b[last - 1]!]
		const firstSource = volumes[0]! * rhs[0]! + firstLink * second
		const lastSource = volumes[last]! * rhs[last]! + lastLink * a[last - 1]!
		let [x, y] = [guess[0]!, guess[last]!]
		const [innerQ, outerQ] = [diffusivity / innerHalf, diffusivity / outerHalf]
		const [innerArea, outerArea] = [dt * areas[0]!, dt * areas[n]!]
		for (let iteration = 0; iteration < MAX_NEWTON; iteration++) {
			const firstResidual =
				firstDiagonal * x - firstCross * y - firstSource + (inner ? innerArea * inner.flux(x, innerQ) : 0)
			const lastResidual =
				lastDiagonal * y - lastCross * x - lastSource + (outer ? outerArea * outer.flux(y, outerQ) : 0)
			const firstSlope = firstDiagonal + (inner ? innerArea * inner.slope(x, innerQ) : 0)
			const lastSlope = lastDiagonal + (outer ? outerArea * outer.slope(y, outerQ) : 0)
			const determinant = firstSlope * lastSlope - firstCross * lastCross
			const dx = (firstResidual * lastSlope + firstCross * lastResidual) / determinant
			const dy = (lastResidual * firstSlope + lastCross * firstResidual) / determinant
			x -= dx
			y -= dy
			if (Math.abs(dx) + Math.abs(dy) < NEWTON_TOLERANCE) break
		}
		out[0] = x
		out[last] = y
		for (let i = last - 1; i > 0; i--) out[i] = a[i]! + b[i]! * x + c[i]! * out[i + 1]!
	}
}

/** Moisture at both faces of a profile; that of the nearest cell where nothing crosses. */
export function faceMoisture(
	{ centres, edges }: Grid,
	profile: Float64Array,
	{ diffusivity, inner, outer }: Conditions,
): { inner: number; outer: number } {
	const last = centres.length - 1
	const [first, final] = [profile[0]!, profile[last]!]
	return {
		inner: inner ? inner.surfaceMoisture(first, diffusivity / (centres[0]! - edges[0]!)) : first,
		outer: outer ? outer.surfaceMoisture(final, diffusivity / (edges[last + 1]! - centres[last]!)) : final,
	}
}

/** Mean moisture of the whole piece, kg/kg. */
export function meanMoisture({ volumes }: Grid, profile: Float64Array): number {
	let [sum, total] = [0, 0]
	for (let i = 0; i < volumes.length; i++) {
		sum += volumes[i]! * profile[i]!
		total += volumes[i]!
	}
	return sum / total
}
