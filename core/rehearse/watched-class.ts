/** One class to be looked at: what everybody is at from moment to moment, and what the room does. */
import { ClassPlayer } from './class-player'
import { AT } from './class-state'
import type { RehearsalTerms, Script } from './script'

export const DOINGS = ['away', 'coming', 'working', 'drying', 'shown', 'tool', 'help', 'helped', 'done'] as const
/** `drying`, `shown`, `tool`, `help`: she waits for it. */
export type Doing = (typeof DOINGS)[number]

/** From here on, until the next one of the same student. Moments in clock minutes of the plan. */
export interface Moment {
	time: number
	/** By place. */
	student: number
	doing: Doing
	/** Index of the item of work that she is at, or that comes next; the number of items: none. */
	item: number
	/** Index of the tool that she waits for. */
	tool?: number
}

/** Everybody stops. */
export interface RoomMoment {
	kind: 'shows' | 'pauses'
	time: number
	until: number
	/** Of the show in the script, or of the pause in its session. */
	index: number
}

export interface WatchedSession {
	open: number
	close: number
	/** In order of time. */
	moments: Moment[]
	room: RoomMoment[]
	/** Students who are there, and those of them who have done its steps by its close. */
	presentCount: number
	doneCount: number
}

/** @param classNumber - from 0: as that class of the rehearsal with the same script and terms */
export function watchClass(script: Script, terms: RehearsalTerms, classNumber: number): WatchedSession[] {
	const player = new ClassPlayer(script, terms)
	const sessions = script.sessions.map(({ open, close }): WatchedSession => {
		return { open, close, moments: [], room: [], presentCount: 0, doneCount: 0 }
	})
	let known: (Moment | undefined)[] = []
	player.onlooker = (time, room) => {
		const session = sessions[player.session]!
		if (room?.kind === 'closes') return
		if (room?.kind === 'opens') known = []
		if (room?.kind === 'shows' || room?.kind === 'pauses') session.room.push({ ...room, time })
		for (let student = 0; student < player.n; student++) {
			const now = momentOf(player, student, time)
			if (isSame(known[student], now)) continue
			known[student] = now
			session.moments.push(now)
		}
	}
	player.play(classNumber)
	for (const [s, session] of sessions.entries()) {
		const ends = Array.from({ length: player.n }, (_, n) => player.doneAt[n * sessions.length + s] ?? NaN)
		session.presentCount = ends.filter((end) => !Number.isNaN(end)).length
		session.doneCount = ends.filter((end) => end <= session.close).length
	}
	return sessions
}

function momentOf(player: ClassPlayer, student: number, time: number): Moment {
	const doing = doingOf(player, student)
	const tool = doing === 'tool' ? player.now[student]?.turns[player.turn[student] ?? 0]?.tool : undefined
	return { time, student, doing, item: player.item[student]!, ...(tool !== undefined && { tool }) }
}

function doingOf(player: ClassPlayer, student: number): Doing {
	if (player.isPresent[student] === 0) return 'away'
	switch (player.at[student]) {
		case AT.nothing:
			return 'done'
		case AT.helped:
			return 'helped'
		case AT.helpQueue:
			return 'help'
		case AT.toolQueue:
			return 'tool'
		case AT.show:
			return 'shown'
		case AT.paste:
			return 'drying'
		case AT.arriving:
			return 'coming'
		default:
			return 'working'
	}
}

function isSame(one: Moment | undefined, other: Moment): boolean {
	return one !== undefined && one.doing === other.doing && one.item === other.item && one.tool === other.tool
}

export interface RoomState {
	/** By place: what each is at, and since when. */
	students: Moment[]
	/** Everybody stops for it; undefined: nobody. */
	stopped: RoomMoment | undefined
}

/** @param time - clock minute of the plan; before the opening, as at it */
export function roomAt({ open, moments, room }: WatchedSession, time: number): RoomState {
	const now = Math.max(open, time)
	const students: Moment[] = []
	for (const moment of moments) {
		if (moment.time > now) break
		students[moment.student] = moment
	}
	return { students, stopped: room.findLast((one) => one.time <= now && now < one.until) }
}

/** What is worth being told of a session, in order of time. */
export type ToldMoment =
	| { kind: 'shows' | 'pauses'; time: number; until: number; index: number }
	/** The first, or the last, of those who are there begins the item. */
	| { kind: 'first' | 'last'; time: number; item: number; student: number }
	/** She waits for so long. */
	| { kind: 'waits'; time: number; student: number; doing: Doing; minutes: number; tool?: number }
	| { kind: 'done'; time: number; student: number }

/** Shorter waits are not told. */
const LEAST_WAIT = 2
const WAITS: readonly Doing[] = ['drying', 'shown', 'tool', 'help']

export function tellSession({ moments, room, close }: WatchedSession): ToldMoment[] {
	const begun = new Map<number, Moment[]>()
	const told: ToldMoment[] = room.map((one) => ({ ...one }))
	for (const [k, moment] of moments.entries()) {
		const { time, student, doing, item, tool } = moment
		const next = moments.slice(k + 1).find((other) => other.student === student)
		const minutes = (next?.time ?? close) - time
		if (WAITS.includes(doing) && minutes >= LEAST_WAIT)
			told.push({ kind: 'waits', time, student, doing, minutes, ...(tool !== undefined && { tool }) })
		if (doing === 'done') told.push({ kind: 'done', time, student })
		const others = begun.get(item) ?? []
		if (doing === 'working' && !others.some((other) => other.student === student)) begun.set(item, [...others, moment])
	}
	for (const [item, own] of begun) {
		const [first, last] = [own[0]!, own.at(-1)!]
		told.push({ kind: 'first', time: first.time, item, student: first.student })
		if (own.length > 1) told.push({ kind: 'last', time: last.time, item, student: last.student })
	}
	return told.toSorted((a, b) => a.time - b.time)
}
