/** The time that is to be filled, as an address says it; what is not understood is as usual. */
import { PACES, type Pace } from '../../../core/course/course'
import type { Slot } from '../../../core/plan/what-fits/slot'
import { addDays, isCalendarDate } from '../../../core/time/calendar'

/** What is asked, in the words of the address. */
export interface SlotAddress {
	/** YYYY-MM-DD, of the first session. */
	date: string
	/** Minutes after midnight. */
	from: number
	/** Minutes after midnight. */
	to: number
	sessions: number
	/** Days from session to session. */
	every: number
	/** Minutes of tea in the middle of each; 0: none. */
	tea: number
	students: number
	pace: Pace
	/** Of the studio; absent: its first. */
	room?: number
	flowers: number
	/** Most minutes of the instructor's own before. */
	before: number
	/** Most minutes of homework between two sessions. */
	home: number
	wires: 'any' | 'no'
	/** At most. */
	level: number
	for: 'anybody' | 'children'
}

export const MOST_SESSIONS = 12
const [SET_UP_MINUTES, CLEAR_AWAY_MINUTES] = [5, 10]
/** Shorter ones are no session. */
export const LEAST_MINUTES = 30

/** @param day - the usual one */
export function readSlotAddress(search: URLSearchParams, day: string): SlotAddress {
	const whole = (name: string, usual: number, min: number, max: number) => {
		const text = search.get(name) ?? ''
		const value = Number(text)
		return /^\d{1,5}$/.test(text) && value >= min && value <= max ? value : usual
	}
	const date = search.get('date') ?? ''
	const from = readTime(search.get('from'), 1140)
	const to = readTime(search.get('to'), 1260)
	const room = whole('room', 0, 1, 99_999)
	return {
		date: isCalendarDate(date) ? date : day,
		...(to - from >= LEAST_MINUTES ? { from, to } : { from: 1140, to: 1260 }),
		sessions: whole('sessions', 1, 1, MOST_SESSIONS),
		every: whole('every', 7, 1, 60),
		tea: whole('tea', 0, 0, 120),
		students: whole('students', 8, 1, 60),
		pace: PACES.find((pace) => pace === search.get('pace')) ?? 'beginners',
		...(room > 0 && { room }),
		flowers: whole('flowers', 1, 1, 20),
		before: whole('before', 30, 0, 1440),
		home: whole('home', 0, 0, 600),
		wires: search.get('wires') === 'no' ? 'no' : 'any',
		level: whole('level', 5, 1, 5),
		for: search.get('for') === 'children' ? 'children' : 'anybody',
	}
}

export function toSlot(asked: SlotAddress): Slot {
	const { date, from, to, tea, room } = asked
	const middle = Math.round((from + to - tea) / 2 / 5) * 5
	return {
		sessions: Array.from({ length: asked.sessions }, (_, s) => ({
			date: addDays(date, s * asked.every),
			startMin: from,
			endMin: to,
			setUpMinutes: SET_UP_MINUTES,
			clearAwayMinutes: CLEAR_AWAY_MINUTES,
			breaks: tea > 0 ? [{ startMin: middle, minutes: tea }] : [],
			...(room !== undefined && { roomId: room }),
		})),
		studentCount: asked.students,
		pace: asked.pace,
		planFor: 'slower',
		homeworkMinutes: asked.home,
		flowersPerStudent: asked.flowers,
		prepMinutes: asked.before,
		isWired: asked.wires === 'any',
	}
}

/** '19:00' as minutes after midnight. */
function readTime(text: string | null, usual: number): number {
	const [, hours, minutes] = /^([01]?\d|2[0-3]):([0-5]\d)$/.exec(text ?? '') ?? []
	return hours === undefined || minutes === undefined ? usual : Number(hours) * 60 + Number(minutes)
}
