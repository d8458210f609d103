import { expect, test } from 'vitest'
import { bufferOffer } from '../../../core/rehearse/buffer-offer'

const evening = (bufferMinutes: number) => ({ bufferMinutes, plannedEnd: 80, close: 100 })

test('a buffer is offered where the plan leaves less, unless it is asked for already, or is too much', () => {
	expect(bufferOffer(evening(20), 0, 10)).toBe('there')
	expect(bufferOffer(evening(33), 0, 10)).toBe('offered')
	expect(bufferOffer(evening(33), 0, 33)).toBe('wanted')
	expect(bufferOffer(evening(51), 0, 10)).toBe('too much')
	expect(bufferOffer({ bufferMinutes: 33, close: 100 }, 0, 10)).toBe('there')
})
