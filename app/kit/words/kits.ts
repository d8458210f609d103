/** Words for kits: whose they are, what is exchanged, what a number comes from. */
import type { Exchange } from '../../../core/kit/exchanges'
import type { PasteSource } from '../../../core/kit/paste-bill'
import { avoidedBy, type Seat, type Student } from '../../../core/kit/student'
import type { SupplySource } from '../../../core/kit/supply-bill'
import type { StockKind } from '../../../core/kit/stock'
import type { AmountUnit } from '../../../core/kit/bill'
import { PASTE_DENSITY_G_PER_CM3 } from '../../../core/materials/pastes'
import type { UnitSystem } from '../../../core/materials/units'
import { PACE_WORDS } from '../../shared/words/terms'
import { amountWords } from '../../shared/words/amounts'
import { count } from '../../shared/words/times'

/** 'Wren Abbott', or 'Student 3' while nobody is named. */
export function seatName({ number, student }: Seat): string {
	return student?.name ?? `Student ${number}`
}

/** 'beginners, left-handed, no egg, child': what is special about somebody. */
export function studentWords(student: Student): string[] {
	return [
		...(student.level ? [PACE_WORDS[student.level].toLowerCase()] : []),
		...(student.isLeftHanded ? ['left-handed'] : []),
		...avoidedBy(student).map((allergen) => `no ${allergen}`),
		...(student.diet === 'any' ? [] : [student.diet]),
		...(student.isChild ? ['child'] : []),
	]
}

/** 'gum paste without egg instead of gum paste (egg)'. */
export function exchangeWords({ what, instead, reason }: Exchange): string {
	// Whoever is not told why.
	if (reason === undefined)
		return instead ? `${instead} instead of ${what}` : `${what}: not for her, ask the instructor`
	return instead
		? `${instead} instead of ${what} (${reason})`
		: `${what}: ${reason === 'child' ? 'not for a child' : `brings ${reason}`}, and no exchange is known: ask, or leave it out`
}

/** What the paste of a kit is made of, a line a source. */
export function pasteSourceWords(source: PasteSource, system: UnitSystem): string {
	const mass = amountWords(source.mg, 'mg', system)
	const marble = source.mixedInto === undefined ? '' : `, its share of the ${source.mixedInto}`
	switch (source.type) {
		case 'cut':
			return `${source.partName}: ${source.count} × ${(source.areaMm2 / 100).toFixed(1)} cm² × ${source.thicknessMm} mm × ${PASTE_DENSITY_G_PER_CM3} g/cm³ = ${mass}${marble}`
		case 'formed':
			return `${source.partName}: ${count(source.count, 'piece')} by volume or mould, ${mass}${marble}`
		case 'rolling':
			return `rolled ${source.thicknessMm} mm in ${count(source.sheetCount, 'sheet')}: edges and kneading, ${mass}${marble}`
		case 'mixture':
			return `let down in mixtures: ${mass}${marble}`
		case 'learnt':
			return `past classes used ${source.mg < 0 ? 'less' : 'more'} than is reckoned: ${source.mg < 0 ? '−' : ''}${amountWords(Math.abs(source.mg), 'mg', system)}${marble}`
	}
}

/** Why more is weighed out than the pieces need: nobody rolls sixty petals out of twelve grams. */
export function needsWords(mg: number, system: UnitSystem): string {
	return `needs ${amountWords(mg, 'mg', system)} exactly; the rest is to knead and roll out of, and goes back into the tub`
}

/** 'Outer petals: dust, 8 × 0.02 g, the usual amount'. */
export function supplySourceWords(source: SupplySource, unit: AmountUnit, system: UnitSystem): string {
	const each = unit === 'piece' ? '' : ` × ${amountWords(Math.round(source.each), unit, system)}`
	return `${source.what}: ${source.count}${each}${source.isUsual ? ', the usual amount (from memory)' : ''}`
}

export const STOCK_WORDS: Record<StockKind, string> = {
	paste: 'Paste',
	gel: 'Gel colour',
	wire: 'Wire',
	offcut: 'Wire off-cut',
	tape: 'Tape',
	ingredient: 'For mixtures',
	material: 'Dust, glaze and the like',
	bought: 'Bought pieces',
	tool: 'Tool',
	former: 'To dry on (places)',
}
