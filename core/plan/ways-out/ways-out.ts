/**
 * Ways out for a course that does not fit: changes of the course, of what a design allows, or of the air, alone or
 * together. Each is tried: planned anew, and found to fit, or proven not to.
 */
import { present } from '../../present'
import type { Climate } from '../../drying/climate'
import { planExactly, type ExactPlan } from '../exact/plan-exactly'
import type { DesignInCourse } from '../compile/compile-course'
import { compileCourse } from '../compile/compile-course'
import { listEndless } from '../compile/find-endless'
import type { CompiledCourse } from '../compile/compiled-course'
import type { Course } from '../../course/course'
import { roomOf, storeOf, type DryingTerms } from '../compile/drying-terms'
import { withExtraSession } from '../../course/extra-session'
import type { CoursePlan, PlanningEffort } from '../plan-course'
import { findReliefSets } from './find-relief-sets'
import { relaxInstance } from './relax-instance'
import type { TriedWay, WayOut } from './way-out'

/** Air that a dehumidifier and some heating can give. */
const DRY_AIR = { temperatureC: 23, humidity: 0.4 }
/** A later end changes waits, and they the shortfall: after a few rounds it has settled, or never does. */
const MOST_EXTENSIONS = 4

/** Sets of reliefs that are enough to choose from: of the course as it is, and of each of its variants. */
const ENOUGH_SETS = 6
const ENOUGH_OF_VARIANT = 2

export interface WaysTerms {
	/** For each search. */
	effortOf: () => PlanningEffort
	/** Changes made together, 1 to 3; absent: 3. */
	most?: number
}

/**
 * The ways out of a course that does not fit, as they are found: changes one at a time first, then such as help only
 * together.
 */
export function* tryWaysOut(
	{ course, compiled, terms, objective }: CoursePlan,
	designs: readonly DesignInCourse[],
	{ effortOf, most = 3 }: WaysTerms,
): Generator<TriedWay> {
	const isEndless = listEndless(compiled.instance).length > 0
	const recompiled = (change: Partial<Course>, changedTerms = terms) => {
		return compileCourse({ ...course, ...change }, designs, changedTerms)
	}
	const variants = listVariants()
	const failed: Variant[] = []
	for (const variant of variants.filter(({ isFirst }) => isFirst === isEndless)) yield* tryAlone(variant)
	yield* tryRelieved({ ways: [], compiled }, most, ENOUGH_SETS)
	for (const variant of variants.filter(({ isFirst }) => isFirst !== isEndless)) yield* tryAlone(variant)
	if (!isEndless) {
		const later = longerSession(course, objective?.shortfall ?? 0, (sessions) =>
			planExactly(recompiled({ sessions }).instance, effortOf()),
		)
		if (later) yield later
	}
	if (most < 2) return
	for (const variant of [...failed, ...fewerOfTwo()]) yield* tryRelieved(variant, most - 1, ENOUGH_OF_VARIANT)

	function* tryAlone(variant: Variant): Generator<TriedWay> {
		const { status, objective: reached } = planExactly(variant.compiled.instance, effortOf())
		const fits = status === 'optimal' || status === 'feasible'
		if (fits && reached) return yield { ways: variant.ways, verdict: 'fits', objective: reached }
		failed.push(variant)
		const isRefuted = status === 'impossible' || status === 'infeasible'
		yield { ways: variant.ways, verdict: isRefuted ? 'does not fit' : 'not decided' }
	}

	/** What has to be brought or made ahead besides, in as few sets as there are. */
	function* tryRelieved(variant: Variant, atMost: number, limit: number): Generator<TriedWay> {
		const relaxed = relaxInstance(variant.compiled, course)
		const { sets, isComplete } = findReliefSets(relaxed, { most: atMost, limit, effortOf })
		const waysOf = (used: readonly number[]) => used.flatMap((r) => relaxed.reliefs[r]?.way ?? [])
		for (const { used, objective: reached } of sets) {
			const ways = [...variant.ways, ...waysOf(used)]
			if (ways.length > 0) yield { ways, verdict: 'fits', objective: reached }
		}
		if (variant.ways.length > 0) return
		const single = new Set(sets.flatMap(({ used }) => (used.length === 1 ? used : [])))
		for (const [r, { way }] of relaxed.reliefs.entries()) {
			if (!single.has(r)) yield { ways: [way], verdict: isComplete ? 'does not fit' : 'not decided' }
		}
	}

	/** What changes the course or its air, each by itself. */
	function listVariants(): (Variant & { isFirst: boolean })[] {
		const settled = settledWays(compiled).map((way) => ({
			ways: [way],
			compiled: recompiled({ waits: { ...course.waits, [way.key]: way.minutes } }),
			isFirst: true,
		}))
		const { temperatureC, humidity } = DRY_AIR
		const drier = { kind: 'drier' as const, temperatureC, humidityPercent: Math.round(100 * humidity) }
		const dry = isDamp(course, terms)
			? [{ ways: [drier], compiled: recompiled({}, withDryAir(terms)), isFirst: true }]
			: []
		const longer = withExtraSession(course)
		const { date } = present(longer.sessions.at(-1), 'the last session')
		const session = {
			ways: [{ kind: 'session' as const, date }],
			compiled: recompiled({ sessions: longer.sessions }),
			isFirst: false,
		}
		return [...settled, ...dry, ...fewerOfOne().map((variant) => ({ ...variant, isFirst: false })), session]
	}

	/** One flower a student less of a design of which there are several. */
	function fewerOfOne(): Variant[] {
		return designs.flatMap((_, d) => fewerOf([d]))
	}

	function fewerOfTwo(): Variant[] {
		return designs.flatMap((_, d) => designs.slice(d + 1).flatMap((__, k) => fewerOf([d, d + 1 + k])))
	}

	function fewerOf(which: readonly number[]): Variant[] {
		if (which.some((d) => (designs[d]?.flowersPerStudent ?? 1) < 2)) return []
		const fewer = designs.map((item, d) =>
			which.includes(d) ? { ...item, flowersPerStudent: item.flowersPerStudent - 1 } : item,
		)
		const changed = which.reduce((one, d) => withFlowers(one, d, fewer[d]?.flowersPerStudent ?? 1), course)
		const ways = which.map((d): WayOut => {
			const { design, flowersPerStudent } = present(fewer[d], 'a design of the course')
			return { kind: 'smaller', design: d, designName: design.name, flowers: flowersPerStudent }
		})
		return [{ ways, compiled: compileCourse(changed, fewer, terms) }]
	}
}

/** A course with some of the changes made. */
interface Variant {
	ways: WayOut[]
	compiled: CompiledCourse
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
		if (status === 'optimal' || status === 'feasible')
			return { ways: [way], verdict: 'fits', ...(objective && { objective }) }
		if (status !== 'infeasible' || !objective)
			return { ways: [way], verdict: status === 'impossible' ? 'does not fit' : 'not decided' }
		minutes += objective.shortfall
	}
	return { ways: [{ kind: 'longer', minutes }], verdict: 'not decided' }
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
