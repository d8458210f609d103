import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { PACES } from '../../../core/course/course'
import type { Shares } from '../../../core/kit/bill'
import { allergensOfKit } from '../../../core/kit/kit-allergens'
import { USUAL_KIT_TERMS } from '../../../core/kit/kit-terms'
import { listPreparation } from '../../../core/kit/preparation'
import { formerPlacesOf } from '../../../core/kit/stock'
import { gainOfOneMore } from '../../../core/kit/tool-needs'
import { pasteMassG } from '../../../core/materials/piece-mass'
import { makeStudent, packDemo } from '../../support/demo-kit'

const anyStudent = fc
	.record({
		level: fc.option(fc.constantFrom(...PACES), { nil: undefined }),
		isLeftHanded: fc.boolean(),
		avoids: fc.subarray(['egg' as const, 'alcohol' as const, 'gelatine' as const]),
		diet: fc.constantFrom('any' as const, 'vegan' as const),
		isChild: fc.boolean(),
	})
	.map(({ level, ...terms }) => makeStudent({ ...terms, ...(level && { level }) }))

function expectWhole({ kits, ahead, demo, swapOuts, reserve, total }: Shares) {
	expect(total).toBe(kits.reduce((sum, amount) => sum + amount, 0) + ahead + demo + swapOuts + reserve)
	for (const amount of [...kits, ahead, demo, swapOuts, reserve]) {
		expect(Number.isInteger(amount)).toBe(true)
		expect(amount).toBeGreaterThanOrEqual(0)
	}
}

describe('between kits, demo set, dried pieces and totals', () => {
	test('nothing is lost, however the course is set and whoever comes', () => {
		fc.assert(
			fc.property(
				fc.constantFrom('Magnolia on Thursdays', 'Calla lily taster'),
				fc.record({
					studentCount: fc.integer({ min: 1, max: 16 }),
					demoFlowers: fc.integer({ min: 0, max: 3 }),
					spareConfidence: fc.constantFrom(0.8, 0.9, 0.95),
				}),
				fc.array(anyStudent, { maxLength: 16 }),
				(name, change, roster) => {
					const { kit } = packDemo(name, change, { roster })

					for (const { shares, needed, spares } of kit.lines) {
						expectWhole(shares)
						expect(shares.usual).toBe(needed + spares)
						expect(shares.kits).toHaveLength(change.studentCount)
					}
					for (const { shares } of [...kit.paste, ...kit.supplies, ...kit.colours]) expectWhole(shares)
					for (const { lines, pooledPlan } of kit.wires) {
						const wired = kit.lines.filter(({ part }) => lines.some(({ partName }) => partName === part.name))
						const wanted = lines.reduce((sum, { shares }) => sum + shares.total, 0)
						expect(wanted).toBe(wired.reduce((sum, { shares }) => sum + shares.total, 0))
						expect(pooledPlan.wires.flatMap(({ piecesMm }) => piecesMm)).toHaveLength(wanted)
					}
					// Whatever pastes the people need, each kit holds the paste of its pieces.
					kit.seats.forEach((_, s) => {
						const least = kit.lines
							.filter(({ maker }) => maker === 'students')
							.reduce(
								(sum, { part, shares }) => sum + (shares.kits[s] ?? 0) * (part.paste ? pasteMassG(part.form) : 0),
								0,
							)
						const weighed = kit.paste.reduce((sum, { shares }) => sum + (shares.kits[s] ?? 0), 0)
						expect(weighed).toBeGreaterThanOrEqual(Math.floor(least * 1000))
					})
				},
			),
			{ numRuns: 20, seed: 3 },
		)
	})

	test('a reserve is on top of what is used up, never of what is counted', () => {
		const { kit } = packDemo('Magnolia on Thursdays', {}, { terms: { ...USUAL_KIT_TERMS, reserveShare: 0.1 } })
		const [ivory] = kit.paste.filter(({ item }) => item.colour === 'ivory')
		const used = (ivory?.shares.total ?? 0) - (ivory?.shares.reserve ?? 0)

		expect(ivory?.shares.reserve).toBe(Math.ceil(used / 10))
		expect(kit.lines.every(({ shares }) => shares.reserve === 0)).toBe(true)
	})
})

describe('a kit', () => {
	test('explains its paste to the milligram', () => {
		const { kit } = packDemo('Magnolia on Thursdays')

		for (const { shares, sources } of kit.paste) expect(sources.reduce((sum, { mg }) => sum + mg, 0)).toBe(shares.usual)
	})

	test('has more spares for a beginner than for a practised hand', () => {
		const roster = [makeStudent({ level: 'beginners' }), makeStudent({ level: 'practised' })]
		const { kit } = packDemo('Magnolia on Thursdays', { spareConfidence: 0.95 }, { roster })
		const petals = kit.lines.find(({ part }) => part.id === 'outer-petals')?.shares.kits ?? []

		expect(petals[0]).toBeGreaterThan(petals[1] ?? Infinity)
	})

	test('has the exchange for whoever avoids something, and a warning where none is known', () => {
		const roster = [
			makeStudent({ avoids: ['egg'] }),
			makeStudent({ avoids: ['alcohol'] }),
			makeStudent(),
			makeStudent({ isChild: true }),
		]
		const { kit } = packDemo('Magnolia on Thursdays', {}, { roster })
		const of = (seat: number) => kit.exchanges.filter(({ seatNumber }) => seatNumber === seat)
		const pasteOf = (seat: number) =>
			new Set(kit.paste.filter(({ shares }) => (shares.kits[seat - 1] ?? 0) > 0).map(({ item }) => item.paste))

		expect(of(1)).toEqual([{ seatNumber: 1, what: 'gum paste', instead: 'gum paste without egg', reason: 'egg' }])
		expect([...pasteOf(1)]).toEqual(['gum paste without egg'])
		expect([...pasteOf(2)]).toEqual(['gum paste'])
		expect(of(2).map(({ what, instead }) => [what, instead])).toEqual([
			['leaf glaze', 'water-based glaze'],
			['brush cleaner', 'soap and warm water'],
		])
		expect(of(3)).toEqual([])
		// Usual practice knows nothing to put in the place of steam for a child.
		expect(of(4).some(({ instead }) => instead !== undefined)).toBe(true)
	})

	test('brings what it brings after its exchanges', () => {
		const roster = [makeStudent({ avoids: ['egg', 'alcohol'] }), makeStudent()]
		const { kit } = packDemo('Magnolia on Thursdays', {}, { roster })

		expect(allergensOfKit(kit, 1)).toEqual([])
		expect(allergensOfKit(kit, 2)).toEqual([
			{ allergen: 'egg', sources: ['gum paste'] },
			{ allergen: 'alcohol', sources: ['leaf glaze', 'brush cleaner'] },
		])
	})

	test('takes off-cuts before new wires', () => {
		const offcuts = [{ gauge: 24, colour: 'white', lengthMm: 200, count: 6 }]
		const { kit } = packDemo('Magnolia on Thursdays', {}, { offcuts })
		const { kit: without } = packDemo('Magnolia on Thursdays')
		const of = (some: typeof kit) =>
			some.wires.find(({ gauge, colour }) => gauge === 24 && colour === 'white')?.pooledPlan

		expect(of(kit)?.offcuts.length).toBeGreaterThan(0)
		expect(of(kit)?.wires.length).toBeLessThan(of(without)?.wires.length ?? 0)
		expect(of(kit)?.minWireCount).toBeLessThanOrEqual(of(kit)?.wires.length ?? 0)
	})
})

describe('what goes with the kits', () => {
	test('fewer tools mean more waiting, and the time is in the plan', () => {
		const few = packDemo('Magnolia on Thursdays', {}, { owned: { 'petal veiner': 1 } })
		const more = packDemo('Magnolia on Thursdays', {}, { owned: { 'petal veiner': 4 } })
		const of = ({ kit }: typeof few) => kit.tools.find(({ tool }) => tool === 'petal veiner')

		expect(of(few)?.queueingMinutes).toBeGreaterThan(of(more)?.queueingMinutes ?? Infinity)
		expect(of(few)?.curve).toHaveLength(8)
	})

	test('pieces that lie on formers at once are all those of a step that ends a session', () => {
		const { kit } = packDemo('Magnolia on Thursdays')
		const tray = kit.formers.find(({ former }) => former === 'apple tray')
		const petals = kit.lines.find(({ part }) => part.id === 'outer-petals')

		expect(tray?.peakCount).toBeLessThanOrEqual(8 * (petals?.shares.usual ?? 0))
		expect(tray?.peakCount).toBeGreaterThan(0)
		expect(tray?.trayCount).toBeGreaterThanOrEqual(1)
	})

	test('what the shelf has to dry on stands beside what is needed at once, whatever its capitals', () => {
		const { kit } = packDemo(
			'Magnolia on Thursdays',
			{},
			{ places: formerPlacesOf({ items: [{ kind: 'former', name: 'Apple tray', unit: 'piece', onHand: 48 }] }) },
		)

		expect(kit.formers.map(({ former, places }) => [former, places])).toEqual(
			expect.arrayContaining([
				['apple tray', 48],
				['spoons', undefined],
			]),
		)
	})

	test('colours are mixed before the first class that needs them, deep ones with more gel', () => {
		const { kit, course } = packDemo('Magnolia on Thursdays')
		const gelPerGram = (colour: string) => {
			const batch = kit.colours.find((one) => one.colour === colour)
			return (batch?.gelMg ?? 0) / (batch?.shares.total ?? 1)
		}

		for (const { colourBy } of kit.colours) expect(colourBy < (course.sessions[0]?.date ?? '')).toBe(true)
		expect(gelPerGram('leaf green')).toBeGreaterThan(gelPerGram('ivory'))
	})

	test('one dried piece a student is brought for every swap of the plan', () => {
		const { kit, story } = packDemo('Calla lily taster')
		const spadix = kit.lines.find(({ part }) => part.id === 'spadix')

		expect(story.swaps.length).toBeGreaterThan(0)
		expect(spadix?.shares.swapOuts).toBe(10 * (spadix?.shares.usual ?? 0))
	})

	test('the list of what to prepare names every swap and every wire', () => {
		const { kit, story } = packDemo('Calla lily taster')
		const items = listPreparation(story, kit)

		expect(items.filter(({ type }) => type === 'swap')).toHaveLength(story.swaps.length)
		expect(items.filter(({ type }) => type === 'wires')).toHaveLength(kit.wires.length)
		expect(items.at(-1)).toMatchObject({ type: 'kits', kitCount: 10 })
	})
})

test('what one more of a tool gives back is what is waited for it less', () => {
	const { kit } = packDemo('Magnolia on Thursdays', {}, { owned: { 'petal veiner': 1 } })
	for (const line of kit.tools) {
		const gain = gainOfOneMore(line)
		if (line.ownedCount === undefined) expect(gain).toBe(0)
		else {
			const next = line.curve[line.ownedCount]?.queueingMinutes ?? 0
			expect(gain).toBeCloseTo(line.queueingMinutes - next, 9)
			expect(gain).toBeGreaterThan(1)
		}
	}
	expect(kit.tools.some(({ ownedCount }) => ownedCount === 1)).toBe(true)
})
