import { describe, expect, test } from 'vitest'
import { FILM_WAITS, filmWaitSec } from '../../../core/drying/film-waits'
import { warnOfFridge } from '../../../core/drying/fridge'
import { dryingChecks, type CheckAir } from '../../support/drying-checks'

const air = ({ T, RH, air: movement }: CheckAir) => ({ temperatureC: T, humidity: RH, movement })
const STILL = { temperatureC: 21, humidity: 0.5, movement: 'still' as const }

describe('waits without paste', () => {
	// Common practice, no source: minutes in an ordinary room.
	test.each([
		['gel smear', 3, 5],
		['alcohol paint', 2, 5],
		['glaze', 10, 30],
		['glue grips', 2, 6],
		['glue holds', 30, 90],
	] as const)('%s takes %s to %s min', (kind, from, to) => {
		const minutes = (filmWaitSec(kind, STILL) ?? NaN) / 60

		expect(minutes).toBeGreaterThanOrEqual(from)
		expect(minutes).toBeLessThanOrEqual(to)
	})

	test('glaze cannot be hurried below 8 min by a fan', () => {
		expect(filmWaitSec('glaze', { ...STILL, movement: 'strong fan' })).toBe(480)
	})

	test('a smear of gel never dries in damp air, and nothing wet dries in a box', () => {
		expect(filmWaitSec('gel smear', { ...STILL, humidity: 0.78 })).toBeUndefined()
		for (const kind of FILM_WAITS) {
			const isGlue = kind === 'glue grips' || kind === 'glue holds'
			expect(filmWaitSec(kind, { ...STILL, movement: 'sealed' }) === undefined).toBe(!isGlue)
		}
	})
})

describe('out of the fridge', () => {
	test('a piece at room temperature is in no danger', () => {
		expect(warnOfFridge(20, STILL, 3e-4)).toMatchObject({ isWetted: false, seconds: 0 })
	})

	test('equals the check values', () => {
		for (const { Tpiece, env, L_m, condenses, T_ok_C, seconds } of dryingChecks.fridge) {
			const warning = warnOfFridge(Tpiece, air(env), L_m)
			expect(warning.isWetted).toBe(condenses)
			expect(warning.safeAtC).toBeCloseTo(T_ok_C, 4)
			expect(warning.seconds / seconds).toBeCloseTo(1, 5)
		}
	})
})
