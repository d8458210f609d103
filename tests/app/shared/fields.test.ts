/** What fields read and show. */
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { isNarrowed, readSearch, withTerms } from '../../../app/shared/address'
import { toClockValue, toDayValue, readClock, readDay } from '../../../app/shared/components/fields/clock-value'
import { limitWords, readNumber, showNumber } from '../../../app/shared/components/fields/number-words'

describe('a number that is typed', () => {
	const limits = { min: 0.5, max: 12 }

	test.each([
		['1.5', 1.5],
		['1,5', 1.5],
		[' 2 ', 2],
		['0.5', 0.5],
		['12', 12],
	])('%j is %d', (text, number) => {
		expect(readNumber(text, limits)).toBe(number)
	})

	test.each(['', ' ', 'two', '1.5 mm', '0.4', '12.1', '1,5,2', 'Infinity', '1e400'])('%j is none here', (text) => {
		expect(readNumber(text, limits)).toBeUndefined()
	})

	test('is whole where it must be', () => {
		expect(readNumber('3', { min: 1, max: 9, isWhole: true })).toBe(3)
		expect(readNumber('3,5', { min: 1, max: 9, isWhole: true })).toBeUndefined()
		expect(limitWords({ min: 1, max: 9, isWhole: true })).toBe('A whole number from 1 to 9')
	})

	test('is read as it is shown, with a point or a comma', () => {
		fc.assert(
			fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), (number) => {
				const shown = showNumber(number, { userTyping: false, input: '' })
				const everywhere = { min: -Infinity, max: Infinity }

				expect(readNumber(shown, everywhere)).toBe(number === 0 ? 0 : number)
				expect(readNumber(shown.replace('.', ','), everywhere)).toBe(number === 0 ? 0 : number)
			}),
		)
	})

	test('stays as it is typed while it is typed, and gets no noughts afterwards', () => {
		expect(showNumber('1.', { userTyping: true, input: '1.' })).toBe('1.')
		expect(showNumber('12.0', { userTyping: false, input: '' })).toBe('12')
		expect(showNumber(undefined, { userTyping: false, input: '' })).toBe('')
		expect(showNumber('what', { userTyping: false, input: '' })).toBe('what')
	})
})

describe('times and days', () => {
	test('are read in the form in which they are kept', () => {
		expect(toClockValue('18:30')?.hour()).toBe(18)
		expect(toDayValue('2026-03-12')?.date()).toBe(12)
	})

	test.each(['', '25:00', '18.30', '6 pm'])('%j is no time', (text) => {
		expect(toClockValue(text)).toBeNull()
	})

	test.each(['', '2026-02-30', '12.3.2026'])('%j is no day', (text) => {
		expect(toDayValue(text)).toBeNull()
	})

	test('begin their week on Monday', () => {
		expect(toDayValue('2026-03-12')?.startOf('week').format('ddd')).toBe('Mon')
	})
})

describe('the address of a list', () => {
	test('has what is asked, and no more: the usual is not written, and it begins at the first page', () => {
		const search = new URLSearchParams('q=&kind=flower&page=3&wires=no')
		const asked = (terms: Record<string, string>) => withTerms(search, { ...terms, page: undefined }).toString()

		expect(asked({ level: '2' })).toBe('kind=flower&wires=no&level=2')
		expect(asked({ kind: '' })).toBe('wires=no')
		expect(asked({ kind: 'foliage' })).toBe('wires=no&kind=foliage')
	})

	test('asks for less than all when more than an order is said', () => {
		expect(isNarrowed({ order: 'newest' })).toBe(false)
		expect(isNarrowed({ order: 'newest', kind: undefined })).toBe(false)
		expect(isNarrowed({ kind: 'flower' })).toBe(true)
	})

	test('has its search cut where it is longer than anybody types', () => {
		expect(readSearch(new URLSearchParams('q=  rose '))).toBe('rose')
		expect(readSearch(new URLSearchParams({ q: 'x'.repeat(500) }))).toHaveLength(80)
		expect(readSearch(new URLSearchParams())).toBe('')
	})
})

describe('a day that is typed', () => {
	test.each([
		['21 Feb 2026', '2026-02-21'],
		['Sat 21 Feb 2026', '2026-02-21'],
		// The day of the week is passed over: who changes the number in what is shown need not change the word.
		['Sun 21 Feb 2026', '2026-02-21'],
		['Saturday, 21 february 2026', '2026-02-21'],
		['  1   MAR 2026 ', '2026-03-01'],
		['01.03.2026', '2026-03-01'],
		['1. 3. 2026', '2026-03-01'],
		['01/03/2026', '2026-03-01'],
		['2026-03-01', '2026-03-01'],
		['10 May 2026', '2026-05-10'],
	])('%s', (text, day) => expect(readDay(text)).toBe(day))

	test.each(['', 'soon', '31 Feb 2026', '21 Feb', '2026', 'Sat', '1.13.2026'])('is none: %s', (text) =>
		expect(readDay(text)).toBeUndefined(),
	)
})

describe('a time of day that is typed', () => {
	test.each([
		['18:30', '18:30'],
		['9:30', '09:30'],
		['09.30', '09:30'],
		['0:05', '00:05'],
		['00:00', '00:00'],
	])('%s', (text, time) => expect(readClock(text)).toBe(time))

	test.each(['', '25:00', '18:61', '1830', 'noon'])('is none: %s', (text) => expect(readClock(text)).toBeUndefined())
})
