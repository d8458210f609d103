import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { formatAirLine, parseAirLines, readRows } from '../../../core/readings/air-lines'
import { ageMinutes, dayFromReadings, readingProblem, type Reading } from '../../../core/readings/reading'
import { simulateRoom, STEP_MINUTES, USUAL_ROOM } from '../../../core/readings/simulated-room'

const reading = (at: string, temperatureC = 21, humidity = 0.5): Reading => ({ at, temperatureC, humidity })

describe('lines of a sensor', () => {
	test('are read as they are written', () => {
		const anyReading = fc.record({
			at: fc
				.date({ min: new Date('2001-01-01'), max: new Date('2099-12-31'), noInvalidDate: true })
				.map((date) => date.toISOString().slice(0, 16)),
			temperatureC: fc.integer({ min: -50, max: 450 }).map((tenths) => tenths / 10),
			humidity: fc.integer({ min: 1, max: 1000 }).map((thousandths) => thousandths / 1000),
		})
		fc.assert(
			fc.property(fc.array(anyReading, { maxLength: 20 }), (readings) => {
				const text = ['# calycine-air 1', ...readings.map(formatAirLine), ''].join('\n')

				const read = parseAirLines(text)

				expect(read.bad).toEqual([])
				expect(read.readings.map(({ at }) => at)).toEqual(readings.map(({ at }) => at))
				read.readings.forEach(({ temperatureC, humidity }, i) => {
					expect(temperatureC).toBeCloseTo(readings[i]?.temperatureC ?? NaN, 9)
					expect(humidity).toBeCloseTo(readings[i]?.humidity ?? NaN, 9)
				})
			}),
		)
	})

	test.each([
		['2026-03-02T18:05 21.4', 'needs a time, °C and %'],
		['yesterday 21.4 50', 'no date and time'],
		['2026-02-30T18:05 21.4 50', 'no date and time'],
		['2026-03-02T18:05 warm 50', '"warm" is no temperature'],
		['2026-03-02T18:05 21.4 wet', '"wet" is no humidity'],
		['2026-03-02T18:05 210 50', 'outside -5 to 45 °C'],
		['2026-03-02T18:05 21 130', '130 % is no relative humidity'],
	])('that are none lose nothing else: %s', (line, problem) => {
		const { readings, bad } = parseAirLines(`2026-03-02T18:00 21 50\n${line}\n\n2026-03-02T18:10 21 51\n`)

		expect(readings.map(({ at }) => at)).toEqual(['2026-03-02T18:00', '2026-03-02T18:10'])
		expect(bad).toHaveLength(1)
		expect(bad[0]).toMatchObject({ line: 2, text: line })
		expect(bad[0]?.problem).toContain(problem)
	})

	test('never throw, whatever is sent', () => {
		fc.assert(
			fc.property(fc.string({ maxLength: 400 }), (text) => {
				const { readings, bad } = parseAirLines(text)

				for (const one of readings) expect(readingProblem(one)).toBeUndefined()
				expect(bad.length).toBeLessThanOrEqual(20)
			}),
		)
	})

	test('of a table take commas for the decimals, and seconds', () => {
		const { readings } = readRows([{ line: 1, cells: ['2026-03-02 18:05:20', '21,4', '52,5 %'], text: '' }])

		expect(readings).toEqual([reading('2026-03-02T18:05', 21.4, 0.525)])
	})
})

describe('readings', () => {
	test('grow old, across midnight too', () => {
		expect(ageMinutes(reading('2026-03-02T23:50'), '2026-03-03T00:20')).toBe(30)
		expect(ageMinutes(reading('2026-03-03T00:30'), '2026-03-03T00:20')).toBe(-10)
	})

	test('of two weeks give the course of a day by medians, in which a wild one counts for nothing', () => {
		const hours = Array.from({ length: 24 }, (_, hour) => String(hour).padStart(2, '0'))
		const days = ['01', '02', '03', '04', '05']
		const readings = days.flatMap((day) => hours.map((hour) => reading(`2026-03-${day}T${hour}:10`, 18 + +hour / 4)))
		readings.push(reading('2026-03-06T12:10', 44, 0.99), reading('2026-03-06T12:20', 999, 0.5))

		const course = dayFromReadings(readings)

		expect(course).toHaveLength(24)
		expect(course?.[12]).toEqual({ temperatureC: 21, humidity: 0.5 })
		expect(course?.[23]?.temperatureC).toBeCloseTo(23.8, 1)
	})

	test('bridge a few hours without any, and give nothing where most are missing', () => {
		const readings = Array.from({ length: 24 }, (_, hour) =>
			reading(`2026-03-01T${String(hour).padStart(2, '0')}:00`, hour),
		)
		const without = (from: number, to: number) => readings.filter((_, hour) => hour < from || hour > to)

		expect(dayFromReadings(without(5, 7))?.[6]?.temperatureC).toBeCloseTo(6, 9)
		expect(dayFromReadings(without(2, 20))).toBeUndefined()
		expect(dayFromReadings([])).toBeUndefined()
	})
})

describe('the stand-in for a room sensor', () => {
	const day = (room = USUAL_ROOM) => simulateRoom(room, '2026-03-05T00:00', '2026-03-05T23:55')

	test('reads every five minutes, always something that a room can be', () => {
		const readings = day()

		expect(readings).toHaveLength((24 * 60) / STEP_MINUTES)
		for (const one of readings) {
			expect(readingProblem(one)).toBeUndefined()
			expect(one.temperatureC).toBeGreaterThan(10)
			expect(one.humidity).toBeGreaterThan(0.15)
		}
	})

	test('has the same air for whoever asks, and from when on', () => {
		const late = simulateRoom(USUAL_ROOM, '2026-03-05T20:00', '2026-03-05T21:00')

		expect(day().filter(({ at }) => at >= '2026-03-05T20:00' && at <= '2026-03-05T21:00')).toEqual(late)
		expect(day({ ...USUAL_ROOM, seed: 8 })).not.toEqual(day())
	})

	// 5 March 2026 is a Thursday: a class of nine from seven to nine.
	test('is heated by day, and a class breathes', () => {
		const at = (time: string) => day().find((one) => one.at === `2026-03-05T${time}`)

		expect(at('14:00')?.temperatureC).toBeGreaterThan((at('05:00')?.temperatureC ?? 99) + 2)
		expect(at('20:55')?.humidity).toBeGreaterThan((at('18:55')?.humidity ?? 1) + 0.04)
		expect(at('21:30')?.humidity).toBeLessThan(at('20:55')?.humidity ?? 0)
	})

	test('is quiet on a day without a class', () => {
		const monday = simulateRoom(USUAL_ROOM, '2026-03-02T18:30', '2026-03-02T21:00')
		const humidities = monday.map(({ humidity }) => humidity)

		expect(Math.max(...humidities) - Math.min(...humidities)).toBeLessThan(0.04)
	})
})
