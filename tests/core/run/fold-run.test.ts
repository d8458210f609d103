/** Where a session stands by what was pressed: one press carries it, and what was not pressed is inferred and says so. */
import { describe, expect, test } from 'vitest'
import { foldRun, isPaused, minutesRunning } from '../../../core/run/fold-run'
import { EventWriter, type RunEvent, type RunFact } from '../../../core/run/run-event'
import { toRunPlan } from '../../../core/run/run-plan'
import { packDemo } from '../../support/demo-kit'
import { makeRunPlan } from '../../support/run-plan'

const PLAN = makeRunPlan()
const MINUTE = 60_000
const OPENING = Date.UTC(2026, 2, 5, 18, 30)
/** Minutes after the opening as ms. */
const at = (minutes: number) => OPENING + minutes * MINUTE

function runOf(...facts: readonly (readonly [minutes: number, fact: RunFact, when?: number])[]): RunEvent[] {
	let count = 0
	const writer = new EventWriter({ runId: 'run', device: 'tablet' }, [], () => `event ${count++}`)
	return facts.map(([minutes, fact, when = minutes]) => writer.write(fact, at(minutes), at(when)))
}

const most = (entry: string): RunFact => ({ type: 'entry', entry, is: 'most' })
const OPENED: RunFact = { type: 'opened' }

describe('a run', () => {
	test('before it is opened has nothing but what is to come', () => {
		const { entries, current, opened } = foldRun(PLAN, [], at(10))
		expect(opened).toBeUndefined()
		expect(current).toBe(0)
		expect(entries.map(({ status }) => status)).toEqual(['to come', 'to come', 'to come', 'to come', 'to come'])
	})

	test('opened is at its first step', () => {
		const { entries, current } = foldRun(PLAN, runOf([2, OPENED]), at(5))
		expect(current).toBe(0)
		expect(entries[0]).toMatchObject({ status: 'running', begun: { when: at(2) } })
	})

	test('one press ends the step, lets the next one begin and lays its tray down', () => {
		const { entries, current, trays } = foldRun(PLAN, runOf([0, OPENED], [31, most('cut#1')]), at(33))

		expect(entries[0]).toMatchObject({ status: 'done', most: { when: at(31) } })
		expect(current).toBe(1)
		expect(entries[1]).toMatchObject({ status: 'running', begun: { when: at(31) } })
		expect(trays[0]).toMatchObject({ laid: { when: at(31), from: at(31) }, pieces: 6 })
	})

	test('a step does not begin before half of the trays that it needs are ready, or were felt to be', () => {
		const taped = (...facts: (readonly [number, RunFact])[]) =>
			foldRun(PLAN, runOf([0, OPENED], [20, most('cut#1')], [50, most('vein#1')], ...facts), at(58)).entries[4]!
		// Cut after 20 minutes, and set after 40 more.
		expect(taped()).toMatchObject({ status: 'to come' })
		expect(
			foldRun(PLAN, runOf([0, OPENED], [20, most('cut#1')], [50, most('vein#1')]), at(61)).entries[4],
		).toMatchObject({
			status: 'running',
			begun: { when: at(60) },
		})
		const felt: RunFact = { type: 'look', batch: 'petals@1', stage: 'set', isReached: true }
		expect(taped([54, felt])).toMatchObject({ status: 'running', begun: { when: at(54) } })
	})

	test('goes by the plan that was taken last, until it is taken back', () => {
		const entries = PLAN.entries.slice(0, 4).map(({ id, startMin, endMin }) => ({ entry: id, startMin, endMin }))
		const taken: RunFact = { type: 'plan', reason: 'Taping leaves', entries, closeMin: PLAN.closeMin + 10, pins: [] }
		const events = runOf([0, OPENED], [31, most('cut#1')], [32, taken])
		const state = foldRun(PLAN, events, at(33))
		expect(state.entries.map(({ entry }) => entry.id)).toEqual(entries.map(({ entry }) => entry))
		expect(state.plan.closeMin).toBe(PLAN.closeMin + 10)
		expect(state.taken).toEqual([{ id: 'event 2', when: at(32), reason: 'Taping leaves' }])

		const back = foldRun(
			PLAN,
			runOf([0, OPENED], [31, most('cut#1')], [32, taken], [33, { type: 'undo', of: 'event 2' }]),
			at(34),
		)
		expect(back.plan).toEqual(PLAN)
		expect(back.taken).toEqual([])
	})

	test('tea and what is shown end by themselves after their minutes, and say that it was inferred', () => {
		const { entries, current } = foldRun(PLAN, runOf([0, OPENED], [31, most('cut#1')]), at(50))

		expect(entries[1]).toMatchObject({ status: 'done', most: { when: at(41), from: at(31) } })
		expect(entries[2]).toMatchObject({ status: 'done', begun: { when: at(41) }, most: { when: at(46) } })
		expect(current).toBe(3)
		expect(entries[3]).toMatchObject({ status: 'running', begun: { when: at(46), from: at(31) } })
	})

	test('a pause is no part of tea, nor of a step', () => {
		const facts = [
			[0, OPENED],
			[31, most('cut#1')],
			[35, { type: 'paused' }],
		] as const
		const resumed = [...facts, [41, { type: 'resumed' }]] as const

		expect(foldRun(PLAN, runOf(...facts), at(90)).entries[1]).toMatchObject({ status: 'running' })
		// Ten minutes of tea with six of a pause in them.
		expect(foldRun(PLAN, runOf(...resumed), at(60)).entries[1]).toMatchObject({ most: { when: at(47) } })
	})

	test('an evening with nothing but “most are done” gives a whole log', () => {
		const events = runOf(
			...([
				[0, OPENED],
				[31, most('cut#1')],
				[80, most('vein#1')],
				[112, most('tape#1')],
				[115, { type: 'closed' }],
			] as const),
		)
		const { entries, closed, current } = foldRun(PLAN, events, at(200))

		expect(closed).toBe(at(115))
		expect(current).toBe(entries.length)
		for (const { begun, most: end } of entries) {
			expect(begun!.when).toBeLessThanOrEqual(end!.when)
			expect(begun!.when).toBeGreaterThanOrEqual(at(0))
		}
		expect(entries.map(({ most: end }) => end!.when)).toEqual([31, 41, 46, 80, 112].map(at))
	})

	test('a step of which nobody pressed anything is over when a later one was pressed, somewhere between', () => {
		const { entries } = foldRun(PLAN, runOf([0, OPENED], [31, most('cut#1')], [112, most('tape#1')]), at(113))
		expect(entries[3]).toMatchObject({ status: 'done', most: { when: at(112), from: expect.any(Number) as number } })
		expect(entries[4]).toMatchObject({ status: 'done', most: { when: at(112) } })
		expect(entries[4]!.most).not.toHaveProperty('from')
	})

	test('“five minutes ago” is when it was; undone, it never was', () => {
		const events = runOf([0, OPENED], [36, most('cut#1'), 31])
		expect(foldRun(PLAN, events, at(37)).entries[0]!.most).toEqual({ when: at(31) })

		const writer = new EventWriter({ runId: 'run', device: 'wall' }, events, () => 'undo')
		const undone = [...events, writer.write({ type: 'undo', of: events[1]!.id }, at(38))]
		expect(foldRun(PLAN, undone, at(39)).entries[0]).toMatchObject({ status: 'running' })
		expect(foldRun(PLAN, undone, at(39)).current).toBe(0)
		expect(foldRun(PLAN, undone, at(39)).trays[0]).not.toHaveProperty('laid')
	})

	test('where two devices said different things of a step the later counts, and both are kept', () => {
		const tablet = runOf([0, OPENED], [30, most('cut#1')])
		const other = new EventWriter({ runId: 'run', device: 'phone' }, tablet, () => 'other').write(most('cut#1'), at(33))
		const { entries } = foldRun(PLAN, [other, ...tablet], at(34))
		expect(entries[0]!.most).toEqual({ when: at(33), others: [at(30)] })
	})

	test('keeps who is there, what broke, what was looked at, and the pauses', () => {
		const state = foldRun(
			PLAN,
			runOf(
				[0, OPENED],
				[1, { type: 'attendance', place: 2, is: 'late' }],
				[9, { type: 'attendance', place: 2, is: 'here' }],
				[12, { type: 'broken', kind: 'petals', count: 2, place: 2 }],
				[13, { type: 'spare', kind: 'petals', count: 1 }],
				[14, { type: 'reading', temperatureC: 21, humidity: 0.55 }],
				[15, { type: 'paused' }],
				[20, { type: 'resumed' }],
				[31, most('cut#1')],
				[45, { type: 'look', batch: 'petals@1', stage: 'set', isReached: false }],
				[46, { type: 'note', text: 'the window was open' }],
				[47, { type: 'paused' }],
			),
			at(50),
		)

		expect(state.attendance.get(2)).toEqual({ is: 'here', when: at(9) })
		expect(state.broken).toMatchObject([{ kind: 'petals', count: 2, place: 2 }])
		expect(state.spares).toMatchObject([{ kind: 'petals', count: 1 }])
		expect(state.reading).toMatchObject({ humidity: 0.55 })
		expect(state.pauses).toEqual([{ from: at(15), until: at(20) }, { from: at(47) }])
		expect(isPaused(state)).toBe(true)
		expect(minutesRunning(state.entries[0]!, state, at(31))).toBe(31 - 5)
		expect(state.trays[0]!.looks).toEqual([{ when: at(45), stage: 'set', isReached: false }])
		expect(state.notes).toEqual([{ when: at(46), text: 'the window was open' }])
	})
})

describe('what a session is to bring', () => {
	const { story } = packDemo('Magnolia on Thursdays')
	const plans = story.sessions.map((_, s) => toRunPlan(story, s))

	test('has all steps, demonstrations and breaks of the plan in their order, each with an id of its own', () => {
		for (const [s, { entries }] of plans.entries()) {
			const told = story.sessions[s]!
			expect(entries).toHaveLength(told.tiles.length + told.breaks.length)
			expect(new Set(entries.map(({ id }) => id)).size).toBe(entries.length)
			expect(entries.map(({ startMin }) => startMin)).toEqual(
				entries.map(({ startMin }) => startMin).toSorted((a, b) => a - b),
			)
		}
	})

	test('has a tray for what dries, laid down when the last of it is made in that session', () => {
		const batches = plans.flatMap(({ batches: own }) => own)
		expect(batches.length).toBeGreaterThan(2)
		for (const plan of plans)
			for (const { entry, waits } of plan.batches) {
				expect(plan.entries.find(({ id }) => id === entry)?.kind).toBe('step')
				expect(waits.length).toBeGreaterThan(0)
			}
	})
})
