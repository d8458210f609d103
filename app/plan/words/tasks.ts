import { clock, count } from '../../shared/words/times'
import {
	worksOfTask,
	type HalfStep,
	type StepSource,
	type TaskSource,
} from '../../../core/plan/compile/compiled-course'

/** 'inner petals: dust', or 'taping a layer' for what is shown. */
export function nameOfTask(source: TaskSource | undefined): string {
	if (!source) return ''
	if (source.type === 'demo') return source.label.toLowerCase()
	return `${source.partName.toLowerCase()}: ${source.label.toLowerCase()}`
}

/** '5 pieces', or '5 and 3 pieces' where halves of the class do two steps by turns. @param pieceCount - of its run */
export function piecesWords(source: StepSource, pieceCount: number): string {
	const one = source.partId === undefined ? 'flower' : 'piece'
	if (!source.halves) return count(pieceCount, one)
	const [first = 0, second = 0] = worksOfTask(source).map((work) => work.pieceCount)
	return first === second ? count(first, one) : `${first} and ${count(second, one)}`
}

/** 'The left half does petals: steam while the right half does leaves: tape; change over at 20:10.' */
export function halvesWords(
	{ first, second, changeAfterMinutes }: { first: HalfStep; second: HalfStep; changeAfterMinutes: number },
	startMin: number,
): string {
	const name = ({ partName, label }: HalfStep) => `${partName.toLowerCase()}: ${label.toLowerCase()}`
	return `The left half does ${name(first)}, while the right half does ${name(second)}; change over at ${clock(startMin + changeAfterMinutes)}.`
}
