/** Where things stand in the picture of a plan, and what its tiles say. */
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { layOutBands, WIDE, WIDTH } from '../../../app/plan/components/plan-bands/band-layout'
import { aloneSession, readSession } from '../../../app/plan/components/plan-bands/chosen-session'
import { measureWords } from '../../../app/plan/components/plan-bands/measure-words'
import { layOutLegend, tileWords, wrapWords } from '../../../app/plan/components/plan-bands/tile-words'
import type { PlanStory, Tile } from '../../../core/plan/tell/plan-story'
import { packDemo } from '../../support/demo-kit'

function tileOf(partName: string, label: string, minutes: number): Tile {
	return {
		taskId: 'a',
		source: { type: 'step', partName, label },
		startMin: 1140,
		endMin: 1140 + minutes,
		run: 1,
		runCount: 1,
	} as unknown as Tile
}

describe('a tile', () => {
	test('with room says part, step and minutes', () => {
		const { lines, legend } = tileWords(tileOf('Leaves', 'Dust', 12), 3, 120)

		expect(lines.map(({ text }) => text)).toEqual(['Leaves', 'Dust', '12 min'])
		expect(legend).toBeUndefined()
	})

	test('without room for the step says its number, whose it is, and leaves the rest to the legend', () => {
		const { lines, legend } = tileWords(tileOf('Centre', 'Cone on its wire', 10), 7, 64)

		expect(lines.map(({ text }) => text)).toEqual(['7', 'Centre', '10 min'])
		expect(legend).toBe('Centre: Cone on its wire')
	})

	test('as narrow as can be has its number, and the legend its minutes too', () => {
		const { lines, legend } = tileWords(tileOf('Outer petals', 'Dust', 2), 12, 9)

		expect(lines.map(({ text }) => text)).toEqual(['12'])
		expect(legend).toBe('Outer petals: Dust, 2 min')
	})

	test('never cuts a word, at no width: what it does not say whole stands in the legend', () => {
		const word = fc.stringMatching(/^[A-Za-z]{1,14}$/)
		const words = fc.array(word, { minLength: 1, maxLength: 4 }).map((list) => list.join(' '))
		fc.assert(
			fc.property(words, words, fc.integer({ min: 2, max: 400 }), (part, label, width) => {
				const { lines, legend } = tileWords(tileOf(part, label, 5), 1, width)
				const said = lines.map(({ text }) => text).join(' ')

				expect(legend ?? said).toContain(label)
				expect(legend ?? said).toContain(part)
				expect(said).not.toContain('…')
			}),
		)
	})
})

test('wrapped words are the same words, each line as wide as it may be', () => {
	const face = { sizePx: 13 }
	const lines = wrapWords('Cut over the groove and wire', 70, face)

	expect(lines.join(' ')).toBe('Cut over the groove and wire')
	expect(lines.every((line) => measureWords(line, face) <= 70)).toBe(true)
})

test('a legend goes on in the next row where one is full, and no entry leaves the picture', () => {
	const entries = Array.from({ length: 9 }, (_, n) => ({ number: n + 1, text: 'Outer petals: Cut, wire, cup' }))
	const items = layOutLegend(entries, 500)

	expect(items.map(({ number }) => number)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9])
	expect(new Set(items.map(({ row }) => row)).size).toBeGreaterThan(1)
	expect(items.every(({ x }) => x < 500)).toBe(true)
})

function aheadOf({ sessions }: PlanStory): PlanStory['ahead'][number] {
	const source = sessions[0]?.tiles.find((tile) => tile.source.type === 'step')?.source
	if (!source) throw new Error('no step')
	return { taskId: 'a', source, minutes: 20 }
}

describe('the picture of a plan', () => {
	const story: PlanStory = packDemo('Magnolia on Thursdays').story

	test('has every step once, numbered through, inside its session', () => {
		const { bands } = layOutBands(story)
		const tiles = bands.flatMap((band) => band.tiles.map((tile) => ({ band, tile })))

		expect(tiles.map(({ tile }) => tile.number)).toEqual(tiles.map((_, t) => t + 1))
		for (const { band, tile } of tiles) {
			expect(tile.x).toBeGreaterThanOrEqual(band.x - 0.01)
			expect(tile.x + tile.width).toBeLessThanOrEqual(band.x + band.width + 0.01)
		}
	})

	test('says each step on its tile or in the legend under its bench', () => {
		for (const { tiles, legend } of layOutBands(story).bands) {
			const inLegend = new Set(legend.map(({ number }) => number))
			for (const { number, lines } of tiles) expect(inLegend.has(number) || lines.length > 1).toBe(true)
		}
	})

	test('has one clock: the same minute stands at the same place in every session', () => {
		const { bands, ticks } = layOutBands(story)
		const tick = ticks[0]

		expect(new Set(bands.map(({ x }) => x)).size).toBe(1)
		expect(tick?.x).toBeCloseTo(bands[0]?.x ?? 0, 6)
	})

	test('has what stands ready before the first session on a shelf, nothing over another, and nothing where there is nothing', () => {
		const taster = packDemo('Calla lily taster').story
		const [swap] = taster.swaps
		const many = { ...taster, ahead: Array.from({ length: 7 }, (_, k) => ({ ...aheadOf(taster), taskId: String(k) })) }
		const { shelf } = layOutBands(many)
		const items = shelf?.items ?? []

		expect(items[0]).toMatchObject({ taskId: swap?.fromTaskId, isBrought: true, neededAt: swap?.neededAt })
		expect(items.length).toBe(8)
		items.forEach((item, i) => {
			expect(item.x + item.width).toBeLessThanOrEqual(WIDTH)
			const before = items[i - 1]
			expect(!before || item.y > before.y || item.x >= before.x + before.width).toBe(true)
		})
		expect(layOutBands(many).bands[0]?.y).toBeGreaterThan(shelf?.height ?? 0)
		expect(layOutBands(story).shelf?.items).toEqual([])
		expect(layOutBands(many, { hasShelf: false }).shelf).toBeUndefined()
	})

	test('shows a session by itself on a wider clock, with the numbers that its steps have in the list', () => {
		const whole = layOutBands(story)
		const alone = aloneSession(story, 1)
		const [band] = layOutBands(alone.story, { width: WIDE, firstNumber: alone.firstNumber }).bands

		expect(band?.tiles.map(({ number }) => number)).toEqual(whole.bands[1]?.tiles.map(({ number }) => number))
		expect((band?.tiles[0]?.width ?? 0) / (whole.bands[1]?.tiles[0]?.width ?? 1)).toBeGreaterThan(WIDE / WIDTH)
	})

	test.each([
		['2', 1],
		['0', undefined],
		['4', undefined],
		['x', undefined],
		[null, undefined],
	])('asked for session %s shows %s', (asked, index) => {
		expect(readSession(asked, story)).toBe(index)
	})
})
