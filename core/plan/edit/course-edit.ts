/** One change of a course, as it is made on the plan's picture: small, said in words, and undone by leaving it out. */
import type { Course, Session } from '../../course/course'
import { giveKeys } from '../../course/course-items'
import { withoutPin, withPin, type CoursePin } from '../../course/course-pin'
import { withExtraSession } from '../../course/extra-session'

/** Sessions by their number, from 1; breaks of a session by the minute at which the course has them. */
export type CourseEdit =
	| { kind: 'pin'; pin: CoursePin }
	| { kind: 'lift'; pin: CoursePin }
	/** A break begins at that minute of the day, and does not move from there. */
	| { kind: 'break'; session: number; startMin: number; toMin: number }
	/** It may move again by so many minutes. */
	| { kind: 'free-break'; session: number; startMin: number; mayMoveMinutes: number }
	| { kind: 'hours'; session: number; startMin: number; endMin: number }
	/** To be spare at its end; absent: the studio's share. */
	| { kind: 'buffer'; session: number; minutes?: number }
	| { kind: 'move-session'; session: number; date: string }
	| { kind: 'add-session' }
	| { kind: 'drop-session'; session: number }
	/** Of one session, or of all; no room: the studio's first. */
	| { kind: 'room'; roomId?: number; session?: number }
	| { kind: 'students'; count: number }
	/** Of the item with that key. */
	| { kind: 'flowers'; item: string; count: number }
	| { kind: 'pick'; item: string; choice: string; option: string }
	/** A wait set by hand, by its key; absent: it is computed again. */
	| { kind: 'wait'; key: string; minutes?: number }
	/** Nothing of the course: it is planned with what is known now. */
	| { kind: 'anew' }

/** The course as it is after the change; it may be none that can be planned, which `validateCourse` says. */
export function applyEdit(course: Course, edit: CourseEdit): Course {
	switch (edit.kind) {
		case 'pin':
			return withPins(course, withPin(course.pins ?? [], edit.pin))
		case 'lift':
			return withPins(course, withoutPin(course.pins ?? [], edit.pin))
		case 'break':
			return withSession(course, edit.session, (session) =>
				withBreak(session, edit.startMin, { startMin: edit.toMin, mayMoveMinutes: 0 }),
			)
		case 'free-break':
			return withSession(course, edit.session, (session) =>
				withBreak(session, edit.startMin, { mayMoveMinutes: edit.mayMoveMinutes }),
			)
		case 'hours':
			return withSession(course, edit.session, (session) => {
				return { ...session, startMin: edit.startMin, endMin: edit.endMin }
			})
		case 'buffer':
			return withSession(course, edit.session, ({ bufferMinutes: _, ...session }) => {
				return edit.minutes === undefined ? session : { ...session, bufferMinutes: edit.minutes }
			})
		case 'move-session':
			return withSession(course, edit.session, (session) => ({ ...session, date: edit.date }))
		case 'add-session':
			return withExtraSession(course)
		case 'drop-session':
			return withoutSession(course, edit.session)
		case 'room':
			return {
				...course,
				sessions: course.sessions.map((session, s) => {
					return edit.session === undefined || edit.session === s + 1 ? inRoom(session, edit.roomId) : session
				}),
			}
		case 'students':
			return { ...course, studentCount: edit.count }
		case 'flowers':
			return withItem(course, edit.item, { flowersPerStudent: edit.count })
		case 'pick':
			return withPick(course, edit)
		case 'anew':
			return course
		case 'wait':
			return withWait(course, edit.key, edit.minutes)
	}
}

/** The course after all of them, in their order. */
export function applyEdits(course: Course, edits: readonly CourseEdit[]): Course {
	return edits.reduce(applyEdit, course)
}

/** A course without pins has none rather than an empty list. */
function withPins({ pins: _, ...course }: Course, pins: readonly CoursePin[]): Course {
	return pins.length > 0 ? { ...course, pins: [...pins] } : course
}

function withSession(course: Course, number: number, change: (session: Session) => Session): Course {
	return { ...course, sessions: course.sessions.map((session, s) => (s + 1 === number ? change(session) : session)) }
}

function withBreak(session: Session, startMin: number, change: Partial<Session['breaks'][number]>): Session {
	return {
		...session,
		breaks: session.breaks
			.map((pause) => (pause.startMin === startMin ? { ...pause, ...change } : pause))
			.toSorted((a, b) => a.startMin - b.startMin),
	}
}

function inRoom({ roomId: _, ...session }: Session, roomId: number | undefined): Session {
	return roomId === undefined ? session : { ...session, roomId }
}

/** Pins of the session go with it; those of later ones follow their session. */
function withoutSession(course: Course, number: number): Course {
	const pins = (course.pins ?? []).flatMap((pin): CoursePin[] => {
		if (!('session' in pin) || pin.session < number) return [pin]
		return pin.session === number ? [] : [{ ...pin, session: pin.session - 1 }]
	})
	return withPins({ ...course, sessions: course.sessions.filter((_, s) => s + 1 !== number) }, pins)
}

function withItem(course: Course, item: string, change: Partial<Course['designs'][number]>): Course {
	const keys = giveKeys(course.designs).map(({ key }) => key)
	return { ...course, designs: course.designs.map((one, d) => (keys[d] === item ? { ...one, ...change } : one)) }
}

function withPick(course: Course, { item, choice, option }: Extract<CourseEdit, { kind: 'pick' }>): Course {
	const before = giveKeys(course.designs).find(({ key }) => key === item)
	return withItem(course, item, { picks: { ...before?.picks, [choice]: option } })
}

function withWait({ waits = {}, ...course }: Course, key: string, minutes: number | undefined): Course {
	const others = Object.entries(waits).filter(([other]) => other !== key)
	const all = minutes === undefined ? others : [...others, [key, minutes] as const]
	return all.length > 0 ? { ...course, waits: Object.fromEntries(all) } : course
}
