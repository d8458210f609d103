import { clock } from '../../shared/words/times'
import type { HalfStep, TaskSource } from '../../../core/plan/compile/compiled-course'

/** 'inner petals: dust', or 'taping a layer' for what is shown. */
export function nameOfTask(source: TaskSource | undefined): string {
	if (!source) return ''
	if (source.type === 'demo') return source.label.toLowerCase()
	return `${source.partName.toLowerCase()}: ${source.label.toLowerCase()}`
}

/** 'The left half does petals: steam while the right half does leaves: tape; change over at 20:10.' */
export function halvesWords(
	{ first, second, changeAfterMinutes }: { first: HalfStep; second: HalfStep; changeAfterMinutes: number },
	startMin: number,
): string {
	const name = ({ partName, label }: HalfStep) => `${partName.toLowerCase()}: ${label.toLowerCase()}`
	return `The left half does ${name(first)}, while the right half does ${name(second)}; change over at ${clock(startMin + changeAfterMinutes)}.`
}
