/** The runs of a plan with the clock times of the compiled course. */

/** A run with its task and clock times, in class or at home. */
export interface LaidTask {
	taskId: string
	place: 'class' | 'home'
	/** Minutes of the instance's clock. */
	start: number
	/** Minutes of the instance's clock. */
	end: number
	/** Of this run. */
	units: number
	/** Units of the task before this run. */
	firstUnit: number
	/** From 1. */
	run: number
	/** Of the task. */
	runCount: number
}
