import fc from 'fast-check'
import jpeg from 'jpeg-js'
import { describe, expect, test } from 'vitest'
import { InputError } from '../../core/errors'
import { MAX_PHOTO_PX, stripJpeg } from '../../exchange/photo/strip-jpeg'
import { makeJpeg, segment, withSegments } from '../support/make-jpeg'

const plain = makeJpeg(32, 20)
const ascii = (text: string) => [...new TextEncoder().encode(text)]

describe('a photo', () => {
	// Outside check: the pixels as the reference decoder sees them before and after.
	test('keeps its pixels, bit by bit, and loses what stands beside them', () => {
		const exif = segment(0xe1, [...ascii('Exif\0\0'), ...ascii('GPS 50.1 N, made by a camera')])
		const places = segment(0xe1, ascii('http://ns.adobe.com/xap/1.0/\0 place'))
		const thumbnail = segment(0xe0, ascii('JFXX\0 a smaller picture of all that was cut away'))
		const press = segment(0xed, ascii('Photoshop 3.0\0 city'))
		const comment = segment(0xfe, ascii('taken by somebody'))
		const loaded = new Uint8Array([
			...withSegments(plain, exif, places, thumbnail, press, comment),
			...ascii('what a phone puts behind the end'),
		])
		const { bytes, widthPx, heightPx } = stripJpeg(loaded)
		const [before, after] = [jpeg.decode(plain, { useTArray: true }), jpeg.decode(bytes, { useTArray: true })]

		expect([widthPx, heightPx]).toEqual([32, 20])
		expect(after.data).toEqual(before.data)
		const left = new TextDecoder('latin1').decode(bytes)
		for (const word of ['Exif', 'GPS', 'place', 'JFXX', 'city', 'somebody', 'phone']) expect(left).not.toContain(word)
	})

	test('that is stripped is stripped: a second time changes nothing', () => {
		const { bytes } = stripJpeg(plain)

		expect(stripJpeg(bytes).bytes).toEqual(bytes)
	})

	test('is refused where it is another file, is cut off, or is too large', () => {
		const large = Uint8Array.from(plain)
		const frame = large.findIndex((byte, b) => byte === 0xff && large[b + 1] === 0xc0)
		large.set([(MAX_PHOTO_PX + 1) >> 8, (MAX_PHOTO_PX + 1) & 255], frame + 7)

		for (const file of [new Uint8Array(), Uint8Array.from(ascii('<svg/>')), plain.subarray(0, plain.length - 2), large])
			expect(() => stripJpeg(file)).toThrow(InputError)
	})

	test('that is nonsense ends in a refusal or in a picture, never in anything else', () => {
		fc.assert(
			fc.property(
				fc.array(fc.tuple(fc.nat(plain.length - 1), fc.nat(255)), { maxLength: 12 }),
				fc.nat(plain.length),
				(changes, length) => {
					const file = plain.slice(0, length)
					for (const [at, byte] of changes) if (at < length) file[at] = byte
					try {
						expect(stripJpeg(file).bytes.length).toBeLessThanOrEqual(length + 2)
					} catch (error) {
						expect(error).toBeInstanceOf(InputError)
					}
				},
			),
			{ numRuns: 500 },
		)
	})
})
