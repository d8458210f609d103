import { describe, expect, test } from 'vitest'
import { isSteady, meanAir } from '../../../core/drying/climate'
import { CLIMATE_PRESETS } from '../../../core/drying/climate-presets'
import { mapHours, MAP_HUMIDITIES, MAP_TEMPERATURES_C, solvedHours } from '../../../core/drying/humidity-map'
import { FIRST_BELIEF, timesModel } from '../../../core/drying/pace-belief'
import { pieceOfPart } from '../../../core/design/piece-of-part'
import { predictStages } from '../../../core/drying/predict-stages'
import { CLAIMS } from '../../../core/drying/forecast'
import { findWhatHelps, findWhatSlows, takeOffFormer, turnOver } from '../../../core/drying/what-helps'
import type { PartForm } from '../../../core/vocabulary/piece-form'
import { ball, room, sheet } from '../../support/dry-piece'

describe('what helps', () => {
	test('every rung is better than staying as it is, the best first', () => {
		const { now, rungs } = findWhatHelps(sheet(0.9, 'board'), room(0.6), 'firm', FIRST_BELIEF)

		expect(rungs.map(({ id }) => id)).toEqual(
			expect.arrayContaining(['turn over', 'ventilated former', 'thinner', 'drier air', 'heating']),
		)
		for (const { plan, claim } of rungs) {
			expect(claim).toBe('sure')
			expect(plan).toBeLessThan(now.plan ?? 0)
		}
		expect(rungs.map(({ plan }) => plan)).toEqual(rungs.map(({ plan }) => plan).toSorted((a, b) => (a ?? 0) - (b ?? 0)))
	})

	test('a free ball of gum paste can neither be turned nor laid otherwise', () => {
		const ids = findWhatHelps(ball(8), room(), 'hard', FIRST_BELIEF).rungs.map(({ id }) => id)

		expect(ids).toEqual(expect.arrayContaining(['drier air', 'heating']))
		for (const id of ['turn over', 'ventilated former', 'thinner', 'other paste']) expect(ids).not.toContain(id)
	})

	test('where it never dries only drier air, warmth or another paste help', () => {
		const { now, rungs } = findWhatHelps(sheet(2, 'foam', 'modelling paste'), room(0.62), 'firm', FIRST_BELIEF)

		expect(now.p50).toBeUndefined()
		expect(rungs.length).toBeGreaterThan(0)
		for (const { id } of rungs) expect(['drier air', 'heating', 'both drier and fan', 'other paste']).toContain(id)
	})

	test('a rung that makes it sure stands before one that only makes it likelier', () => {
		const { now, rungs } = findWhatHelps(sheet(0.8, 'foam'), room(0.71), 'firm', FIRST_BELIEF)

		expect(now.claim).toBe('if the room holds')
		const claims = rungs.map(({ claim }) => claim)
		expect(claims).toEqual(claims.toSorted((a, b) => CLAIMS.indexOf(a) - CLAIMS.indexOf(b)))
		expect(claims[0]).toBe('sure')
	})
})

describe('handling', () => {
	test('turned at once a sheet on a board is the same sheet', () => {
		const piece = sheet(0.8, 'board')

		const turned = predictStages(piece, turnOver(room(), piece, 0))

		// On another grid, fine at both faces.
		expect((turned.through ?? 0) / (predictStages(piece, room()).through ?? 1)).toBeCloseTo(1, 3)
	})

	test('taken off its former it dries as on a rack from then on', () => {
		const piece = sheet(0.8, 'foam')
		const hours = (afterHours: number) => predictStages(piece, takeOffFormer(room(), afterHours)).firm ?? NaN

		expect(hours(0)).toBeCloseTo(predictStages(sheet(0.8, 'free'), room()).firm ?? 0, 1)
		expect(hours(1)).toBeLessThan(hours(3))
		expect(hours(3)).toBeLessThan(predictStages(piece, room()).firm ?? 0)
	})
})

describe('what slows', () => {
	test('a board first, then damp air', () => {
		const causes = findWhatSlows(sheet(0.6, 'board'), room(0.62), 'firm')

		expect(causes.map(({ cause }) => cause)).toEqual(['back', 'humidity'])
		expect(causes[0]?.times).toBeGreaterThan(1.5)
	})

	test('nothing slows a usual petal in a usual room', () => {
		expect(findWhatSlows(sheet(0.6), room(), 'firm')).toEqual([])
	})

	test('damp air that makes it impossible is said to', () => {
		expect(findWhatSlows(sheet(0.6), room(0.76), 'firm')).toContainEqual({ cause: 'humidity' })
	})
})

test('the map has one row a temperature, longer to the damp side, never beyond the cut-off', () => {
	const rows = [...mapHours(solvedHours(sheet(0.8), 'still', 'firm', { belief: FIRST_BELIEF, confidence: 0.9 }))]

	expect(rows.map(({ temperatureC }) => temperatureC)).toEqual(MAP_TEMPERATURES_C)
	for (const { hours } of rows) {
		expect(hours).toHaveLength(MAP_HUMIDITIES.length)
		const numbers = hours.map((value) => value ?? Infinity)
		expect(numbers).toEqual(numbers.toSorted((a, b) => a - b))
		expect(hours.at(-1)).toBeUndefined()
	}
	const here = rows[MAP_TEMPERATURES_C.indexOf(20)]?.hours[MAP_HUMIDITIES.indexOf(0.5)] ?? NaN
	const model = predictStages(sheet(0.8), room(0.5, 20)).firm ?? NaN
	expect(here / (model * timesModel(FIRST_BELIEF, 0.9))).toBeCloseTo(1, 1)
})

test('every preset is air that the model can take', () => {
	for (const { climate, movement } of CLIMATE_PRESETS) {
		const { temperatureC, humidity } = meanAir(climate)
		expect(temperatureC).toBeGreaterThan(12)
		expect(humidity).toBeLessThan(0.75)
		const path = { startMinuteOfDay: 600, stays: [{ hours: Infinity, climate, movement }] }
		expect(predictStages(sheet(0.5), path).skin !== undefined).toBe(movement !== 'sealed')
		expect(isSteady(path)).toBe(climate.type === 'steady')
	}
})

describe('the piece of a part', () => {
	const part = (form: PartForm) => ({ id: 'p', form, paste: 'gum paste' as const })

	test.each([
		{
			name: 'a cut part without a former lies on a board',
			form: cut(),
			body: { type: 'sheet', back: 'board', sizeMm: 30 },
		},
		{ name: 'a ball', form: { type: 'formed', body: 'ball', diameterMm: 16 }, body: { type: 'sphere', radiusMm: 8 } },
		{
			name: 'a cone',
			form: { type: 'formed', body: 'cone', diameterMm: 12, lengthMm: 20 },
			body: { type: 'cone', baseRadiusMm: 6, heightMm: 20 },
		},
		{
			name: 'a drop as a body round its ball',
			form: { type: 'formed', body: 'drop', diameterMm: 10, lengthMm: 20 },
			body: { type: 'body', inscribedRadiusMm: 5 },
		},
		{ name: 'a moulded piece as half a ball', form: { type: 'moulded', massG: 12 }, body: { type: 'body' } },
	] as { name: string; form: PartForm; body: object }[])('$name', ({ form, body }) => {
		expect(pieceOfPart(part(form), [], 'swg')?.body).toMatchObject(body)
	})

	test('a half of a piece dries as the piece', () => {
		const whole = { ...part(cut()), id: 'whole' }
		const half = { ...part({ type: 'derived', fromPart: 'whole', piecesEach: 2 }), id: 'half' }

		expect(pieceOfPart(half, [whole, half], 'swg')).toEqual(pieceOfPart(whole, [whole], 'swg'))
	})

	test('what is bought has no drying', () => {
		expect(pieceOfPart(part({ type: 'bought', item: 'stamens' }), [], 'swg')).toBeUndefined()
	})

	test('an own paste brings its pace', () => {
		const own = { ...part(cut()), ownPaste: { name: 'bench mix', paceFactor: 1.5 } }

		expect(pieceOfPart(own, [], 'swg')?.paceFactor).toBe(1.5)
	})

	function cut(): PartForm {
		return { type: 'cut', outline: 'petal', widthMm: 25, lengthMm: 36, thicknessMm: 0.7 }
	}
})
