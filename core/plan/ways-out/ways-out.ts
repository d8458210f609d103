/**
 * Ways out for a course that does not fit: changes of the course, of what a design allows, or of the air, alone or
 * together. Each is tried: planned anew, and found to fit, or proven not to.
 */
import { present } from '../../present'
import type { Climate } from '../../drying/climate'
import { planExactly, type ExactPlan, type ExactTerms } from '../exact/plan-exactly'
import type { DesignInCourse } from '../compile/compile-course'
import { compileCourse } from '../compile/compile-course'
import { listEndless } from '../compile/find-endless'
import type { CompiledCourse } from '../compile/compiled-course'
import type { Course } from '../../course/course'
import { giveKeys } from '../../course/course-items'
import type { Design } from '../../design/design'
import { roomOf, storeOf, type DryingTerms } from '../compile/drying-terms'
import { resolvePins } from '../pins/course-pins'
import { withExtraSession } from '../../course/extra-session'
import { applyEdit } from '../edit/course-edit'
import { resolveCourse, type CoursePlan, type PlanningEffort } from '../plan-course'
import { findReliefSets } from './find-relief-sets'
import { relaxInstance } from './relax-instance'
import type { TriedWay, WayOut } from './way-out'

/** Air that a dehumidifier and some heating can give. */
const DRY_AIR = { temperatureC: 23, humidity: 0.4 }
/** A later end changes waits, and they the shortfall: after a few rounds it has settled, or never does. */
const MOST_EXTENSIONS = 4

/** Other options that are tried: of a design with more, the others are for her to try. */
const MOST_OPTIONS = 8

/** Sets of reliefs that are enough to choose from: of the course as it is, and of each of its variants. */
const ENOUGH_SETS = 6
const ENOUGH_OF_VARIANT = 2

export interface WaysTerms {
	/** For each search. */
	effortOf: () => PlanningEffort
	/** Changes made together, 1 to 3; absent: 3. */
	most?: number
	/** Of the course's items, their choices open; absent: no other option is tried. */
	documents?: readonly Design[]
}

/**
 * The ways out of a course that does not fit, as they are found: changes one at a time first, then such as help only
 * together.
 */
export function tryWaysOut(
	plan: CoursePlan,
	designs: readonly DesignInCourse[],
	terms: WaysTerms,
): Generator<TriedWay> {
	return new WaysSearch(plan, designs, terms).run()
}

class WaysSearch {
	readonly #plan: CoursePlan
	readonly #designs: readonly DesignInCourse[]
	readonly #effortOf: WaysTerms['effortOf']
	readonly #most: number
	readonly #documents: readonly Design[]
	/** Changes that do not help alone. */
	readonly #failed: Variant[] = []

	constructor(plan: CoursePlan, designs: readonly DesignInCourse[], { effortOf, most = 3, documents = [] }: WaysTerms) {
		this.#plan = plan
		this.#designs = designs
		this.#effortOf = effortOf
		this.#most = most
		this.#documents = documents
	}

	*run(): Generator<TriedWay> {
		const { compiled, course, objective } = this.#plan
		const isEndless = listEndless(compiled.instance).length > 0
		const [drying, hours] = [this.#dryingVariants(), [...this.#fewerOf(1), this.#sessionMore()]]
		// What never dries needs other air or other pieces first of all; else more time is the plainest.
		for (const variant of isEndless ? drying : hours) yield* this.#tryAlone(variant)
		yield* this.#tryRelieved({ ways: [], compiled }, this.#most, ENOUGH_SETS)
		for (const variant of this.#otherOptions()) yield* this.#tryAlone(variant)
		for (const variant of isEndless ? hours : drying) yield* this.#tryAlone(variant)
		if (!isEndless) {
			const later = longerSession(course, objective?.shortfall ?? 0, (sessions) =>
				this.#planOf(this.#recompile({ sessions })),
			)
			if (later) yield later
		}
		if (this.#most < 2) return
		for (const variant of [...this.#failed, ...this.#fewerOf(2)]) {
			yield* this.#tryRelieved(variant, this.#most - variant.ways.length, ENOUGH_OF_VARIANT)
		}
	}

	#planOf(compiled: CompiledCourse): ExactPlan {
		return planExactly(compiled.instance, this.#effortWithin(compiled))
	}

	/** What the instructor has settled holds whatever else is changed. */
	#effortWithin(compiled: CompiledCourse): ExactTerms {
		return { ...this.#effortOf(), pins: resolvePins(this.#plan.course, compiled).pins }
	}

	*#tryAlone(variant: Variant): Generator<TriedWay> {
		const { status, objective } = this.#planOf(variant.compiled)
		const fits = status === 'optimal' || status === 'feasible'
		if (fits && objective) return yield { ways: variant.ways, verdict: 'fits', objective }
		// Of another way to make a design that does not do either, nothing more is asked.
		if (variant.ways.every(({ kind }) => kind !== 'option')) this.#failed.push(variant)
		const isRefuted = status === 'impossible' || status === 'infeasible'
		yield { ways: variant.ways, verdict: isRefuted ? 'does not fit' : 'not decided' }
	}

	/** What has to be brought or made ahead besides, in as few sets as there are. */
	*#tryRelieved(variant: Variant, most: number, limit: number): Generator<TriedWay> {
		const relaxed = relaxInstance(variant.compiled, this.#plan.course)
		const { sets, isComplete } = findReliefSets(relaxed, {
			most,
			limit,
			effortOf: () => this.#effortWithin(variant.compiled),
		})
		for (const { used, objective } of sets) {
			const ways = [...variant.ways, ...used.flatMap((r) => relaxed.reliefs[r]?.way ?? [])]
			if (ways.length > 0) yield { ways, verdict: 'fits', objective }
		}
		if (variant.ways.length > 0) return
		const single = new Set(sets.flatMap(({ used }) => (used.length === 1 ? used : [])))
		for (const [r, { way }] of relaxed.reliefs.entries()) {
			if (!single.has(r)) yield { ways: [way], verdict: isComplete ? 'does not fit' : 'not decided' }
		}
	}

	/** As dry as it gets, where that will do, and drier air. */
	#dryingVariants(): Variant[] {
		const { course, compiled, terms } = this.#plan
		const settled = settledWays(compiled).map((way) => ({
			ways: [way],
			compiled: this.#recompile({ waits: { ...course.waits, [way.key]: way.minutes } }),
		}))
		if (!isDamp(course, terms)) return settled
		const { temperatureC, humidity } = DRY_AIR
		const drier = { kind: 'drier' as const, temperatureC, humidityPercent: Math.round(100 * humidity) }
		return [...settled, { ways: [drier], compiled: this.#recompile({}, withDryAir(terms)) }]
	}

	#sessionMore(): Variant {
		const { sessions } = withExtraSession(this.#plan.course)
		const { date } = present(sessions.at(-1), 'the last session')
		return { ways: [{ kind: 'session', date }], compiled: this.#recompile({ sessions }) }
	}

	/** One flower a student less of so many designs, each of which has several. */
	#fewerOf(count: 1 | 2): Variant[] {
		const several = this.#designs.flatMap(({ flowersPerStudent }, d) => (flowersPerStudent > 1 ? [d] : []))
		const chosen =
			count === 1 ? several.map((d) => [d]) : several.flatMap((d, k) => several.slice(k + 1).map((e) => [d, e]))
		return chosen.map((which) => {
			const fewer = this.#designs.map((item, d) =>
				which.includes(d) ? { ...item, flowersPerStudent: item.flowersPerStudent - 1 } : item,
			)
			const changed = which.reduce((one, d) => withFlowers(one, d, fewer[d]?.flowersPerStudent ?? 1), this.#plan.course)
			const ways = which.map((d): WayOut => {
				const { design, flowersPerStudent } = present(fewer[d], 'a design of the course')
				return { kind: 'smaller', design: d, designName: design.name, flowers: flowersPerStudent }
			})
			return { ways, compiled: compileCourse(changed, fewer, this.#plan.terms) }
		})
	}

	/** Each choice made otherwise, one at a time. */
	#otherOptions(): Variant[] {
		const { course, terms } = this.#plan
		const others = giveKeys(course.designs).flatMap(({ key, picks }, d) => {
			return (this.#documents[d]?.choices ?? []).flatMap(({ id, name, options }) => {
				const chosen = picks[id] ?? options[0]?.id
				return options
					.filter((option) => option.id !== chosen)
					.map((option): Extract<WayOut, { kind: 'option' }> => {
						const designName = this.#designs[d]?.design.name ?? ''
						const words = { designName, choiceName: name, optionName: option.name }
						return { kind: 'option', item: key, choice: id, option: option.id, ...words }
					})
			})
		})
		return others.slice(0, MOST_OPTIONS).map((way) => {
			const { item, choice, option } = way
			const changed = applyEdit(course, { kind: 'pick', item, choice, option })
			return { ways: [way], compiled: compileCourse(changed, resolveCourse(changed, this.#documents, terms), terms) }
		})
	}

	#recompile(change: Partial<Course>, terms = this.#plan.terms): CompiledCourse {
		return compileCourse({ ...this.#plan.course, ...change }, this.#designs, terms)
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
