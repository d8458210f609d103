/** Trays in the air that was read: the same model, the same path, other air for as long as the pieces lie in the room. */
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { meanAir, steadyPath } from '../../../core/drying/climate'
import { forecast } from '../../../core/drying/forecast'
import { ORDINARY_PLACE } from '../../../core/drying/place'
import { describeWaits, inRoomAir } from '../../../core/run/tray-air'
import { toRunPlan, type PlannedBatch } from '../../../core/run/run-plan'
import { ORDINARY_TERMS } from '../../../core/plan/compile/drying-terms'
import { packDemo } from '../../support/demo-kit'

const MIDDAY = 720
const PLANNED = { ...meanAir(ORDINARY_PLACE.climate), minuteOfDay: MIDDAY }

/** Batches of a session that is planned in an ordinary room, where the air never changes. */
function traysOf(name: string, session: number) {
	const { course, designs, compiled, story } = packDemo(name)
	const plan = toRunPlan(story, session - 1)
	return { plan, waits: describeWaits(plan, { course, designs, compiled, terms: ORDINARY_TERMS }) }
}

const times = (batches: readonly PlannedBatch[]) => batches.flatMap(({ waits }) => waits.map((wait) => wait.p50Minutes))

describe.each([
	['Magnolia on Thursdays', 1],
	['Magnolia on Thursdays', 2],
	['Hellebores and foliage on Tuesdays', 1],
] as const)('trays of %s, session %i', (name, session) => {
	const { plan, waits } = traysOf(name, session)

	test('can be forecast anew', () => {
		expect(plan.batches.length).toBeGreaterThan(0)
		expect(waits.length).toBeGreaterThan(0)
	})

	test('have the times that they were planned with in the air that they were planned with', () => {
		const aired = inRoomAir(plan.batches, waits, PLANNED)
		for (const [b, batch] of aired.entries())
			for (const [w, { p50Minutes, p90Minutes, doubt }] of batch.waits.entries()) {
				const planned = plan.batches[b]!.waits[w]!
				expect(p50Minutes).toBe(planned.p50Minutes)
				if (doubt === undefined) expect(p90Minutes).toBe(planned.p90Minutes)
			}
	})

	test('that lie longer than the session lasts go on drying in the usual air', () => {
		const damp = { ...PLANNED, humidity: 0.97 }
		const after = inRoomAir(plan.batches, waits, damp).flatMap((batch) => batch.waits)
		const planned = plan.batches.flatMap((batch) => batch.waits)
		for (const [k, { doubt, p50Minutes }] of after.entries()) {
			expect(doubt).toBeUndefined()
			expect(p50Minutes! - planned[k]!.p50Minutes!).toBeGreaterThanOrEqual(0)
		}
	})

	test.each([
		{ name: 'until the session is over', lasting: false },
		{ name: 'for good', lasting: true },
	])('are never sooner in damper air $name', ({ lasting }) => {
		const own = lasting ? waits.map((wait) => ({ ...wait, classHours: Infinity })) : waits
		const waitsIn = (humidity: number) => {
			return inRoomAir(plan.batches, own, { ...PLANNED, humidity }).flatMap((batch) => batch.waits)
		}
		const someHumidity = fc.double({ min: 0.3, max: 0.7, noNaN: true })
		fc.assert(
			fc.property(someHumidity, fc.double({ min: 0, max: 0.1, noNaN: true }), (humidity, more) => {
				const [drier, damper] = [waitsIn(humidity), waitsIn(humidity + more)]
				for (const [k, { doubt, p50Minutes }] of damper.entries()) {
					if (drier[k]!.doubt === 'never') expect(doubt).toBe('never')
					else if (doubt !== 'never') expect(p50Minutes).toBeGreaterThanOrEqual(drier[k]!.p50Minutes!)
				}
			}),
			{ numRuns: 12 },
		)
	})
})

test('a piece that stays in the room dries as the model says of a room with that air', () => {
	const { plan, waits } = traysOf('Magnolia on Thursdays', 1)
	const reading = { temperatureC: 24, humidity: 0.42, minuteOfDay: MIDDAY }
	const [own] = waits.filter(({ subjects }) => subjects[0]?.type === 'piece')
	const [subject] = own!.subjects
	if (subject?.type !== 'piece') throw new Error('no piece')
	// A session without an end.
	const lasting = { ...own!, classHours: Infinity }
	const aired = inRoomAir(plan.batches, [lasting], reading)
	const wait = aired.find(({ id }) => id === own!.batch)!.waits.find(({ toTaskId }) => toTaskId === own!.toTaskId)
	const { stages } = forecast(
		subject.piece,
		steadyPath(reading, ORDINARY_PLACE.movement),
		subject.belief,
		subject.stage,
	)
	expect(wait?.p50Minutes).toBe(Math.max(1, Math.ceil(60 * stages[subject.stage].p50!)))
})

test('what does not dry in that air keeps its planned times, and says so', () => {
	const { plan, waits } = traysOf('Magnolia on Thursdays', 1)
	const soaked = waits.map((own) => ({ ...own, classHours: Infinity }))
	const aired = inRoomAir(plan.batches, soaked, { ...PLANNED, humidity: 0.97 })
	const doubted = aired.flatMap(({ waits: own }) => own).filter(({ doubt }) => doubt === 'never')
	expect(doubted.length).toBeGreaterThan(0)
	expect(times(aired).every((p50) => p50 !== undefined)).toBe(true)
})
