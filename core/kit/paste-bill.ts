/** Paste to weigh out by kind and colour: cut pieces as they are really rolled and cut, formed and moulded ones by mass. */
import { present } from '../present'
import type { ResolvedPart } from '../design/resolve-design'
import { PASTE_DENSITY_G_PER_CM3 } from '../materials/pastes'
import type { MarbledColour, PartRole } from '../design/design'
import { cutAreaMm2, pasteMassG } from '../materials/piece-mass'
import { toCutPiece, type CutPiece } from '../materials/sheets/nest-pieces'
import { rollOut, type RolledSheet } from '../materials/sheets/roll-out'
import { cutOutline } from '../outlines/families'
import { outlineBounds } from '../outlines/measure-outline'
import { usedOfReckoned, type PasteUse } from '../learn/paste-use'
import { amountOfSeat, Gathering, sumOfKits, sumShares, type Shares, type ShareName } from './bill'
import type { PieceLine } from './class-pieces'
import { findExchange, type Exchange } from './exchanges'
import type { KitTerms } from './kit-terms'
import { allergensOfPaste, type PasteMaker } from '../design/paste-makers'
import type { Seat } from './student'

export interface PasteItem {
	/** Of the paste by name and colour. */
	key: string
	/** Of the trade, or the studio's own, or what is taken instead. */
	paste: string
	colour: string
	/** Kneaded of several colours, which are weighed out each by itself. */
	marbled?: MarbledColour[]
}

/** Where the paste of a usual kit goes, for whoever asks why. */
export type PasteSource = (
	| { type: 'cut'; partName: string; count: number; areaMm2: number; thicknessMm: number; mg: number }
	| { type: 'formed'; partName: string; count: number; mg: number }
	/** Beyond the pieces: scrap at the edges, and what kneading back loses. */
	| { type: 'rolling'; thicknessMm: number; sheetCount: number; mg: number }
	/** Let down in mixtures, such as a glue of the same paste. */
	| { type: 'mixture'; mg: number }
	/** More than is reckoned, or less, as past classes have used. */
	| { type: 'learnt'; mg: number }
) & {
	/** Name of the marble that it is a share of. */
	mixedInto?: string
}

export interface PasteLine {
	item: PasteItem
	/** What the pieces need, exactly; in mg. */
	shares: Shares
	/** What is weighed out: enough to knead and roll out of, in whole grams a kit; in mg. */
	handOut: Shares
	/** Of a usual kit; where that has none, of the first kit with it, or of the instructor's batch. */
	sources: PasteSource[]
	/** Of the pieces in the kits that are made of it, each once. */
	kinds: PartRole[]
	/** Of all kits together, as it is reckoned before anything was learnt; mg, a fraction or not. */
	plainMg: number
}

/** Sheets of one thickness as they are rolled and cut, for one maker. */
export interface SheetGroup {
	item: PasteItem
	/** Rolled. */
	thicknessMm: number
	/** A usual kit, or a share of the instructor's. */
	maker: 'kit' | ShareName
	/** Of all its sheets, with what is left over in kneading together again. */
	massMg: number
	/** In the order in which they are rolled. */
	sheets: RolledSheet[]
	/** Names and tints of the pieces' parts by id. */
	parts: { id: string; name: string; tint: ResolvedPart['tint'] }[]
	/** Parts larger than the board: rolled one by one. */
	tooLarge: string[]
}

export interface PasteBill {
	lines: PasteLine[]
	groups: SheetGroup[]
	exchanges: Exchange[]
}

/** Pieces of one part that somebody makes of one paste. */
interface Batch {
	item: PasteItem
	line: PieceLine
	/** Of pieces. */
	count: number
}

interface PasteTerms {
	inMixtures: readonly { item: PasteItem; shares: Shares }[]
	makers: readonly PasteMaker[]
	learnt?: PasteUse | undefined
}

/**
 * What each seat needs of every paste and colour, mg: by piece with spares, rolled out, with what is lost and kept in reserve.
 *
 * @param besides - what is let down in mixtures, pastes that are made, and of each paste what past classes have used
 * against what was reckoned
 */
export function billPaste(
	lines: readonly PieceLine[],
	seats: readonly Seat[],
	terms: KitTerms,
	{ inMixtures, makers, learnt = {} }: PasteTerms,
): PasteBill {
	const pasted = lines.filter(({ part }) => part.paste && pasteMassG(part.form) > 0)
	const gathering = new Gathering<PasteItem>(seats.length)
	const roll = createRoller(terms, learnt)
	const sources = new Map<string, PasteSource[]>()
	const inKits = new InKits()
	const groups: SheetGroup[] = []
	const weigh = (to: number | 'usual' | ShareName, batches: readonly Batch[]) => {
		for (const [item, own] of byItem(batches)) {
			const { mg, plainMg, sources: from, groups: rolled } = roll(own)
			for (const part of splitMarble(item, mg)) {
				gathering.add(part.item, to, part.mg)
				if (typeof to === 'number') inKits.add(part.item, plainMg * (part.mg / mg), own)
				// The kit without changes comes first: others only explain what it does not have.
				const before = sources.get(part.item.key) ?? []
				if (before.every(({ mixedInto }) => mixedInto !== part.mixedInto)) {
					const shares = part.mixedInto === undefined ? from : scaleSources(from, part.mg / mg, part.mixedInto)
					sources.set(part.item.key, [...before, ...shares])
				}
			}
			if (typeof to === 'number') continue
			groups.push(...rolled.map((group) => ({ ...group, item, maker: to === 'usual' ? ('kit' as const) : to })))
		}
	}
	const made = pasted.filter(({ maker }) => maker === 'students')
	weigh(
		'usual',
		made.map((line) => ({ item: pasteItem(line.part), line, count: line.shares.usual })),
	)
	seats.forEach((seat, s) =>
		weigh(
			s,
			made.map((line) => batchOf(line, seat, amountOfSeat(line.shares, s), makers)),
		),
	)
	const ahead = pasted.filter(({ maker }) => maker === 'instructor')
	const perSeat = (some: readonly PieceLine[], countOf: (line: PieceLine, s: number) => number) =>
		merge(some.flatMap((line) => seats.map((seat, s) => batchOf(line, seat, countOf(line, s), makers))))
	weigh(
		'ahead',
		perSeat(ahead, ({ shares }, s) => amountOfSeat(shares, s)),
	)
	weigh(
		'swapOuts',
		perSeat(pasted, (line, s) => amountOfSeat(line.shares, s) * line.swapSets),
	)
	weigh(
		'demo',
		pasted.map((line) => ({ item: pasteItem(line.part), line, count: line.shares.demo })),
	)
	for (const { item, shares } of inMixtures) {
		addShares(gathering, item, shares)
		inKits.add(item, sumOfKits(shares), [])
		const mg = shares.usual || (shares.kits.find((own) => own > 0) ?? shares.demo)
		if (mg > 0) sources.set(item.key, [...(sources.get(item.key) ?? []), { type: 'mixture', mg }])
	}
	return {
		lines: gathering
			.lines(() => terms.reserveShare)
			.map(({ item, shares }) => ({
				...{ item, shares, ...inKits.of(item) },
				handOut: toHandOut(shares, terms),
				sources: sources.get(item.key) ?? [],
			})),
		groups,
		exchanges: seats.flatMap((seat) => exchangesOf(pasted, seat, makers)),
	}
}

/** Of each paste in the kits, what is reckoned before anything was learnt, and the pieces that are made of it. */
class InKits {
	readonly #byKey = new Map<string, { kinds: Set<PartRole>; plainMg: number }>()

	add({ key }: PasteItem, plainMg: number, batches: readonly Batch[]): void {
		const own = this.#byKey.get(key) ?? { kinds: new Set(), plainMg: 0 }
		for (const { line } of batches) own.kinds.add(line.part.role)
		this.#byKey.set(key, { ...own, plainMg: own.plainMg + plainMg })
	}

	of({ key }: PasteItem): Pick<PasteLine, 'kinds' | 'plainMg'> {
		const { kinds = [], plainMg = 0 } = this.#byKey.get(key) ?? {}
		return { kinds: [...kinds], plainMg }
	}
}

/** Lumps that can be worked for those who get one; the reserve is that of the exact need, and stays with the instructor. */
function toHandOut(shares: Shares, { handlingShare, leastLumpG }: KitTerms): Shares {
	const lump = (mg: number) => {
		if (mg === 0) return 0
		return 1000 * Math.ceil(Math.max(leastLumpG, (mg * (1 + handlingShare)) / 1000) - 1e-9)
	}
	const { usual, kits, ahead, demo, swapOuts, reserve } = shares
	const handed = sumShares({ usual: lump(usual), kits: kits.map(lump), ahead, demo: lump(demo), swapOuts })
	return { ...handed, reserve, total: handed.total + reserve }
}

/**
 * Paste is one thing by its name and colour: what is kneaded once is weighed once.
 *
 * @param instead - name of the paste that somebody has in its place
 */
function pasteItem({ ownPaste, paste, colour, marbled }: ResolvedPart, instead?: string): PasteItem {
	const name = present(instead ?? ownPaste?.name ?? paste, 'the paste of a part of paste')
	if (!marbled) return { key: `paste:${name}:${colour}`, paste: name, colour }
	const mix = marbled.map((one) => `${one.colour} ${one.share}`).join('+')
	return { key: `paste:${name}:${colour}:${mix}`, paste: name, colour, marbled }
}

/** A marble as the colours that it is kneaded of, exact in sum; anything else as it is. */
function splitMarble(item: PasteItem, mg: number): { item: PasteItem; mg: number; mixedInto?: string }[] {
	if (!item.marbled) return [{ item, mg }]
	const total = item.marbled.reduce((sum, { share }) => sum + share, 0)
	let [shareBefore, mgBefore] = [0, 0]
	return item.marbled.map(({ colour, share }) => {
		shareBefore += share
		const until = Math.round((mg * shareBefore) / total)
		const own = until - mgBefore
		mgBefore = until
		return {
			item: { key: `paste:${item.paste}:${colour}`, paste: item.paste, colour },
			mg: own,
			mixedInto: item.colour,
		}
	})
}

function scaleSources(sources: readonly PasteSource[], share: number, mixedInto: string): PasteSource[] {
	return sources.map((source) => ({ ...source, mg: Math.round(source.mg * share), mixedInto }))
}

function addShares(gathering: Gathering<PasteItem>, item: PasteItem, shares: Shares): void {
	gathering.add(item, 'usual', shares.usual)
	shares.kits.forEach((amount, s) => gathering.add(item, s, amount))
	for (const name of ['ahead', 'demo', 'swapOuts'] as const) gathering.add(item, name, shares[name])
}

/** What the student of the seat has instead, where she avoids something in the paste. */
function exchangeOf({ part }: PieceLine, seat: Seat, makers: readonly PasteMaker[]): Exchange | undefined {
	const name = present(part.ownPaste?.name ?? part.paste, 'the paste of a part of paste')
	// What a studio's own paste is made of is not known: it counts as the usual one that it is like.
	const allergens = part.paste ? allergensOfPaste(part.paste, makers) : []
	return findExchange(seat, { name, kind: 'paste', allergens })
}

/** What the student of the seat has instead, each exchange once, with parts that a label speaks against. */
function exchangesOf(lines: readonly PieceLine[], seat: Seat, makers: readonly PasteMaker[]): Exchange[] {
	const found = new Map(
		lines.flatMap((line) => {
			const exchange = exchangeOf(line, seat, makers)
			return exchange ? [[`${exchange.what} ${exchange.reason}`, exchange] as const] : []
		}),
	)
	const byLabel = lines.flatMap(({ part }) => {
		const exchange = findExchange(seat, {
			name: part.name.toLowerCase(),
			kind: 'other',
			allergens: part.allergens ?? [],
		})
		return exchange ? [exchange] : []
	})
	return [...found.values(), ...byLabel]
}

/** So many pieces of a part for a seat, of the paste that she has. */
function batchOf(line: PieceLine, seat: Seat, count: number, makers: readonly PasteMaker[]): Batch {
	return { item: pasteItem(line.part, exchangeOf(line, seat, makers)?.instead), line, count }
}

/** Batches of one part and paste together: they are rolled together. */
function merge(batches: readonly Batch[]): Batch[] {
	const merged = new Map<string, Batch>()
	for (const batch of batches) {
		const key = `${batch.item.key} ${batch.line.designId} ${batch.line.part.id}`
		merged.set(key, { ...batch, count: (merged.get(key)?.count ?? 0) + batch.count })
	}
	return [...merged.values()]
}

/** In the order in which each paste first comes. */
function byItem(batches: readonly Batch[]): [PasteItem, Batch[]][] {
	const groups = new Map<string, [PasteItem, Batch[]]>()
	for (const batch of batches) {
		if (batch.count === 0) continue
		const group = groups.get(batch.item.key) ?? [batch.item, []]
		group[1].push(batch)
		groups.set(batch.item.key, group)
	}
	return [...groups.values()]
}

interface Rolled {
	/** Altogether. */
	mg: number
	/** Before what was learnt. */
	plainMg: number
	sources: PasteSource[]
	groups: Omit<SheetGroup, 'item' | 'maker'>[]
}

/** Weighs batches of one paste and colour; kits that are alike are rolled once. */
function createRoller(terms: KitTerms, learnt: PasteUse): (batches: readonly Batch[]) => Rolled {
	const known = new Map<string, Rolled>()
	return (batches) => {
		const parts = batches.map(({ line, count }) => `${line.designId}/${line.part.id}:${count}`)
		const key = [batches[0]?.item.paste, ...parts].join()
		const before = known.get(key)
		if (before) return before
		const rolled = asUsed(weighBatches(batches, terms), usedOf(batches, learnt))
		known.set(key, rolled)
		return rolled
	}
}

/** Against what is reckoned: each kind of piece by its own, as far as its pieces weigh. */
function usedOf(batches: readonly Batch[], learnt: PasteUse): number {
	let [used, plain] = [0, 0]
	for (const { item, line, count } of batches) {
		const mass = pasteMassG(line.part.form) * count
		plain += mass
		used += mass * usedOfReckoned(learnt, item.paste, line.part.role)
	}
	return plain > 0 ? used / plain : 1
}

/** So many times as much. */
function asUsed(weighed: Omit<Rolled, 'plainMg'>, factor: number): Rolled {
	const rolled = { ...weighed, plainMg: weighed.mg }
	const mg = Math.ceil(rolled.mg * factor - 1e-6)
	if (mg === rolled.mg) return rolled
	return { ...rolled, mg, sources: [...rolled.sources, { type: 'learnt', mg: mg - rolled.mg }] }
}

/** Paste of the batches, mg: cut parts by the sheets that they are rolled to, others by their mass. */
function weighBatches(batches: readonly Batch[], terms: KitTerms): Omit<Rolled, 'plainMg'> {
	const byThickness = new Map<number, Batch[]>()
	const sources: PasteSource[] = []
	let mg = 0
	for (const batch of batches) {
		const { part } = batch.line
		const pieceMg = Math.ceil(pasteMassG(part.form) * 1000 * batch.count)
		const common = { partName: part.name, count: batch.count, mg: pieceMg }
		if (part.form.type === 'cut') {
			const { thicknessMm } = part.form
			byThickness.set(thicknessMm, [...(byThickness.get(thicknessMm) ?? []), batch])
			sources.push({ type: 'cut', ...common, areaMm2: cutPieceOf(batch, terms).areaMm2, thicknessMm })
		} else {
			mg += pieceMg
			sources.push({ type: 'formed', ...common })
		}
	}
	const groups = [...byThickness].map(([thicknessMm, own]) => rollGroup(own, thicknessMm, terms))
	for (const { massMg, thicknessMm, sheets } of groups) {
		mg += massMg
		const cut = sources.filter((source) => source.type === 'cut' && source.thicknessMm === thicknessMm)
		const rest = massMg - cut.reduce((sum, source) => sum + source.mg, 0)
		sources.push({ type: 'rolling', thicknessMm, sheetCount: sheets.length, mg: rest })
	}
	return { mg, sources, groups }
}

/** Sheets of one thickness, nested on the board. What is larger than the board is weighed by its own box. */
function rollGroup(batches: readonly Batch[], thicknessMm: number, terms: KitTerms): Rolled['groups'][number] {
	const { boardWidthMm, boardHeightMm, rerollLoss } = terms
	const fits = (batch: Batch) => {
		const { widthMm, lengthMm } = sizeOf(batch)
		const [short, long] = [Math.min(widthMm, lengthMm), Math.max(widthMm, lengthMm)]
		return short <= Math.min(boardWidthMm, boardHeightMm) && long <= Math.max(boardWidthMm, boardHeightMm)
	}
	const wanted = batches.filter(fits).map((batch) => ({ piece: cutPieceOf(batch, terms), count: batch.count }))
	const { massG, sheets } = rollOut(wanted, {
		thicknessMm,
		boardWidthMm,
		boardHeightMm,
		loss: rerollLoss,
		densityGPerCm3: PASTE_DENSITY_G_PER_CM3,
	})
	const large = batches.filter((batch) => !fits(batch))
	// A piece larger than the board is rolled by itself, to the rectangle that it is cut from.
	const largeG = large.reduce((sum, batch) => {
		const { widthMm, lengthMm } = sizeOf(batch)
		return sum + (batch.count * widthMm * lengthMm * thicknessMm * PASTE_DENSITY_G_PER_CM3) / 1000
	}, 0)
	return {
		thicknessMm,
		massMg: Math.ceil((massG + largeG) * 1000 - 1e-6),
		sheets,
		parts: batches.map(({ line }) => ({ id: idOf(line), name: line.part.name, tint: line.part.tint })),
		tooLarge: large.map(({ line }) => line.part.name),
	}
}

/** Of the line among all designs. */
function idOf({ designId, part }: PieceLine): string {
	return `${designId}/${part.id}`
}

function cutPieceOf({ line }: Batch, { gapMm }: KitTerms): CutPiece {
	const { form } = line.part
	if (form.type !== 'cut') throw new TypeError(`${line.part.name} is not cut`)
	const { outline, lobes, path, widthMm, lengthMm } = form
	const key = [outline, lobes, path, widthMm, lengthMm].join('|')
	const piece = toCutPiece(idOf(line), cutOutline(form), { key, gapMm })
	// A hole lies in the piece's own place on the sheet; its paste is kneaded back.
	return { ...piece, areaMm2: cutAreaMm2(form) }
}

/** Box of its outline, mm; what is not cut has none. */
function sizeOf({ line }: Batch): { widthMm: number; lengthMm: number } {
	const { form } = line.part
	if (form.type !== 'cut') return { widthMm: 0, lengthMm: 0 }
	const { minX, minY, maxX, maxY } = outlineBounds(cutOutline(form))
	return { widthMm: maxX - minX, lengthMm: maxY - minY }
}
