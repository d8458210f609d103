/** What is settled about a plan, and what has been changed by hand, in words. */
import type { CoursePin } from '../../../core/course/course-pin'
import type { Session } from '../../../core/course/course'
import type { CourseEdit } from '../../../core/plan/edit/course-edit'
import { clock, count, duration, sessionName, shortDay } from '../../shared/words/times'

/** What the words are about. */
export interface Named {
	/** Of steps, by the ids of their tasks. */
	names: Readonly<Record<string, string>>
	sessions: readonly Session[]
}

/** 'petals: dust: evening 2 at 19:25'. */
export function pinWords(pin: CoursePin, { names, sessions }: Named): string {
	const name = (task: string) => names[task] ?? 'a step that there is no longer'
	const session = (number: number) => sessionWords(number, sessions)
	switch (pin.kind) {
		case 'start':
			return `${name(pin.task)}: ${session(pin.session)} at ${clock(pin.minuteOfDay)}`
		case 'session':
			return `${name(pin.task)}: in ${session(pin.session)}`
		case 'before':
			return `${name(pin.first)}: before ${name(pin.second)}`
		case 'beside':
			return `${name(pin.first)}: in one session with ${name(pin.second)}`
		case 'place':
			return `${name(pin.task)}: ${PLACE_WORDS[pin.place]}`
		case 'swap':
			return `${name(pin.from)}: ${pin.isSwapped ? 'brought dry' : 'not brought dry'}`
	}
}

export const PLACE_WORDS = {
	class: 'in class',
	ahead: 'made ahead by you',
	home: 'at home',
	dropped: 'left out',
} as const

/** 'evening 2'. */
export function sessionWords(number: number, sessions: readonly Session[]): string {
	const session = sessions[number - 1]
	return session ? sessionName(session.startMin, number).toLowerCase() : `session ${number}`
}

/** What an edit did, as the button says that takes it back: 'tea in evening 1 to 19:40'. */
export function editWords(edit: CourseEdit, named: Named): string {
	const session = (number: number) => sessionWords(number, named.sessions)
	switch (edit.kind) {
		case 'pin':
			return pinWords(edit.pin, named)
		case 'lift':
			return `lift “${pinWords(edit.pin, named)}”`
		case 'break':
			return `break in ${session(edit.session)} at ${clock(edit.toMin)}`
		case 'free-break':
			return `break in ${session(edit.session)} may move by ${duration(edit.mayMoveMinutes)}`
		case 'hours':
			return `${session(edit.session)} from ${clock(edit.startMin)} to ${clock(edit.endMin)}`
		case 'buffer':
			return edit.minutes === undefined
				? `to spare in ${session(edit.session)}, as the studio has it`
				: `${duration(edit.minutes)} to spare in ${session(edit.session)}`
		case 'move-session':
			return `${session(edit.session)} on ${shortDay(edit.date)}`
		case 'add-session':
			return 'one more session'
		case 'drop-session':
			return `without session ${edit.session}`
		case 'room':
			return 'another room'
		case 'students':
			return count(edit.count, 'student')
		case 'flowers':
			return `${count(edit.count, 'piece')} a student`
		case 'pick':
			return 'another option'
		case 'anew':
			return 'planned with what is known now'
		case 'wait':
			return edit.minutes === undefined ? 'a wait computed again' : `a wait of ${duration(edit.minutes)}`
	}
}
