import { expect, test } from 'vitest'
import { ORDINARY_TERMS, type PlanTerms } from '../../../../core/plan/compile/drying-terms'
import { compareTerms } from '../../../../core/plan/tell/term-differences'
import { demoCourse } from '../../../support/demo-designs'

const { storeId: _, ...course } = demoCourse('Magnolia on Thursdays')
const sessions = course.sessions.map((session) => ({ ...session, roomId: 1 }))
const room = {
	id: 1,
	kind: 'room' as const,
	name: 'Bench room',
	movement: 'still' as const,
	climate: { type: 'steady' as const, temperatureC: 20, humidity: 0.5 },
}
const terms: PlanTerms = { ...ORDINARY_TERMS, places: [room] }
const kindsAfter = (change: Partial<PlanTerms>) =>
	compareTerms({ ...course, sessions }, terms, { ...terms, ...change }).map((one) => [
		one.kind,
		...(one.kind === 'place' ? [one.name] : []),
	])

test('what a plan was made with and what is otherwise now are told apart by name', () => {
	const damper = { ...room, climate: { ...room.climate, humidity: 0.7 } }
	const other = { ...room, id: 2, name: 'Attic' }

	expect(kindsAfter({ places: [damper] })).toEqual([['place', 'Bench room']])
	// A place that the course does not use is no reason.
	expect(kindsAfter({ places: [room, other], confidence: 0.5 })).toEqual([['confidence']])
	expect(kindsAfter({ ownedTools: { veiner: 2 } })).toEqual([['tools']])
	const learnt = { since: '2026-03-01', levels: {}, techniques: {}, steps: { 'magnolia/inner-shape': 1.2 } }
	expect(kindsAfter({ learnt })).toEqual([['learnt']])
	// None of the terms: then it is the course.
	expect(kindsAfter({})).toEqual([['course']])
})
