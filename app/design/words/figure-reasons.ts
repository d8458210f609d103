/** Where each figure of a flower comes from, in lines. */
import type { FigureShares, PartShare } from '../../../core/design/figure-shares'
import { duration, wait } from '../../shared/words/times'

export interface FigureReasons {
	work: string[]
	elapsed: string[]
	paste: string[]
	wires: string[]
	tape: string[]
	mass: string[]
}

export function figureReasons({ parts, bundles, assemblyMinutes, tape, chain }: FigureShares): FigureReasons {
	return {
		work: [
			...parts
				.filter(({ workMinutes }) => workMinutes > 0)
				.map((part) => `${piecesOf(part)}: ${duration(Math.round(part.workMinutes))}`),
			...(assemblyMinutes > 0 ? [`putting together: ${duration(Math.round(assemblyMinutes))}`] : []),
		],
		elapsed: chain.map(
			({ label, waitMinutes, workMinutes }) =>
				`${waitMinutes > 0 ? `wait ${wait(waitMinutes)}, then ` : ''}${label.toLowerCase()}: ${duration(Math.round(workMinutes))}`,
		),
		paste: parts
			.filter(({ pasteG }) => pasteG > 0)
			.map(
				(part) => `${piecesOf(part)} of ${part.pasteG.toFixed(2)} g: ${(part.pieceCount * part.pasteG).toFixed(1)} g`,
			),
		wires: [
			...parts.filter(({ wireCount }) => wireCount > 0).map((part) => `${part.wireCount} in ${piecesOf(part)}`),
			...bundles
				.filter(({ wireCount }) => wireCount > 0)
				.map(({ wireCount, count, name }) => `${wireCount} in ${count} × ${name.toLowerCase()}`),
		],
		tape: tape.map(({ name, pieceCount, tapeMm }) => {
			const what = pieceCount === undefined ? `the ${name}` : `${pieceCount} × ${name.toLowerCase()}`
			return `${what}: ${Math.round(tapeMm)} mm`
		}),
		mass: [
			...parts
				.filter(({ massG }) => massG > 0)
				.map((part) => `${piecesOf(part)}: ${(part.pieceCount * part.massG).toFixed(1)} g`),
			...(parts.some(({ wireCount }) => wireCount > 0) ? ['and the wires, as steel'] : []),
		],
	}
}

/** '5 × petals'. */
function piecesOf({ pieceCount, name }: PartShare): string {
	return `${pieceCount} × ${name.toLowerCase()}`
}
