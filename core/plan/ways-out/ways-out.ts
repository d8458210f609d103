/**
 * Ways out for a course that does not fit: each is a change of the course, of what a design allows, or of the air, and
 * each is tried: planned anew, and found to fit, or proven not to.
 */
import { present } from '../../present'
import type { Climate } from '../../drying/climate'
import { lagMinutes, type Instance, type Task } from '../problem/instance'
import { planExactly, type ExactPlan } from '../exact/plan-exactly'
import type { Objective } from '../problem/objective'
import type { DesignInCourse } from '../compile/compile-course'
import { compileCourse } from '../compile/compile-course'
import { listEndless } from '../compile/find-endless'
import type { CompiledCourse, TaskSource } from '../compile/compiled-course'
import type { Course } from '../../course/course'
import { roomOf, storeOf, type DryingTerms } from '../compile/drying-terms'
import { withExtraSession } from '../../course/extra-session'
import { INSTRUCTOR_FACTOR } from '../../course/pace'
import type { CoursePlan, PlanningEffort } from '../plan-course'

/** A change that might make a course fit. */
export type WayOut =
	/** Of a wait that never ends: no longer than until it is as dry as it gets, though soft inside. */
	| { kind: 'settled'; from: TaskSource; to: TaskSource; key: string; minutes: number }
	| { kind: 'session'; date: string }
	/** The last session ends so many minutes later. */
	| { kind: 'longer'; minutes: number }
	/** Dried pieces are brought in exchange, where the design does not allow it yet. */
	| { kind: 'swap'; from: TaskSource; to: TaskSource }
	/** All steps of a part are made ahead, where the design does not allow it yet. */
	| { kind: 'ahead'; designName: string; partName: string }
	| { kind: 'smaller'; design: number; designName: string; flowers: number }
	/** All places of the course have air like this; % relative humidity. */
	| { kind: 'drier'; humidityPercent: number; temperatureC: number }

/** A way out and what came of trying it. */
export interface TriedWay {
	way: WayOut
	/** Undecided where the time was too short to know. */
	verdict: 'fits' | 'does not fit' | 'not decided'
	/** Of the plan that fits. */
	objective?: Objective
}

/** Air that a dehumidifier and some heating can give. */
const DRY_AIR = { temperatureC: 23, humidity: 0.4 }
/** Swaps, and parts made ahead, that are tried: those that promise most. */
const MOST_OF_A_KIND = 3
/** Waits that are longer are all the same; those without end among them, min. */
const MOST_LAG = 1_000_000
/** A later end changes waits, and they the shortfall: after a few rounds it has settled, or never does. */
const MOST_EXTENSIONS = 4

/** The ways out of a course that does not fit, one after the other as they are tried. */
export function* tryWaysOut(
	{ course, compiled, terms, objective }: CoursePlan,
	designs: readonly DesignInCourse[],
	effortOf: () => PlanningEffort,
): Generator<TriedWay> {
	const tried = (way: WayOut, changed: CompiledCourse): TriedWay => {
		const { status, objective: reached } = planExactly(changed.instance, effortOf())
		const fits = status === 'optimal' || status === 'feasible'
		const isRefuted = status === 'impossible' || status === 'infeasible'
		if (fits && reached) return { way, verdict: 'fits', objective: reached }
		return { way, verdict: isRefuted ? 'does not fit' : 'not decided' }
	}
	const recompiled = (change: Partial<Course>, changedTerms = terms) => {
		return compileCourse({ ...course, ...change }, designs, changedTerms)
	}
	for (const way of settledWays(compiled))
		yield tried(way, recompiled({ waits: { ...course.waits, [way.key]: way.minutes } }))
	const drier = isDamp(course, terms) ? tryDrier() : undefined
	// What never dries needs other air or other pieces first of all; more time comes last.
	const isEndless = listEndless(compiled.instance).length > 0
	if (drier && isEndless) yield drier
	const longer = withExtraSession(course)
	const { date } = present(longer.sessions.at(-1), 'the last session')
	yield tried({ kind: 'session', date }, recompiled({ sessions: longer.sessions }))
	const later = longerSession(course, objective?.shortfall ?? 0, (sessions) =>
		planExactly(recompiled({ sessions }).instance, effortOf()),
	)
	if (later) yield later
	for (const { way, instance } of [...swapsNotAllowed(compiled, course), ...partsNotAhead(compiled, course)]) {
		yield tried(way, { ...compiled, instance })
	}
	for (const [d, { design, flowersPerStudent }] of designs.entries()) {
		if (flowersPerStudent < 2) continue
		const fewer = designs.map((item, k) => (k === d ? { ...item, flowersPerStudent: flowersPerStudent - 1 } : item))
		const way: WayOut = { kind: 'smaller', design: d, designName: design.name, flowers: flowersPerStudent - 1 }
		yield tried(way, compileCourse(withFlowers(course, d, flowersPerStudent - 1), fewer, terms))
	}
	if (drier && !isEndless) yield drier

	function tryDrier(): TriedWay {
		const { temperatureC, humidity } = DRY_AIR
		const way: WayOut = { kind: 'drier', temperatureC, humidityPercent: Math.round(100 * humidity) }
		return tried(way, recompiled({}, withDryAir(terms)))
	}
}

/** Waits that never end but may be shorter, since nothing hangs on the piece. */
function settledWays({ instance, arcs, tasks }: CompiledCourse) {
	return instance.arcs.flatMap((arc, a) => {
		const { wait } = arcs[a] ?? {}
		const [from, to] = [tasks[arc.from], tasks[arc.to]]
		if (!wait || wait.basis === 'by hand' || wait.settledMinutes === undefined || !from || !to) return []
		return [{ kind: 'settled' as const, from, to, key: wait.key, minutes: wait.settledMinutes }]
	})
}

/**
 * The last session as much longer as it takes. A later end may lengthen a wait, since pieces then stay longer in the
 * room: so the minutes are added until it fits, a few times.
 */
function longerSession(
	course: Course,
	shortfall: number,
	plan: (sessions: Course['sessions']) => ExactPlan,
): TriedWay | undefined {
	let minutes = shortfall
	for (let attempt = 0; attempt < MOST_EXTENSIONS; attempt++) {
		if (minutes === 0 || !endsOnTheDay(course, minutes)) return undefined
		const { status, objective } = plan(withLaterEnd(course, minutes))
		const way: WayOut = { kind: 'longer', minutes }
		if (status === 'optimal' || status === 'feasible') return { way, verdict: 'fits', ...(objective && { objective }) }
		if (status !== 'infeasible' || !objective)
			return { way, verdict: status === 'impossible' ? 'does not fit' : 'not decided' }
		minutes += objective.shortfall
	}
	return { way: { kind: 'longer', minutes }, verdict: 'not decided' }
}

/** The sessions with the last one ending later. */
export function withLaterEnd({ sessions }: Pick<Course, 'sessions'>, minutes: number): Course['sessions'] {
	return sessions.map((session, s) => {
		return s === sessions.length - 1 ? { ...session, endMin: session.endMin + minutes } : session
	})
}

/** The course with another number of flowers of one design. */
export function withFlowers(course: Course, design: number, flowersPerStudent: number): Course {
	return { ...course, designs: course.designs.map((item, d) => (d === design ? { ...item, flowersPerStudent } : item)) }
}

/** Nobody teaches past midnight. */
function endsOnTheDay({ sessions }: Course, minutes: number): boolean {
	return present(sessions.at(-1), 'the last session').endMin + minutes < 1440
}

/** Whether drier air would be a way out at all. */
function isDamp({ sessions, storeId }: Course, terms: DryingTerms): boolean {
	const places = [...sessions.map(({ roomId }) => roomOf(terms, roomId)), storeOf(terms, storeId)]
	return places.some(({ climate }) => meanHumidity(climate) > DRY_AIR.humidity)
}

/** Relative, over the day. */
function meanHumidity(climate: Climate): number {
	if (climate.type === 'steady') return climate.humidity
	return climate.hours.reduce((total, { humidity }) => total + humidity, 0) / climate.hours.length
}

/** All places as dry as a household dryer makes them. */
function withDryAir(terms: DryingTerms): DryingTerms {
	const climate: Climate = { type: 'steady', ...DRY_AIR }
	// Where nothing is known of the studio's places, an ordinary room stands for them.
	const places = terms.places.length > 0 ? terms.places : [roomOf(terms, undefined)]
	return { ...terms, places: places.map((place) => ({ ...place, climate })) }
}

/** The longest waits that no dried piece may shorten yet, each with it; the minutes are those of the step before it. */
function swapsNotAllowed({ instance, tasks }: CompiledCourse, course: Course): { way: WayOut; instance: Instance }[] {
	const minutesOf = new Map(instance.tasks.map((task) => [task.id, aloneMinutes(task, course)]))
	return instance.arcs
		.map((arc, a) => ({ arc, a }))
		.filter(({ arc }) => arc.lag !== 0 && arc.swapPrep === undefined && arc.swap === undefined)
		.sort((one, other) => Math.min(MOST_LAG, lagMinutes(other.arc)) - Math.min(MOST_LAG, lagMinutes(one.arc)))
		.flatMap(({ arc, a }) => {
			const [from, to] = [tasks[arc.from], tasks[arc.to]]
			if (!from || !to) return []
			const swapPrep = present(minutesOf.get(arc.from), 'the step before a wait')
			const arcs = instance.arcs.map((other, k) => (k === a ? { ...other, swapPrep } : other))
			return [{ way: { kind: 'swap' as const, from, to }, instance: { ...instance, arcs } }]
		})
		.slice(0, MOST_OF_A_KIND)
}

/** The parts with the most minutes that may not be made ahead yet, each made ahead. */
function partsNotAhead({ instance, tasks }: CompiledCourse, course: Course): { way: WayOut; instance: Instance }[] {
	const parts = new Map<string, { designName: string; partName: string; ids: Set<string>; minutes: number }>()
	for (const task of instance.tasks) {
		const source = tasks[task.id]
		if (source?.type !== 'step' || source.partId === undefined || task.places?.includes('ahead')) continue
		const key = `${source.designId}/${source.partId}`
		const part = parts.get(key) ?? {
			designName: source.designName,
			partName: source.partName,
			ids: new Set(),
			minutes: 0,
		}
		part.ids.add(task.id)
		part.minutes += aloneMinutes(task, course)
		parts.set(key, part)
	}
	return [...parts.values()]
		.sort((a, b) => b.minutes - a.minutes)
		.slice(0, MOST_OF_A_KIND)
		.map(({ designName, partName, ids }) => ({
			way: { kind: 'ahead', designName, partName },
			instance: {
				...instance,
				tasks: instance.tasks.map((task) => (ids.has(task.id) ? allowAhead(task, course) : task)),
			},
		}))
}

/** The instructor makes the part of the whole class herself, alone and at her own pace. */
function allowAhead<T extends Task>(task: T, course: Course): T {
	return { ...task, places: [...(task.places ?? ['class']), 'ahead'], prepMinutes: aloneMinutes(task, course) }
}

/** Minutes of the instructor alone for all students, from those of one student: an estimate, since no design says it. */
function aloneMinutes(task: Task, { studentCount }: Course): number {
	const minutes = 'units' in task ? task.units * task.unitMinutes : task.minutes
	return Math.ceil(INSTRUCTOR_FACTOR * studentCount * minutes)
}
