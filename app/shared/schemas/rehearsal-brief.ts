/** What a course's rehearsal says in short; without a plan, nothing. */
export interface RehearsalBrief {
	/** Of the evenings with work, those that end on time, in [0, 1]. */
	eveningShare?: number
	/** The least sure evening. */
	tight?: { date: string; share: number }
	/** By tool: minutes that a student waits for it in the whole course, on the average. */
	toolMinutes?: Record<string, number>
}
