/** A session told by hand: what may be said of it, what was said before, and keeping it. */
import { ConflictError, InputError, NotFoundError } from '../../core/errors'
import { totalPaste, type PasteTotal } from '../../core/kit/paste-totals'
import type { SeenInClass } from '../../core/learn/seen'
import { observeForm, tasksOf } from '../../core/run/observe-run'
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
	/** Weighed back after the last session; grams. */
	pastes: (PasteTotal & { leftG?: number })[]
}

export interface ToldForm {
	studentCount: number
	told: 'most' | 'all'
	minutes: { task: string; minutes: number }[]
	broken: { part: string; pieces: number }[]
	left: { paste: string; leftG: number }[]
}

/** @throws {NotFoundError} the course has no such session, or no plan */
export async function loadTold(studio: Studio, course: StoredCourse, session: number): Promise<ToldPage> {
	const { taught, isOnTablet, own } = await readSession(studio, course, session)
	const [rows, pastes] = await Promise.all([
		listSessionObservations(studio.id, { courseId: course.id, session }),
		session === course.sessions.length ? listPastes(studio, course) : [],
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
	// A flower as a whole has no pieces.
	const parts = tasksOf(taught.plan).flatMap(({ source }) => (source.partId === undefined ? [] : [source.partName]))
	return {
		...{ courseId: course.id, session, date: own.date, isOnTablet, tasks, ...whoWere(first, course) },
		sessionName: sessionName(own.startMin, session),
		isToCome: own.date > today(studio.timeZone),
		parts: [...new Set(parts)].map((name) => ({ name, ...brokenBefore(rows, name) })),
		pastes: pastes.map((line) => {
			const row = before.get(idOf(line.paste))
			return { ...line, ...(row?.kind === 'paste' && { leftG: Math.round(line.handedG - row.observation.usedG) }) }
		}),
	}
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
	const pastes = session === course.sessions.length ? await listPastes(studio, course) : []
	const weighed = form.left.map(({ paste, leftG }, k): SeenInClass => {
		const line = pastes.find((one) => one.paste === paste)
		if (!line || leftG >= line.handedG)
			throw new InputError([{ path: `left[${k}].leftG`, message: 'More is left than was handed out' }])
		const head = { id: `course ${course.id} ${session} ${paste}`, classId: `course ${course.id}`, date: own.date }
		return {
			...{ kind: 'paste', className: `${course.name}, ${sessionName(own.startMin, session)}` },
			observation: { ...head, paste, reckonedG: line.reckonedG, usedG: line.handedG - leftG },
		}
	})
	if (!isOnTablet) {
		const seen = observeForm(
			{
				...{ studentCount: form.studentCount, told: form.told },
				minutes: Object.fromEntries(form.minutes.map(({ task, minutes }) => [task, minutes])),
				broken: Object.fromEntries(form.broken.map(({ part, pieces }) => [part, pieces])),
			},
			taught.plan,
			taughtCourse(course, taught),
		)
		const observations = nameSeen(seen, { course, session, taught })
		await keepSessionObservations(studio.id, run, { source: 'form', kinds: ['minutes', 'breakage'], observations })
	}
	await keepSessionObservations(studio.id, run, { source: 'form', kinds: ['paste'], observations: weighed })
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

/** Of the kits of the whole course. */
async function listPastes(studio: Studio, course: StoredCourse): Promise<PasteTotal[]> {
	const { kit, coursePlan } = await readKit(studio, course)
	return totalPaste(kit?.paste ?? [], coursePlan.terms.learnt?.paste)
}
