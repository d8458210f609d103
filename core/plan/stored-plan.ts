/**
 * A course's plan as it is kept for years: with the version of its form, and waits named by the id of their arc, never by
 * a position. Every form that was ever written is read.
 */
import { NO_ZONE } from '../time/zone'
import type { ArcSource, CompiledCourse } from './compile/compiled-course'
import { arcIds, namePlan, placeSwaps, type NamedPlan } from './named-plan'
import type { CoursePlan } from './plan-course'
import type { Instance } from './problem/instance'
import type { Objective } from './problem/objective'
import type { Plan } from './problem/plan'

/** Newest form that is written and read. 1 had no number, no time zone, and positions for ids. */
export const STORED_PLAN_VERSION = 2

/** As it is written: JSON. */
export interface StoredPlanDocument extends Pick<
	CoursePlan,
	'course' | 'terms' | 'status' | 'proven' | 'bounds' | 'conflicts' | 'nodes'
> {
	formatVersion: typeof STORED_PLAN_VERSION
	compiled: Omit<CompiledCourse, 'arcs'> & { arcs: Record<string, ArcSource> }
	objective?: Objective
	plan?: NamedPlan
}

/** The document of a plan. */
export function writeStoredPlan({ compiled, plan, ...rest }: CoursePlan): StoredPlanDocument {
	const ids = arcIds(compiled.instance.arcs)
	const idOf = (arc: number) => defined(ids[arc], `arc ${arc}`)
	return {
		formatVersion: STORED_PLAN_VERSION,
		...rest,
		compiled: { ...compiled, arcs: Object.fromEntries(compiled.arcs.map((source, arc) => [idOf(arc), source])) },
		...(plan && { plan: namePlan(plan, compiled.instance) }),
	}
}

/**
 * The plan of a document, whatever version wrote it.
 *
 * @throws {RangeError} it is no stored plan, or one of a newer version
 */
export function readStoredPlan(document: unknown): CoursePlan {
	if (!isRecord(document) || !isRecord(document['compiled']) || !isRecord(document['course']))
		throw new RangeError('this is no stored plan')
	const { formatVersion = 1 } = document
	// Told apart by its number alone; each form was written by the function of its time.
	if (formatVersion === 1) return fromFirstForm(document as unknown as FirstForm)
	if (formatVersion === STORED_PLAN_VERSION) return fromDocument(document as unknown as StoredPlanDocument)
	throw new RangeError(`a stored plan of version ${String(formatVersion)}; this reads up to ${STORED_PLAN_VERSION}`)
}

/**
 * Names of arcs become positions again.
 *
 * @throws {RangeError} a name that the instance does not have
 */
function fromDocument({ formatVersion: _, compiled, plan, ...rest }: StoredPlanDocument): CoursePlan {
	const ids = arcIds(compiled.instance.arcs)
	return withOutcome({
		...rest,
		compiled: { ...compiled, arcs: ids.map((id) => defined(compiled.arcs[id], `arc "${id}"`)) },
		...(plan && { plan: defined(placeSwaps(plan, compiled.instance), `one of arc "${plan.swaps.join('", arc "')}"`) }),
	})
}

/** A plan and what it is worth stand together or not at all. */
interface Loose extends Pick<
	CoursePlan,
	'course' | 'compiled' | 'terms' | 'proven' | 'bounds' | 'conflicts' | 'nodes'
> {
	status: CoursePlan['status']
	objective?: Objective
	plan?: Plan
}

/** More minutes missing than any course has: in older documents ninety days stood for what never dries. */
const ENDLESS_SHORTFALL = 45 * 1440

/** A plan and its value stand together or not at all, by status. */
function withOutcome({ status, plan, objective, ...rest }: Loose): CoursePlan {
	if (status === 'impossible' || status === 'unknown') return { ...rest, status }
	if (objective && objective.shortfall >= ENDLESS_SHORTFALL)
		return { ...rest, status: 'impossible', proven: {}, bounds: {} }
	return { ...rest, status, plan: defined(plan, 'no placements'), objective: defined(objective, 'no value') }
}

/** Positions as they are in memory, and a wall clock that nothing was known of. */
interface FirstForm extends Omit<Loose, 'compiled' | 'terms'> {
	compiled: Omit<CompiledCourse, 'origin'> & { instance: Instance; origin: Omit<CompiledCourse['origin'], 'zone'> }
	terms: Omit<CoursePlan['terms'], 'zone'>
}

/** What the first form left out is filled with what it meant. */
function fromFirstForm({ compiled, terms, ...rest }: FirstForm): CoursePlan {
	return withOutcome({
		...rest,
		// Its windows were reckoned as if clocks never changed.
		compiled: { ...compiled, origin: { ...compiled.origin, zone: NO_ZONE } },
		terms: { ...terms, zone: NO_ZONE },
	})
}

/** @throws {RangeError} it is not there */
function defined<T>(value: T | undefined, what: string): T {
	if (value === undefined) throw new RangeError(`the plan names ${what}, which its instance has not`)
	return value
}

/** An object of JSON, no list. */
function isRecord(value: unknown): value is Record<string, unknown> {
	return typeof value === 'object' && value !== null && !Array.isArray(value)
}
