/** What the server answers to those who do not come with a browser. */
import { readFileSync } from 'node:fs'
import http from 'node:http'
import path from 'node:path'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { fetchCookie, makeDataFolder, startApp } from '../../scripts/machine/running-app.mjs'

let data: ReturnType<typeof makeDataFolder>
let app: Awaited<ReturnType<typeof startApp>>
let cookie: string

beforeAll(async () => {
	data = makeDataFolder()
	app = await startApp({ dataFolder: data.folder })
	cookie = await fetchCookie(app)
})
afterAll(async () => {
	await app.stop()
	data.remove()
})

const get = (page: string, headers: Record<string, string> = { cookie }) =>
	fetch(app.url + page, { headers, redirect: 'manual' })

describe('every answer', () => {
	test('carries the headers that keep browsers on the safe side', async () => {
		const { headers } = await get('/')

		expect(headers.get('content-security-policy')).toMatch(
			/^default-src 'self';script-src 'self' 'nonce-[\w+/=]+';style-src/,
		)
		expect(headers.get('content-security-policy')).toMatch(/object-src 'none'.*frame-ancestors 'none'/)
		expect(headers.get('x-content-type-options')).toBe('nosniff')
		expect(headers.get('x-frame-options')).toBe('DENY')
		expect(headers.get('referrer-policy')).toBe('same-origin')
		expect(headers.get('cache-control')).toBe('private, no-cache')
		expect(headers.get('x-powered-by')).toBeNull()
	})

	test('has a nonce of its own, on every script of the page', async () => {
		const pages = await Promise.all([get('/'), get('/')].map(async (response) => (await response).text()))
		const nonces = pages.map(
			(html) => new Set([...html.matchAll(/<script[^>]*? nonce="([^"]+)"/g)].map(([, nonce]) => nonce)),
		)

		expect(nonces.map(({ size }) => size)).toEqual([1, 1])
		expect([...(nonces[0] ?? [])]).not.toEqual([...(nonces[1] ?? [])])
		for (const html of pages) expect(html).not.toMatch(/<script(?![^>]*nonce)/)
	})

	test('lets assets be kept for good, and no other page', async () => {
		const asset = /"(\/assets\/[^"]+\.css)"/.exec(await (await get('/')).text())?.[1] ?? ''

		expect((await get(asset)).headers.get('cache-control')).toBe('public, max-age=31536000, immutable')
		expect((await get('/assets/none.js')).status).toBe(404)
	})
})

test.each([
	'/',
	'/designs',
	'/courses',
	'/courses/new',
	'/courses/1',
	'/courses/1/plan',
	'/courses/1/kits',
	'/studio',
	'/courses/1/plan.data',
	'/_.data',
])('nobody reads %s without signing in', async (page) => {
	const response = await get(page, {})
	const text = await response.text()

	expect(text).not.toContain('Tidewater')
	expect(response.status === 302 || text.includes('/sign-in')).toBe(true)
})

describe('an odd request', () => {
	test.each([
		{ name: 'for a course that is none', page: '/courses/999999/plan', status: 404 },
		{ name: 'for a course without a number', page: '/courses/abc', status: 404 },
		{ name: 'for a page that is none', page: '/wp-admin', status: 404 },
		{ name: 'for an option that a design lacks', page: '/designs/magnolia?extent=x', status: 400 },
		{ name: 'with a torn cookie', page: '/sign-in', status: 200, headers: { cookie: 'calycine=%E0%A4%A' } },
		{ name: 'for a file outside the folder', page: '/assets/..%2f..%2fpackage.json', status: 403 },
	])('$name is answered $status, without a stack', async ({ page, status, headers }) => {
		const response = await get(page, headers)
		const text = await response.text()

		expect(response.status).toBe(status)
		expect(text).not.toMatch(/\bat \S+ \(|node_modules|sequelize/i)
	})

	test.each(['/courses/1/delete', '/courses/1/delete.data', '/courses/1/plan', '/sign-out'])(
		'to %s from another site is refused, and changes nothing',
		async (page) => {
			for (const origin of ['https://evil.example', 'null']) {
				const body = new URLSearchParams({ intent: 'plan-anew', version: '1' })
				const response = await fetch(app.url + page, {
					method: 'POST',
					headers: { cookie, origin },
					body,
					redirect: 'manual',
				})

				expect(response.status).toBe(403)
			}
			expect((await get('/courses/1/plan')).status).toBe(200)
		},
	)

	test('with a body beyond the limit is refused unread', async () => {
		const response = await fetch(`${app.url}/courses/new`, {
			method: 'POST',
			headers: { cookie, 'content-type': 'application/json' },
			body: `"${'x'.repeat(300_000)}"`,
		})

		expect(response.status).toBe(413)
	})

	test('that does not say how long it is, is refused', async () => {
		const status = await new Promise((resolve, reject) => {
			const request = http.request(
				`${app.url}/courses/new`,
				{ method: 'POST', headers: { cookie, 'transfer-encoding': 'chunked' } },
				(response) => {
					response.resume()
					resolve(response.statusCode)
				},
			)
			request.once('error', reject)
			request.end('x')
		})

		expect(status).toBe(411)
	})
})

test.each([
	['/health', { database: true }],
	['/health/ready', { database: true }],
	['/health/live', { live: true }],
])('%s says how it is', async (address, told) => {
	const response = await get(address, {})

	expect([response.status, await response.json()]).toEqual([200, told])
})

test('the log is one object a line, without cookies, passwords or what stands behind a question mark', async () => {
	await get('/designs/magnolia?secret=hush')

	const lines = readFileSync(path.join(data.folder, 'server.log'), 'utf8').trim().split('\n')

	const entries = lines.map((line) => JSON.parse(line) as { req?: { path: string } })
	expect(entries.some(({ req }) => req?.path === '/designs/magnolia')).toBe(true)
	expect(lines.join('\n')).not.toMatch(/hush/)
	expect(lines.join('\n')).not.toContain(app.password)
	expect(lines.join('\n')).not.toContain(cookie.split('=')[1])
})
