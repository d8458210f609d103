/** What an instructor does before a course and between its sessions, each with how long, from when, until when, after what. */
import type { Session } from '../course/course'
import type { ClassKit } from '../kit/class-kit'
import type { FormerPlaces } from '../kit/stock'
import type { SupplierOrders } from '../kit/shopping-list'
import type { DesignInCourse } from '../plan/compile/compile-course'
import type { CourseWait, TaskSource } from '../plan/compile/compiled-course'
import { minutesAhead } from '../plan/tell/drying-ahead'
import type { StoryPlace } from '../plan/tell/elsewhere-story'
import { sourcesOf, type PlanStory } from '../plan/tell/plan-story'
import { present } from '../present'
import { addDays } from '../time/calendar'
import type { WallTime } from '../time/wall-clock'
import type { DryingStage } from '../vocabulary/drying-stage'
import { listDueOrders, listReady } from './course-calendar'
import type { MakeUp } from './make-up'
import { liesOn, type Lying } from './lies-on'
import { USUAL_PREP_TERMS, type PrepTerms } from './prep-terms'

export type PrepWork =
	| { kind: 'order'; supplierName: string; count: number }
	/** For what is made ahead, or for the class. */
	| { kind: 'colour'; count: number; isAhead: boolean }
	| { kind: 'glue' }
	| { kind: 'make'; source: TaskSource; isBrought: boolean; part?: { number: number; of: number } }
	| { kind: 'wires'; count: number }
	| { kind: 'print' }
	| { kind: 'tools' }
	| { kind: 'pack'; kits: number }
	/** Dried pieces for who missed a session; `missedOn`: YYYY-MM-DD. */
	| { kind: 'make up'; pieces: MakeUp['pieces']; students: number; missedOn: string }
	| { kind: 'look'; source: TaskSource; stage: DryingStage | undefined }

export interface PrepTask {
	/** Unique in a studio, and the same whenever the course is looked at again. */
	id: string
	courseId: number
	work: PrepWork
	/** Whole, >= 1. */
	minutes: number
	earliest: WallTime
	/** By which it should have ended; what has to dry after it is taken off. */
	latest: WallTime
	/** YYYY-MM-DD: of the session that it is for. */
	forDate: string
	/** Minutes after the end of others, by id. */
	after: { id: string; lag: number }[]
	/** What it makes gets old. */
	isFresh?: boolean
	/** What it makes dries. */
	isDrying?: boolean
	/** So long, minutes of the clock; absent: it does not dry. */
	dryMinutes?: number
	/** While it dries, on what the studio counts. */
	lies?: Lying
}

export interface CourseToPrepare {
	id: number
	/** At least one. */
	sessions: readonly Session[]
	story: PlanStory
	kit: ClassKit
	designs: readonly DesignInCourse[]
	/** To dry on; absent: of everything there is enough. */
	places?: FormerPlaces
}

/** In the order of the work; what is ordered is apart, since it hangs on the day and on the shelf. */
export function listPrepTasks(course: CourseToPrepare, terms: PrepTerms = USUAL_PREP_TERMS): PrepTask[] {
	const list = new TaskList(course, terms)
	return [...list.before(), ...list.between()]
}

/**
 * What is made for who was away.
 *
 * @param students - who get dried pieces, by the number of the session that they missed
 */
export function listMakeUpTasks(
	courseId: number,
	makeUps: readonly MakeUp[],
	students: ReadonlyMap<number, number>,
): PrepTask[] {
	return makeUps.flatMap(({ session, pieces, minutes, earliest, latest, forDate }): PrepTask[] => {
		const count = students.get(session) ?? 0
		if (count === 0) return []
		return [
			{
				id: taskId(courseId, `make-up-${session}`),
				courseId,
				work: { kind: 'make up', pieces, students: count, missedOn: earliest.date },
				minutes: count * minutes,
				...{ earliest, latest, forDate },
				after: [],
				isDrying: true,
			},
		]
	})
}

/** What is ordered for a course, by supplier. */
export function listOrderTasks(
	{ id, sessions }: Pick<CourseToPrepare, 'id' | 'sessions'>,
	orders: readonly SupplierOrders[],
	terms: PrepTerms = USUAL_PREP_TERMS,
): PrepTask[] {
	const { date } = present(sessions[0], 'the first session')
	return listDueOrders(orders).map(({ key, orderBy, supplierName, count }) => ({
		id: taskId(id, key),
		courseId: id,
		work: { kind: 'order', supplierName, count },
		minutes: terms.orderMinutes,
		earliest: { date: addDays(orderBy, -terms.earliestDays), minuteOfDay: 0 },
		latest: { date: orderBy, minuteOfDay: LAST_MINUTE },
		forDate: date,
		after: [],
	}))
}

function taskId(courseId: number, key: string): string {
	return `course-${courseId} ${key}`
}

class TaskList {
	readonly #course: CourseToPrepare
	readonly #terms: PrepTerms
	readonly #sources: Map<string, TaskSource>
	readonly #earliest: WallTime
	readonly #firstDate: string
	/** By which all is packed. */
	readonly #leave: WallTime

	constructor(course: CourseToPrepare, terms: PrepTerms) {
		this.#course = course
		this.#terms = terms
		const { date, startMin } = present(course.sessions[0], 'the first session')
		this.#sources = sourcesOf(course.story)
		this.#firstDate = date
		this.#earliest = { date: addDays(date, -terms.earliestDays), minuteOfDay: 0 }
		this.#leave = earlier({ date, minuteOfDay: startMin }, terms.leaveMinutes)
	}

	before(): PrepTask[] {
		const { kit, story } = this.#course
		const terms = this.#terms
		const wireCount = kit.wires.reduce(
			(sum, { lines }) => sum + lines.reduce((own, { shares }) => own + shares.total, 0),
			0,
		)
		const tinted = kit.colours.filter(({ gelMg }) => gelMg > 0)
		const isAhead = ({ colourBy }: { colourBy: string }) => colourBy < kit.dates.beforeClass
		const ahead = tinted.filter(isAhead)
		const forClass = tinted.filter((batch) => !isAhead(batch))
		const wires =
			wireCount > 0 ? [this.#task('wires', { kind: 'wires', count: wireCount }, wireCount * terms.wireMinutes)] : []
		const glue = this.#task('glue', { kind: 'glue' }, terms.glueMinutes)
		const colourAhead = this.#colour('colour-ahead', ahead.length, true)
		const colour = this.#colour('colour', forClass.length, false)
		const used = [
			...waitFor(wires, 0),
			...waitFor([glue], terms.glueRestMinutes),
			...waitFor(colourAhead, terms.restMinutes),
		]
		const made = [
			...story.swaps.flatMap(({ fromTaskId, prepMinutes, wait, neededAt }) => {
				const source = this.#sources.get(fromTaskId)
				return source
					? this.#make({ taskId: fromTaskId, source, minutes: prepMinutes, wait, neededAt, isBrought: true }, used)
					: []
			}),
			...story.ahead.flatMap(({ taskId, source, minutes, dries, neededAt }) =>
				this.#make({ taskId, source, minutes, wait: dries?.wait, neededAt, isBrought: false }, used),
			),
		]
		const kits = this.#course.kit.studentCount
		const pack = this.#task('pack', { kind: 'pack', kits }, (kits + 1) * terms.packMinutes)
		return [
			...wires,
			...colourAhead,
			...colour,
			glue,
			...this.#chain(made),
			this.#task('print', { kind: 'print' }, terms.printMinutes),
			this.#task('tools', { kind: 'tools' }, terms.toolsMinutes),
			...inParts(
				{ ...pack, after: [...waitFor(wires, 0), ...waitFor([glue], 0), ...waitFor(colour, terms.restMinutes)] },
				terms.longestGoMinutes,
			),
		]
	}

	/** Trays that lie from one session to another. */
	between(): PrepTask[] {
		return listReady(this.#course.story).map(({ key, at, source, stage, neededAt }) => {
			const task = this.#task(key, { kind: 'look', source, stage }, this.#terms.lookMinutes)
			return { ...task, earliest: at, latest: neededAt, forDate: neededAt.date }
		})
	}

	#task(key: string, work: PrepWork, minutes: number): PrepTask {
		const { id: courseId } = this.#course
		return {
			id: taskId(courseId, key),
			courseId,
			work,
			minutes: Math.max(1, Math.ceil(minutes)),
			earliest: this.#earliest,
			latest: this.#leave,
			forDate: this.#firstDate,
			after: [],
		}
	}

	#colour(key: string, count: number, isAhead: boolean): PrepTask[] {
		if (count === 0) return []
		const task = this.#task(key, { kind: 'colour', count, isAhead }, count * this.#terms.colourMinutes)
		return [{ ...task, latest: earlier(this.#leave, this.#terms.restMinutes), isFresh: true }]
	}

	#make(
		{ taskId, source, minutes, wait, neededAt, isBrought }: ToMake,
		after: PrepTask['after'],
	): { taskId: string; parts: PrepTask[] }[] {
		if (source.type === 'demo' || minutes === 0) return []
		const { date, startMin } = present(
			this.#course.sessions[neededAt?.session ?? 0],
			'the session that needs what is made ahead',
		)
		const task = this.#task(`make-${taskId}`, { kind: 'make', source, isBrought }, minutes)
		const dry = wait ? minutesAhead(wait) : 0
		const latest = earlier({ date, minuteOfDay: startMin }, Math.max(dry, this.#terms.leaveMinutes))
		const { designs, places = {}, kit } = this.#course
		const lies = dry > 0 ? liesOn(source, { designs, places, times: kit.studentCount }) : undefined
		const drying = dry > 0 && { dryMinutes: Math.ceil(dry), ...(lies && { lies }) }
		const parts = inParts(
			{ ...task, latest, forDate: date, after, isDrying: dry > 0, ...drying },
			this.#terms.longestGoMinutes,
			lies && places[lies.former],
		)
		return [{ taskId, parts }]
	}

	/** What goes on ahead with something made ahead waits for it. */
	#chain(made: readonly { taskId: string; parts: PrepTask[] }[]): PrepTask[] {
		const lastOf = (taskId: string) => made.find((one) => one.taskId === taskId)?.parts.at(-1)
		return made.flatMap(({ taskId, parts }) => {
			const waits = this.#course.story.ahead.flatMap(({ taskId: before, leadsTo = [] }) => {
				const own = leadsTo.find((next) => next.taskId === taskId)
				const last = lastOf(before)
				return own && last ? [{ id: last.id, lag: own.wait ? minutesAhead(own.wait) : 0 }] : []
			})
			return parts.map((part, p) => (p === 0 ? { ...part, after: [...part.after, ...waits] } : part))
		})
	}
}

interface ToMake {
	taskId: string
	source: TaskSource
	minutes: number
	wait: CourseWait | undefined
	neededAt: StoryPlace | undefined
	isBrought: boolean
}

const LAST_MINUTE = 1439
const MINUTES_PER_DAY = 1440

function waitFor(tasks: readonly PrepTask[], lag: number): PrepTask['after'] {
	return tasks.map(({ id }) => ({ id, lag }))
}

/** Work that nobody does in one go, or that has no room to dry at once, in equal parts, one after the other. */
function inParts(task: PrepTask, longest: number, room = Infinity): PrepTask[] {
	const pieces = task.lies?.count ?? 0
	const of = Math.max(Math.ceil(task.minutes / longest), Math.ceil(pieces / room))
	if (of === 1) return [task]
	return Array.from({ length: of }, (_, p): PrepTask => {
		const shareOf = (whole: number) => Math.floor(((p + 1) * whole) / of) - Math.floor((p * whole) / of)
		const work = task.work.kind === 'make' ? { ...task.work, part: { number: p + 1, of } } : task.work
		// The last part bears the name of the whole: what waits for it waits for all.
		const id = p === of - 1 ? task.id : `${task.id} part ${p + 1}`
		const after = p === 0 ? task.after : [{ id: `${task.id} part ${p}`, lag: 0 }]
		const lies = task.lies && { ...task.lies, count: shareOf(pieces) }
		// Nothing is taken up in less than a minute.
		return { ...task, id, work, minutes: Math.max(1, shareOf(task.minutes)), after, ...(lies && { lies }) }
	})
}

/** So many minutes before, on the wall clock. */
function earlier({ date, minuteOfDay }: WallTime, minutes: number): WallTime {
	const left = minuteOfDay - Math.ceil(minutes)
	const days = Math.floor(left / MINUTES_PER_DAY)
	return { date: addDays(date, days), minuteOfDay: left - days * MINUTES_PER_DAY }
}
