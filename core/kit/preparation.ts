/** What an instructor has to get ready for a course, from its plan and its kits. */
import type { DryingStage } from '../vocabulary/drying-stage'
import { minutesAhead } from '../plan/tell/drying-ahead'
import type { ClassKit } from './class-kit'
import { sourcesOf, type PlanStory } from '../plan/tell/plan-story'

export type PreparationItem =
	/** Work done ahead for all students. */
	| { type: 'ahead'; taskId: string; partName: string; label: string; minutes: number }
	/** Dried pieces brought in exchange for fresh ones. */
	| {
			type: 'swap'
			partName: string
			label: string
			stage: DryingStage | undefined
			pieceCount: number
			minutes: number
			dryingMinutes: number
	  }
	| { type: 'wires'; gauge: number; colour: string; pieceCount: number; wireCount: number }
	| { type: 'kits'; kitCount: number; pieceCount: number; spareCount: number }

/** In the order of the work: what must dry first comes first. */
export function listPreparation(
	{ ahead, swaps, sessions }: PlanStory,
	{ lines, wires, studentCount }: ClassKit,
): PreparationItem[] {
	const sources = sourcesOf({ sessions })
	return [
		...swaps
			.toSorted((a, b) => minutesAhead(b.wait) - minutesAhead(a.wait))
			.flatMap(({ fromTaskId, stage, prepMinutes, wait }): PreparationItem[] => {
				const source = sources.get(fromTaskId)
				if (source?.type !== 'step') return []
				const { partName, label, pieceCount } = source
				return [
					{
						type: 'swap',
						partName,
						label,
						stage,
						pieceCount: pieceCount * studentCount,
						minutes: prepMinutes,
						dryingMinutes: minutesAhead(wait),
					},
				]
			}),
		...ahead.flatMap(({ taskId, source, minutes }): PreparationItem[] => {
			return source.type === 'step'
				? [{ type: 'ahead', taskId, partName: source.partName, label: source.label, minutes }]
				: []
		}),
		...wires.map(({ gauge, colour, lines: wireLines, pooledPlan }): PreparationItem => {
			return {
				type: 'wires',
				gauge,
				colour,
				pieceCount: wireLines.reduce((sum, { shares }) => sum + shares.total, 0),
				wireCount: pooledPlan.wires.length,
			}
		}),
		{
			type: 'kits',
			kitCount: studentCount,
			pieceCount: lines.reduce((sum, { shares }) => sum + shares.usual, 0),
			spareCount: lines.reduce((sum, { spares }) => sum + spares, 0),
		},
	]
}
