/**
 * Rolling and re-rolling: paste is rolled to a rectangle, pieces are nested and cut, what is left is kneaded back with
 * a loss and rolled again, until all are cut. The paste to weigh out is the least with which the whole count comes out.
 * Assumes a sheet of even thickness, at most as large as the board, of any proportions.
 */
import { leastExtentMm, nestOutline, type CutPiece, type PlacedPiece } from './nest-pieces'

export interface RollingTerms {
	/** > 0. */
	thicknessMm: number
	/** Of the board that is rolled on. */
	boardWidthMm: number
	/** A sheet is no larger than the board. */
	boardHeightMm: number
	/** Share of the scrap lost each time it is kneaded back, in [0, 1). */
	loss: number
	/** Of the paste. */
	densityGPerCm3: number
}

/** One sheet as it is rolled and cut. */
export interface RolledSheet {
	widthMm: number
	heightMm: number
	/** Where each is cut. */
	pieces: PlacedPiece[]
	/** Share of the sheet that becomes pieces. */
	yield: number
}

export interface RollOut {
	/** Paste to weigh out, g, to a tenth. */
	massG: number
	/** Of it, what the pieces themselves weigh. */
	pieceMassG: number
	/** In the order in which they are rolled; what is left over goes into the next. */
	sheets: RolledSheet[]
}

/** A piece with how many of it are wanted. */
export interface WantedPiece {
	piece: CutPiece
	/** Whole, >= 0. */
	count: number
}

/** Masses are raised by so much until the sheet is large enough: no balance of a bench is finer. */
const STEP_G = 0.1
/** A search in steps that double from a tenth of a gram, and then halve, ends within so many. */
const MAX_STEPS = 60
/** Widths that a sheet is tried at, as shares of the board. */
const WIDTH_SHARES = [1, 0.8, 0.6, 0.45, 0.3, 0.2, 0.12]

/**
 * @param wanted - of one paste, colour and thickness; the largest pieces are cut first
 * @throws {RangeError} a piece larger than the board, or terms out of their ranges
 * @complexity O(tries · sheets · widths · layouts)
 */
export function rollOut(wanted: readonly WantedPiece[], terms: RollingTerms): RollOut {
	checkTerms(terms)
	const pieces = wanted
		.filter(({ count }) => count > 0)
		.toSorted((a, b) => b.piece.areaMm2 - a.piece.areaMm2 || a.piece.id.localeCompare(b.piece.id))
	for (const { piece } of pieces) {
		const whole = { widthMm: terms.boardWidthMm, heightMm: terms.boardHeightMm, mostPieces: 1 }
		if (nestOutline(piece, whole).count === 0) throw new RangeError(`${piece.id} is larger than the board`)
	}
	const pieceMassG = toGrams(
		pieces.reduce((sum, { piece, count }) => sum + piece.areaMm2 * count, 0),
		terms,
	)
	if (pieces.length === 0) return { massG: 0, pieceMassG: 0, sheets: [] }
	const { massG, cuts } = leastMass(pieces, pieceMassG, terms)
	return { massG, pieceMassG, sheets: cuts.map(drawSheet) }
}

/** @throws {RangeError} a size that is not positive, or a loss outside [0, 1) */
function checkTerms({ thicknessMm, boardWidthMm, boardHeightMm, loss, densityGPerCm3 }: RollingTerms): void {
	for (const [name, value] of Object.entries({ thicknessMm, boardWidthMm, boardHeightMm, densityGPerCm3 }))
		if (!(value > 0)) throw new RangeError(`${name} must be > 0, got ${value}`)
	if (!(loss >= 0 && loss < 1)) throw new RangeError(`loss must be in [0, 1), got ${loss}`)
}

/** One rolling: the sheet's size, and how many of each piece are cut from it. */
interface Cut {
	widthMm: number
	heightMm: number
	blocks: { piece: CutPiece; count: number; heightMm: number }[]
	/** Of the pieces that it holds. */
	areaMm2: number
}

/** The least mass that is enough: up in growing steps, then down by halves to a tenth of a gram. */
function leastMass(
	wanted: readonly WantedPiece[],
	pieceMassG: number,
	terms: RollingTerms,
): { massG: number; cuts: Cut[] } {
	let [short, stepTenths] = [Math.ceil(pieceMassG / STEP_G) - 1, Math.max(1, Math.round(pieceMassG / STEP_G / 64))]
	let enough: { tenths: number; cuts: Cut[] } | undefined
	for (let tries = 0; tries < MAX_STEPS * 20 && !enough; tries++) {
		const cuts = cutAll(wanted, (short + stepTenths) * STEP_G, terms)
		if (cuts) enough = { tenths: short + stepTenths, cuts }
		else short += stepTenths
		// Where pieces use little of a sheet, far more than their mass is needed: the steps grow.
		if (tries > MAX_STEPS) stepTenths = Math.ceil(stepTenths * 1.1)
	}
	if (!enough) throw new RangeError('the pieces cannot be cut from any mass of paste')
	while (enough.tenths - short > 1) {
		const middle = Math.floor((enough.tenths + short) / 2)
		const cuts = cutAll(wanted, middle * STEP_G, terms)
		if (cuts) enough = { tenths: middle, cuts }
		else short = middle
	}
	return { massG: enough.tenths / 10, cuts: enough.cuts }
}

/** The cuts that make all pieces of so much paste; undefined where it runs out. */
function cutAll(wanted: readonly WantedPiece[], massG: number, terms: RollingTerms): Cut[] | undefined {
	const left = wanted.map(({ piece, count }) => ({ piece, count }))
	const cuts: Cut[] = []
	let mass = massG
	while (left.some(({ count }) => count > 0)) {
		const cut = bestCut(left, mass, terms)
		if (!cut) return undefined
		cuts.push(cut)
		for (const item of left) item.count -= cut.blocks.find(({ piece }) => piece === item.piece)?.count ?? 0
		const sheetG = toGrams(cut.widthMm * cut.heightMm, terms)
		const cutG = toGrams(cut.areaMm2, terms)
		mass = mass - sheetG + (sheetG - cutG) * (1 - terms.loss)
	}
	return cuts
}

/** The sheet from which the most area of pieces is cut. */
function bestCut(left: readonly WantedPiece[], massG: number, terms: RollingTerms): Cut | undefined {
	const areaMm2 = (massG / terms.densityGPerCm3 / terms.thicknessMm) * 1000
	const widths = [...WIDTH_SHARES.map((share) => share * terms.boardWidthMm), Math.sqrt(areaMm2)]
	let best: Cut | undefined
	for (const widthMm of widths) {
		if (widthMm > terms.boardWidthMm) continue
		const heightMm = Math.min(terms.boardHeightMm, areaMm2 / widthMm)
		const cut = fillSheet(left, widthMm, heightMm)
		if (cut.areaMm2 > (best?.areaMm2 ?? 0) + 1e-9) best = cut
	}
	return best
}

/** Blocks of rows one under another, the largest pieces first. The sheet is no higher than they need. */
function fillSheet(left: readonly WantedPiece[], widthMm: number, heightMm: number): Cut {
	const blocks: Cut['blocks'] = []
	let used = 0
	for (const { piece, count } of left) {
		const room = heightMm - used
		if (count === 0 || room < leastExtentMm(piece)) continue
		const block = nestOutline(piece, { widthMm, heightMm: room, mostPieces: count })
		if (block.count === 0) continue
		blocks.push({ piece, count: block.count, heightMm: block.heightMm })
		used += block.heightMm + piece.gapMm
	}
	return {
		widthMm,
		heightMm,
		blocks,
		areaMm2: blocks.reduce((sum, { piece, count }) => sum + piece.areaMm2 * count, 0),
	}
}

/** Where the pieces of a cut lie on their sheet, mm. */
function drawSheet({ widthMm, heightMm, blocks, areaMm2 }: Cut): RolledSheet {
	let top = 0
	const pieces = blocks.flatMap(({ piece, count, heightMm: blockMm }) => {
		const yMm = top
		top += blockMm + piece.gapMm
		const { place } = nestOutline(piece, { widthMm, heightMm: heightMm - yMm, mostPieces: count })
		return place().map((placed) => ({ ...placed, yMm: placed.yMm + yMm }))
	})
	return { widthMm, heightMm, pieces, yield: areaMm2 / (widthMm * heightMm) }
}

/** Of a rolled sheet. */
function toGrams(areaMm2: number, { thicknessMm, densityGPerCm3 }: RollingTerms): number {
	return ((areaMm2 * thicknessMm) / 1000) * densityGPerCm3
}
