/** A stream of what happens in a class, and when it is over. */
import { afterEach, beforeAll, beforeEach, expect, test, vi } from 'vitest'
import { mayStillRead } from '../../app/account/require-member.server'
import { keepToken } from '../../app/account/sign-in-cookie.server'
import { streamRun } from '../../app/run/stream-run.server'
import { createSignIn, endSignIn } from '../../db/repositories/sign-ins.server'
import { foundStudio, freshDatabase } from '../support/studios'

const BEAT_MS = 15_000
const RUN = { courseId: 1, session: 1 }
const ADDRESS = 'http://localhost/courses/1/run/1/stream'

beforeAll(freshDatabase)
beforeEach(() => void vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] }))
afterEach(() => void vi.useRealTimers())

async function open(isAllowed: () => Promise<boolean>) {
	const request = new Request(ADDRESS, { headers: { Accept: 'text/event-stream' } })
	const read = () => Promise.resolve({ events: [], cursor: 0 })
	const { body } = await streamRun(request, RUN, { read, isAllowed })
	const reader = body!.getReader()
	const next = async () => {
		const { done, value } = await reader.read()
		return done ? 'over' : new TextDecoder().decode(value)
	}
	expect(await next()).toMatch(/^retry/)
	return next
}

test('goes on as long as she may listen, and no longer', async () => {
	let isAllowed = true
	const next = await open(() => Promise.resolve(isAllowed))
	for (let beat = 0; beat < 3; beat++) {
		await vi.advanceTimersByTimeAsync(BEAT_MS)
		expect(await next()).toMatch(/^: beat/)
	}

	isAllowed = false
	await vi.advanceTimersByTimeAsync(BEAT_MS)

	expect(await next()).toMatch(/^: beat/)
	expect(await next()).toBe('over')
})

test('is over where nobody can say whether she may: she asks again by herself', async () => {
	const next = await open(() => Promise.reject(new Error('the database is away')))
	await vi.advanceTimersByTimeAsync(BEAT_MS)

	expect(await next()).toMatch(/^: beat/)
	expect(await next()).toBe('over')
})

test('may be read by whoever is signed in in that studio, until she is not', async () => {
	const [own, other] = [await foundStudio([]), await foundStudio([])]
	const token = await createSignIn(own.userId, new Date())
	const request = new Request(ADDRESS, { headers: { Cookie: (await keepToken(token)).split(';')[0]! } })

	expect(await mayStillRead(request, own.studioId)).toBe(true)
	expect(await mayStillRead(request, other.studioId)).toBe(false)
	expect(await mayStillRead(new Request(ADDRESS), own.studioId)).toBe(false)
	await endSignIn(token)
	expect(await mayStillRead(request, own.studioId)).toBe(false)
})
