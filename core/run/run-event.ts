/**
 * A run: a session being taught, as a list of events that is only added to. Devices write their own lists; merged, they
 * are one list in one order, whatever came first. Nothing is overwritten: what was wrong is cancelled by another event.
 */
import type { CoursePin } from '../course/course-pin'
import type { NamedPlan } from '../plan/named-plan'
import type { DryingStage } from '../vocabulary/drying-stage'

export const ATTENDANCES = ['here', 'late', 'gone', 'away'] as const
export type Attendance = (typeof ATTENDANCES)[number]

/** How who was away comes level with the others; `open`: it is not settled. */
export const WAYS_BACK = ['open', 'dried', 'home', 'smaller'] as const
export type WayBackChoice = (typeof WAYS_BACK)[number]

/** Entries and batches by their ids in the run's plan, students by place, from 0. */
export type RunFact =
	/** With the plan of that id. */
	| { type: 'opened'; planId?: number }
	| { type: 'closed' }
	| { type: 'attendance'; place: number; is: Attendance }
	/** Of a step, what is shown, or a break; `most`: of the class, which ends it and lets the next one begin. */
	| { type: 'entry'; entry: string; is: 'begun' | 'most' | 'all' }
	/** This student is done with it. */
	| { type: 'student'; entry: string; place: number }
	| { type: 'way back'; place: number; is: WayBackChoice }
	/** This student finishes it at home. */
	| { type: 'home'; entry: string; place: number }
	| { type: 'broken'; kind: string; count: number; place?: number }
	/** So many students stand waiting for a tool. */
	| { type: 'waited'; tool: string; count: number }
	/** A dried piece that lay ready. */
	| { type: 'spare'; kind: string; count: number; place?: number }
	/** Pieces are laid down to dry. */
	| { type: 'tray'; batch: string; pieces?: number; where?: string }
	/** A tray was looked at: whether the stage is felt; `isNoFurther`: it is, and the next one is not. */
	| { type: 'look'; batch: string; stage: DryingStage; isReached: boolean; isNoFurther?: boolean }
	| { type: 'paused' }
	| { type: 'resumed' }
	/** Of the room: degrees Celsius, and relative humidity in [0, 1]; absent `by`: somebody has typed it. */
	| { type: 'reading'; temperatureC: number; humidity: number; by?: 'hygrometer' }
	/** `about`: one of the lines that are finished by hand, in place of what was said of it before; `photo`: its id. */
	| { type: 'note'; text: string; about?: NoteTopic; photo?: string }
	/** What is left of the session goes another way. */
	| ({ type: 'plan' } & TakenPlan)
	/** The other event does not count. */
	| { type: 'undo'; of: string }

/** What is said of a session when it is over. */
export const NOTE_TOPICS = ['paste over', 'wires over', 'waited for', 'who needs what', 'next time'] as const
export type NoteTopic = (typeof NOTE_TOPICS)[number]

/** A way to go on that was taken, with all that the course must know of it. */
export interface TakenPlan {
	/** Why, in her words: 'taping leaves for Thursday'. */
	reason: string
	/** What belongs to the session now, done or not, in order; minutes after midnight of its day. */
	entries: { entry: string; startMin: number; endMin: number }[]
	/** When the class is to be over. */
	closeMin: number
	/** What is settled for the rest of the course. */
	pins: CoursePin[]
	/** The plan of the course with that, as it was seen; absent: it is planned anew. */
	coursePlan?: NamedPlan
}

export interface EventHead {
	/** Random, made by the device; unique among all. */
	id: string
	runId: string
	device: string
	/** Of the device, from 1, one more with each event. */
	seq: number
	/** Orders events: ms since 1970, later than all that the device had seen when it was written. */
	at: number
	/** When it was: ms since 1970. What state and log go by, so that "five minutes ago" does not disturb the order. */
	when: number
}

export type RunEvent = EventHead & RunFact

/** What an event of a type is. */
export type FactOf<Type extends RunFact['type']> = Extract<RunFact, { type: Type }>

/** By moment; of one moment by device, then as the device wrote them. */
export function compareEvents(a: RunEvent, b: RunEvent): number {
	return a.at - b.at || compareText(a.device, b.device) || a.seq - b.seq || compareText(a.id, b.id)
}

function compareText(a: string, b: string): number {
	return a === b ? 0 : a < b ? -1 : 1
}

/** Lists of several devices as one, in order; what several know stands there once. */
export function mergeEvents(...lists: readonly (readonly RunEvent[])[]): RunEvent[] {
	return [...new Map(lists.flat().map((event) => [event.id, event])).values()].toSorted(compareEvents)
}

/**
 * Those that count: all that no counting event cancels. An event cancels only what comes before it.
 *
 * @param events - in order
 * @complexity O(events)
 */
export function countingEvents(events: readonly RunEvent[]): RunEvent[] {
	const cancelled = new Set<string>()
	// From the last on: whatever could cancel an event has been judged by then.
	const counting = events.toReversed().filter((event) => {
		if (cancelled.has(event.id)) return false
		if (event.type === 'undo') cancelled.add(event.of)
		return true
	})
	return counting.toReversed()
}

/** The events as they would be with one more. */
export function supposing(events: readonly RunEvent[], fact: RunFact, when: number): RunEvent[] {
	const last = events.at(-1)
	const at = Math.max(when, (last?.at ?? 0) + 1)
	const head = { id: 'supposed', runId: last?.runId ?? '', device: 'supposed', seq: 1, at, when }
	return [...events, { ...head, ...fact }]
}

/** The pen of one device: numbers its events, and dates each after all that it has seen. */
export class EventWriter {
	readonly #head: Pick<EventHead, 'runId' | 'device'>
	readonly #makeId: () => string
	#seq: number
	#latest: number

	/**
	 * @param known - all that the device knows of the run, its own among them
	 * @param makeId - random
	 */
	constructor(head: Pick<EventHead, 'runId' | 'device'>, known: readonly RunEvent[], makeId: () => string) {
		this.#head = head
		this.#makeId = makeId
		this.#seq = Math.max(0, ...known.filter(({ device }) => device === head.device).map(({ seq }) => seq))
		this.#latest = Math.max(0, ...known.map(({ at }) => at))
	}

	/** Of events that came from elsewhere. */
	see(events: readonly RunEvent[]): void {
		for (const { at } of events) this.#latest = Math.max(this.#latest, at)
	}

	/**
	 * @param now - of the device's clock, which may be wrong
	 * @param when - it was; absent: now
	 */
	write(fact: RunFact, now: number, when = now): RunEvent {
		this.#latest = Math.max(now, this.#latest + 1)
		this.#seq++
		return { id: this.#makeId(), ...this.#head, seq: this.#seq, at: this.#latest, when, ...fact }
	}
}
