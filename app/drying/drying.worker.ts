/** Drying reckoned beside the page: answers, and the map of humidity and temperature with its progress. */
import { expose } from 'comlink'
import { beliefOf } from '../../core/plan/compile/drying-terms'
import { createDryingTable, type DryingTable } from '../../core/drying/drying-table'
import type { DryingPiece } from '../../core/drying/drying-piece'
import { mapHours, solvedHours, type MapRow } from '../../core/drying/humidity-map'
import { timesModel } from '../../core/drying/pace-belief'
import { InputError } from '../../core/errors'
import type { DryingAnswer, DryingVerdict } from '../../core/drying/answer-drying'
import { airOf, askDrying, askVerdict, toQuestion, type Known } from './ask-drying'
import type { DryingAddress } from './drying-address'

export type Asked<Answer> = { answer: Answer } | { problems: InputError['problems'] }

/** Which map is wanted now: an older one stops. */
let newestMap = 0
/** Filled once for a paste, a way of lying and an air; any size is then read from it. */
const tables = new Map<string, DryingTable>()
const CONFIDENCE = 0.9

const worker = {
	/** When, and how sure: soon known. */
	judge(address: DryingAddress, known: Known): Asked<DryingVerdict> {
		return asked(() => askVerdict(address, known))
	},

	/** All of it, with the reasons and what would help. */
	ask(address: DryingAddress, known: Known): Asked<DryingAnswer> {
		return asked(() => askDrying(address, known))
	},

	/** @returns the rows, or undefined: another map was asked for meanwhile */
	async map(address: DryingAddress, known: Known, onProgress: (share: number) => void): Promise<MapRow[] | undefined> {
		const own = ++newestMap
		const { piece, stage } = toQuestion(address, known)
		const { movement, pace = 1 } = airOf(address, known)
		const belief = beliefOf(known, address.paste)
		const sized = sizeOf(piece)
		if (!sized) {
			const here = { ...piece, paceFactor: pace * (piece.paceFactor ?? 1) }
			return [...mapHours(solvedHours(here, movement, stage, { belief, confidence: CONFIDENCE }))]
		}
		const key = JSON.stringify([piece.paste, piece.paceFactor, { ...piece.body, [sized.field]: 0 }, movement])
		const table = tables.get(key) ?? createDryingTable(sized.pieceOf, movement, sized.range)
		if (!tables.has(key)) {
			for (const { done, total } of table.fill()) {
				onProgress(done / total)
				// Lets newer questions in.
				await new Promise((resolve) => setTimeout(resolve))
				if (own !== newestMap) return undefined
			}
			tables.set(key, table)
		}
		const times = timesModel(belief, CONFIDENCE) / pace
		return [
			...mapHours((air) => {
				const hours = table.hours(stage, sized.size, air)
				return hours === undefined ? undefined : hours * times
			}),
		]
	},
}

export type DryingWorker = typeof worker

function asked<Answer>(work: () => Answer): Asked<Answer> {
	try {
		return { answer: work() }
	} catch (error) {
		if (error instanceof InputError) return { problems: error.problems }
		throw error
	}
}

/** The one size by which a table is read; undefined: the body has more than one. */
function sizeOf({ body, ...piece }: DryingPiece) {
	if (body.type === 'sheet') {
		const pieceOf = (thicknessMm: number): DryingPiece => ({ ...piece, body: { ...body, thicknessMm } })
		return { field: 'thicknessMm', size: body.thicknessMm, pieceOf, range: { minMm: 0.3, maxMm: 4.2 } }
	}
	if (body.type === 'sphere') {
		const pieceOf = (radiusMm: number): DryingPiece => ({ ...piece, body: { ...body, radiusMm } })
		return { field: 'radiusMm', size: body.radiusMm, pieceOf, range: { minMm: 1, maxMm: 20 } }
	}
	return undefined
}

expose(worker)
