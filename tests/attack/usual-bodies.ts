/** What each action of the route table usually takes, so that what is odd reaches beyond its first check. */
import type { AnyObjectSchema, SchemaDescription } from 'yup'
import { freeTimeSchema, preparationActions } from '../../app/prepare/schemas/preparation'
import { peopleActions, peopleSchema } from '../../app/kit/schemas/people'
import { packingActions } from '../../app/kit/schemas/packing'
import { knownPeopleActions } from '../../app/keep/schemas/known-people'
import { placeActions } from '../../app/studio/schemas/place-action'
import { placeSchema } from '../../app/studio/schemas/place'
import { makeCourseSchema } from '../../app/plan/schemas/make-course'
import { planActions } from '../../app/plan/schemas/plan-action'
import { logActions } from '../../app/learn/schemas/log'
import { toldSchema } from '../../app/learn/schemas/told'
import { stockActions } from '../../app/kit/schemas/stock'
import { studioSchema } from '../../app/studio/schemas/studio'
import { dryingNoteActions } from '../../app/drying/schemas/drying-note'
import { photoActions } from '../../app/design/schemas/photo'
import { importActions } from '../../app/design/schemas/import-designs'
import { moneySchema } from '../../app/kit/schemas/money'
import { lookSchema } from '../../app/account/schemas/look'
import { againSchema, importCourseSchema } from '../../app/course/schemas/share-course'
import { courseListActions } from '../../app/course/schemas/course-list'
import {
	accountActions,
	forgotSchema,
	joinSchema,
	leaveActions,
	newPasswordSchema,
	peopleActions as peopleOfStudioActions,
	setUpSchema,
} from '../../app/account/forms.server'
import { signInSchema } from '../../app/account/schemas/sign-in'
import { demoCourse, demoDesign } from '../support/demo-designs'

const course = { ...demoCourse('Magnolia on Thursdays'), version: 1 }

const RUN_EVENT = {
	id: 'event-1',
	runId: 'run',
	device: 'tablet',
	seq: 1,
	at: 1_772_000_000_000,
	when: 1_772_000_000_000,
}

/** By pattern of the route table; a route that is not here gets what all others get. */
const USUAL: Record<string, readonly object[]> = {
	'/sign-in': [sampleOf(signInSchema), { email: 'instructor@tidewater.example', password: 'wrong' }],
	'/set-up/:token': [{ ...sampleOf(setUpSchema), email: 'odd@studio.example', password: 'a long enough word' }],
	'/join/:token': [sampleOf(joinSchema), { name: 'Odd', password: 'a long enough word' }],
	'/sign-in/code/:token': [{ code: '123456' }],
	'/forgot': [sampleOf(forgotSchema), { email: 'nobody@studio.example' }],
	'/new-password/:token': [sampleOf(newPasswordSchema), { password: 'a long enough word' }],
	// Not what would sign the attacker herself out.
	'/account': byIntent(accountActions).filter((body) => !('intent' in body && body.intent === 'end-others')),
	'/studio/leave': byIntent(leaveActions),
	'/people/known': byIntent(knownPeopleActions),
	'/people': byIntent(peopleOfStudioActions),
	'/look': [sampleOf(lookSchema), { light: 'night' }],
	'/courses': byIntent(courseListActions),
	'/courses/new': [course],
	'/courses/import': [{ text: JSON.stringify({ format: 'calycine-course' }) }, sampleOf(importCourseSchema)],
	'/courses/:courseId/again': [sampleOf(againSchema), { name: 'Again', firstDate: '2026-09-03', studentCount: 5 }],
	'/courses/what-fits': [sampleOf(makeCourseSchema)],
	'/courses/:courseId': [course],
	'/courses/:courseId/plan': byIntent(planActions),
	'/courses/:courseId/kits/packing/ticks': byIntent(packingActions),
	'/courses/:courseId/kits/people': [sampleOf(peopleSchema), ...byIntent(peopleActions)],
	'/courses/:courseId/kits/cost': [sampleOf(moneySchema)],
	'/courses/:courseId/run/:session/events': [
		{ events: [{ ...RUN_EVENT, type: 'opened' }], after: 0 },
		{ events: [{ ...RUN_EVENT, type: 'note', text: 'the window was open' }], after: 3 },
		{ events: [{ ...RUN_EVENT, type: 'look', batch: 'petals@1', stage: 'set', isReached: true }], after: 0 },
		{ events: [{ ...RUN_EVENT, type: 'way back', place: 1, is: 'dried' }], after: 0 },
		{ events: [{ ...RUN_EVENT, type: 'reading', temperatureC: 21, humidity: 0.5, by: 'hygrometer' }], after: 0 },
	],
	'/preparation': byIntent(preparationActions),
	'/preparation/free-time': [sampleOf(freeTimeSchema)],
	'/designs/import': [{ intent: 'look', text: JSON.stringify(demoDesign('magnolia')) }, ...byIntent(importActions)],
	'/designs/:slug/edit': [{ document: demoDesign('magnolia'), version: 1 }],
	'/designs/:slug/photos': byIntent(photoActions),
	'/designs/new': [{ name: 'A flower', from: 'skeleton:open-flower' }],
	'/drying': byIntent(dryingNoteActions),
	'/rooms/new': [sampleOf(placeSchema)],
	'/rooms/:placeId': [sampleOf(placeSchema), ...byIntent(placeActions)],
	'/log': byIntent(logActions),
	'/courses/:courseId/told/:session': [sampleOf(toldSchema)],
	'/stock': byIntent(stockActions),
	'/studio': [sampleOf(studioSchema)],
}

const ALL = Object.values(USUAL).flat()

export function usualBodies(pattern: string): readonly object[] {
	return USUAL[pattern] ?? ALL
}

function byIntent(schemas: Record<string, AnyObjectSchema>): object[] {
	return Object.entries(schemas).map(([intent, schema]) => ({ intent, ...sampleOf(schema) }))
}

/** A value of each field by its type: what a schema says of itself. */
function sampleOf(schema: AnyObjectSchema): object {
	return sample(schema.describe() as SchemaDescription) as object
}

function sample(description: SchemaDescription): unknown {
	if ('fields' in description) {
		const fields = description.fields as Record<string, SchemaDescription>
		return Object.fromEntries(Object.entries(fields).map(([key, field]) => [key, sample(field)]))
	}
	if (description.oneOf.length > 0) return description.oneOf[0]
	if ('innerType' in description) return [sample(description.innerType as SchemaDescription)]
	if (description.type === 'number') return 1
	return description.type === 'boolean' ? true : 'some text'
}
