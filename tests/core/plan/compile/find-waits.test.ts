import { lagMinutes } from '../../../../core/plan/problem/instance'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { compileCourse } from '../../../../core/plan/compile/compile-course'
import type { Course } from '../../../../core/course/course'
import { ORDINARY_TERMS, placesFrom, type DryingTerms } from '../../../../core/plan/compile/drying-terms'
import { planCourse } from '../../../../core/plan/plan-course'
import { listHopeless } from '../../../../core/plan/tell/doubtful-waits'
import { tellPlan } from '../../../../core/plan/tell/plan-story'
import { findSoftening } from '../../../../core/plan/tell/find-softening'
import { waitKey } from '../../../../core/plan/compile/find-waits'
import { subjectsOfWait } from '../../../../core/design/wait-subject'
import { resolveDesign } from '../../../../core/design/resolve-design'
import type { Place } from '../../../../core/drying/place'
import { checkPlan } from '../../../../core/plan/checker/check-plan'
import { datesOf } from '../../../../core/kit/course-dates'
import { daysBetween } from '../../../../core/time/calendar'
import { demoCourse, demoDesign } from '../../../support/demo-designs'
import { makeDesign, makePart, makeStep } from '../../../support/make-design'

const magnolia = demoDesign('magnolia')
const course = demoCourse('Magnolia on Thursdays')

const place = (id: number, kind: Place['kind'], humidity: number, temperatureC = 21): Place => {
	return {
		id,
		kind,
		name: `${kind} ${id}`,
		climate: { type: 'steady', temperatureC, humidity },
		movement: 'still',
	}
}
const within = (humidity: number, more: Partial<DryingTerms> = {}): DryingTerms => {
	return { ...ORDINARY_TERMS, places: [place(1, 'room', humidity), place(2, 'store', humidity)], ...more }
}
const compile = (terms: DryingTerms, change: Partial<Course> = {}) => {
	return compileCourse({ ...course, ...change }, [{ design: resolveDesign(magnolia, {}), flowersPerStudent: 1 }], terms)
}
const lagsOf = ({ instance, arcs }: ReturnType<typeof compile>) => {
	return new Map(
		instance.arcs.flatMap((arc, a) => (arcs[a]?.wait ? [[arcs[a].wait.key, lagMinutes(arc)] as const] : [])),
	)
}

describe('waits of a course', () => {
	test('are those of the drying model, in the rooms of the course, and grow with the damp', () => {
		const [dry, damp] = [lagsOf(compile(within(0.4))), lagsOf(compile(within(0.6)))]

		expect(dry.size).toBeGreaterThan(4)
		for (const [key, lag] of dry) expect(damp.get(key)).toBeGreaterThanOrEqual(lag)
		expect(damp.get('magnolia/inner-shape>inner-dust')).toBeGreaterThan(
			1.3 * (dry.get('magnolia/inner-shape>inner-dust') ?? Infinity),
		)
	})

	test('never grow with warmth, and never shrink with confidence', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 0.35, max: 0.6, noNaN: true }),
				fc.constantFrom([0.5, 0.8], [0.8, 0.9], [0.9, 0.95]),
				(humidity, [less = 0, more = 0]) => {
					const [unsure, sure] = [less, more].map((confidence) => lagsOf(compile(within(humidity, { confidence }))))
					const warm = { places: [place(1, 'room', humidity, 25), place(2, 'store', humidity, 25)], confidence: less }
					const warmer = lagsOf(compile(within(humidity, warm)))
					for (const [key, lag] of unsure ?? []) {
						expect(sure?.get(key)).toBeGreaterThanOrEqual(lag)
						expect(warmer.get(key)).toBeLessThanOrEqual(lag)
					}
				},
			),
			{ numRuns: 4 },
		)
	})

	test('follow the piece: a damp room matters for its hours, a damp store for the days after', () => {
		const terms = (room: number, store: number) => ({
			...ORDINARY_TERMS,
			places: [place(1, 'room', room), place(2, 'store', store)],
		})
		const lag = (one: DryingTerms) => lagsOf(compile(one)).get('magnolia/outer-shape>outer-dust') ?? 0

		expect(lag(terms(0.66, 0.4))).toBeGreaterThan(lag(terms(0.4, 0.4)))
		expect(lag(terms(0.4, 0.66))).toBeGreaterThan(lag(terms(0.66, 0.4)))
	})

	test('are the film’s where glaze or paint goes on a piece that has dried before', () => {
		const { arcs } = compile(within(0.5))
		const glazed = arcs.find(({ wait }) => wait?.key === 'magnolia/leaves-glaze>leaves-on')?.wait

		expect(glazed).toMatchObject({ basis: 'film', film: 'glaze' })
		expect(glazed?.p50Minutes).toBeLessThan(20)
	})

	test('of gel let down in strong alcohol are the alcohol’s; glue on what is bought keeps its stated minutes', () => {
		const bought = makePart('stamens', { paste: undefined, form: { type: 'bought', item: 'stamens' } })
		const design = resolveDesign(
			makeDesign({
				parts: [makePart('discs'), bought],
				steps: [
					makeStep('roll', 'discs'),
					makeStep('paint', 'discs', [{ after: 'roll', wait: { stage: 'firm', usualMinutes: 300 } }], {
						materials: [
							{ name: 'gel', kind: 'gel colour' },
							{ name: 'clear spirit', kind: 'strong alcohol' },
						],
					}),
					makeStep('glue', 'stamens', [], { materials: [{ name: 'glue', kind: 'edible glue' }] }),
				],
			}),
			{},
		)
		const subjectOf = (id: string) => {
			const step = design.steps.find((one) => one.id === id)
			return step ? subjectsOfWait(design, step, 'touch', 'swg') : []
		}

		expect(subjectOf('paint')).toEqual([{ type: 'films', films: ['alcohol paint'] }])
		expect(subjectOf('glue')).toEqual([])
	})

	test('are what is set by hand, with what was computed beside it', () => {
		const key = waitKey('magnolia', 'inner-shape', 'inner-dust')
		const compiled = compile(within(0.5), { waits: { [key]: 77 } })
		const wait = compiled.arcs.find((arc) => arc.wait?.key === key)?.wait

		expect(lagsOf(compiled).get(key)).toBe(77)
		expect(wait).toMatchObject({ basis: 'by hand', plannedMinutes: 77, usualMinutes: 720 })
		expect(wait?.p90Minutes).toBeGreaterThan(300)
	})

	test('say why they are long', () => {
		const { arcs } = compile(within(0.62))
		const causes = arcs.find(({ wait }) => wait?.key === 'magnolia/leaves-shape>leaves-glaze')?.wait?.slow

		expect(causes?.map(({ cause }) => cause)).toContain('back')
	})
})

describe('air too damp to dry', () => {
	test('is told, with the humidity that it would take, and dried pieces are planned where they may be', () => {
		const { compiled, plan } = planCourse(course, [magnolia], within(0.74))
		if (!plan) throw new Error('no plan')
		const hopeless = listHopeless(compiled, plan)

		expect(checkPlan(compiled.instance, plan).errors).toEqual([])
		expect(hopeless.length).toBeGreaterThan(0)
		for (const { stage, needsHumidityBelow, isSwapped } of hopeless) {
			expect(needsHumidityBelow).toBeCloseTo(stage === 'hard' ? 0.69 : 0.735, 2)
			expect(isSwapped).toBe(true)
		}
		// What she brings dry she makes some days before, not as long before as a wait that never ends.
		const { ahead, firstSession } = datesOf(course, compiled, plan)
		expect(daysBetween(ahead, firstSession)).toBeLessThan(7)
	})

	test('and nearly too damp is told with its chance, and with the humidity that would make it sure', () => {
		const { compiled, plan } = planCourse(course, [magnolia], within(0.67))
		const onRoom = plan ? tellPlan(compiled, plan, course.sessions).onRoom : []

		expect(onRoom.length).toBeGreaterThan(0)
		for (const { wait } of onRoom) {
			expect(wait.claim).toBe('if the room holds')
			expect(wait.chance).toBeGreaterThan(0)
			expect(wait.chance).toBeLessThanOrEqual(0.9)
			expect(wait.sureBelow).toBeLessThan(0.67)
			// The plan holds the time free that it tells.
			expect(wait.plannedMinutes).toBe(wait.p90Minutes)
		}
		const dry = planCourse(course, [magnolia], within(0.45))
		expect(dry.plan && tellPlan(dry.compiled, dry.plan, course.sessions).onRoom).toEqual([])
	})

	test('is no matter where a wait is set by hand', () => {
		const waits = Object.fromEntries([...lagsOf(compile(within(0.74))).keys()].map((key) => [key, 600]))
		const { compiled, plan } = planCourse({ ...course, waits }, [magnolia], within(0.74))

		expect(plan && listHopeless(compiled, plan)).toEqual([])
	})
})

describe('a piece that dries at night', () => {
	const design = resolveDesign(magnolia, {})
	const designs = [{ design, flowersPerStudent: 1 }]
	const plan = (terms: DryingTerms) => {
		const made = planCourse(course, [magnolia], terms)
		const threads = (made.plan && tellPlan(made.compiled, made.plan, course.sessions).threads) ?? []
		return { made, threads }
	}

	test('and then lies in a damp store is not ready when it is needed', () => {
		const terms = { ...ORDINARY_TERMS, places: [place(1, 'room', 0.4), place(2, 'store', 0.6)] }
		const { made, threads } = plan(terms)
		// The same plan, with a store that has turned damp meanwhile by day: it dries in the dry hours, and wilts in the others.
		const hours = Array.from({ length: 24 }, (_, hour) => {
			return { temperatureC: 21, humidity: hour >= 22 || hour < 12 ? 0.35 : 0.86 }
		})
		const damp: Place = { ...place(2, 'store', 0), climate: { type: 'day', hours } }
		const softening = findSoftening(
			{ ...made, terms: { ...terms, places: [place(1, 'room', 0.4), damp] } },
			designs,
			threads,
		)

		expect(softening.length).toBeGreaterThan(0)
		for (const { placeName, lostAt } of softening) {
			expect(placeName).toBe('store 2')
			expect(lostAt.minuteOfDay).toBeGreaterThan(11 * 60)
		}
	})

	test('and stays in air as dry keeps what it has', () => {
		const { made, threads } = plan(within(0.5))

		expect(findSoftening(made, designs, threads)).toEqual([])
	})
})

test('a piece lies in the room to the end of its session, then in the store, then in the next room', () => {
	const terms = { zone: 'UTC', places: [place(1, 'room', 0.5), place(2, 'store', 0.4), place(3, 'room', 0.6)] }
	const sessions = course.sessions.map((session, s) => (s === 1 ? { ...session, roomId: 3 } : session))

	// Ten minutes into the hands-on time of the first evening: five after its start.
	const stays = placesFrom({ sessions }, terms, 10)

	expect(stays.map(({ place: { id } }) => id)).toEqual([1, 2, 3, 2, 1, 2])
	expect(stays[0]?.hours).toBeCloseTo((120 - 15) / 60, 9)
	expect(stays[1]?.hours).toBeCloseTo(7 * 24 - 2, 9)
	expect(stays[2]?.hours).toBeCloseTo(2, 9)
	expect(stays.at(-1)?.hours).toBe(Infinity)
})

test('a wait after a step is for that step’s own piece, not for what waits', () => {
	const ranunculus = resolveDesign(demoDesign('ranunculus'), {})
	const heart = ranunculus.steps.find(({ id }) => id === 'heart-form')
	const [subject] = heart ? subjectsOfWait(ranunculus, heart, 'hard', 'swg') : []

	expect(subject).toMatchObject({ type: 'piece', piece: { body: { type: 'sphere', radiusMm: 8 } }, stage: 'hard' })
})
