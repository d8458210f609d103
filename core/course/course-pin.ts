/** What the instructor has settled about the plan of a course. It stands in the course, whatever plan there is. */
import { sortKeys } from '../sorted-keys'

/** Where a step is done, or whether at all. */
export const PIN_PLACES = ['class', 'ahead', 'home', 'dropped'] as const
export type PinPlace = (typeof PIN_PLACES)[number]

/** One thing that is settled; tasks by their ids in the compiled course, sessions by their number, from 1. */
export type CoursePin =
	/** It begins in that session at that minute after midnight. */
	| { kind: 'start'; task: string; session: number; minuteOfDay: number }
	/** All of its class work falls into that session. */
	| { kind: 'session'; task: string; session: number }
	/** The first is done before the second begins. */
	| { kind: 'before'; first: string; second: string }
	/** Both are done in one session. */
	| { kind: 'beside'; first: string; second: string }
	| { kind: 'place'; task: string; place: PinPlace }
	/** Dried pieces are brought for this wait, or never. */
	| { kind: 'swap'; from: string; to: string; isSwapped: boolean }

/** More than any plan has steps. */
export const MOST_PINS = 300
/** Of the id of a task. */
export const TASK_ID_LENGTH = 200

/** The course's pins with one more, in place of those that say something about the same. */
export function withPin(pins: readonly CoursePin[], pin: CoursePin): CoursePin[] {
	return [...pins.filter((other) => !replaces(pin, other)), pin]
}

/** The pins without one of them. */
export function withoutPin(pins: readonly CoursePin[], pin: CoursePin): CoursePin[] {
	return pins.filter((other) => !isSamePin(other, pin))
}

/** Whether both say the very same. */
export function isSamePin(one: CoursePin, other: CoursePin): boolean {
	return pinKey(one) === pinKey(other)
}

/** Unique among the pins of a course, whatever the order of the fields. */
export function pinKey(pin: CoursePin): string {
	return JSON.stringify(sortKeys(pin))
}

/** The tasks that a pin speaks of. */
export function tasksOfPin(pin: CoursePin): string[] {
	if ('task' in pin) return [pin.task]
	return 'first' in pin ? [pin.first, pin.second] : [pin.from, pin.to]
}

/** A newer pin of the same thing takes the place of the older one. */
function replaces(newer: CoursePin, older: CoursePin): boolean {
	if (isSamePin(newer, older)) return true
	if ('task' in newer) return 'task' in older && older.task === newer.task
	if ('first' in newer) return 'first' in older && isSamePair(newer, older)
	return older.kind === 'swap' && older.from === newer.from && older.to === newer.to
}

function isSamePair(one: { first: string; second: string }, other: { first: string; second: string }): boolean {
	return (
		(one.first === other.first && one.second === other.second) ||
		(one.first === other.second && one.second === other.first)
	)
}

const FIELDS: Record<CoursePin['kind'], Record<string, 'string' | 'number' | 'boolean'>> = {
	start: { task: 'string', session: 'number', minuteOfDay: 'number' },
	session: { task: 'string', session: 'number' },
	before: { first: 'string', second: 'string' },
	beside: { first: 'string', second: 'string' },
	place: { task: 'string', place: 'string' },
	swap: { from: 'string', to: 'string', isSwapped: 'boolean' },
}

/** Whether something from outside has the shape of a pin; whether the course can hold it is `validateCourse`'s to say. */
export function isCoursePin(value: unknown): value is CoursePin {
	if (typeof value !== 'object' || value === null || !('kind' in value)) return false
	const { kind, ...fields } = value as Record<string, unknown>
	if (typeof kind !== 'string' || !Object.hasOwn(FIELDS, kind)) return false
	const wanted = FIELDS[kind as CoursePin['kind']]
	return (
		Object.keys(fields).every((name) => Object.hasOwn(wanted, name)) &&
		Object.entries(wanted).every(([name, type]) => typeof fields[name] === type)
	)
}
