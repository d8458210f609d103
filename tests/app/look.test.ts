/** The look that somebody has chosen: kept with her, told to the next page, and nobody else's. */
import { RouterContextProvider } from 'react-router'
import { beforeAll, describe, expect, test } from 'vitest'
import * as lookRoute from '../../app/account/routes/look/route'
import { readLook } from '../../app/account/look-cookie.server'
import { getLook } from '../../db/repositories/accounts.server'
import { answerOf, call } from '../support/call-route'
import { foundStudio, freshDatabase, type TestStudio } from '../support/studios'

let studio: TestStudio
let stranger: TestStudio

beforeAll(async () => {
	await freshDatabase()
	studio = await foundStudio()
	stranger = await foundStudio()
})

async function keep(body: unknown) {
	const answer = (await lookRoute.action(call(studio, '/look', { body }))) as { init?: { headers?: HeadersInit } }
	return new Headers(answer.init?.headers).get('Set-Cookie') ?? ''
}

describe('a look', () => {
	test('is kept with the person alone, and comes back by the cookie', async () => {
		const cookie = await keep({ light: 'night', reach: 'touch' })
		const request = new Request('http://localhost/', { headers: { Cookie: cookie.split(';')[0] ?? '' } })

		expect(await readLook(request)).toEqual({ light: 'night', reach: 'touch' })
		expect(await getLook(studio.userId)).toEqual({ light: 'night', reach: 'touch' })
		expect(await getLook(stranger.userId)).toEqual({})
	})

	test('goes back to the device, one of the two or both', async () => {
		await keep({ light: 'night', reach: 'touch' })
		await keep({ reach: 'desk' })

		expect(await getLook(studio.userId)).toEqual({ reach: 'desk' })
	})

	test.each([{ light: 'dusk' }, { reach: {} }])('of another kind is refused: %j', async (body) => {
		expect((await answerOf(lookRoute.action(call(studio, '/look', { body })))).status).toBe(400)
	})

	test.each(['calycine-look=rubbish', 'calycine-look=eyJsaWdodCI6ImR1c2sifQ%3D%3D', ''])(
		'that the cookie %j does not tell is the device’s',
		async (cookie) => {
			expect(await readLook(new Request('http://localhost/', { headers: { Cookie: cookie } }))).toEqual({})
		},
	)

	test('asks for somebody who is signed in', async () => {
		await expect(
			(async () => lookRoute.action(call(new RouterContextProvider(), '/look', { body: {} })))(),
		).rejects.toThrow()
	})
})
