import { expect, test } from 'vitest'
import {
	G_PER_OUNCE,
	ML_PER_US_TEASPOON,
	MM_PER_INCH,
	tellLength,
	tellMass,
	tellVolume,
} from '../../../core/materials/units'

// International yard and pound agreement, 1959: 1 yd = 0.9144 m, 1 lb = 0.45359237 kg; US gallon = 231 in³ = 3.785411784 l.
test('units are those of the international definitions', () => {
	expect(36 * MM_PER_INCH).toBeCloseTo(914.4, 9)
	expect(16 * G_PER_OUNCE).toBeCloseTo(453.59237, 9)
	expect(768 * ML_PER_US_TEASPOON).toBeCloseTo(3785.411784, 6)
})

test.each([
	{ told: tellMass(61.2, 'metric'), as: { value: 62, digits: 0, unit: 'g' } },
	{ told: tellMass(4.31, 'metric'), as: { value: 4.4, digits: 1, unit: 'g' } },
	{ told: tellMass(1204, 'metric'), as: { value: 1.21, digits: 2, unit: 'kg' } },
	{ told: tellMass(28.3495, 'imperial'), as: { value: 1, digits: 2, unit: 'oz' } },
	{ told: tellVolume(29.5, 'imperial'), as: { value: 2, digits: 1, unit: 'tbsp' } },
	{ told: tellVolume(1.2, 'imperial'), as: { value: 0.25, digits: 2, unit: 'tsp' } },
	{ told: tellVolume(1.25, 'metric'), as: { value: 1.3, digits: 1, unit: 'ml' } },
	{ told: tellLength(360, 'imperial'), as: { value: 14.17, digits: 2, unit: 'in' } },
	{ told: tellLength(1500, 'metric'), as: { value: 1.5, digits: 2, unit: 'm' } },
])('is told as $as.value $as.unit', ({ told, as }) => {
	expect(told).toEqual(as)
})
