/** A small session to be taught: two steps with something shown before the second, and tea between them. */
import type { RunEntry, RunPlan } from '../../core/run/run-plan'

const entry = (id: string, kind: RunEntry['kind'], startMin: number, endMin: number): RunEntry => {
	return { id, kind, startMin, endMin, batches: [] }
}

export function makeRunPlan(): RunPlan {
	return {
		...{ session: 1, date: '2026-03-05', openMin: 18 * 60 + 30, closeMin: 20 * 60 + 30 },
		entries: [
			{ ...entry('cut#1', 'step', 1110, 1140), batches: ['petals@1'] },
			entry('break#1', 'break', 1140, 1150),
			entry('vein-shown#1', 'show', 1150, 1155),
			entry('vein#1', 'step', 1155, 1185),
			entry('tape#1', 'step', 1185, 1215),
		],
		batches: [
			{
				...{ id: 'petals@1', entry: 'cut#1', pieceCount: 6 },
				waits: [{ stage: 'set', toTaskId: 'tape', p50Minutes: 40, p90Minutes: 60, feels: [] }],
			},
		],
	}
}
