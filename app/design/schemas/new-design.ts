import { object, string } from 'yup'

const MOST_PARTS = 30

/** How a new design begins: from a skeleton, or like one of the studio's own. */
export const newDesignSchema = object({
	name: string().trim().required('Give the design a name').max(80, 'At most 80 characters'),
	from: string()
		.required('Choose what to start from')
		.matches(/^(parts|(skeleton|like):[a-z0-9-]{1,60})$/, 'Choose what to start from'),
	/** Names of its parts, by commas. */
	parts: string()
		.default('')
		.max(1000, 'At most 1000 characters')
		.test('parts', 'Name its parts, at most 30 of up to 80 letters', function (text) {
			const names = partNames(text ?? '')
			const isGood = names.length > 0 && names.length <= MOST_PARTS && names.every(({ length }) => length <= 80)
			return (this.parent as { from?: string }).from !== 'parts' || isGood
		}),
}).noUnknown()

/** 'Centre, petals' -> ['Centre', 'Petals']. */
export function partNames(text: string): string[] {
	return text
		.split(/[,\n]/)
		.map((name) => name.trim())
		.filter((name) => name !== '')
		.map((name) => name.slice(0, 1).toUpperCase() + name.slice(1))
}
