/** What somebody types where a number belongs. */

export interface NumberLimits {
	min: number
	max: number
	isWhole?: boolean
}

/** The number that is meant, with a comma or a point; undefined where it is none, or outside the limits. */
export function readNumber(text: string, { min, max, isWhole = false }: NumberLimits): number | undefined {
	const number = toPlainNumber(text)
	return number !== undefined && number >= min && number <= max && (!isWhole || Number.isInteger(number))
		? number
		: undefined
}

/** '1,5' and ' 1.5' are 1.5; '' and '1.5 mm' are none. */
function toPlainNumber(text: string): number | undefined {
	const plain = withPoint(text)
	const number = Number(plain)
	return plain === '' || !Number.isFinite(number) ? undefined : number
}

/** The same with the point that numbers of programs have. */
export function withPoint(text: string): string {
	return text.trim().replace(',', '.')
}

/** A number as it is shown in its field: what is typed as it is typed, no noughts added but by a precision. */
export function showNumber(
	value: string | number | undefined,
	{ userTyping, input, precision }: { userTyping: boolean; input: string; precision?: number | undefined },
): string {
	if (userTyping) return input
	if (value === undefined || value === '' || Number.isNaN(Number(value))) return String(value ?? '')
	return precision === undefined ? String(Number(value)) : Number(value).toFixed(precision)
}

/** 'A whole number from 1 to 12'. */
export function limitWords({ min, max, isWhole = false }: NumberLimits): string {
	return `${isWhole ? 'A whole number' : 'A number'} from ${min} to ${max}`
}
