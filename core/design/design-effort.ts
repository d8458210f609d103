/** How long a design takes: hands-on minutes of a practised adult, and the longest chain of waits. */
import type { ResolvedDesign } from './resolve-design'

export interface DesignEffort {
	/** Minutes of work on one flower, without spares and demonstrations. */
	handsOnMinutes: number
	/** Least clock minutes from the first step to the last with the design's usual waits, if nothing else hinders. */
	elapsedMinutes: number
}

/** Measures one flower of a resolved design. */
export function measureEffort({ parts, steps }: ResolvedDesign): DesignEffort {
	const pieces = new Map(parts.map(({ id, piecesPerFlower }) => [id, piecesPerFlower]))
	const minutes = new Map(
		steps.map((step) => [
			step.id,
			step.fixedMinutes + step.minutesPerPiece * (step.part === undefined ? 1 : (pieces.get(step.part) ?? 0)),
		]),
	)
	const ends = new Map<string, number>()
	const endOf = (id: string): number => {
		const known = ends.get(id)
		if (known !== undefined) return known
		const step = steps.find((candidate) => candidate.id === id)
		const ready = (step?.needs ?? []).map(({ after, wait }) => endOf(after) + (wait?.usualMinutes ?? 0))
		const end = Math.max(0, ...ready) + (minutes.get(id) ?? 0)
		ends.set(id, end)
		return end
	}
	return {
		handsOnMinutes: Math.round([...minutes.values()].reduce((total, value) => total + value, 0)),
		elapsedMinutes: Math.round(Math.max(0, ...steps.map(({ id }) => endOf(id)))),
	}
}
