import fc from 'fast-check'
import { expect, test } from 'vitest'
import { createDryingTable } from '../../../core/drying/drying-table'
import { predictStages } from '../../../core/drying/predict-stages'
import { createRng } from '../../../core/random'
import { DRYING_STAGES } from '../../../core/vocabulary/drying-stage'
import { ball, room, sheet } from '../../support/dry-piece'

test('errs by less than 2 % in 19 of 20 places away from the cut-off', () => {
	const rng = createRng(4)
	const between = (low: number, high: number) => low + rng() * (high - low)
	for (const { pieceOf, sizes } of [
		{ pieceOf: (mm: number) => sheet(mm), sizes: undefined },
		{ pieceOf: (mm: number) => sheet(mm, 'board', 'modelling paste'), sizes: undefined },
		{ pieceOf: (mm: number) => ball(mm), sizes: { minMm: 1, maxMm: 20 } },
	]) {
		const table = createDryingTable(pieceOf, 'still', sizes)
		const errors: number[] = []
		for (let i = 0; i < 60; i++) {
			const size = between(sizes?.minMm ?? 0.3, sizes?.maxMm ?? 4.2)
			const air = { temperatureC: between(15, 30), humidity: between(0.25, 0.6) }
			const solved = predictStages(pieceOf(size), room(air.humidity, air.temperatureC))
			for (const stage of DRYING_STAGES) {
				const [quick, exact] = [table.hours(stage, size, air), solved[stage]]
				expect(quick === undefined).toBe(exact === undefined)
				if (quick !== undefined && exact !== undefined) errors.push(Math.abs(quick / exact - 1))
			}
		}
		errors.sort((a, b) => a - b)
		expect(errors[Math.floor(errors.length * 0.95)]).toBeLessThan(0.02)
	}
})

test('is the solver itself near the cut-off and outside its nodes', () => {
	const table = createDryingTable((mm) => sheet(mm), 'still')
	fc.assert(
		fc.property(
			fc.constantFrom(
				{ size: 0.7, air: { temperatureC: 21, humidity: 0.71 } },
				{ size: 6, air: { temperatureC: 21, humidity: 0.5 } },
				{ size: 0.7, air: { temperatureC: 8, humidity: 0.5 } },
			),
			({ size, air }) => {
				const solved = predictStages(sheet(size), room(air.humidity, air.temperatureC)).firm

				expect(table.hours('firm', size, air)).toBe(solved)
			},
		),
	)
	expect(table.hours('firm', 0.7, { temperatureC: 21, humidity: 0.74 })).toBeUndefined()
})

test('filled ahead it says how far it is', () => {
	const table = createDryingTable((mm) => sheet(mm), 'still', { minMm: 0.6, maxMm: 0.7 })

	const progress = [...table.fill()]

	expect(progress.at(-1)?.done).toBe(progress.at(-1)?.total)
})
