/**
 * Classes in halves: two steps that need the same hands but different scarce tools. While one half of the class does the
 * one, the other half does the other; then they change over. Each tool is then shared by half as many.
 */
import { present } from '../../present'
import type { Arc, Instance, Task } from '../problem/instance'
import type { CompiledCourse, HalfStep, StepSource } from './compiled-course'
import { minutesOfTask } from '../problem/plan-times'
import type { StepTask } from './step-task'

/** Two steps that may be done in halves, and what that takes. */
export interface HalvesOffer {
	/** Task of what the first half begins with. */
	first: string
	/** Task of what the other half begins with. */
	second: string
	/** Until they change over, the change itself among them. */
	changeAfterMinutes: number
	/** In all. */
	minutes: number
	/** Less than one after the other. */
	gainMinutes: number
}

/** Common practice, no source: to put things down, get up, and find the other place. */
export const CHANGE_MINUTES = 2
const LEAST_GAIN_MINUTES = 5
/** More pairs would make more courses to plan than they are worth. */
const MOST_OFFERS = 2

/** What is asked of a step besides its task. */
export type HalvedStep = Pick<StepTask, 'id' | 'step' | 'more' | 'task' | 'source' | 'scarceTools' | 'minutesFor'>

/**
 * The pairs that gain most, no step in two of them.
 *
 * @param steps - of all designs of the course
 * @complexity O(steps² · arcs)
 */
export function offerHalves(
	steps: readonly HalvedStep[],
	{ arcs, windows }: Pick<Instance, 'arcs' | 'windows'>,
	studentCount: number,
): HalvesOffer[] {
	const longest = Math.max(0, ...windows.map(({ open, close }) => close - open))
	const able = steps.filter((step) => studentCount > 1 && mayBeHalved(step))
	const offers = able.flatMap((a, k) =>
		able.slice(k + 1).flatMap((b): HalvesOffer[] => {
			const areApart = a.scarceTools.every((tool) => !b.scarceTools.includes(tool))
			if (!areApart || leadsTo(arcs, a.id, b.id) || leadsTo(arcs, b.id, a.id)) return []
			const [larger, smaller] = [Math.ceil(studentCount / 2), Math.floor(studentCount / 2)]
			const before = Math.max(a.minutesFor(larger), b.minutesFor(smaller))
			const after = Math.max(a.minutesFor(smaller), b.minutesFor(larger))
			const changeAfterMinutes = Math.ceil(before) + CHANGE_MINUTES
			const minutes = changeAfterMinutes + Math.ceil(after)
			const gainMinutes = minutesOfTask(a.task) + minutesOfTask(b.task) - minutes
			const isWorth = gainMinutes >= LEAST_GAIN_MINUTES && minutes <= longest
			return isWorth ? [{ first: a.id, second: b.id, changeAfterMinutes, minutes, gainMinutes }] : []
		}),
	)
	const taken = new Set<string>()
	return offers
		.toSorted((a, b) => b.gainMinutes - a.gainMinutes)
		.filter(({ first, second }) => {
			if (taken.has(first) || taken.has(second)) return false
			taken.add(first).add(second)
			return true
		})
		.slice(0, MOST_OFFERS)
}

/** It waits for a tool and goes piece by piece. */
function mayBeHalved({ step, more, task, scarceTools }: HalvedStep): boolean {
	return scarceTools.length > 0 && step.leastPieces !== undefined && more.length === 0 && minutesOfTask(task) > 0
}

function leadsTo(arcs: readonly Arc[], from: string, to: string): boolean {
	const reached = new Set([from])
	for (const id of reached) for (const arc of arcs) if (arc.from === id) reached.add(arc.to)
	return reached.has(to)
}

/**
 * The course with a pair done in halves, in class; undefined where a limit would be broken, or where another pair that is
 * done in halves makes one of the two wait for the other. An extra of which one is a step is then made: the course
 * without halves may leave it out.
 */
export function takeHalves(compiled: CompiledCourse, offer: HalvesOffer): CompiledCourse | undefined {
	const { instance, tasks, arcs: sources } = compiled
	const { first, second, minutes, changeAfterMinutes } = offer
	if (leadsTo(instance.arcs, first, second) || leadsTo(instance.arcs, second, first)) return undefined
	const isPair = (id: string) => id === first || id === second
	const arcs = instance.arcs.map((arc) => (isPair(arc.from) || isPair(arc.to) ? halvedArc(arc, offer) : arc))
	if (arcs.some((arc) => arc === undefined)) return undefined
	const own = instance.tasks.filter(({ id }) => isPair(id))
	const made = new Set(own.flatMap(({ optionGroup }) => optionGroup ?? []))
	const task: Task = {
		id: first,
		minutes,
		places: ['class'],
		teachValue: Math.max(...own.map(({ teachValue = 0 }) => teachValue)),
	}
	const [a, b] = [present(tasks[first], 'a step in halves'), present(tasks[second], 'a step in halves')]
	if (a.type !== 'step' || b.type !== 'step') throw new TypeError('only steps are done in halves')
	const halfOf = ({ designId, stepId, partId, partName, label, pieceCount }: StepSource): HalfStep => {
		return { designId, stepId, ...(partId !== undefined && { partId }), partName, label, pieceCount }
	}
	const { alsoSteps: __, ...alone } = a
	const { [second]: _, ...others } = tasks
	return {
		...compiled,
		instance: {
			...instance,
			tasks: instance.tasks.flatMap((one) => {
				if (isPair(one.id)) return one.id === first ? [task] : []
				return [made.has(one.optionGroup ?? '') ? withoutOption(one) : one]
			}),
			arcs: arcs.flatMap((arc) => arc ?? []),
			...(instance.sequence && { sequence: instance.sequence.map((list) => withPair(list, offer)) }),
		},
		tasks: {
			...others,
			[first]: {
				...alone,
				designName: a.designId === b.designId ? a.designName : `${a.designName} and ${b.designName}`,
				partName: a.partName === b.partName ? a.partName : `${a.partName} and ${b.partName.toLowerCase()}`,
				label: `${a.label} / ${b.label.toLowerCase()}, in halves`,
				sentence: `${a.sentence} ${b.sentence}`,
				batchSizes: [a.pieceCount],
				halves: { first: halfOf(a), second: halfOf(b), changeAfterMinutes },
			},
		},
		arcs: sources,
	}
}

/** Of an extra that is made. */
function withoutOption({ dropValue: _, optionGroup: __, ...task }: Task): Task {
	return task
}

/** In the order of each design stands the pair where its own step stood. */
function withPair(list: readonly string[], { first, second }: HalvesOffer): string[] {
	if (list.includes(first)) return list.filter((id) => id !== second)
	return list.map((id) => (id === second ? first : id))
}

/**
 * A limit guards every piece: the last of those who come to a step last, and the first of those who were done with it
 * first. So it has the whole run less.
 */
function halvedArc(arc: Arc, { first, second, minutes }: HalvesOffer): Arc | undefined {
	const isInto = arc.to === first || arc.to === second
	const { piecewise: _, swap: __, swapPrep: ___, ...plain } = arc
	const maxLag = arc.maxLag === undefined ? undefined : arc.maxLag - minutes
	if (maxLag !== undefined && (arc.lag === 'never' || maxLag < arc.lag)) return undefined
	return {
		// Dried pieces may still be brought for what comes before; what leaves the pair is not told apart by its part.
		...(isInto ? { ...plain, ...(arc.swap && { swap: arc.swap }) } : plain),
		from: arc.from === second ? first : arc.from,
		to: arc.to === second ? first : arc.to,
		...(maxLag !== undefined && { maxLag }),
	}
}
