import { describe, expect, test } from 'vitest'
import type { Design } from '../../../../core/design/design'
import { ORDINARY_TERMS } from '../../../../core/plan/compile/drying-terms'
import { planExactly } from '../../../../core/plan/exact/plan-exactly'
import { planCourse } from '../../../../core/plan/plan-course'
import { leastNeed } from '../../../../core/plan/what-fits/least-need'
import { listPicks, toCourse, withoutPreparation, type Slot } from '../../../../core/plan/what-fits/slot'
import { findFits } from '../../../../core/plan/what-fits/what-fits'
import { demoDesign, demoDesignIds } from '../../../support/demo-designs'
import { makeDesign, makePart, makeStep } from '../../../support/make-design'
import { randomFullInstance } from '../../../support/random-instance'

const evening = { startMin: 1140, endMin: 1260, setUpMinutes: 5, clearAwayMinutes: 10, breaks: [] }
const slot: Slot = {
	sessions: [{ date: '2026-03-12', ...evening }],
	studentCount: 4,
	pace: 'practised',
	planFor: 'middle',
	homeworkMinutes: 0,
	flowersPerStudent: 1,
	prepMinutes: 0,
	isWired: true,
}
const terms = { terms: ORDINARY_TERMS }
const ball = { type: 'formed', body: 'ball', diameterMm: 12 } as const
/** A cushion of moss with pebbles: work without waits, in two extents, with an extra. */
const cushion = makeDesign({
	id: 'moss-cushion',
	name: 'Moss cushion',
	choices: [
		{
			id: 'extent',
			name: 'Extent',
			options: [
				{ id: 'full', name: 'Full' },
				{ id: 'small', name: 'Small' },
			],
		},
	],
	extras: [{ id: 'dew', name: 'Dew drops', value: 2 }],
	parts: [
		makePart('pebbles', {
			form: ball,
			paste: 'sugarpaste',
			breakage: 0,
			piecesPerFlower: 20,
			variants: [{ when: { extent: ['small'] }, set: { piecesPerFlower: 8 } }],
		}),
	],
	steps: [
		makeStep('roll', 'pebbles', [], { minutesPerPiece: 2, fixedMinutes: 0 }),
		makeStep('set', undefined, [{ after: 'roll' }], { minutesPerPiece: 20, fixedMinutes: 0 }),
		makeStep('dew', undefined, [{ after: 'set' }], { minutesPerPiece: 15, fixedMinutes: 0, extra: 'dew' }),
	],
})
/** A bell that is painted once it is hard; dried ones may be brought where `isSwappable`. */
const bell = (isSwappable: boolean): Design =>
	makeDesign({
		id: 'painted-bell',
		name: 'Painted bell',
		parts: [makePart('bell', { piecesPerFlower: 1, breakage: 0, paste: 'gum paste' })],
		steps: [
			makeStep('cut', 'bell', [], { minutesPerPiece: 10 }),
			makeStep('paint', 'bell', [
				{ after: 'cut', wait: { stage: 'hard', usualMinutes: 720, ...(isSwappable && { isSwappable }) } },
			]),
		],
	})

describe('in a slot', () => {
	test('fits whole what there is time for, with what is left over', () => {
		const [best, ...others] = findFits(cushion, slot, terms)?.ways ?? []

		expect(best).toMatchObject({ asks: 'nothing', isUsual: true, flowers: 1, prepMinutes: 0, leftOut: [] })
		expect(best?.spareMinutes).toBe(105 - 75)
		expect(others).toMatchObject([{ asks: 'nothing', isUsual: false, picks: { extent: 'small' } }])
		expect(others[0]?.spareMinutes).toBe(105 - 51)
	})

	test('fits without an extra, in the smaller extent, or as one piece less', () => {
		const short = (minutes: number) => ({
			...slot,
			sessions: [{ date: '2026-03-12', ...evening, endMin: 1140 + 15 + minutes }],
		})

		expect(findFits(cushion, short(75), terms)?.ways[0]).toMatchObject({
			asks: 'nothing',
			isUsual: true,
			spareMinutes: 0,
		})
		expect(findFits(cushion, short(60), terms)?.ways).toMatchObject([
			{ asks: 'nothing', picks: { extent: 'small' } },
			{ asks: 'extras', leftOut: ['Dew drops'], picks: { extent: 'full' } },
		])
		expect(findFits(cushion, { ...short(80), flowersPerStudent: 2 }, terms)?.ways[0]).toMatchObject({
			asks: 'extras',
			flowers: 2,
			picks: { extent: 'small' },
		})
		expect(findFits(cushion, { ...short(55), flowersPerStudent: 2 }, terms)?.ways[0]).toMatchObject({
			asks: 'fewer',
			flowers: 1,
		})
		expect(findFits(cushion, short(30), terms)).toMatchObject({ ways: [], misfit: { reason: 'work', minutes: 6 } })
	})

	test('what has to dry overnight needs dried pieces, and her time for them', () => {
		const may = { ...slot, prepMinutes: 60 }

		expect(findFits(bell(true), slot, terms)).toMatchObject({ ways: [], misfit: { reason: 'drying' } })
		expect(findFits(bell(false), may, terms)).toMatchObject({ ways: [], misfit: { reason: 'drying' } })
		expect(findFits(bell(true), may, terms)?.ways).toMatchObject([{ asks: 'dried' }])
		const { prepMinutes = 0 } = findFits(bell(true), may, terms)?.ways[0] ?? {}
		expect(findFits(bell(true), { ...slot, prepMinutes: prepMinutes - 1 }, terms)).toMatchObject({
			ways: [],
			misfit: { reason: 'preparation', minutes: 1 },
		})
		const weeks = [...slot.sessions, { date: '2026-03-19', ...evening }]
		expect(findFits(bell(false), { ...slot, sessions: weeks }, terms)?.ways).toMatchObject([{ asks: 'nothing' }])
	})

	test('without wires goes nothing that has some in every way', () => {
		const bare = { ...slot, isWired: false }

		expect(findFits(demoDesign('magnolia'), bare, terms)).toBeUndefined()
		expect(findFits(cushion, bare, terms)?.wayCount).toBe(2)
	})

	test('stopped early, says how many ways were looked at; the usual one always is', () => {
		expect(findFits(cushion, slot, { ...terms, shouldStop: () => true })).toMatchObject({
			triedCount: 1,
			wayCount: 2,
			ways: [{ isUsual: true }],
		})
	})
})

test('every way that is told has a plan when it is made a course, which asks no more than was told', () => {
	const sessions = [0, 7].map((days) => ({ date: `2026-03-${12 + days}`, ...evening }))
	const two: Slot = { ...slot, sessions, pace: 'beginners', studentCount: 8, prepMinutes: 60 }
	let count = 0
	for (const id of demoDesignIds()) {
		const design = demoDesign(id)
		for (const way of (findFits(design, two, terms)?.ways ?? []).slice(0, 2)) {
			const { status, objective } = planCourse(toCourse(two, design, way), [design], ORDINARY_TERMS, { nodes: 200 })
			count++
			expect([id, status === 'feasible' || status === 'optimal']).toEqual([id, true])
			if (way.asks === 'nothing') expect([objective?.valueLost, objective?.prepMinutes]).toEqual([0, 0])
		}
	}
	expect(count).toBeGreaterThan(8)
})

test('where nothing may be prepared, nothing is', () => {
	const bare = withoutPreparation(demoDesign('calla-lily'))
	const before = JSON.stringify(bare)

	expect(before).not.toContain('isSwappable')
	expect(bare.steps.flatMap(({ places }) => places)).not.toContain('ahead')
	expect(listPicks(bare)[0]).toEqual(Object.fromEntries(bare.choices.map(({ id, options }) => [id, options[0]?.id])))
})

const SHAPE = { taskCount: 5, maxMinutes: 4, sessionCount: 2, windowMinutes: 8, sessionGap: 60 }

test('what least need refutes, no search finds: 300 random instances with every feature', () => {
	let refuted = 0
	for (let seed = 1; seed <= 300; seed++) {
		const instance = randomFullInstance(seed, SHAPE)
		const { workMinutes, availableMinutes, lateMinutes } = leastNeed(instance)
		if (workMinutes <= availableMinutes && lateMinutes === 0) continue
		refuted++
		expect([seed, ['infeasible', 'impossible']]).toEqual([
			seed,
			expect.arrayContaining([planExactly(instance, { nodes: 3000 }).status]),
		])
	}
	expect(refuted).toBeGreaterThan(10)
})
