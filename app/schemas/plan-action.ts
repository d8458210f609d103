import { mixed, number, object, string } from 'yup'

const INTENTS = [
	'plan-anew',
	'add-session',
	'take-new-designs',
	'set-wait',
	'free-wait',
	'end-later',
	'fewer-flowers',
	'keep-plan',
	'bring-back',
] as const

const MINUTES = 'Whole minutes from 1 to 43200 (30 days)'

/** What the plan's screen may ask for. */
export const planActionSchema = object({
	intent: mixed<(typeof INTENTS)[number]>().oneOf(INTENTS).required(),
	/** Of the course as it was shown. */
	version: number().required().integer().min(1),
	/** Which wait, to set it by hand or to free it. */
	key: string()
		.max(200)
		.when('intent', { is: isWait, then: (schema) => schema.required() }),
	minutes: number()
		.typeError(MINUTES)
		.integer(MINUTES)
		.min(1, MINUTES)
		.max(43_200, MINUTES)
		.when('intent', { is: isOfMinutes, then: (schema) => schema.required(MINUTES) }),
	/** Which design, counted from 0, is made with how many flowers. */
	design: number()
		.integer()
		.min(0)
		.when('intent', { is: 'fewer-flowers', then: (schema) => schema.required() }),
	flowers: number()
		.integer()
		.min(1)
		.max(500)
		.when('intent', { is: 'fewer-flowers', then: (schema) => schema.required() }),
	/** A plan as JSON. */
	plan: string()
		.max(400_000)
		.when('intent', { is: 'keep-plan', then: (schema) => schema.required() }),
	planId: number()
		.integer()
		.min(1)
		.when('intent', { is: 'bring-back', then: (schema) => schema.required() }),
}).noUnknown()

function isOfMinutes(intent: string): boolean {
	return intent === 'set-wait' || intent === 'end-later'
}

function isWait(intent: string): boolean {
	return intent === 'set-wait' || intent === 'free-wait'
}
