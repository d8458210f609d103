/** Amounts of a studio's money: whole cents, so that sums come out even. */

/** Cents of an amount as it is typed: 12.5 is 1250. */
export function toCents(amount: number): number {
	return Math.round(100 * amount)
}

/** An amount as it is typed, of cents: 1250 is 12.5. */
export function fromCents(cents: number): number {
	return cents / 100
}

/** '12.50', without the currency. */
export function amountText(cents: number): string {
	return fromCents(cents).toFixed(2)
}
