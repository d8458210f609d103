import { array, number, object, string, type InferType } from 'yup'
import { COURSE_LIMITS } from '../../../core/course/validate-course'

/** Ticks of one request; a class of 60 with 60 lines each has 3 600. */
const MOST_TICKS = 4_000
/** In the line's unit: a tonne in mg. */
const MOST_AMOUNT = 1e9
/** Of the device's clock, ms since 1970: when it was done. Absent: now. */
const at = () => number().integer().min(0)

const ticks = array(
	object({
		seat: number().required().integer().min(0).max(COURSE_LIMITS.students.max),
		line: string().required().max(190),
		amount: number().required().integer().min(0).max(MOST_AMOUNT),
		at: at(),
	}).noUnknown(),
)
	.required()
	.max(MOST_TICKS)

/** Lines that are packed, or taken out again; or everything unpacked that was packed up to a moment. */
export const packingActions = {
	pack: object({ ticks }).noUnknown(),
	unpack: object({ ticks }).noUnknown(),
	clear: object({ at: at() }).noUnknown(),
}

export type PackingInput =
	| ({ intent: 'pack' | 'unpack' } & InferType<(typeof packingActions)['pack']>)
	| ({ intent: 'clear' } & InferType<(typeof packingActions)['clear']>)
