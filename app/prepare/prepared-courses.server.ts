/** What coming courses ask for before class, reckoned once from plan and kits and kept: a calendar of many opens at once. */
import { LRUCache } from 'lru-cache'
import {
	listNeeds,
	listShopping,
	ordersBySupplier,
	type ClassNeed,
	type SupplierOrders,
} from '../../core/kit/shopping-list'
import { formerPlacesOf, type FormerPlaces, type Stock } from '../../core/kit/stock'
import { listCalendar, listOrderEntries, type CalendarEntry } from '../../core/prepare/course-calendar'
import { listMakeUps, type MakeUp } from '../../core/prepare/make-up'
import { listMakeUpTasks, listOrderTasks, listPrepTasks, type PrepTask } from '../../core/prepare/prep-tasks'
import type { PrepTerms } from '../../core/prepare/prep-terms'
import type { Session } from '../../core/course/course'
import { addDays } from '../../core/time/calendar'
import type { Studio } from '../../db/repositories/accounts.server'
import {
	getCoursePreparations,
	keepCoursePreparation,
	listComingCourses,
	type ComingCourse,
} from '../../db/repositories/course-preparations.server'
import { getCourse } from '../../db/repositories/courses.server'
import { listWaysBack } from '../../db/repositories/runs.server'
import { readStock, toStock } from '../../db/repositories/stock/read-stock.server'
import { readKit } from '../kit/read-kit.server'
import { toldPlan } from '../plan/told-plan.server'
import { log } from '../shared/http/log.server'
import { keyOf, remember } from '../shared/http/remember.server'

/** Raised when the same plan would be prepared otherwise. */
const PREPARING_VERSION = 3
/** Nothing is prepared earlier: orders go out three weeks before. */
const DAYS_AHEAD = 60
/** Of a studio; what comes later is laid when its time has come. */
const MOST_COURSES = 60

/** As it is kept: what hangs on the day and on the shelf is apart. */
interface PreparedDocument {
	hasPlan: boolean
	sessions: Session[]
	tasks: PrepTask[]
	entries: CalendarEntry[]
	needs: ClassNeed[]
	makeUps: MakeUp[]
}

export interface PreparedCourse {
	id: number
	name: string
	/** Without one it has its sessions, and nothing else. */
	hasPlan: boolean
	sessions: Session[]
	tasks: PrepTask[]
	entries: CalendarEntry[]
}

export interface PreparedCourses {
	courses: PreparedCourse[]
	/** To dry on, on the shelf. */
	places: FormerPlaces
	/** That are being reckoned behind the page, and are not among these yet. */
	pendingCount: number
}

/**
 * @param date - today, as 2026-03-02
 * @param budgetMs - a page waits so long for what was not reckoned before; the rest is reckoned behind it. Absent: it waits for all
 */
export async function readPreparedCourses(studio: Studio, date: string, budgetMs = Infinity): Promise<PreparedCourses> {
	const until = addDays(date, DAYS_AHEAD)
	const [coming, stored] = await Promise.all([
		listComingCourses(studio.id, { date, until, most: MOST_COURSES }),
		readStock(studio.id),
	])
	const stock = toStock(stored)
	const stockKey = keyOf(stock)
	const keyed = coming.map((course) => ({
		course,
		inputKey: keyOf([PREPARING_VERSION, studio.version, stock.items, course]),
	}))
	const kept = await readKept(keyed)
	const waysBack = await listWaysBack(coming.map(({ id }) => id))
	const end = performance.now() + budgetMs
	const prepared: PreparedCourse[] = []
	const pending: ComingCourse[] = []
	// One after the other: each is reckoned on this thread anyway.
	for (const { course, inputKey } of keyed) {
		const before = kept.get(course.id)
		if (!before && performance.now() >= end) {
			pending.push(course)
			continue
		}
		const document = before ?? (await prepare(studio, course, stock))
		const orders =
			document.needs.length === 0
				? []
				: rememberOrders([course.id, inputKey, stockKey, date], () =>
						ordersBySupplier(listShopping(document.needs, stock, date).lines),
					)
		const students = waysBack.get(course.id) ?? new Map<number, number>()
		prepared.push(withOrders(course, document, { orders, students }, { date, terms: studio.prepTerms }))
	}
	if (pending.length > 0) void prepareBehind(studio, pending, stock)
	return { courses: prepared, places: formerPlacesOf(stock), pendingCount: pending.length }
}

/** What was read or reckoned here, by course and by what it was reckoned from: of those that are looked at again and again. */
const knownDocuments = new LRUCache<string, PreparedDocument>({ max: 600 })

/** By course, where it was reckoned from just that. */
async function readKept(
	keyed: readonly { course: ComingCourse; inputKey: string }[],
): Promise<Map<number, PreparedDocument>> {
	const kept = new Map<number, PreparedDocument>()
	const unknown = keyed.filter(({ course: { id }, inputKey }) => {
		const document = knownDocuments.get(`${id} ${inputKey}`)
		if (document) kept.set(id, document)
		return !document
	})
	if (unknown.length === 0) return kept
	const stored = await getCoursePreparations(unknown.map(({ course: { id } }) => id))
	for (const { course, inputKey } of unknown) {
		const before = stored.get(course.id)
		if (before?.inputKey !== inputKey) continue
		const document = before.document as PreparedDocument
		knownDocuments.set(`${course.id} ${inputKey}`, document)
		kept.set(course.id, document)
	}
	return kept
}

/** Studios whose courses are being reckoned behind a page. */
const preparing = new Set<number>()

async function prepareBehind(studio: Studio, pending: readonly ComingCourse[], stock: Stock): Promise<void> {
	if (preparing.has(studio.id)) return
	preparing.add(studio.id)
	try {
		for (const course of pending) await prepare(studio, course, stock)
	} catch (error) {
		// The next page that is opened begins again.
		log.error({ err: error }, 'courses could not be prepared behind a page')
	} finally {
		preparing.delete(studio.id)
	}
}

/** Reckons it from plan and kits, and keeps it for the next time. */
async function prepare(studio: Studio, coming: ComingCourse, stock: Stock): Promise<PreparedDocument> {
	const course = await getCourse(studio.id, coming.id)
	const current = await readKit(studio, course)
	const story = toldPlan(current)?.story
	const { kit, planId, designs } = current
	const hasPlan = story !== undefined && !story.shortfall && kit !== undefined
	const { id, sessions } = course
	const document: PreparedDocument = {
		hasPlan,
		sessions,
		tasks: hasPlan
			? listPrepTasks({ id, sessions, story, kit, designs, places: formerPlacesOf(stock) }, studio.prepTerms)
			: [],
		entries: listCalendar(course, hasPlan ? story : undefined),
		needs: hasPlan ? listNeeds(kit) : [],
		makeUps: hasPlan ? listMakeUps(current.coursePlan.compiled, designs, story, sessions) : [],
	}
	// Its plan may have been made just now.
	const inputKey = keyOf([PREPARING_VERSION, studio.version, stock.items, { ...coming, planId }])
	await keepCoursePreparation(id, { inputKey, document })
	return document
}

const rememberOrders = remember<SupplierOrders[]>(300)

function withOrders(
	{ id, name }: ComingCourse,
	{ sessions, tasks, entries, hasPlan, makeUps }: PreparedDocument,
	{ orders, students }: { orders: readonly SupplierOrders[]; students: ReadonlyMap<number, number> },
	{ date, terms }: { date: string; terms: PrepTerms },
): PreparedCourse {
	const ordering = listOrderTasks({ id, sessions }, orders, terms)
	const makingUp = listMakeUpTasks(id, makeUps, students)
	return {
		id,
		name,
		hasPlan,
		sessions,
		tasks: [...ordering, ...tasks, ...makingUp].filter(({ forDate }) => forDate >= date),
		entries: [...entries, ...listOrderEntries(orders)],
	}
}
