/** A course as the instructor sets it: what is made, by whom, and in which sessions. */
import type { Picks } from '../design/resolve-design'
import type { CoursePin } from './course-pin'

/** How fast a group works, against a practised adult. */
export const PACES = ['practised', 'improvers', 'beginners', 'children', 'mixed'] as const
export type Pace = (typeof PACES)[number]

/** Whom the times are meant for: the student in the middle, or so slow that 8 or 9 in 10 keep up. */
export const PLAN_FOR = ['middle', 'slower', 'slowest'] as const
export type PlanFor = (typeof PLAN_FOR)[number]

export interface Break {
	/** Minutes after midnight. */
	startMin: number
	/** Whole, > 0. */
	minutes: number
	/** How much earlier or later it may begin; absent: as usual. */
	mayMoveMinutes?: number
}

/** A class does not mind tea a quarter of an hour sooner or later; common practice, no source. */
export const USUAL_MOVE_MINUTES = 15

export interface Session {
	/** YYYY-MM-DD, on the wall clock of the studio. */
	date: string
	/** Minutes after midnight. */
	startMin: number
	/** Doors close, setting up and clearing away included. */
	endMin: number
	/** Setting up and welcome, at the start. */
	setUpMinutes: number
	/** Boxing and clearing away, at the end. */
	clearAwayMinutes: number
	/** In order, within the hands-on time. */
	breaks: Break[]
	/** Place of the studio; absent: its first room. */
	roomId?: number
	/** Whole: hands-on minutes that should be spare at its end; absent: the studio's share of it. */
	bufferMinutes?: number
}

export interface CourseDesign {
	/** Of the studio's design book. */
	designId: string
	/** Unique in the course; absent before it is first saved, and where it is the design's id. */
	key?: string
	/** What it is called where a design is made in several ways; absent: as the design. */
	name?: string
	/** Whole, >= 1. */
	flowersPerStudent: number
	/** Option of each choice of the design. */
	picks: Picks
	/** Version of the design that the course is planned with; absent before it is first saved. */
	designVersion?: number
}

export interface Course {
	/** As the instructor calls it; nothing is computed from it. */
	name: string
	/** Places of the course, taken or not. */
	studentCount: number
	/** Of the group as a whole; students of another level break more or less. */
	pace: Pace
	/** Whether the slower half is waited for. */
	planFor: PlanFor
	/** Confidence that each student has enough pieces, in (0, 1). */
	spareConfidence: number
	/** Flowers' worth of pieces for the instructor to show. */
	demoFlowers: number
	/** Most minutes of homework between two sessions; 0: none is given. */
	homeworkMinutes: number
	/** Days after the last session in which students may finish at home; absent: none. */
	homeAfterDays?: number
	/** A course that can is to end an evening earlier; absent: evenings that are there are used. */
	endEarly?: boolean
	/** In the order in which they are told; a design may stand there several times. */
	designs: CourseDesign[]
	/** In order of time; at least one. */
	sessions: Session[]
	/** Where pieces lie between sessions, a place of the studio; absent: its first store. */
	storeId?: number
	/** Waits set by hand, clock minutes by `waitKey`. */
	waits?: Record<string, number>
	/** What is settled about its plan; absent: nothing. */
	pins?: CoursePin[]
}
