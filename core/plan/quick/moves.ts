/** Single changes of decisions: a swap, a part made ahead, homework, an option dropped; each with what it entails. */
import type { NormalInstance } from '../problem/normal-form'
import { keepSwapsOfUse, type Decisions, type Place } from './decisions'

/** A change that may make a course fit, at a price. */
export interface Move {
	/** By task: where it is to be done instead. */
	places: ReadonlyMap<number, Place>
	/** Positions of the arcs that dried pieces are brought for. */
	swaps: readonly number[]
}

/** Every move that the instance allows from all in class, in a fixed order. */
export function listMoves(instance: NormalInstance): Move[] {
	return [...listSwaps(instance), ...listHomework(instance), ...listAhead(instance), ...listDrops(instance)]
}

/** The decisions after the move. Swaps at a task that leaves the class are undone. */
export function applyMove(instance: NormalInstance, decisions: Decisions, move: Move): Decisions {
	const places = decisions.places.map((place, i) => move.places.get(i) ?? place)
	const swaps = move.swaps.length === 0 ? decisions.swaps : new Set([...decisions.swaps, ...move.swaps])
	return keepSwapsOfUse(instance, { places, swaps })
}

/** The move taken back: its swap undone, its tasks where they were at first. */
export function revertMove(instance: NormalInstance, decisions: Decisions, initial: Decisions, move: Move): Decisions {
	const places = decisions.places.map((place, i) => (move.places.has(i) ? (initial.places[i] ?? place) : place))
	const swaps = new Set([...decisions.swaps].filter((a) => !move.swaps.includes(a)))
	return keepSwapsOfUse(instance, { places, swaps })
}

/** Dried pieces instead of waiting, wherever the instance has a price for them: all that a set is good for. */
function listSwaps({ arcs, swapMinutes }: NormalInstance): Move[] {
	return swapMinutes.flatMap((_, set) => {
		const swaps = arcs.flatMap(({ swapSet }, a) => (swapSet === set ? [a] : []))
		return swaps.length > 0 ? [{ places: new Map(), swaps }] : []
	})
}

/** Tasks that may be done at home as well as elsewhere, one at a time. */
function listHomework({ tasks, homeWindows }: NormalInstance): Move[] {
	if (homeWindows.length === 0) return []
	return tasks.flatMap((task, i) => {
		return task.units > 0 && task.places.has('home') && task.places.size > 1
			? [{ places: new Map<number, Place>([[i, 'home']]), swaps: [] }]
			: []
	})
}

/** A task goes ahead together with all that comes before it, and with what must follow within a maximum lag. */
function listAhead(instance: NormalInstance): Move[] {
	const { tasks, arcs, arcsInto, arcsOutOf } = instance
	return tasks.flatMap((task, i) => {
		if (task.units === 0 || !task.places.has('ahead') || task.places.size === 1) return []
		const entailed = new Set([i])
		for (const member of entailed) {
			for (const a of arcsInto[member] ?? []) {
				const from = arcs[a]?.from ?? -1
				if (!tasks[from]?.isDemo) entailed.add(from)
			}
			for (const a of arcsOutOf[member] ?? []) {
				const arc = arcs[a]
				if (arc && arc.maxLag < Infinity) entailed.add(arc.to)
			}
		}
		const areAllowed = [...entailed].every((member) => tasks[member]?.units === 0 || tasks[member]?.places.has('ahead'))
		if (!areAllowed) return []
		return [{ places: new Map([...entailed].map((member): [number, Place] => [member, 'ahead'])), swaps: [] }]
	})
}

/** Groups that may be left out, each as a whole: half an extra is none. */
function listDrops({ tasks }: NormalInstance): Move[] {
	const groups = new Map<string, Map<number, Place>>()
	tasks.forEach(({ optionGroup, units }, i) => {
		if (optionGroup === undefined || units === 0) return
		const group = groups.get(optionGroup) ?? new Map<number, Place>()
		groups.set(optionGroup, group.set(i, 'dropped'))
	})
	return [...groups.values()].map((places) => ({ places, swaps: [] }))
}
