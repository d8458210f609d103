/** The work before class of the studio's coming courses, laid into one member's free time: at once as it was laid, or quickly. */
import type { Relief } from '../../core/prepare/find-relief'
import type { FreeTime } from '../../core/prepare/free-time'
import { layPreparation, type HandsTerms, type LaidPreparation } from '../../core/prepare/lay-preparation'
import { comparePrep } from '../../core/prepare/schedule/prep-problem'
import type { PrepTask } from '../../core/prepare/prep-tasks'
import { BusyError } from '../../core/errors'
import { getFreeTime, type Studio } from '../../db/repositories/accounts.server'
import type { Member } from '../../db/repositories/sign-ins.server'
import { getLaidPreparation, keepLaidPreparation } from '../../db/repositories/course-preparations.server'
import { listPrepMarks, type PrepMarks } from '../../db/repositories/prep-marks.server'
import { solve } from '../plan/solving/solver-pool.server'
import { log } from '../shared/http/log.server'
import { toWallTime } from '../../core/time/wall-clock'
import type { FormerPlaces } from '../../core/kit/stock'
import { wallTimeOf } from '../shared/http/studio-clock.server'
import { keyOf } from '../shared/http/remember.server'
import { readPreparedCourses, type PreparedCourse } from './prepared-courses.server'

/** Raised when the same work would be laid otherwise. */
const LAYING_VERSION = 2
/** A page waits so long for courses that were not reckoned before: some of them. */
const PAGE_MS = 800
/** Of the search behind the page. */
const IMPROVE_MS = 4_000

interface LaidDocument {
	laid: LaidPreparation
	/** Absent: it is not known yet. */
	relief?: Relief[]
}

export interface Preparation extends LaidPreparation {
	/** Each would bring everything in time; undefined: what would is being looked for. */
	relief: Relief[] | undefined
	/** A better one is being looked for behind the page. */
	isImproving: boolean
	courses: PreparedCourse[]
	/** Courses that are being reckoned behind the page. */
	pendingCount: number
	tasks: PrepTask[]
	marks: PrepMarks
	freeTime: FreeTime
	/** With which it was, or would be, laid. */
	terms: HandsTerms
}

/** Members whose work is being laid better, with what it is laid from. */
const improving = new Map<number, string>()

/**
 * @param now - YYYY-MM-DDTHH:MM on the studio's clock
 * @param budgetMs - for courses that were not reckoned before; Infinity: it waits for all
 */
export async function loadPreparation(
	{ userId, studio }: Pick<Member, 'userId' | 'studio'>,
	now: string,
	budgetMs = PAGE_MS,
): Promise<Preparation> {
	const [date = ''] = now.split('T')
	const [{ courses, places, pendingCount }, freeTime] = await Promise.all([
		readPreparedCourses(studio, date, budgetMs),
		getFreeTime(userId),
	])
	const [marks, kept] = await Promise.all([listPrepMarks(courses.map(({ id }) => id)), getLaidPreparation(userId)])
	const tasks = courses.flatMap((course) => course.tasks)
	const terms = termsOf(studio, { now, freeTime, marks, courses, places })
	// The minute does not count: what was laid this morning stands all day, whatever has been done of it since.
	const inputKey = keyOf([LAYING_VERSION, tasks, freeTime, marks.settled, terms.busy, places, date])
	const document =
		kept?.inputKey === inputKey ? (kept.document as LaidDocument) : await layQuickly(userId, { tasks, terms, inputKey })
	if (kept?.inputKey !== inputKey && tasks.length > 0)
		void improveBehind(userId, studio, { tasks, terms, inputKey, before: document })
	return {
		...document.laid,
		relief: document.relief,
		isImproving: improving.get(userId) === inputKey,
		courses,
		pendingCount,
		tasks,
		marks,
		freeTime,
		terms,
	}
}

interface Known {
	now: string
	freeTime: FreeTime
	marks: PrepMarks
	courses: readonly PreparedCourse[]
	places: FormerPlaces
}

function termsOf(studio: Studio, { now, freeTime, marks, courses, places }: Known): HandsTerms {
	const { date, minuteOfDay } = toWallTime(now)
	return {
		zone: studio.timeZone,
		// A quarter of an hour begins now, not some seconds ago.
		now: { date, minuteOfDay: 15 * Math.ceil(minuteOfDay / 15) },
		freeTime,
		busy: courses.flatMap(({ sessions }) =>
			sessions.map(({ date: day, startMin, endMin }) => ({ date: day, startMin, endMin })),
		),
		settled: new Map(marks.settled),
		places,
		done: new Map(marks.done.map(([id, doneAt]) => [id, toWallTime(wallTimeOf(doneAt, studio.timeZone))])),
	}
}

interface ToLay {
	tasks: readonly PrepTask[]
	terms: HandsTerms
	inputKey: string
}

async function layQuickly(userId: number, { tasks, terms, inputKey }: ToLay): Promise<LaidDocument> {
	const document: LaidDocument = { laid: layPreparation(tasks, terms, { steps: 0 }) }
	await keepLaidPreparation(userId, { inputKey, document })
	return document
}

/** Looks for a better one in the solver's threads; it is kept unless something has changed meanwhile. */
async function improveBehind(
	userId: number,
	studio: Studio,
	{ tasks, terms, inputKey, before }: ToLay & { before: LaidDocument },
): Promise<void> {
	improving.set(userId, inputKey)
	try {
		const found = await solve<'prepare'>(studio.id, { kind: 'prepare', tasks, terms, timeMs: IMPROVE_MS }, 'later')
		const kept = await getLaidPreparation(userId)
		if (kept?.inputKey !== inputKey) return
		const isBetter =
			comparePrep(found.laid.objective, before.laid.objective) < 0 ||
			found.laid.proven.length > before.laid.proven.length
		const laid = isBetter ? found.laid : before.laid
		await keepLaidPreparation(userId, { inputKey, document: { laid, relief: found.relief } })
	} catch (error) {
		// The quick one stands.
		if (!(error instanceof BusyError)) log.error({ err: error }, 'work before class could not be laid better')
	} finally {
		if (improving.get(userId) === inputKey) improving.delete(userId)
	}
}
