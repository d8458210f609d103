/** What looking at a tray says of when it is ready. */
import fc from 'fast-check'
import jStat from 'jstat'
import { describe, expect, test } from 'vitest'
import type { DryingStage } from '../../../core/vocabulary/drying-stage'
import { paceOf, readyWithin, trayTimes } from '../../../core/run/tray-pace'

const FORECAST = { p50Minutes: 40, p90Minutes: 60 }
const ANY = { low: 0, high: Infinity }

describe('looks at a tray', () => {
	test('bound its pace from both sides, of whatever stage they are', () => {
		const skinned = { elapsedMinutes: 15, p50Minutes: 12, isReached: true }
		const notSet = { elapsedMinutes: 30, p50Minutes: 40, isReached: false }
		expect(paceOf([skinned, notSet])).toEqual({ low: 0.75, high: 1.25, isContradicted: false })
		expect(paceOf([])).toEqual({ ...ANY, isContradicted: false })
	})

	test('that contradict one another: the latest wins, and it is marked', () => {
		const set = { elapsedMinutes: 20, p50Minutes: 40, isReached: true }
		const notSet = { elapsedMinutes: 30, p50Minutes: 40, isReached: false }
		expect(paceOf([set, notSet])).toEqual({ low: 0.75, high: Infinity, isContradicted: true })
	})
})

describe('when it is ready', () => {
	test('is the forecast where nothing was looked at', () => {
		const { p50Minutes, p90Minutes } = readyWithin(ANY, FORECAST)
		expect(p50Minutes).toBeCloseTo(40, 3)
		expect(p90Minutes).toBeCloseTo(60, 3)
	})

	test('is what a sample of trays within the interval gives', () => {
		// Quantiles of the log-normal distribution, by jStat, at even shares: those within the interval are what is left.
		const sd = Math.log(60 / 40) / 1.28155
		const paces = Array.from({ length: 200_000 }, (_, k) => Math.exp(sd * jStat.normal.inv((k + 0.5) / 200_000, 0, 1)))
		for (const [low, high] of [
			[0.75, 1.25],
			[1.1, Infinity],
			[0, 0.8],
			[1.6, 2.2],
		] as const) {
			const left = paces.filter((pace) => pace > low && pace < high)
			const { p50Minutes, p90Minutes } = readyWithin({ low, high }, FORECAST)
			expect(p50Minutes).toBeCloseTo(40 * left[Math.floor(0.5 * left.length)]!, 1)
			expect(p90Minutes).toBeCloseTo(40 * left[Math.floor(0.9 * left.length)]!, 1)
		}
	})

	test('lies within what was felt, and no earlier for a later look that finds it not ready', () => {
		const bound = fc.double({ min: 0.2, max: 3, noNaN: true })
		fc.assert(
			fc.property(bound, bound, (one, other) => {
				const [low, high] = [Math.min(one, other), Math.max(one, other) + 0.01]
				const { p50Minutes, p90Minutes } = readyWithin({ low, high }, FORECAST)
				expect(p50Minutes).toBeGreaterThanOrEqual(40 * low - 1e-6)
				expect(p90Minutes).toBeLessThanOrEqual(40 * high + 1e-6)
				expect(p50Minutes).toBeLessThanOrEqual(p90Minutes + 1e-9)
				const later = readyWithin({ low: low + 0.1, high: Infinity }, FORECAST)
				expect(later.p50Minutes).toBeGreaterThanOrEqual(readyWithin({ low, high: Infinity }, FORECAST).p50Minutes)
			}),
		)
	})

	test('without doubt in the forecast the looks alone move it', () => {
		const sure = { p50Minutes: 30, p90Minutes: 30 }
		expect(readyWithin(ANY, sure)).toEqual(sure)
		expect(readyWithin({ low: 1.5, high: Infinity }, sure)).toEqual({ p50Minutes: 45, p90Minutes: 45 })
	})
})

describe('a tray', () => {
	const MINUTE = 60_000
	const waits = {
		...{ stage: 'set' as const, toTaskId: 'tape', p50Minutes: 40, p90Minutes: 60 },
		feels: [
			{ stage: 'skin' as const, p50Minutes: 8 },
			{ stage: 'touch' as const, p50Minutes: 20 },
			{ stage: 'set' as const, p50Minutes: 40 },
		],
	}
	const look = (minutes: number, isReached: boolean, stage: DryingStage = 'set', isNoFurther = false) => {
		return { when: minutes * MINUTE, stage, isReached, isNoFurther }
	}
	const trayOf = (...looks: ReturnType<typeof look>[]) => ({ batch: 'petals@1', laid: { when: 0 }, looks })
	const minutesOf = (times: ReturnType<typeof trayTimes>) =>
		times && Object.fromEntries(Object.entries(times).map(([name, when]) => [name, Math.round(Number(when) / MINUTE)]))

	test('has the times of its forecast, later ones when it was felt not to be there, and its moment when it was', () => {
		expect(minutesOf(trayTimes(trayOf(), waits))).toEqual({ p50: 40, p90: 60 })
		const later = minutesOf(trayTimes(trayOf(look(45, false)), waits))!
		expect(later['p50']).toBeGreaterThan(45)
		expect(minutesOf(trayTimes(trayOf(look(45, false), look(52, true)), waits))).toEqual({ felt: 52 })
	})

	test('is as far as what was felt of any stage says, from both sides', () => {
		// Touch after 30 minutes and not before: half as slow again as forecast, or more, and not set yet.
		const both = trayTimes(trayOf(look(29, false, 'touch'), look(30, true, 'touch', true)), waits)!
		const pace = { low: 29 / 20, high: 30 / 20 }
		expect('p50' in both && both.p50 / MINUTE).toBeCloseTo(readyWithin(pace, FORECAST).p50Minutes, 4)
		// At touch and no further after ten minutes: faster than forecast, and slower than it would take to be set.
		const early = trayTimes(trayOf(look(10, true, 'touch', true)), waits)!
		const between = { low: 10 / 40, high: 10 / 20 }
		expect('p50' in early && early.p50 / MINUTE).toBeCloseTo(readyWithin(between, FORECAST).p50Minutes, 4)
	})

	test('that is drier than it need be is there, and stays there when it has not come further still', () => {
		const looks = [look(50, true, 'hard'), look(60, false, 'through')]
		expect(minutesOf(trayTimes(trayOf(...looks), waits))).toEqual({ felt: 50 })
		expect(minutesOf(trayTimes(trayOf(look(30, true), look(31, false, 'touch')), waits))).not.toHaveProperty('felt')
	})

	test('that is not laid, or of which nothing is known, has none; looks of which nothing is known move nothing', () => {
		expect(trayTimes({ batch: 'petals@1', looks: [] }, waits)).toBeUndefined()
		expect(trayTimes(trayOf(), { ...waits, p50Minutes: undefined, p90Minutes: undefined })).toBeUndefined()
		expect(trayTimes(trayOf(look(45, false, 'touch')), { ...waits, feels: [] })).toEqual(trayTimes(trayOf(), waits))
	})
})
