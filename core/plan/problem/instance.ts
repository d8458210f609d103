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
	/** Sessions are numbered upwards; a break parts two windows of the same session. */
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

/** `to` follows `from` after at least `lag` and at most `maxLag` minutes of clock time. */
export interface Arc {
	from: string
	to: string
	/** Minutes from the end of the one to the start of the other, >= 0. */
	lag: number
	/** Absent: no limit. */
	maxLag?: number
	/** The lags hold for each unit by itself; both tasks then have equally many units. */
	piecewise?: boolean
	/** Instructor's minutes to bring dried pieces, which waives the lag; absent: not allowed. */
	swapPrep?: number
}

export interface Instance {
	name: string
	/** In order, apart, at least one. */
	windows: Window[]
	/** Absent: the gaps between consecutive sessions, without a limit. */
	homeWindows?: HomeWindow[]
	tasks: Task[]
	arcs: Arc[]
}
