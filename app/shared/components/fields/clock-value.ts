/** Times of day between our words, '18:30', and what the pickers hold. */
import dayjs, { type Dayjs } from 'dayjs'
import customParseFormat from 'dayjs/plugin/customParseFormat'
import updateLocale from 'dayjs/plugin/updateLocale'

dayjs.extend(customParseFormat)
dayjs.extend(updateLocale)
// Weeks begin on Monday, here and in the pickers.
dayjs.updateLocale('en', { weekStart: 1 })

export const CLOCK_FORMAT = 'HH:mm'
/** As a day is kept and sent. */
export const DAY_FORMAT = 'YYYY-MM-DD'

/** Null where it is no time of day. */
export function toClockValue(text: string): Dayjs | null {
	const value = dayjs(text, CLOCK_FORMAT, true)
	return value.isValid() ? value : null
}

/** Null where it is no day. */
export function toDayValue(text: string): Dayjs | null {
	const value = dayjs(text, DAY_FORMAT, true)
	return value.isValid() ? value : null
}
