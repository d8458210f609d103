/** A plan of a class-plan instance: where each task is done and when. */

/** An uninterrupted stretch of work on one task. */
export interface Run {
	/** Clock minute of the first unit. */
	start: number
	/** Done in this run, >= 1. */
	units: number
	/** Clock minute after the last unit; redundant, and checked where it is given. */
	end?: number
}

export type Placement = { place: 'class' | 'home'; runs: Run[] } | { place: 'ahead' | 'dropped' }

export interface Plan {
	/** By task id. A task without units may be absent. */
	placements: Record<string, Placement>
	/** Indices into the instance's arcs whose wait is waived by dried pieces that the instructor brings. */
	swaps: number[]
	/** Where each break of the instance begins, in its order; absent: the instance has none. */
	breaks?: number[]
	/** Minutes by which the close of the last window is moved; 0 for a plan that fits. */
	extension: number
}
