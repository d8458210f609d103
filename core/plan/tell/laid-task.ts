/** The runs of a plan with the clock times of the compiled course. */

/** A run with its task and clock times, in class or at home. */
export interface LaidTask {
	taskId: string
	place: 'class' | 'home'
	start: number
	end: number
	units: number
	firstUnit: number
	run: number
	runCount: number
}
