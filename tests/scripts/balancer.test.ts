/** The address in front of several copies of the app: what is only asked goes on past one that is gone. */
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterEach, expect, test } from 'vitest'
import { openBalancer } from '../../scripts/machine/balancer.mjs'

const open: { close: () => unknown }[] = []
afterEach(async () => {
	for (const one of open.splice(0)) await one.close()
})

/** A copy that says its name; `drops`: it ends every connection but that of the health check. */
async function openCopy(name: string, { drops = false } = {}): Promise<{ url: string; server: Server }> {
	const server = createServer((request, response) => {
		if (request.url === '/health/ready') return void response.end('{}')
		if (drops) return void request.socket.destroy()
		response.end(`${name} for ${String(request.headers['x-forwarded-for'])}`)
	})
	await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
	open.push({ close: () => server.closeAllConnections() }, server)
	return { url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`, server }
}

async function openInFront(copies: { url: string }[]) {
	const balancer = await openBalancer(copies)
	open.unshift(balancer)
	return balancer.url
}

test('each has its turn, and learns whose request it is', async () => {
	const url = await openInFront([await openCopy('one'), await openCopy('two')])
	const answers = []
	for (let turn = 0; turn < 4; turn++) answers.push(await (await fetch(url)).text())
	expect(answers.toSorted()).toEqual(['one', 'one', 'two', 'two'].map((name) => `${name} for 127.0.0.1`))
})

test('what is asked goes to another where one breaks off, what is sent is refused and never sent twice', async () => {
	const url = await openInFront([await openCopy('one', { drops: true }), await openCopy('two')])
	for (let turn = 0; turn < 3; turn++) expect(await (await fetch(url)).text()).toContain('two')

	const again = await openInFront([await openCopy('three', { drops: true })])
	const sent = await fetch(again, { method: 'POST', body: 'x' })
	expect(sent.status).toBe(503)
	expect(sent.headers.get('Retry-After')).toBe('2')
})

test('one that comes back at another address is found there', async () => {
	const copy = await openCopy('one')
	const copies = [{ url: copy.url }]
	const url = await openInFront(copies)
	expect((await fetch(url)).ok).toBe(true)
	copy.server.closeAllConnections()
	copy.server.close()
	expect((await fetch(url)).status).toBe(503)
	copies[0] = await openCopy('new')
	await expect.poll(async () => (await fetch(url)).text(), { timeout: 5_000 }).toContain('new')
})
