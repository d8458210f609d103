/** What the plan's screen may ask for, by its intent. Limits of a course are core's; here they only have a shape. */
import { number, object, string } from 'yup'
import type { IntentOf } from '../../shared/schemas/intent'
import { COURSE_LIMITS } from '../../../core/course/validate-course'
import { rowId, rowVersion } from '../../shared/schemas/row-version'

const { waitMinutes, flowersPerStudent, designs } = COURSE_LIMITS
const MINUTES = `Whole minutes from ${waitMinutes.min} to ${waitMinutes.max} (30 days)`
/** Of a plan as JSON. */
const MOST_CHARACTERS = 400_000

/** Of the course as it was shown. */
const version = rowVersion()
/** Which wait. */
const key = string().required().max(200)
const minutes = number().typeError(MINUTES).required(MINUTES).integer(MINUTES).min(waitMinutes.min, MINUTES)

export const planActions = {
	/** Of the plan that was shown: another may have been kept since. */
	'plan-anew': object({ version, planId: rowId().required() }).noUnknown(),
	'take-new-designs': object({ version }).noUnknown(),
	'set-wait': object({ version, key, minutes: minutes.max(waitMinutes.max, MINUTES) }).noUnknown(),
	'free-wait': object({ version, key }).noUnknown(),
	'add-session': object({ version }).noUnknown(),
	'end-later': object({ version, minutes }).noUnknown(),
	'fewer-flowers': object({
		version,
		/** Which design, counted from 0. */
		design: number().required().integer().min(0).max(designs.max),
		flowers: number().required().integer().min(flowersPerStudent.min).max(flowersPerStudent.max),
	}).noUnknown(),
	'keep-plan': object({
		version,
		planId: rowId().required(),
		plan: string().required().max(MOST_CHARACTERS),
	}).noUnknown(),
	'bring-back': object({ version, planId: rowId().required() }).noUnknown(),
}

export type PlanAction = IntentOf<typeof planActions>
