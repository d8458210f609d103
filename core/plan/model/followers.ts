/** What comes after what by the waits alone, wherever each is done and whatever between them is left out. */
import type { NormalInstance, NormalTask } from '../problem/normal-form'

/** By task. */
export interface Followers {
	/** Tasks that begin after all of it is done. */
	wholly: readonly ReadonlySet<number>[]
	/** Tasks of which each piece comes after those of it that it is made from, those that come wholly after it too. */
	inPieces: readonly ReadonlySet<number>[]
}

/** What stands on a way between may be left out, or done at home: the waits are handed on. */
export function findFollowers({ tasks, order, arcs, arcsOutOf }: NormalInstance): Followers {
	const wholly = tasks.map(() => new Set<number>())
	const inPieces = tasks.map(() => new Set<number>())
	for (const i of [...order].reverse()) {
		const [own, pieces] = [wholly[i], inPieces[i]]
		for (const a of arcsOutOf[i] ?? []) {
			const arc = arcs[a]
			if (!arc || !own || !pieces) continue
			const { to, piecewise } = arc
			const isUnitByUnit = piecewise && (tasks[i]?.units ?? 0) > 1 && (tasks[to]?.units ?? 0) > 1
			pieces.add(to)
			if (!isUnitByUnit) own.add(to)
			// Who makes ahead needs no showing: what comes of it then may come before the demonstration.
			if (tasks[i]?.isDemo && !isShown(tasks[to])) continue
			for (const k of inPieces[to] ?? []) {
				pieces.add(k)
				if (!isUnitByUnit || wholly[to]?.has(k)) own.add(k)
			}
		}
	}
	return { wholly, inPieces }
}

/** Students do it, whatever is decided: no way round it leads to what is made ahead. */
function isShown(task: NormalTask | undefined): boolean {
	return task !== undefined && task.units > 0 && task.dropValue === undefined && !task.places.has('ahead')
}
