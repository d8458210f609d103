/** How long work before class takes. Common practice, no source. */
export interface PrepTerms {
	/** For the order from one supplier, min. */
	orderMinutes: number
	/** For one colour of one paste, min. */
	colourMinutes: number
	/** That coloured paste rests before it is used: overnight, min. */
	restMinutes: number
	glueMinutes: number
	/** That glue stands before it is used. */
	glueRestMinutes: number
	/** For one wire that is cut. */
	wireMinutes: number
	printMinutes: number
	/** For packing and charging the tools. */
	toolsMinutes: number
	/** For one kit. */
	packMinutes: number
	/** For a look at a tray between two sessions. */
	lookMinutes: number
	/** Nobody works longer at one thing in one go: longer work is done in parts. */
	longestGoMinutes: number
	/** Before a session, by which everything is packed. */
	leaveMinutes: number
	/** Before the first session of a course, no earlier. */
	earliestDays: number
}

export const USUAL_PREP_TERMS: PrepTerms = {
	orderMinutes: 10,
	colourMinutes: 6,
	restMinutes: 720,
	glueMinutes: 5,
	glueRestMinutes: 60,
	wireMinutes: 0.3,
	printMinutes: 15,
	toolsMinutes: 20,
	packMinutes: 4,
	lookMinutes: 5,
	longestGoMinutes: 60,
	leaveMinutes: 60,
	earliestDays: 21,
}
