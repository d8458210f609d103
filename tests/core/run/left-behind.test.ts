/** Who is not done where most are: only where it was said of the others by name, and only for work that may go home. */
import { describe, expect, test } from 'vitest'
import { foldRun } from '../../../core/run/fold-run'
import { whoIsLeftBehind } from '../../../core/run/left-behind'
import { EventWriter, type RunFact } from '../../../core/run/run-event'
import { makeRunPlan } from '../../support/run-plan'

const PLAN = makeRunPlan()
const OPENING = Date.UTC(2026, 2, 5, 18, 30)
const TASKS = [
	{ id: 'cut', minutes: 30, places: ['class' as const, 'home' as const] },
	{ id: 'vein', minutes: 30 },
]
const done = (place: number, entry = 'cut#1'): RunFact => ({ type: 'student', entry, place })
const MOST: RunFact = { type: 'entry', entry: 'cut#1', is: 'most' }

/** Of a class of five. */
function leftAfter(...facts: readonly RunFact[]) {
	let count = 0
	const writer = new EventWriter({ runId: 'run', device: 'tablet' }, [], () => `event ${count++}`)
	const events = [{ type: 'opened' } as const, ...facts].map((fact, k) => writer.write(fact, OPENING + k * 60_000))
	return whoIsLeftBehind(foldRun(PLAN, events, OPENING + 600_000), 5, TASKS)?.places
}

describe('who is left behind', () => {
	test('is whom nobody marked where all others were', () => {
		expect(leftAfter(done(0), done(1), done(3), done(4), MOST)).toEqual([2])
		expect(leftAfter(done(0), done(1), done(3), MOST)).toEqual([2, 4])
	})

	test.each([
		{ name: 'nobody was marked', facts: [MOST] },
		{ name: 'half of the class is not done', facts: [done(0), done(1), MOST] },
		{ name: 'the step goes on', facts: [done(0), done(1), done(3), done(4)] },
		{ name: 'all are done', facts: [done(0), done(1), done(3), done(4), MOST, { ...MOST, is: 'all' as const }] },
		{
			name: 'she is away',
			facts: [
				{ type: 'attendance' as const, place: 2, is: 'away' as const },
				...[done(0), done(1), done(3), done(4), MOST],
			],
		},
		{
			name: 'she finishes it at home',
			facts: [done(0), done(1), done(3), done(4), MOST, { type: 'home' as const, entry: 'cut#1', place: 2 }],
		},
	])('is nobody when $name', ({ facts }) => {
		expect(leftAfter(...facts)).toBeUndefined()
	})

	test('is nobody where the step cannot be finished at home', () => {
		const vein: RunFact = { type: 'entry', entry: 'vein#1', is: 'most' }
		const others = [0, 1, 3, 4].map((place) => done(place, 'vein#1'))
		expect(leftAfter(MOST, ...others, vein)).toBeUndefined()
	})
})
