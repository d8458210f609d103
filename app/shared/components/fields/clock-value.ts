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
/** As a day is shown in a field. */
export const SHOWN_DAY_FORMAT = 'ddd D MMM YYYY'
/** As a day is typed; a day of the week before it is passed over. */
const TYPED_DAY_FORMATS = ['D MMM YYYY', 'D MMMM YYYY', 'D.M.YYYY', 'D. M. YYYY', 'D/M/YYYY', DAY_FORMAT]
const TYPED_CLOCK_FORMATS = ['H:mm', 'H.mm']

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

/** The day that is typed, as it is kept; undefined where it is none: 'Sat 21 feb 2026', '21.02.2026'. */
export function readDay(text: string): string | undefined {
	const plain = text
		.trim()
		.replace(/^\p{L}+[.,]*\s+(?=\d)/u, '')
		.replace(/\s+/g, ' ')
		.replace(/\b0(?=\d[. /])/g, '')
		.replace(/\p{L}+/gu, (word) => word.charAt(0).toUpperCase() + word.slice(1).toLowerCase())
	return readFirst(plain, TYPED_DAY_FORMATS)?.format(DAY_FORMAT)
}

/** The time of day that is typed, as it is kept; undefined where it is none: '9:30', '09.30'. */
export function readClock(text: string): string | undefined {
	return readFirst(text.trim().replace(/^0(?=\d)/, ''), TYPED_CLOCK_FORMATS)?.format(CLOCK_FORMAT)
}

function readFirst(text: string, formats: readonly string[]): Dayjs | undefined {
	return formats.map((format) => dayjs(text, format, true)).find((value) => value.isValid())
}
