/** What the plan's screen may ask for, by its intent. Limits of a course are core's; here they only have a shape. */
import { number, object, string } from 'yup'
import type { IntentOf } from '../../shared/schemas/intent'
import { COURSE_LIMITS } from '../../../core/course/validate-course'
import { rowId, rowVersion } from '../../shared/schemas/row-version'

const { waitMinutes, flowersPerStudent, designs, bufferMinutes } = COURSE_LIMITS
const MINUTES = `Whole minutes from ${waitMinutes.min} to ${waitMinutes.max} (30 days)`
/** Of a plan as JSON. */
const MOST_CHARACTERS = 400_000

const planText = string().required().max(MOST_CHARACTERS)
/** A course as JSON. */
const courseText = string().required().max(MOST_CHARACTERS)

/** Of the course as it was shown. */
const version = rowVersion()
/** Which wait. */
const key = string().required().max(200)
/** Of an item of the course, a choice of its design, or an option. */
const id = string().required().max(64)
const minutes = number().typeError(MINUTES).required(MINUTES).integer(MINUTES).min(waitMinutes.min, MINUTES)

export const planActions = {
	/** Of the plan that was shown: another may have been kept since. */
	'plan-anew': object({ version, planId: rowId().required() }).noUnknown(),
	'take-new-designs': object({ version }).noUnknown(),
	'set-wait': object({ version, key, minutes: minutes.max(waitMinutes.max, MINUTES) }).noUnknown(),
	'free-wait': object({ version, key }).noUnknown(),
	/** What a session is to have to spare at its end; planned anew with it. */
	'set-buffer': object({
		version,
		session: number().required().integer().min(1).max(COURSE_LIMITS.sessions.max),
		minutes: number().required().integer().min(bufferMinutes.min).max(bufferMinutes.max),
	}).noUnknown(),
	'add-session': object({ version }).noUnknown(),
	'end-later': object({ version, minutes }).noUnknown(),
	'fewer-flowers': object({
		version,
		/** Which design, counted from 0. */
		design: number().required().integer().min(0).max(designs.max),
		flowers: number().required().integer().min(flowersPerStudent.min).max(flowersPerStudent.max),
	}).noUnknown(),
	'take-option': object({ version, item: id, choice: id, option: id }).noUnknown(),
	'keep-plan': object({
		version,
		planId: rowId().required(),
		plan: planText,
	}).noUnknown(),
	/** Another plan that is kept, with the course as it was for it. */
	'bring-back': object({ version, planId: rowId().required() }).noUnknown(),
	/** What was tried by hand: the course, and the plan that was seen for it. */
	'keep-trial': object({ version, planId: rowId().required(), course: courseText, plan: planText }).noUnknown(),
	'set-aside': object({
		version,
		name: string().trim().required('Give it a name').max(80, 'At most 80 characters'),
		course: courseText,
		plan: planText,
	}).noUnknown(),
	'forget-aside': object({ version, planId: rowId().required() }).noUnknown(),
	'lift-pin': object({ version, pin: string().required().max(1_000) }).noUnknown(),
}

export type PlanAction = IntentOf<typeof planActions>
