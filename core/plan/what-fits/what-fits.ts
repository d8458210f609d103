/**
 * What of the design book can be made in a slot: each design in every way that its choices allow, planned as a course of
 * its own. A way that is told as fitting has a plan; one that is not told has been refuted, or no plan has been found.
 */
import type { Design } from '../../design/design'
import { present } from '../../present'
import { resolveDesign, type Picks } from '../../design/resolve-design'
import type { CompiledCourse } from '../compile/compiled-course'
import { compileCourse } from '../compile/compile-course'
import type { PlanTerms } from '../compile/drying-terms'
import { listEndless } from '../compile/find-endless'
import { planExactly, type ExactPlan } from '../exact/plan-exactly'
import { resolveCourse } from '../plan-course'
import type { Instance } from '../problem/instance'
import { FELT_LEVELS } from '../problem/objective'
import { leastNeed } from './least-need'
import { listPicks, toCourse, withoutPreparation, type Slot } from './slot'

/** What a way asks beyond the class, from nothing to what disappoints most. */
export const ASKED = ['nothing', 'dried', 'ahead', 'extras', 'fewer'] as const
export type Asked = (typeof ASKED)[number]

/** A way of making a design in which it fits. */
export interface FitWay {
	/** Option of every choice. */
	picks: Picks
	/** Every choice at its first option. */
	isUsual: boolean
	/** A student. */
	flowers: number
	/** The most that it asks. */
	asks: Asked
	/** Of the instructor before class. */
	prepMinutes: number
	/** Names of extras that are left out. */
	leftOut: string[]
	/** Hands-on minutes after the last step of each session, together. */
	spareMinutes: number
	/** Of the plan, minutes; see objective.ts. */
	strain: number
}

/** Why no way of a design fits; of the way that comes nearest. */
export interface Misfit {
	/**
	 * More work than there is time; pieces that do not dry in time; it would ask more of her before than may be asked; no
	 * plan found, though nothing is proven.
	 */
	reason: 'work' | 'drying' | 'preparation' | 'not found'
	/** That are lacking, of what was not found in the best try; absent: it never dries, or nothing is known. */
	minutes?: number
}

export interface DesignFit {
	designId: string
	name: string
	/** Ways that fit, the least asking first. */
	ways: FitWay[]
	/** Looked at; fewer than `wayCount` where the time was over. */
	triedCount: number
	wayCount: number
	/** Where no way fits. */
	misfit?: Misfit
}

export interface FitTerms {
	terms: PlanTerms
	/** Asked between ways: true to stop. The usual way is always looked at. */
	shouldStop?: () => boolean
}

/** What lacks no more than this is tried anew, by other chances, up to so often. */
const CLOSE_MINUTES = 20
const MOST_TRIES = 4

/**
 * @param design - of the book
 * @returns every way in which it fits the slot; undefined where it has wires in every way, and none are wanted
 */
export function findFits(
	design: Design,
	slot: Slot,
	{ terms, shouldStop = () => false }: FitTerms,
): DesignFit | undefined {
	const every = listPicks(design)
	const all = every.filter((picks) => slot.isWired || !hasWires(design, picks))
	if (all.length === 0) return undefined
	const ways: FitWay[] = []
	const misfits: Misfit[] = []
	let triedCount = 0
	const search = new WaySearch(design, slot, terms)
	for (const picks of all) {
		if (triedCount > 0 && shouldStop()) break
		triedCount++
		const found = search.tryPicks(picks)
		if ('asks' in found) ways.push({ ...found, isUsual: picks === every[0] })
		else misfits.push(found)
	}
	return {
		designId: design.id,
		name: design.name,
		ways: ways.toSorted(compareWays),
		triedCount,
		wayCount: all.length,
		...(ways.length === 0 && { misfit: present(misfits.toSorted(compareMisfits)[0], 'why nothing fits') }),
	}
}

function hasWires(design: Design, picks: Picks): boolean {
	const { parts, bundles } = resolveDesign(design, picks)
	return [...parts, ...bundles].some(({ wire }) => wire !== undefined)
}

/** The least asking first; of alike ones the usual way. */
export function compareWays(a: FitWay, b: FitWay): number {
	return (
		ASKED.indexOf(a.asks) - ASKED.indexOf(b.asks) ||
		b.flowers - a.flowers ||
		Number(b.isUsual) - Number(a.isUsual) ||
		a.leftOut.length - b.leftOut.length ||
		a.prepMinutes - b.prepMinutes
	)
}

/** Designs that fit, the least asking first, then the calmer, then the fuller session; and those that do not, the nearest first. */
export function rankFits(fits: readonly DesignFit[]): { fitting: DesignFit[]; others: DesignFit[] } {
	const fitting = fits
		.filter(({ ways }) => ways.length > 0)
		.toSorted((a, b) => {
			const [first, second] = [present(a.ways[0], 'a way that fits'), present(b.ways[0], 'a way that fits')]
			return compareWays(first, second) || first.strain - second.strain || first.spareMinutes - second.spareMinutes
		})
	const others = fits
		.filter(({ ways }) => ways.length === 0)
		.toSorted((a, b) => compareMisfits(a.misfit, b.misfit) || a.name.localeCompare(b.name))
	return { fitting, others }
}

function compareMisfits(a: Misfit | undefined, b: Misfit | undefined): number {
	const [first = Infinity, second = Infinity] = [a?.minutes, b?.minutes]
	return first === second ? 0 : first - second
}

type FoundWay = Omit<FitWay, 'isUsual'>

class WaySearch {
	/** Ways that differ in colours alone are one problem. */
	readonly #known = new Map<string, FoundWay | Misfit>()
	readonly #design: Design
	readonly #slot: Slot
	readonly #terms: PlanTerms

	constructor(design: Design, slot: Slot, terms: PlanTerms) {
		this.#design = slot.prepMinutes === 0 ? withoutPreparation(design) : design
		this.#slot = slot
		this.#terms = terms
	}

	/** As many flowers as are wanted, or else one less. Preparation is asked for only where nothing fits without it. */
	tryPicks(picks: Picks): FoundWay | Misfit {
		const { flowersPerStudent } = this.#slot
		const found = this.#tryFlowers(picks, flowersPerStudent)
		if ('asks' in found || flowersPerStudent === 1) return found
		const fewer = this.#tryFlowers(picks, flowersPerStudent - 1)
		return 'asks' in fewer ? { ...fewer, asks: 'fewer' } : found
	}

	#tryFlowers(picks: Picks, flowers: number): FoundWay | Misfit {
		const design = this.#design
		const course = toCourse(this.#slot, design, { picks, flowers })
		const compiled = compileCourse(course, resolveCourse(course, [design], this.#terms), this.#terms)
		const key = JSON.stringify(compiled.instance)
		const known = this.#known.get(key)
		if (known) return 'asks' in known ? { ...known, picks } : known
		const found = withinLimit(planWay(design, compiled, { picks, flowers }), this.#slot.prepMinutes)
		this.#known.set(key, found)
		return found
	}
}

/** More of her time than there may be is none. */
function withinLimit(found: FoundWay | Misfit, prepMinutes: number): FoundWay | Misfit {
	if (!('asks' in found) || found.prepMinutes <= prepMinutes) return found
	return { reason: 'preparation', minutes: found.prepMinutes - prepMinutes }
}

function planWay(
	design: Design,
	compiled: CompiledCourse,
	{ picks, flowers }: Pick<FitWay, 'picks' | 'flowers'>,
): FoundWay | Misfit {
	const { instance } = compiled
	if (listEndless(instance).length > 0) return { reason: 'drying' }
	const { workMinutes, availableMinutes, lateMinutes } = leastNeed(instance)
	if (workMinutes > availableMinutes) return { reason: 'work', minutes: workMinutes - availableMinutes }
	if (lateMinutes > 0) return { reason: 'drying', ...(Number.isFinite(lateMinutes) && { minutes: lateMinutes }) }
	const plan = planWithSeeds(instance)
	if (plan.status === 'infeasible') return { reason: 'not found', minutes: plan.objective.shortfall }
	if (plan.status !== 'feasible' && plan.status !== 'optimal') return { reason: 'not found' }
	return { picks, flowers, ...costsOf(design, compiled, plan) }
}

/** Quick plans by one seed after the other, while they nearly fit. */
function planWithSeeds(instance: Instance): ExactPlan {
	for (let seed = 1; ; seed++) {
		const plan = planExactly(instance, { nodes: 0, seed, levels: FELT_LEVELS })
		const isClose = plan.status === 'infeasible' && plan.objective.shortfall <= CLOSE_MINUTES
		if (!isClose || seed === MOST_TRIES) return plan
	}
}

type Fitting = Extract<ExactPlan, { plan: object }>

function costsOf(
	design: Design,
	{ instance, tasks }: CompiledCourse,
	{ plan, objective }: Fitting,
): Omit<FoundWay, 'picks' | 'flowers'> {
	const placements = Object.entries(plan.placements)
	const dropped = placements.flatMap(([id, { place }]) => {
		const source = tasks[id]
		return place === 'dropped' && source?.type === 'step' ? [source.stepId] : []
	})
	const leftOut = (design.extras ?? []).filter(({ id }) =>
		design.steps.some((step) => step.extra === id && dropped.includes(step.id)),
	)
	const isAhead = placements.some(([, { place }]) => place === 'ahead')
	const asks = dropped.length > 0 ? 'extras' : isAhead ? 'ahead' : plan.swaps.length > 0 ? 'dried' : 'nothing'
	const ends = placements.flatMap(([, placement]) =>
		placement.place === 'class' ? placement.runs.map(({ end, start }) => end ?? start) : [],
	)
	const spare = instance.windows.reduce((sum, { open, close }) => {
		const lastEnd = Math.max(open, ...ends.filter((end) => end > open && end <= close))
		return sum + close - lastEnd
	}, 0)
	return {
		asks,
		prepMinutes: objective.prepMinutes ?? 0,
		leftOut: leftOut.map(({ name }) => name),
		spareMinutes: spare,
		strain: objective.strain ?? 0,
	}
}
