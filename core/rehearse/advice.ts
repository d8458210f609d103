/**
 * What would help, tried with the same luck as the rehearsal: what a change of the room, or of the course and its plan,
 * gives in evenings that end on time, and what it asks.
 */
import type { PlanningEffort } from '../plan/plan-course'
import {
	listCourseChanges,
	planChange,
	type ChangeableCourse,
	type ChangedCourse,
	type CourseChange,
} from './course-changes'
import { NORMAL_975 } from './luck'
import { Rehearsal } from './rehearsal'
import type { RehearsalTerms, Script } from './script'
import { writeScript } from './write-script'

/** The plan stays as it is. */
export type RoomChange =
	/** One more of a tool. */
	| { kind: 'tool'; name: string; count: number }
	/** Somebody who helps beside the instructor. */
	| { kind: 'assistant' }

export type Change = RoomChange | CourseChange

export interface Advice {
	change: Change
	/** More of the evenings end on time, in [−1, 1]; and by how much that may be off, at 95 %. */
	gain: number
	uncertainty: number
	/** Of a change of the course: as it would stand. */
	changed?: ChangedCourse
}

/** What is changed, and beside what. */
export interface Trial {
	script: Script
	terms: RehearsalTerms
	/** Of both, played already: each change is played as often. */
	before: Rehearsal
	/**
	 * The same with another luck, for what is told of those that help: the best of many tried has had luck, too, and would
	 * promise more than it keeps. Absent: what was tried is told.
	 */
	again?: { terms: RehearsalTerms; before: Rehearsal }
	/** Absent: only the room can be changed. */
	changeable?: ChangeableCourse
	/** Of each planning. */
	effortOf: () => PlanningEffort
}

/** Less is not worth a change. */
const LEAST_GAIN = 0.01
/** From one luck to another: any other number. */
const OTHER_LUCK = 1_000_003

/** What is told is played for so many times as many classes as what is tried, so that it is the surer of the two. */
const TOLD_TIMES = 3

/** @param classCount - that each change is played for, >= 1 */
export function beginTrial(
	{ script, terms, ...rest }: Pick<Trial, 'script' | 'terms' | 'changeable' | 'effortOf'>,
	classCount: number,
): Trial {
	const before = new Rehearsal(script, terms)
	before.play(classCount)
	return { script, terms, before, again: playAgain({ script, terms }, TOLD_TIMES * classCount), ...rest }
}

/** With another luck. */
export function playAgain(
	{ script, terms }: Pick<Trial, 'script' | 'terms'>,
	classCount: number,
): NonNullable<Trial['again']> {
	const other = { ...terms, seed: terms.seed + OTHER_LUCK }
	const before = new Rehearsal(script, other)
	before.play(classCount)
	return { terms: other, before }
}

/** Each by itself; those of the room first, which are quickly tried. */
export function listChanges({ script, changeable, before }: Pick<Trial, 'script' | 'changeable' | 'before'>): Change[] {
	const { tools, levels, callMinutes } = script
	return [
		...tools.flatMap(({ name, count }): RoomChange[] =>
			count < levels.length ? [{ kind: 'tool', name, count: count + 1 }] : [],
		),
		...(callMinutes.some((minutes) => minutes < Infinity) ? [{ kind: 'assistant' } as const] : []),
		...(changeable ? listCourseChanges(changeable, before.figures().sessions) : []),
	]
}

/** @returns undefined: the course would not fit then */
export function tryChange(trial: Trial, change: Change): Advice | undefined {
	if (change.kind !== 'course') {
		const room = withRoomChange(trial.script, change)
		return { change, ...gainOf(trial, room) }
	}
	const found = trial.changeable && planChange(trial.changeable, change, trial.effortOf())
	if (!found) return undefined
	const { course, plan, price } = found
	return { change, ...gainOf(trial, { script: writeScript(found), helpers: 0 }), changed: { course, plan, price } }
}

type Gain = Pick<Advice, 'gain' | 'uncertainty'>

/** As another luck has it, where the first one says that it helps. */
function gainOf({ before, terms, again }: Trial, { script, helpers }: Room): Gain {
	const play = (own: RehearsalTerms) => new Rehearsal(script, { ...own, helperCount: own.helperCount + helpers })
	const tried = compare(before, play(terms))
	return again && isHelpful(tried) ? compare(again.before, play(again.terms)) : tried
}

function isHelpful({ gain, uncertainty }: Gain): boolean {
	return gain > uncertainty && gain >= LEAST_GAIN
}

/** Those that help, the most helpful first; of several other orders the best. */
export function rankAdvice(advice: readonly Advice[]): Advice[] {
	const helpful = advice.filter(isHelpful).toSorted((a, b) => b.gain - a.gain)
	const isOrder = ({ change }: Advice) => change.kind === 'course' && change.what === 'order'
	const best = helpful.find(isOrder)
	return helpful.filter((one) => one === best || !isOrder(one))
}

interface Room {
	script: Script
	/** More than there are. */
	helpers: number
}

function withRoomChange(script: Script, change: RoomChange): Room {
	if (change.kind === 'assistant') return { script, helpers: 1 }
	const { name, count } = change
	const tools = script.tools.map((tool) => (tool.name === name ? { name, count } : tool))
	return { script: { ...script, tools }, helpers: 0 }
}

function compare(before: Rehearsal, after: Rehearsal): Gain {
	after.play(before.classCount)
	const [old, own] = [before.eveningsByClass, after.eveningsByClass]
	let [sum, squares] = [0, 0]
	for (let c = 0; c < old.length; c++) {
		const difference = own[c]! - old[c]!
		sum += difference
		squares += difference * difference
	}
	const count = Math.max(1, old.length)
	const gain = sum / count
	return { gain, uncertainty: NORMAL_975 * Math.sqrt(Math.max(0, squares / count - gain * gain) / count) }
}
