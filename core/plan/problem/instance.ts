/**
 * The class-plan problem as data: hands-on windows, tasks, and the order and waits between tasks.
 * Assumes one stream of work (every student does the same thing at the same time).
 * All times are whole clock minutes from any origin; lags are clock time and run through breaks, nights and weeks.
 */
import type { AllowedPlace } from '../../vocabulary/work-place'

/** A stretch in which the students' hands are free to work; windows are sorted and never touch. */
export interface Window {
	/** Minutes from the instance's origin. */
	open: number
	close: number
	/** Sessions are numbered upwards; a fixed pause parts two windows of the same session. */
	session: number
}

/** A stretch in which homework may lie. */
export interface HomeWindow {
	open: number
	/** After it opens. */
	close: number
	/** Most minutes of homework in this stretch; absent: no limit. */
	maxMinutes?: number
}

interface TaskTerms {
	id: string
	/** Absent: class only. */
	places?: AllowedPlace[]
	/** Instructor's minutes if the task is done ahead, >= 0; absent: 0. */
	prepMinutes?: number
	/** Value lost if the task is not done in class, >= 0; absent: 0. */
	teachValue?: number
	/** Present: the task may be dropped, at this further loss of value. */
	dropValue?: number
	/** Tasks of one group are dropped or kept together. */
	optionGroup?: string
	/** Everybody watches: what it is followed by uses what was shown, and wants it shown just before. */
	demo?: boolean
}

/** A task that cannot be interrupted. */
export interface WholeTask extends TaskTerms {
	/** Minutes, >= 1. */
	minutes: number
}

/** A task of equal units between which it may be interrupted. */
export interface UnitTask extends TaskTerms {
	/** Count, >= 0; a task without units vanishes. */
	units: number
	/** Minutes a unit, >= 1. */
	unitMinutes: number
	/** Least units of a run that is not the task's last; absent: 1. */
	minChunk?: number
}

export type Task = WholeTask | UnitTask

/** Of a wait whose stage is never reached. */
export type Lag = number | 'never'

/** As a number of minutes; Infinity: never. */
export function lagMinutes({ lag }: { lag: Lag }): number {
	return lag === 'never' ? Infinity : lag
}

/** `to` follows `from` after at least `lag` and at most `maxLag` minutes of clock time. */
export interface Arc {
	from: string
	to: string
	/**
	 * Minutes from the end of the one to the start of the other, >= 0. `never`: the arc only holds where not both are in
	 * class or at home, or where dried pieces are brought for it.
	 */
	lag: Lag
	/** Absent: no limit. */
	maxLag?: number
	/**
	 * What the most minutes count from, where an arc waits for the whole task: `each` piece, used in the order in which
	 * they were made, or the `last` one. Absent: the last.
	 */
	limit?: 'each' | 'last'
	/** The lags hold for each unit by itself; of unequally many, for those that a unit is made from. */
	piecewise?: boolean
	/** Instructor's minutes to bring dried pieces, which waives the lag; absent: not allowed. */
	swapPrep?: number
	/** The set of dried pieces that waives the lag; it is paid once for all its arcs. In place of `swapPrep`. */
	swap?: string
	/** Wanted straight after: minutes between the two count as strain. */
	follows?: boolean
}

/** A pause of the class that may be moved. */
export interface Break {
	/** It lies whole inside one window of this session. */
	session: number
	/** >= 1. */
	minutes: number
	/** Clock minutes between which it begins. */
	earliest: number
	latest: number
}

/** Pieces at one state that the instructor may bring dried. */
export interface PreparedSet {
	id: string
	/** Of the instructor, once, >= 0. */
	minutes: number
}

/** What a minute, a split and so on weigh in the strain of a plan; whole, >= 0. */
export interface StrainWeights {
	/** A minute of standing about. */
	waiting: number
	/** A step taken up once more. */
	split: number
	/** A minute lacking of what should be spare at a session's end. */
	crowding: number
	/** A minute between what belongs together. */
	apart: number
}

/** Common practice, no source: taking up a step again costs some six minutes of finding one's way. */
export const ORDINARY_WEIGHTS: StrainWeights = { waiting: 1, split: 6, crowding: 1, apart: 1 }

export interface Instance {
	name: string
	/** In order, apart, at least one. */
	windows: Window[]
	/** Minutes that should be spare at the end of a session with class work; of one that is not listed none. */
	sessions?: { session: number; bufferMinutes: number }[]
	/** Of one session they do not overlap. */
	breaks?: Break[]
	/** Absent ones are ordinary. */
	weights?: Partial<StrainWeights>
	/** False: evenings that are there are used, and a course is no better for ending before them. */
	endEarly?: boolean
	/** Absent: the gaps between consecutive sessions, without a limit. Listed, the gaps are listed too. */
	homeWindows?: HomeWindow[]
	tasks: Task[]
	arcs: Arc[]
	prepared?: PreparedSet[]
	/** Tasks of one item in the order of its design: those that stand next to each other keep it where nothing is lost. */
	sequence?: string[][]
}
