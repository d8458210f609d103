/** A session told by hand: what may be said of it, what was said before, and keeping it. */
import { ConflictError, InputError, NotFoundError } from '../../core/errors'
import { totalPaste, totalPasteByKind, type PasteTotal } from '../../core/kit/paste-totals'
import { isShared } from '../../core/kit/tool-needs'
import { totalWires, type WiresHanded } from '../../core/kit/wire-bill'
import { pasteUseKey } from '../../core/learn/paste-use'
import type { SeenInClass } from '../../core/learn/seen'
import { observeForm, partsOf, tasksOf, toolsOf } from '../../core/run/observe-run'
import type { Studio } from '../../db/repositories/accounts.server'
import type { StoredCourse } from '../../db/repositories/courses.server'
import {
	keepSessionObservations,
	listSessionObservations,
	type StoredObservation,
} from '../../db/repositories/observations.server'
import { listRunStates } from '../../db/repositories/runs.server'
import { readKit } from '../kit/read-kit.server'
import { nameOfTask } from '../plan/words/tasks'
import { nameSeen, taughtCourse } from '../run/keep-observations.server'
import { readTaught, type TaughtSession } from '../run/read-run.server'
import { today } from '../shared/http/studio-clock.server'
import { sessionName } from '../shared/words/times'

export interface ToldPage {
	courseId: number
	session: number
	sessionName: string
	/** YYYY-MM-DD. */
	date: string
	/** It lies ahead: nothing can be told of it. */
	isToCome: boolean
	/** It was taught on the tablet, which tells minutes and breakage. */
	isOnTablet: boolean
	studentCount: number
	told: 'most' | 'all'
	/** The longest first; `real`: as it was told before. */
	tasks: { id: string; name: string; plannedMinutes: number; real?: number }[]
	parts: { name: string; broken?: number }[]
	/** Of those that the class shares. */
	tools: { tool: string; waiting?: number }[]
	/** Weighed back after the last session; grams. */
	pastes: ToldPaste[]
	/** The same of kinds of piece that have colours of their own. */
	pasteKinds: ToldPaste[]
	/** Counted back after the last session; pieces. */
	wires: ToldWire[]
}

export type ToldPaste = PasteTotal & {
	/** Among the pastes. */
	key: string
	leftG?: number
}

export interface ToldWire extends WiresHanded {
	left?: number
}

export interface ToldForm {
	studentCount: number
	told: 'most' | 'all'
	minutes: { task: string; minutes: number }[]
	broken: { part: string; pieces: number }[]
	waiting: { tool: string; students: number }[]
	/** By `key`. */
	left: { paste: string; leftG: number }[]
	wires: { wire: string; pieces: number }[]
}

/** @throws {NotFoundError} the course has no such session, or no plan */
export async function loadTold(studio: Studio, course: StoredCourse, session: number): Promise<ToldPage> {
	const { taught, isOnTablet, own } = await readSession(studio, course, session)
	const [rows, handed] = await Promise.all([
		listSessionObservations(studio.id, { courseId: course.id, session }),
		readHanded(studio, course),
	])
	const before = new Map(rows.map((row) => [row.observation.id, row]))
	const first = rows.find((row) => row.kind === 'minutes' && row.source === 'form')
	const idOf = (rest: string) => `course ${course.id} ${session} ${rest}`
	// The halves of a class do two steps at once: neither has minutes of its own.
	const timed = tasksOf(taught.plan).filter(({ source }) => !source.halves)
	const tasks = timed.map(({ id, source, plannedMinutes }) => {
		const row = before.get(idOf(id))
		return {
			...{ id, name: nameOfTask(source), plannedMinutes },
			...(row?.kind === 'minutes' && { real: row.observation.to }),
		}
	})
	tasks.sort((a, b) => b.plannedMinutes - a.plannedMinutes)
	return {
		...{ courseId: course.id, session, date: own.date, isOnTablet, tasks, ...whoWere(first, course) },
		sessionName: sessionName(own.startMin, session),
		isToCome: own.date > today(studio.timeZone),
		parts: partsOf(taught.plan).map((name) => ({ name, ...brokenBefore(rows, name) })),
		tools: toolsOf(taught.plan, taught.designs)
			.filter((tool) => handed.shared.has(tool))
			.map((tool) => {
				const row = before.get(idOf(`waits for ${tool}`))
				return { tool, ...(row?.kind === 'queue' && { waiting: row.observation.waiting }) }
			}),
		...cameBackBefore(session === course.sessions.length ? handed : NOTHING_HANDED, (rest) => before.get(idOf(rest))),
	}
}

/** What is weighed and counted back, as it was told before. */
function cameBackBefore(
	{ pastes, pasteKinds, wires }: Handed,
	rowOf: (key: string) => StoredObservation | undefined,
): Pick<ToldPage, 'pastes' | 'pasteKinds' | 'wires'> {
	const weighed = (line: ToldPaste): ToldPaste => {
		const row = rowOf(line.key)
		return { ...line, ...(row?.kind === 'paste' && { leftG: Math.round(line.handedG - row.observation.usedG) }) }
	}
	const counted = (line: ToldWire): ToldWire => {
		const row = rowOf(line.wire)
		return { ...line, ...(row?.kind === 'wires' && { left: row.observation.handed - row.observation.used }) }
	}
	return { pastes: pastes.map(weighed), pasteKinds: pasteKinds.map(weighed), wires: wires.map(counted) }
}

function whoWere(
	first: StoredObservation | undefined,
	{ studentCount }: StoredCourse,
): Pick<ToldPage, 'studentCount' | 'told'> {
	if (first?.kind !== 'minutes') return { studentCount, told: 'most' }
	const { studentCount: were, doneCount } = first.observation
	return { studentCount: were, told: doneCount === were ? 'all' : 'most' }
}

function brokenBefore(rows: readonly StoredObservation[], name: string): { broken?: number } {
	const row = rows.find((one) => one.kind === 'breakage' && one.observation.partName === name)
	return row?.kind === 'breakage' ? { broken: row.observation.broken } : {}
}

/**
 * What is said takes the place of what was said before.
 *
 * @throws {ConflictError} the session is taught on the tablet, which tells its minutes
 * @throws {InputError} by field
 */
export async function keepTold(studio: Studio, course: StoredCourse, session: number, form: ToldForm): Promise<void> {
	const { taught, isOnTablet, own } = await readSession(studio, course, session)
	if (own.date > today(studio.timeZone)) throw new ConflictError('This session is still to come.')
	const run = { courseId: course.id, session }
	const handed = session === course.sessions.length ? await readHanded(studio, course) : NOTHING_HANDED
	const head = { classId: `course ${course.id}`, date: own.date }
	const className = `${course.name}, ${sessionName(own.startMin, session)}`
	const idOf = (rest: string) => `course ${course.id} ${session} ${rest}`
	const cameBack: SeenInClass[] = [
		...weighedBack(form.left, handed).map(({ line: { key, paste, kind, reckonedG }, usedG }): SeenInClass => {
			const observation = { id: idOf(key), ...head, paste, ...(kind && { kind }), reckonedG, usedG }
			return { kind: 'paste', className, observation }
		}),
		...countedBack(form.wires, handed).map(({ line: { wire, handed: count }, used }): SeenInClass => {
			return { kind: 'wires', className, observation: { id: idOf(wire), ...head, wire, handed: count, used } }
		}),
	]
	if (!isOnTablet) {
		const seen = observeForm(
			{
				...{ studentCount: form.studentCount, told: form.told },
				minutes: Object.fromEntries(form.minutes.map(({ task, minutes }) => [task, minutes])),
				broken: Object.fromEntries(form.broken.map(({ part, pieces }) => [part, pieces])),
				waiting: Object.fromEntries(form.waiting.map(({ tool, students }) => [tool, students])),
			},
			taught.plan,
			taughtCourse(course, taught),
		)
		const observations = nameSeen(seen, { course, session, taught })
		const kinds = ['minutes', 'breakage', 'queue'] as const
		await keepSessionObservations(studio.id, run, { source: 'form', kinds, observations })
	}
	await keepSessionObservations(studio.id, run, { source: 'form', kinds: ['paste', 'wires'], observations: cameBack })
}

/** @throws {InputError} by field */
function weighedBack(left: ToldForm['left'], { pastes, pasteKinds }: Handed): { line: ToldPaste; usedG: number }[] {
	const toldKinds = pasteKinds.filter(({ key }) => left.some(({ paste }) => paste === key))
	return left.map(({ paste: key, leftG }, k) => {
		const line = [...pastes, ...pasteKinds].find((one) => one.key === key)
		const refuse = (message: string) => new InputError([{ path: `left[${k}].leftG`, message }])
		if (!line || leftG >= line.handedG) throw refuse('More is left than was handed out')
		// Of the whole, which stands open: its kinds may be folded away.
		if (pastes.includes(line) && toldKinds.some(({ paste }) => paste === line.paste))
			throw refuse('Either all of the paste together, or by what it was for')
		return { line, usedG: line.handedG - leftG }
	})
}

/** @throws {InputError} by field */
function countedBack(left: ToldForm['wires'], { wires }: Handed): { line: ToldWire; used: number }[] {
	return left.map(({ wire, pieces }, k) => {
		const line = wires.find((one) => one.wire === wire)
		if (!line || pieces >= line.handed)
			throw new InputError([{ path: `wires[${k}].pieces`, message: 'More are left than were handed out' }])
		return { line, used: line.handed - pieces }
	})
}

interface ReadSession {
	taught: TaughtSession
	own: StoredCourse['sessions'][number]
	isOnTablet: boolean
}

async function readSession(studio: Studio, course: StoredCourse, session: number): Promise<ReadSession> {
	const own = course.sessions[session - 1]
	if (!own) throw new NotFoundError('The course has no such session.')
	const [taught, states] = await Promise.all([readTaught(studio, course, session), listRunStates(studio.id, course.id)])
	if (!taught) throw new NotFoundError('The course has no plan: of what is not planned nothing can be told.')
	return { taught, own, isOnTablet: states[session] !== undefined }
}

/** In the kits of the whole course. */
interface Handed {
	pastes: ToldPaste[]
	pasteKinds: ToldPaste[]
	wires: ToldWire[]
	/** Tools of which the class has fewer than students. */
	shared: ReadonlySet<string>
}

const NOTHING_HANDED: Handed = { pastes: [], pasteKinds: [], wires: [], shared: new Set() }

async function readHanded(studio: Studio, course: StoredCourse): Promise<Handed> {
	const { kit } = await readKit(studio, course)
	if (!kit) return NOTHING_HANDED
	const withKey = (line: PasteTotal): ToldPaste => ({ ...line, key: pasteUseKey(line.paste, line.kind) })
	return {
		// As a whole a paste is known by its name, whatever is made of it.
		pastes: totalPaste(kit.paste).map((line) => ({ ...line, key: line.paste })),
		pasteKinds: totalPasteByKind(kit.paste).map(withKey),
		wires: totalWires(kit.wires),
		shared: new Set(kit.tools.filter(isShared).map(({ tool }) => tool)),
	}
}
