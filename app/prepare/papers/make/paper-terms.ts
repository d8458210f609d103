/** What a paper is made from, and what an address asks of it. */
import type { ToldPlan } from '../../../plan/tell-course-plan'
import type { CurrentKit } from '../../../kit/read-kit.server'
import type { PaperName as SheetSize } from '../../../../core/outlines/template-sheet'
import type { Studio } from '../../../../db/repositories/accounts.server'

/** A course whose plan fits, with its kits. */
export type PlannedCourse = CurrentKit & {
	kit: NonNullable<CurrentKit['kit']>
	story: ToldPlan['story']
	/** Of a session's room; where it names none, of the studio's first. */
	roomName: (roomId: number | undefined) => string
}

export interface PaperTerms {
	studio: Studio
	current: PlannedCourse
	/** Of the sheets. */
	size: SheetSize
}

export interface HandOutTerms {
	/** Whose, from 0; undefined: nobody's, for a usual kit. */
	seat?: number
	/** Pictures in a mirror, and what left-handers do otherwise. */
	isLeftHanded: boolean
	isLarge: boolean
	hasStudioName: boolean
	/** The session, from 0, that she missed. */
	missed?: number
}

export interface AskedPaper {
	/** Of a run sheet, from 0. */
	session: number
	handOut: HandOutTerms
}
