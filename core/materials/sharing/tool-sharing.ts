/**
 * Time per piece where students share tools: working by oneself, and waiting for a tool that others have.
 * Assumes that all students do the same step at the same time, each piece needing each tool once.
 */
import { analyseClosedNetwork } from './closed-network'

/** A tool that a step claims for a part of each piece's time. */
export interface ToolClaim {
	/** One of it. */
	tool: string
	/** Of the time of a piece, in (0, 1]. */
	share: number
}

/** How many of each tool there are; a tool that is not named is at every place. */
export type OwnedTools = Readonly<Record<string, number>>

export interface SharedStep {
	studentCount: number
	/** Of one piece, without waiting, > 0. */
	minutesPerPiece: number
	/** Tools of the step, each with how long of it. */
	claims: readonly ToolClaim[]
}

/** Minutes from one piece to the next, waiting included; as without sharing where there are tools enough. */
export function sharedMinutesPerPiece(
	{ studentCount, minutesPerPiece, claims }: SharedStep,
	owned: OwnedTools,
): number {
	const scarce = claims.filter(({ tool }) => (owned[tool] ?? Infinity) < studentCount)
	if (scarce.length === 0 || !(minutesPerPiece > 0)) return minutesPerPiece
	// Shares that make more than the whole are of the same time: they are brought down to it.
	const sum = scarce.reduce((total, { share }) => total + share, 0)
	const scale = Math.max(1, sum)
	const { cycleTime } = analyseClosedNetwork({
		customerCount: studentCount,
		thinkTime: minutesPerPiece * Math.max(0, 1 - sum / scale),
		stations: scarce.map(({ tool, share }) => ({
			serverCount: Math.max(1, owned[tool] ?? studentCount),
			serviceTime: (minutesPerPiece * share) / scale,
		})),
	})
	return cycleTime
}

/** A step with the pieces that each student makes. */
export interface SharedWork extends SharedStep {
	/** Of each student. */
	pieceCount: number
}

/** Minutes that a student waits for tools over all steps. */
export function queueingMinutes(works: readonly SharedWork[], owned: OwnedTools): number {
	return works.reduce((total, work) => {
		return total + work.pieceCount * (sharedMinutesPerPiece(work, owned) - work.minutesPerPiece)
	}, 0)
}

/** One number of a tool, and what the class then waits for it. */
export interface SharingPoint {
	/** Of the tool, >= 1. */
	ownedCount: number
	/** That each student stands waiting for it, in all. */
	queueingMinutes: number
}

/**
 * The curve from one of the tool to one for each student; all other tools as owned.
 *
 * @complexity O(studentCount³) for each step that claims it
 */
export function sharingCurve(works: readonly SharedWork[], tool: string, owned: OwnedTools): SharingPoint[] {
	const using = works.filter(({ claims }) => claims.some((claim) => claim.tool === tool))
	const studentCount = Math.max(1, ...using.map((work) => work.studentCount))
	return Array.from({ length: studentCount }, (_, k) => ({
		ownedCount: k + 1,
		queueingMinutes: queueingMinutes(using, { ...owned, [tool]: k + 1 }),
	}))
}
