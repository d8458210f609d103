/** The check values of the second calibration, made by two independent programs from its description. */
import { describe, expect, test } from 'vitest'
import { predictSubject } from '../../../core/drying/built-flower'
import { filmWaitSec, dampWindow } from '../../../core/drying/film-waits'
import { forecast } from '../../../core/drying/forecast'
import { chanceWithin, FIRST_BELIEF } from '../../../core/drying/pace-belief'
import { cutOffHumidity } from '../../../core/drying/stages'
import { PASTE_TERMS } from '../../../core/drying/paste-terms'
import { DRYING_STAGES, type DryingStage } from '../../../core/vocabulary/drying-stage'
import { readDryingRequest, type DryingRequest } from '../../../exchange/drying/drying-request'
import checks from '../../fixtures/drying-2.json'

type Hours = Partial<Record<DryingStage, number | null>>

/** The model, in numbers: within 3 % of the independent program on its finest grid. */
const MOST_OFF = 0.03

function read(thing: object, env: unknown): DryingRequest {
	const isFlower = 'petal' in thing
	const [request] = readDryingRequest([isFlower ? { flower: thing, env } : { piece: thing, env }])
	if (!request) throw new Error('nothing was read')
	return request
}

function hoursOf({ subject, path }: DryingRequest): Hours {
	return predictSubject(subject, path)
}

function expectHours(found: Hours, expected: Hours) {
	for (const stage of DRYING_STAGES) {
		const [is, should] = [found[stage], expected[stage]]
		if (should === null || should === undefined) expect(is, stage).toBeUndefined()
		else expect(Math.abs((is ?? 0) / should - 1), stage).toBeLessThan(MOST_OFF)
	}
}

describe('hours to each stage', () => {
	test.each(checks.predictions.map((check, i) => ({ ...check, i })))(
		'of piece $i',
		({ piece, env, hours_fineGrid }) => {
			expectHours(hoursOf(read(piece, env)), hours_fineGrid)
		},
	)

	test.each(checks.flowers.map((check, i) => ({ ...check, i })))('of flower $i', ({ flower, env, hours_fineGrid }) => {
		expectHours(hoursOf(read(flower, env)), hours_fineGrid)
	})
})

test('cut-offs by paste and stage', () => {
	const names = {
		gum: 'gum paste',
		modelling: 'modelling paste',
		cmc: 'sugarpaste with CMC',
		icing: 'sugarpaste with icing sugar',
		sugarpaste: 'sugarpaste',
	} as const
	for (const [short, name] of Object.entries(names)) {
		for (const stage of DRYING_STAGES)
			expect(cutOffHumidity(PASTE_TERMS[name], stage)).toBeCloseTo(
				checks.cutOffs[short as keyof typeof names][stage],
				3,
			)
	}
})

/** Chances in a known room, of hours that practice names. */
function chances(request: DryingRequest, stage: DryingStage, hours: readonly number[]): number[] {
	const model = hoursOf(request)[stage]
	return hours.map((at) => (model ? chanceWithin(FIRST_BELIEF, at / model) : 0))
}

describe('statements of practice', () => {
	test.each(checks.facts)('$id: $statement', ({ thing, env, stage, hours, chance }) => {
		const found = chances(read(thing, env), stage as DryingStage, hours)

		expect(found).toHaveLength(chance.length)
		for (const [i, value] of found.entries()) {
			// A chance moves by as much as a time that is 3 % off moves it.
			expect(Math.abs(value - (chance[i] ?? NaN))).toBeLessThan(0.035)
		}
	})

	test('nearly all lie inside their quantile', () => {
		const outside = checks.facts.filter(({ thing, env, stage, hours, meaning }) => {
			const [first = NaN, second = NaN] = chances(read(thing, env), stage as DryingStage, hours)
			switch (meaning) {
				case 'by then at about P87 or more':
					return first < 0.85
				case 'by then at about P12 or less':
					return first > 0.15
				case 'at the first at about P12 or less, at the second at about P87 or more':
					return first > 0.15 || second < 0.85
				case 'at the first at about P12 or less, at the second in more than half':
					return first > 0.15 || second < 0.5
				default:
					return first > 0.6 || second < 0.85
			}
		})

		// Misfits that the description of the calibration names itself.
		expect(outside.map(({ id }) => id)).toEqual(['G6b', 'C2'])
	})
})

describe('what may be promised', () => {
	test.each(checks.claims.cases.map((check, i) => ({ ...check, i })))(
		'case $i: $stage, $kind',
		({ thing, env, stage: asked, kind, p50, plan, ...rest }) => {
			const stage = asked as DryingStage
			const { subject, path } = read(thing, env)

			const found = forecast(subject, path, FIRST_BELIEF).stages[stage]

			expect(found.claim).toBe(kind)
			if (p50 === null) expect(found.p50).toBeUndefined()
			else expect((found.p50 ?? 0) / p50).toBeCloseTo(1, 1)
			if (plan === null) expect(found.plan).toBeUndefined()
			else expect(Math.abs((found.plan ?? 0) / plan - 1)).toBeLessThan(MOST_OFF)
			if ('chance' in rest && rest.chance !== undefined) expect(found.chance).toBeCloseTo(rest.chance, 1.5)
		},
	)

	test('damper air never makes a plan shorter, nor a claim better', () => {
		const order = ['sure', 'if the room holds', 'unlikely', 'never']
		for (const { thing, stage } of checks.claims.cases) {
			const looked = [0.4, 0.46, 0.52, 0.58, 0.62, 0.66, 0.7, 0.74].map((RH) => {
				const { subject, path } = read(thing, { T: 21, RH, air: 'still' })
				return forecast(subject, path, FIRST_BELIEF, stage as DryingStage).stages[stage as DryingStage]
			})
			for (const [i, damper] of looked.slice(1).entries()) {
				expect(damper.plan ?? Infinity).toBeGreaterThanOrEqual((looked[i]?.plan ?? 0) * 0.99)
				expect(order.indexOf(damper.claim)).toBeGreaterThanOrEqual(order.indexOf(looked[i]?.claim ?? 'sure'))
			}
		}
	})
})

test('waits without paste, and the damp window', () => {
	for (const { env, ...seconds } of checks.waits_seconds) {
		const air = { temperatureC: env.T, humidity: env.RH, movement: env.air as 'still' }
		const window = dampWindow(air)
		const found = {
			gel: filmWaitSec('gel smear', air),
			strongAlcohol: filmWaitSec('alcohol paint', air),
			dampFrom: window?.fromSec,
			dampTo: window?.toSec,
			dampSureFrom: window?.sureFromSec,
			dampSureTo: window?.sureToSec,
			glueGrip: filmWaitSec('glue grips', air),
			glueSet: filmWaitSec('glue holds', air),
			// Ours cannot be hurried below 8 min by a fan; common practice, no source.
			glaze: filmWaitSec('glaze', air),
		}
		for (const [name, value] of Object.entries(found)) {
			const should = seconds[name as keyof typeof seconds]
			expect((value ?? 0) / (name === 'glaze' ? Math.max(480, should) : should), name).toBeCloseTo(1, 4)
		}
	}
	expect(dampWindow({ temperatureC: 21, humidity: 0.5, movement: 'sealed' })).toBeUndefined()
})
