/** People who come again: their pace against a plain reckoning of the posterior, and never a child's. */
import { describe, expect, test } from 'vitest'
import { levelFactor } from '../../../core/course/pace'
import { learnStudents, personOf } from '../../../core/learn/student-speed'
import { createRng } from '../../../core/random'
import { foldRun } from '../../../core/run/fold-run'
import { observeStudents, type SeatedPerson } from '../../../core/run/observe-students'
import { EventWriter, type RunFact } from '../../../core/run/run-event'
import { toRunPlan } from '../../../core/run/run-plan'
import { STUDENT_SD } from '../../../core/vocabulary/spreads'
import { packDemo } from '../../support/demo-kit'

describe('a person', () => {
	test('is believed as by integration over her pace', () => {
		const ratios = [0.3, 0.1, 0.24]
		const noise = Math.hypot(0.1, 0.1)
		let [mass, first, second] = [0, 0, 0]
		for (let i = 0; i <= 4000; i++) {
			const u = -1 + i / 2000
			const weight = ratios.reduce((product, ratio) => product * Math.exp(-((ratio - u) ** 2) / (2 * noise ** 2)), 1)
			const own = weight * Math.exp(-(u * u) / (2 * STUDENT_SD ** 2))
			mass += own
			first += own * u
			second += own * u * u
		}
		const mean = first / mass
		const [told] = learnStudents(ratios.map((logRatio, k) => ({ person: 'mira', date: `2026-01-0${k + 1}`, logRatio })))
		expect(told).toMatchObject({ person: 'mira', steps: 3, days: 3 })
		expect(Math.log(told!.factor.at)).toBeCloseTo(mean, 6)
		const sd = Math.sqrt(second / mass - mean * mean)
		expect(Math.log(told!.factor.ninety[1] / told!.factor.at)).toBeCloseTo(1.6449 * sd, 4)
	})

	test('lies in nine of ten where nine in ten are said to lie', () => {
		const rng = createRng(11)
		const normal = () => Math.sqrt(-2 * Math.log(1 - rng())) * Math.cos(2 * Math.PI * rng())
		const inside = Array.from({ length: 1000 }, () => {
			const truth = STUDENT_SD * normal()
			const seen = Array.from({ length: 4 }, () => truth + Math.hypot(0.1, 0.1) * normal())
			const [{ factor }] = learnStudents(seen.map((logRatio) => ({ person: 'a', date: '2026-01-01', logRatio }))) as [
				ReturnType<typeof learnStudents>[number],
			]
			return Math.exp(truth) > factor.ninety[0] && Math.exp(truth) < factor.ninety[1]
		})
		const share = inside.filter(Boolean).length / inside.length
		expect(share).toBeGreaterThan(0.87)
		expect(share).toBeLessThan(0.93)
	})

	test('is known again however her name is written', () => {
		expect(personOf('  Mira ')).toBe(personOf('mira'))
	})
})

describe('a session', () => {
	const { course, story } = packDemo('Magnolia on Thursdays')
	const PLAN = toRunPlan(story, 0)
	const OPENING = Date.UTC(2026, 2, 5, 19)
	const [first] = PLAN.entries.filter(({ kind }) => kind === 'step')
	const adult = (name: string): SeatedPerson => ({ name, isChild: false })

	function observe(people: readonly SeatedPerson[], ...facts: readonly (readonly [minutes: number, fact: RunFact])[]) {
		let count = 0
		const writer = new EventWriter({ runId: 'run', device: 'tablet' }, [], () => `event ${count++}`)
		const begun = { type: 'entry', entry: first!.id, is: 'begun' } as const
		const events = ([[0, { type: 'opened' }], [0, begun], ...facts] as const).map(([minutes, fact]) =>
			writer.write(fact, OPENING + minutes * 60_000),
		)
		const state = foldRun(PLAN, events, OPENING + 9_000_000)
		return observeStudents(state, { people, pace: course.pace, studentCount: 8 })
	}
	const most: RunFact = { type: 'entry', entry: first!.id, is: 'most' }
	const done = (place: number): RunFact => ({ type: 'student', entry: first!.id, place })

	test('says of whom somebody marked how she was against the middle of her class', () => {
		const told = observe([adult('Ada'), adult('Bo')], [20, done(0)], [30, most], [45, done(1)])
		expect(told.map(({ name }) => name)).toEqual(['Ada', 'Bo'])
		// Most are seven of eight: the middle was done before them.
		expect(told[1]!.logRatio - told[0]!.logRatio).toBeCloseTo(Math.log(45 / 20), 9)
		expect(told[1]!.logRatio).toBeGreaterThan(Math.log(45 / 30))
	})

	test('says nothing of children, of places without a name, and of a step that nobody said was over', () => {
		const people: SeatedPerson[] = [{ name: 'Cleo', isChild: true }, { isChild: false }]
		const young = { ...adult('Dora'), level: 'children' as const }
		expect(observe([young], [20, done(0)], [30, most])).toEqual([])
		expect(observe(people, [20, done(0)], [21, done(1)], [30, most])).toEqual([])
		expect(observe([adult('Ada')], [20, done(0)])).toEqual([])
	})

	test('tells a beginner among others against beginners', () => {
		const [beginner] = observe([{ ...adult('Ada'), level: 'beginners' }], [30, most], [40, done(0)])
		const [usual] = observe([adult('Ada')], [30, most], [40, done(0)])
		expect(usual!.logRatio - beginner!.logRatio).toBeCloseTo(
			Math.log(levelFactor('beginners') / levelFactor(course.pace)),
			9,
		)
	})
})
