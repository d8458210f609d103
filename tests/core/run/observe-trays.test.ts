/** Trays that were looked at, as entries of the log of drying: what was felt, against the model before anything was learnt. */
import { describe, expect, test } from 'vitest'
import { summariseBelief, learn } from '../../../core/drying/pace-belief'
import { ORDINARY_PLACE, type Place } from '../../../core/drying/place'
import { ORDINARY_TERMS, type PlanTerms } from '../../../core/plan/compile/drying-terms'
import { foldRun } from '../../../core/run/fold-run'
import { observeTrays } from '../../../core/run/observe-trays'
import { EventWriter, type RunFact } from '../../../core/run/run-event'
import { toRunPlan } from '../../../core/run/run-plan'
import { packDemo } from '../../support/demo-kit'

const { course, designs, compiled, story } = packDemo('Magnolia on Thursdays')
const PLAN = toRunPlan(story, 0)
const OPENING = Date.UTC(2026, 2, 5, 19)
const batch = PLAN.batches.find(({ waits }) => waits.some(({ stage, p50Minutes }) => stage && p50Minutes))!
const { stage, p50Minutes } = batch.waits[0]! as { stage: 'firm'; p50Minutes: number }
const laid: RunFact = { type: 'tray', batch: batch.id }
const look = (isReached: boolean): RunFact => ({ type: 'look', batch: batch.id, stage, isReached })

function observe(facts: readonly (readonly [minutes: number, fact: RunFact])[], terms: PlanTerms = ORDINARY_TERMS) {
	let count = 0
	const writer = new EventWriter({ runId: 'run', device: 'tablet' }, [], () => `event ${count++}`)
	const events = ([[0, { type: 'opened' }], ...facts] as const).map(([minutes, fact]) =>
		writer.write(fact, OPENING + minutes * 60_000),
	)
	return observeTrays(foldRun(PLAN, events, OPENING), { course, designs, compiled, terms })
}

describe('a tray', () => {
	test('that was not ready at one look and ready at the next lies between them', () => {
		const [own, ...others] = observe([
			[30, laid],
			[30 + 0.6 * p50Minutes, look(false)],
			[30 + 1.2 * p50Minutes, look(true)],
		])
		expect(others).toEqual([])
		expect(own).toMatchObject({ batch: batch.id, paste: 'gum paste' })
		expect(own!.notReadyHours).toBeCloseTo((0.6 * p50Minutes) / 60, 3)
		expect(own!.readyHours).toBeCloseTo((1.2 * p50Minutes) / 60, 3)
		// Even odds are what the model says of a paste of which nothing is known, to the whole minute of the plan.
		expect(Math.abs(own!.modelHours * 60 - p50Minutes)).toBeLessThan(1.5)
	})

	test('that nobody has looked at, or laid down, says nothing', () => {
		expect(observe([[30, laid]])).toEqual([])
		expect(observe([[60, look(false)]])).toEqual([])
	})

	test('that is slow makes the paste believed slower', () => {
		const slow = observe([
			[30, laid],
			[30 + 1.8 * p50Minutes, look(false)],
		])
		expect(slow[0]!.readyHours).toBeUndefined()
		expect(summariseBelief(learn(slow)).mean).toBeLessThan(-0.1)
	})

	test('names its room, and what is known of the room is no news of the paste', () => {
		const room: Place = { ...ORDINARY_PLACE, id: 7, pace: 0.8 }
		const facts = [
			[30, laid],
			[30 + p50Minutes, look(false)],
		] as const
		const [usual, here] = [observe(facts), observe(facts, { ...ORDINARY_TERMS, places: [room] })]
		expect(usual[0]!.placeId).toBeUndefined()
		expect(here[0]!.placeId).toBe(7)
		// The plan was made before the room was known to be slow: its times are taken as those of a slow room.
		expect(here[0]!.modelHours).toBeCloseTo(0.8 * usual[0]!.modelHours, 9)
	})
})
