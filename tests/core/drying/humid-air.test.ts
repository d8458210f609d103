import { describe, expect, test } from 'vitest'
import { airFilm } from '../../../core/drying/air-film'
import { dewPointC, humidityAt, mixingRatio, saturationPressurePa, vapourDensity } from '../../../core/drying/humid-air'
import {
	blend,
	diffusivityAt,
	equilibriumMoisture,
	PASTE_TERMS,
	waterActivity,
	withIcingSugar,
} from '../../../core/drying/paste-terms'
import { dryingChecks } from '../../support/drying-checks'

describe('humid air', () => {
	// Steam tables and psychrometric charts at one atmosphere, from memory: e_s 1228, 2339, 3169, 4246 Pa; the form
	// used here has no enhancement factor and lies within 0.35 %.
	test.each([
		[10, 1228],
		[20, 2339],
		[25, 3169],
		[30, 4246],
	])('saturates at %s °C near the published %s Pa', (temperatureC, published) => {
		expect(saturationPressurePa(temperatureC) / published).toBeCloseTo(1, 2)
		expect(Math.abs(saturationPressurePa(temperatureC) / published - 1)).toBeLessThan(0.0035)
	})

	// Psychrometric chart, from memory: 25 °C at 50 % has a dew point of 13.9 °C and 9.9 g of water a kilogram.
	test('meets a published dew point and mixing ratio', () => {
		expect(dewPointC(25, 0.5)).toBeCloseTo(13.9, 1)
		expect(1000 * mixingRatio(25, 0.5)).toBeCloseTo(9.9, 1)
	})

	test('a heated room keeps its water, so that its humidity falls', () => {
		const air = { temperatureC: 21, humidity: 0.5 }

		const heated = humidityAt(26, air)

		expect(heated).toBeCloseTo((0.5 * saturationPressurePa(21)) / saturationPressurePa(26), 12)
		expect(mixingRatio(26, heated)).toBeCloseTo(mixingRatio(21, 0.5), 12)
	})

	test('equals the check values', () => {
		for (const { T, RH, psat_Pa, dewPoint_C, absHum_g_m3, mixingRatio_g_kg } of dryingChecks.humidAir) {
			expect(saturationPressurePa(T) / psat_Pa).toBeCloseTo(1, 6)
			expect(dewPointC(T, RH) / dewPoint_C).toBeCloseTo(1, 6)
			expect((1000 * vapourDensity(T, RH)) / absHum_g_m3).toBeCloseTo(1, 6)
			expect((1000 * mixingRatio(T, RH)) / mixingRatio_g_kg).toBeCloseTo(1, 6)
		}
	})
})

describe('the air film', () => {
	test('equals the check values', () => {
		const shapes = { slab: 'sheet', cyl: 'cylinder', sph: 'sphere' } as const
		for (const { T, u, geom, Lc_m, hc, hm, cool, heff } of dryingChecks.film) {
			const film = airFilm(T, u, shapes[geom], Lc_m)

			expect(film.heatTransfer / hc).toBeCloseTo(1, 6)
			expect(film.massTransfer / hm).toBeCloseTo(1, 6)
			expect(film.cooling / cool).toBeCloseTo(1, 6)
			expect(film.effective / heff).toBeCloseTo(1, 6)
		}
	})

	test('needs a length', () => {
		expect(() => airFilm(21, 1, 'sheet', 0)).toThrow('lengthM must be > 0, got 0')
	})
})

describe('pastes', () => {
	// The sorption isotherm's fresh water activities; common practice, no source.
	test.each([
		['gum paste', 0.847],
		['modelling paste', 0.755],
		['sugarpaste with CMC', 0.742],
		['sugarpaste with icing sugar', 0.697],
		['sugarpaste', 0.697],
	] as const)('%s is fresh at a water activity of %s', (paste, activity) => {
		const terms = PASTE_TERMS[paste]

		expect(waterActivity(terms, terms.freshMoisture)).toBeCloseTo(activity, 3)
		expect(equilibriumMoisture(terms, waterActivity(terms, 0.05))).toBeCloseTo(0.05, 12)
	})

	test('isotherm and diffusivity equal the check values', () => {
		const gum = PASTE_TERMS['gum paste']
		// Their diffusivity was 4.5e-12 m²/s at 21 °C: the law of temperature is the same.
		for (const { T, D } of dryingChecks.D_gum) expect(diffusivityAt(gum, T) / D).toBeCloseTo(5.5 / 4.5, 6)
		for (const { paste, aw, Xeq } of dryingChecks.isotherm) {
			const terms =
				PASTE_TERMS[paste === 'gum' ? 'gum paste' : paste === 'modelling' ? 'modelling paste' : 'sugarpaste']
			expect(equilibriumMoisture(terms, aw)).toBeCloseTo(Xeq, 9)
		}
	})

	test('half gum paste and half sugarpaste hold water between the two, about as modelling paste does', () => {
		const { 'gum paste': gum, sugarpaste, 'modelling paste': modelling } = PASTE_TERMS

		const half = blend(gum, sugarpaste, 0.5)

		expect(half.isothermK).toBeCloseTo(modelling.isothermK, 9)
		expect(blend(gum, sugarpaste, 1)).toEqual(gum)
	})

	test('icing sugar kneaded in leaves less water, and as damp an air over it', () => {
		const gum = PASTE_TERMS['gum paste']

		const stiff = withIcingSugar(gum, 0.1)

		expect(stiff.freshMoisture).toBeCloseTo(0.09, 9)
		expect(waterActivity(stiff, stiff.freshMoisture)).toBeCloseTo(waterActivity(gum, gum.freshMoisture), 9)
	})
})
