/** What never gets dry enough is not ninety days, and not silently the minutes that the design states. */
import { describe, expect, test } from 'vitest'
import type { Step } from '../../../../core/design/design'
import { ORDINARY_TERMS, type PlanTerms } from '../../../../core/plan/compile/drying-terms'
import { planCourse, resolveCourse } from '../../../../core/plan/plan-course'
import { rankWays } from '../../../../core/plan/ways-out/way-out'
import { tryWaysOut } from '../../../../core/plan/ways-out/ways-out'
import { demoCourse } from '../../../support/demo-designs'
import { makeDesign, makePart, makeStep } from '../../../support/make-design'

const air = (humidity: number): PlanTerms => ({
	...ORDINARY_TERMS,
	places: (['room', 'store'] as const).map((kind, id) => ({
		id,
		kind,
		name: kind,
		climate: { type: 'steady' as const, temperatureC: 20, humidity },
		movement: 'still' as const,
	})),
})

/** A rod of sugarpaste that is to be hard before it is dusted: not in ordinary air (drying-2, 6). */
function plan({ humidity = 0.5, isSwappable = false, isByHand = false, dust = {} as Partial<Step> } = {}) {
	const design = makeDesign({
		parts: [
			makePart('rods', {
				paste: 'sugarpaste',
				piecesPerFlower: 2,
				form: { type: 'formed', body: 'cylinder', diameterMm: 9, lengthMm: 60 },
			}),
		],
		steps: [
			makeStep('roll', 'rods'),
			makeStep(
				'dust',
				'rods',
				[{ after: 'roll', wait: { stage: 'hard', usualMinutes: 60, isSwappable, isByHand } }],
				dust,
			),
		],
	})
	const course = {
		...demoCourse('Magnolia on Thursdays'),
		designs: [{ designId: design.id, flowersPerStudent: 1, picks: {} }],
	}
	const made = planCourse(course, [design], air(humidity))
	const ways = () =>
		rankWays([...tryWaysOut(made, resolveCourse(course, [design]), { effortOf: () => ({ nodes: 300 }) })])
	return { made, ways }
}

describe('a stage that is never reached', () => {
	test('does not fit, whatever minutes the design states, and no minutes stand for what is missing', () => {
		const { made } = plan()

		expect(made.status).toBe('impossible')
		expect(made.objective).toBeUndefined()
		expect(made.compiled.instance.arcs).toContainEqual(expect.objectContaining({ lag: 'never' }))
		// It is named before any search.
		expect(made.nodes).toBe(0)
	})

	test('is met by dried pieces, where the design allows them', () => {
		const { made } = plan({ isSwappable: true })

		expect(made.objective?.shortfall).toBe(0)
		expect(made.plan?.swaps).toHaveLength(1)
	})

	test('is met by minutes that somebody has set, and is then hers', () => {
		expect(plan({ isByHand: true }).made.objective?.shortfall).toBe(0)
	})

	test('never fits better in damper air', () => {
		const missing = [0.3, 0.4, 0.45, 0.55, 0.7].map(
			(humidity) => plan({ humidity }).made.objective?.shortfall ?? Infinity,
		)

		expect(missing).toEqual(missing.toSorted((a, b) => a - b))
		expect(missing[0]).toBe(0)
		expect(missing.at(-1)).toBe(Infinity)
	})
})

describe('ways out of what never dries', () => {
	test('begin with as dry as it gets, where nothing hangs on the piece; more time is no way out', () => {
		const ways = plan().ways()
		const alone = (kind: string) => ways.find(({ ways: [way], ...set }) => way?.kind === kind && set)

		expect(ways[0]).toMatchObject({ ways: [{ kind: 'settled' }], verdict: 'fits' })
		expect(ways[1]).toMatchObject({ ways: [{ kind: 'drier' }] })
		expect(alone('swap')?.verdict).toBe('fits')
		expect(alone('longer')).toBeUndefined()
		expect(alone('session')?.verdict).not.toBe('fits')
	})

	test('a step that puts weight on the piece is not done on one that is soft inside', () => {
		expect(
			plan({ dust: { load: true } })
				.ways()
				.flatMap(({ ways }) => ways.map(({ kind }) => kind)),
		).not.toContain('settled')
		expect(
			plan({ dust: { label: 'Hang up' } })
				.ways()
				.flatMap(({ ways }) => ways.map(({ kind }) => kind)),
		).not.toContain('settled')
	})
})
