/** Amounts and money in words. */
import { amountText, fromCents } from '../../../core/kit/money'
import type { AmountUnit } from '../../../core/kit/bill'
import { tellLength, tellMass, tellVolume, type ToldAmount, type UnitSystem } from '../../../core/materials/units'

/** '62 g', '4.4 ml', '1.25 m', '12'. */
export function amountWords(amount: number, unit: AmountUnit, system: UnitSystem): string {
	return unit === 'piece' ? String(amount) : words(tell(amount, unit, system))
}

/** The same as a number with the format of a spreadsheet: '62 g' is 62 as `0" g"`. */
export function amountCell(amount: number, unit: AmountUnit, system: UnitSystem) {
	const told = unit === 'piece' ? { value: amount, digits: 0, unit: undefined } : tell(amount, unit, system)
	return { text: amountWords(amount, unit, system), value: told.value, format: numberFormat(told.digits, told.unit) }
}

function numberFormat(digits: number, unit: string | undefined): string {
	const number = digits === 0 ? '0' : `0.${'0'.repeat(digits)}`
	return unit === undefined ? number : `${number}" ${unit}"`
}

function tell(amount: number, unit: Exclude<AmountUnit, 'piece'>, system: UnitSystem): ToldAmount {
	if (unit === 'mg') return tellMass(amount / 1000, system)
	return unit === 'µl' ? tellVolume(amount / 1000, system) : tellLength(amount, system)
}

function words({ value, digits, unit }: ToldAmount): string {
	return `${value.toFixed(digits)} ${unit}`
}

/** A length of wire or of a sheet. */
export function lengthWords(lengthMm: number, system: UnitSystem): string {
	return words(tellLength(lengthMm, system))
}

/** '€ 12.40'. */
export function money(cents: number, currency: string): string {
	const sign = cents < 0 ? '−' : ''
	return `${sign}${currency} ${amountText(Math.abs(cents))}`
}

/** The same as a number with the format of a spreadsheet. */
export function moneyCell(cents: number, currency: string) {
	return { text: money(cents, currency), value: fromCents(cents), format: `"${currency.replaceAll('"', '')} "0.00` }
}
