/**
 * How far a profile of moisture is from a stage: the moisture level below which the depth that the stage asks for
 * lies. A stage is reached when the level is at most the stage's moisture.
 */
import type { DryingStage } from '../vocabulary/drying-stage'
import type { Conditions } from './diffusion'
import { faceMoisture } from './diffusion'
import type { Grid } from './grid'
import { STAGE_TERMS } from './stages'

/** Moisture along the depth as straight lines between nodes: back face, centres of cells, front face. */
export interface DepthProfile {
	/** m from the back (or the middle), rising. */
	positions: Float64Array
	/** kg/kg. */
	moisture: Float64Array
}

/** Completes profiles of cells by their faces. The answer is a work array, overwritten by the next call. */
export function createProfileReader(grid: Grid): (profile: Float64Array, conditions: Conditions) => DepthProfile {
	const n = grid.centres.length
	const positions = Float64Array.from([grid.innerM, ...grid.centres, grid.outerM])
	const moisture = new Float64Array(n + 2)
	const read = { positions, moisture }
	return (profile, conditions) => {
		const { inner, outer } = faceMoisture(grid, profile, conditions)
		moisture[0] = inner
		moisture.set(profile, 1)
		moisture[n + 1] = outer
		return read
	}
}

/** What a stage asks of a piece: how much of its depth, and from where. */
export interface DryDepth {
	/** Which face is looked at. */
	from: 'front' | 'either face'
	/** Down to which it has to be so dry, m. */
	depthM: number
}

/** What the grid stands for: a sheet, the half of one that dries alike from both faces, or a body. */
export type GridOf = 'sheet' | 'half sheet' | 'body' | 'shell on a core'

/** m: the ball of gum paste that weighs as much as a finger presses, 1 N. Assumed. */
const HEAVY_RADIUS_M = 0.026

/**
 * The depth that must be dry: δ from each exposed face. A sheet counts both faces together, 2δ, since what one face
 * cannot give the other must; a body has one face, and needs more of it the heavier it is. At most all of it.
 */
export function requiredDepth(stage: DryingStage, { innerM, outerM }: Grid, of: GridOf): DryDepth {
	const { depthM, isFrontOnly, bearsWeight } = STAGE_TERMS[stage]
	const span = outerM - innerM
	if (isFrontOnly) return { from: 'front', depthM: Math.min(span, depthM) }
	if (of === 'sheet') return { from: 'either face', depthM: Math.min(span, 2 * depthM) }
	const weight = of === 'body' && bearsWeight ? Math.sqrt(1 + (outerM / HEAVY_RADIUS_M) ** 3) : 1
	return { from: 'front', depthM: Math.min(span, weight * depthM) }
}

/** The moisture below which the required depth lies, kg/kg. */
export function moistureLevel(profile: DepthProfile, { from, depthM }: DryDepth): number {
	return from === 'front' ? wettestInFront(profile, depthM) : levelOfDepth(profile, depthM)
}

/** Whether the required depth is at or below that moisture; cheaper than the level itself. */
export function isDryTo(profile: DepthProfile, { from, depthM }: DryDepth, moisture: number): boolean {
	return from === 'front'
		? wettestInFront(profile, depthM) <= moisture
		: depthBelow(profile, moisture) >= depthM * (1 - 1e-9)
}

/** Mean moisture over the required depth, counted from the driest part of it; for what softens again. */
export function meanInDepth(profile: DepthProfile, { from, depthM }: DryDepth): number {
	const { positions, moisture } = profile
	const last = positions.length - 1
	const span = positions[last]! - positions[0]!
	// From both faces inwards in equal shares, where both count: what softens is the skin on either side.
	const share = from === 'front' ? depthM : Math.min(depthM, span) / 2
	const front = meanBetween(profile, positions[last]! - share, positions[last]!)
	if (from === 'front') return front
	return (front + meanBetween(profile, positions[0]!, positions[0]! + share)) / 2
	function meanBetween({ positions: x, moisture: y }: DepthProfile, low: number, high: number): number {
		let sum = 0
		for (let i = 0; i < last; i++) {
			const [a, b] = [Math.max(low, x[i]!), Math.min(high, x[i + 1]!)]
			if (b > a) sum += (b - a) * lineAt(x[i]!, y[i]!, x[i + 1]!, y[i + 1]!, (a + b) / 2)
		}
		return high > low ? sum / (high - low) : moisture[last]!
	}
}

/** The dampest moisture, kg/kg, from the exposed face down to a depth; the edge is read between two cells. */
function wettestInFront({ positions, moisture }: DepthProfile, depthM: number): number {
	const last = positions.length - 1
	const limit = positions[last]! - depthM
	let wettest = moisture[last]!
	for (let i = last - 1; i >= 0; i--) {
		if (positions[i]! < limit) {
			const edge = lineAt(positions[i]!, moisture[i]!, positions[i + 1]!, moisture[i + 1]!, limit)
			return Math.max(wettest, edge)
		}
		wettest = Math.max(wettest, moisture[i]!)
	}
	return wettest
}

/** Depth of all that is at or below a moisture, wherever it lies, m. */
function depthBelow({ positions, moisture }: DepthProfile, level: number): number {
	let depth = 0
	for (let i = 0; i + 1 < positions.length; i++) {
		const width = positions[i + 1]! - positions[i]!
		const [a, b] = [moisture[i]!, moisture[i + 1]!]
		if (a <= level && b <= level) depth += width
		else if (a <= level || b <= level) depth += (width * (level - Math.min(a, b))) / Math.abs(a - b)
	}
	return depth
}

/** By bisection: the depth at or below a level grows with the level. */
function levelOfDepth(profile: DepthProfile, depthM: number): number {
	let low = Math.min(...profile.moisture)
	let high = Math.max(...profile.moisture)
	for (let i = 0; i < 40 && high - low > 1e-9; i++) {
		const middle = (low + high) / 2
		if (depthBelow(profile, middle) >= depthM * (1 - 1e-9)) high = middle
		else low = middle
	}
	return high
}

/** Straight line through two points. */
function lineAt(x0: number, y0: number, x1: number, y1: number, x: number): number {
	return x1 === x0 ? y1 : y0 + ((y1 - y0) * (x - x0)) / (x1 - x0)
}
