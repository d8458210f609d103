/** Events of a run as a device sends them: each of a known type, with what that type says. */
import { array, boolean, lazy, mixed, number, object, string, type AnySchema, type ObjectSchema } from 'yup'
import { isCoursePin, MOST_PINS, type CoursePin } from '../../../core/course/course-pin'
import type { NamedPlan } from '../../../core/plan/named-plan'
import { InputError } from '../../../core/errors'
import { ATTENDANCES, NOTE_TOPICS, WAYS_BACK, type RunEvent, type RunFact } from '../../../core/run/run-event'
import { readNamedPlan } from '../../../exchange/read-document'
import { DRYING_STAGES } from '../../../core/vocabulary/drying-stage'

/** Sent in one go; a device that was away for long sends several. */
export const MOST_SENT = 500
/** Of one session. */
const MOST_ENTRIES = 300
const LARGEST_TIME = 8.64e15

const id = () => string().required().max(36)
/** Of an entry of the plan, a batch or a kind of piece. */
const name = () => string().required().max(200)
const whole = () => number().required().integer()
const place = () => number().integer().min(0).max(99)
const count = () => whole().min(1).max(999)
/** Of a day, a fraction or not. */
const minute = () =>
	number()
		.required()
		.min(0)
		.max(2 * 1440)
const moment = () => number().required().min(0).max(LARGEST_TIME)

function isListOfPins(value: unknown): boolean {
	return Array.isArray(value) && value.length <= MOST_PINS && value.every(isCoursePin)
}

function isNamedPlan(value: unknown): boolean {
	if (value === undefined) return true
	try {
		return readNamedPlan(value) !== undefined
	} catch (error) {
		if (error instanceof InputError) return false
		throw error
	}
}

const FACTS: Record<RunFact['type'], Record<string, AnySchema>> = {
	opened: { planId: number().integer().min(1) },
	closed: {},
	attendance: { place: place().required(), is: string().required().oneOf(ATTENDANCES) },
	entry: { entry: name(), is: string().required().oneOf(['begun', 'most', 'all']) },
	student: { entry: name(), place: place().required() },
	'way back': { place: place().required(), is: string().required().oneOf(WAYS_BACK) },
	home: { entry: name(), place: place().required() },
	broken: { kind: name(), count: count(), place: place() },
	spare: { kind: name(), count: count(), place: place() },
	waited: { tool: name(), count: count() },
	tray: { batch: name(), pieces: number().integer().min(0).max(9_999), where: string().max(120) },
	look: {
		batch: name(),
		stage: string().required().oneOf(DRYING_STAGES),
		isReached: boolean().required(),
		isNoFurther: boolean(),
	},
	paused: {},
	resumed: {},
	reading: {
		temperatureC: number().required().min(-20).max(60),
		humidity: number().required().min(0).max(1),
		by: string().oneOf(['hygrometer']),
	},
	note: { text: string().defined().trim().max(2_000), about: string().oneOf(NOTE_TOPICS), photo: id().optional() },
	plan: {
		reason: string().required().max(300),
		entries: array(object({ entry: name(), startMin: minute(), endMin: minute() }).noUnknown())
			.required()
			.max(MOST_ENTRIES),
		closeMin: minute(),
		pins: mixed<CoursePin[]>().required().test('pins', 'There is no such thing to settle', isListOfPins),
		coursePlan: mixed<NamedPlan>().test('plan', 'This is no plan', isNamedPlan),
	},
	undo: { of: id() },
}

const head = {
	id: id(),
	runId: name(),
	device: id(),
	seq: whole().min(1).max(10_000_000),
	at: moment(),
	when: moment(),
}

const UNKNOWN_TYPE = object({ type: string().oneOf(Object.keys(FACTS), 'There is no such event').required() })

export const eventSchema = lazy((value: unknown): ObjectSchema<object> => {
	const type = typeof value === 'object' && value !== null && 'type' in value ? value.type : undefined
	const isKnown = typeof type === 'string' && Object.hasOwn(FACTS, type)
	if (!isKnown) return UNKNOWN_TYPE
	return object({ ...head, type: string().required(), ...FACTS[type as RunFact['type']] }).noUnknown()
})

export const sentEventsSchema = object({
	events: array(eventSchema).required().max(MOST_SENT, `At most ${MOST_SENT} at once`),
	/** What the device knows already ends there; 0: nothing. */
	after: whole().min(0),
}).noUnknown()

/** What the schema has read. */
export interface SentEvents {
	events: RunEvent[]
	after: number
}
