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
	/** Absent: only the room can be changed. */
	changeable?: ChangeableCourse
	/** Of each planning. */
	effortOf: () => PlanningEffort
}

/** Less is not worth a change. */
const LEAST_GAIN = 0.01

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
export function tryChange({ script, terms, before, changeable, effortOf }: Trial, change: Change): Advice | undefined {
	if (change.kind !== 'course') {
		const room = withRoomChange(script, terms, change)
		return { change, ...compare(before, new Rehearsal(room.script, room.terms)) }
	}
	const found = changeable && planChange(changeable, change, effortOf())
	if (!found) return undefined
	const { course, plan, price } = found
	return { change, ...compare(before, new Rehearsal(writeScript(found), terms)), changed: { course, plan, price } }
}

/** Those that help, the most helpful first; of several other orders the best. */
export function rankAdvice(advice: readonly Advice[]): Advice[] {
	const helpful = advice
		.filter(({ gain, uncertainty }) => gain > uncertainty && gain >= LEAST_GAIN)
		.toSorted((a, b) => b.gain - a.gain)
	const isOrder = ({ change }: Advice) => change.kind === 'course' && change.what === 'order'
	const best = helpful.find(isOrder)
	return helpful.filter((one) => one === best || !isOrder(one))
}

function withRoomChange(script: Script, terms: RehearsalTerms, change: RoomChange) {
	if (change.kind === 'assistant') return { script, terms: { ...terms, helperCount: terms.helperCount + 1 } }
	const { name, count } = change
	return {
		script: { ...script, tools: script.tools.map((tool) => (tool.name === name ? { name, count } : tool)) },
		terms,
	}
}

function compare(before: Rehearsal, after: Rehearsal): { gain: number; uncertainty: number } {
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
