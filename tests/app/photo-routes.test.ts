/** Photos of designs: put in, said what they show, taken out, and seen by nobody else. */
import { beforeAll, beforeEach, expect, test } from 'vitest'
import * as design from '../../app/design/routes/design/route'
import * as photos from '../../app/design/routes/design-photos/route'
import * as slides from '../../app/design/routes/design-slides/route'
import * as picture from '../../app/design/routes/photo/route'
import { MOST_PHOTOS } from '../../db/repositories/photos.server'
import { answerOf, call, thrownBy } from '../support/call-route'
import { makeJpeg, segment, withSegments } from '../support/make-jpeg'
import { contextOf, foundStudio, freshDatabase, type TestStudio } from '../support/studios'

const params = { slug: 'magnolia' }
const address = '/designs/magnolia/photos'
const secret = segment(0xe1, [...new TextEncoder().encode('Exif\0\0 GPS')])
let studio: TestStudio
let stranger: TestStudio

beforeAll(freshDatabase)
beforeEach(async () => {
	studio = await foundStudio(['magnolia'])
	stranger = await foundStudio(['magnolia'])
})

function add(who: TestStudio, file: Uint8Array<ArrayBuffer>, fields: Record<string, string> = {}) {
	const body = new FormData()
	body.set('photo', new Blob([file], { type: 'image/jpeg' }), 'photo.jpg')
	for (const [key, value] of Object.entries(fields)) body.set(key, value)
	const request = new Request(`http://localhost${address}`, { method: 'POST', body })
	return answerOf(photos.action({ request, params, context: contextOf(who) } as never))
}

const listed = async (who = studio) => (await photos.loader(call(who, address, { params }))).photos
const post = (body: object, who = studio) => answerOf(photos.action(call(who, address, { body, params })))

test('a photo is kept without what stands beside the picture, and shown where it belongs', async () => {
	const file = Uint8Array.from(withSegments(makeJpeg(40, 30), secret))
	expect((await add(studio, file, { caption: 'Open wide', stepId: 'inner-shape' })).status).toBe(200)
	await add(studio, makeJpeg(10, 10))
	const [first, whole] = await listed()
	if (!first || !whole) throw new Error('photos are missing')
	const answer = await picture.loader(call(studio, '/photos/1', { params: { photoId: String(first.id) } }))
	const bytes = new Uint8Array(await answer.arrayBuffer())

	expect(whole).toMatchObject({ caption: '', widthPx: 10, heightPx: 10 })
	expect(answer.headers.get('Content-Type')).toBe('image/jpeg')
	expect(new TextDecoder('latin1').decode(bytes)).not.toContain('GPS')
	expect((await design.loader(call(studio, '/designs/magnolia', { params }))).photos).toHaveLength(2)
	const { last } = await slides.loader(call(studio, '/designs/magnolia/slides', { params }))
	const { photos: onLast } = await slides.loader(call(studio, `/designs/magnolia/slides?layer=${last}`, { params }))
	expect(onLast.map(({ id }) => id)).toContain(whole.id)
})

test('what it shows and says can be changed, and it can be taken out; a stale window is told so', async () => {
	await add(studio, makeJpeg(10, 10))
	const [photo] = await listed()
	if (!photo) throw new Error('the photo is missing')
	const { id, version } = photo

	expect((await post({ intent: 'change', id, version, caption: 'Side view', stepId: '' })).status).toBe(200)
	expect(await listed()).toMatchObject([{ id, caption: 'Side view', version: version + 1 }])
	expect((await post({ intent: 'change', id, version, caption: 'Late', stepId: '' })).status).toBe(409)
	expect((await post({ intent: 'change', id, version, caption: '', stepId: 'no-such-step' })).status).toBe(400)
	expect((await post({ intent: 'delete', id, version: version + 1 })).status).toBe(200)
	expect(await listed()).toEqual([])
})

test('a file that is no photo is refused in words, and so is one too many', async () => {
	const text = new TextEncoder().encode('<script>alert(1)</script>')

	expect(await add(studio, text)).toMatchObject({
		status: 400,
		refusal: { problems: [{ path: 'photo', message: 'This is no whole JPEG picture' }] },
	})
	expect((await add(studio, new Uint8Array())).status).toBe(400)
	for (let n = 0; n < MOST_PHOTOS; n++) await add(studio, makeJpeg(2, 2))
	expect((await add(studio, makeJpeg(2, 2))).status).toBe(400)
})

test('nobody of another studio sees, changes or takes out a photo', async () => {
	await add(studio, makeJpeg(10, 10))
	const [photo] = await listed()
	if (!photo) throw new Error('the photo is missing')
	const { id, version } = photo

	expect(await listed(stranger)).toEqual([])
	expect((await post({ intent: 'change', id, version, caption: 'Mine', stepId: '' }, stranger)).status).toBe(404)
	expect((await post({ intent: 'delete', id, version }, stranger)).status).toBe(404)
	const asked = () => picture.loader(call(stranger, `/photos/${id}`, { params: { photoId: String(id) } }))
	expect(await thrownBy(asked)).toMatchObject({ init: { status: 404 } })
	expect(await listed()).toHaveLength(1)
})
