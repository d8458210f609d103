import { expect, test } from 'vitest'
import { MAX_GAUGE, MIN_GAUGE, wireDiameterMm, type GaugeStandard } from '../../../core/materials/wire-gauge'

// Published tables of both standards, in mm (from memory): BS 3737 and ASTM B258.
test.each<[GaugeStandard, number, number]>([
	['swg', 14, 2.032],
	['swg', 18, 1.219],
	['swg', 20, 0.914],
	['swg', 22, 0.711],
	['swg', 24, 0.559],
	['swg', 26, 0.457],
	['swg', 28, 0.376],
	['swg', 30, 0.315],
	['swg', 32, 0.274],
	['swg', 36, 0.193],
	['awg', 18, 1.024],
	['awg', 20, 0.812],
	['awg', 24, 0.511],
	['awg', 26, 0.405],
	['awg', 30, 0.255],
	['awg', 36, 0.127],
])('%s %i has %d mm', (standard, gauge, diameterMm) => {
	expect(wireDiameterMm(gauge, standard)).toBeCloseTo(diameterMm, 3)
})

test.each<GaugeStandard>(['swg', 'awg'])('%s: the lower the number, the thicker', (standard) => {
	const diameters = Array.from({ length: MAX_GAUGE - MIN_GAUGE + 1 }, (_, i) => wireDiameterMm(MIN_GAUGE + i, standard))

	expect(diameters).toEqual(diameters.toSorted((a, b) => b - a))
	expect(new Set(diameters).size).toBe(diameters.length)
})

test.each([13, 37, 20.5, NaN])('refuses gauge %d', (gauge) => {
	expect(() => wireDiameterMm(gauge, 'swg')).toThrow(/gauge must be whole and 14 to 36/)
})
