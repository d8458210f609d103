/** HTTPS in the room: what OpenSSL itself says of the certificates, and what a client that trusts the authority does. */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs'
import https from 'node:https'
import type { AddressInfo } from 'node:net'
import os from 'node:os'
import path from 'node:path'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { openAuthorityPage } from '../../scripts/machine/authority-page.mjs'
import { ensureLocalCertificate } from '../../scripts/machine/local-authority.mjs'

let folder: string
beforeAll(() => {
	folder = mkdtempSync(path.join(os.tmpdir(), 'calycine-tls-'))
})
afterAll(() => rmSync(folder, { recursive: true }))

const at = (name: string) => path.join(folder, 'tls', name)

/** Exit code and words of the reference implementation. */
function openssl(...words: string[]): { status: number | null; output: string } {
	const { status, stdout, stderr } = spawnSync('openssl', words, { encoding: 'utf8' })
	return { status, output: stdout + stderr }
}

describe('the certificate of a room', () => {
	test('is good for the addresses of the machine, by the authority that is handed out', async () => {
		const local = ensureLocalCertificate(folder, ['192.168.20.7'])
		expect(openssl('verify', '-CAfile', at('authority.crt'), at('server.crt')).status).toBe(0)
		for (const address of ['192.168.20.7', '127.0.0.1'])
			expect(openssl('x509', '-in', at('server.crt'), '-noout', '-checkip', address).output).toContain('does match')

		const server = https.createServer({ cert: local.cert, key: local.key }, (_, response) => response.end('in'))
		await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
		const { port } = server.address() as AddressInfo
		const ask = (ca?: Buffer) =>
			new Promise((resolve) => {
				const request = https.get({ host: '127.0.0.1', port, agent: false, ...(ca && { ca }) }, (response) =>
					resolve(response.statusCode),
				)
				request.on('error', (error) => resolve((error as NodeJS.ErrnoException).code))
			})
		expect(await ask(local.authority)).toBe(200)
		// Whoever has not taken the certificate trusts nobody.
		expect(await ask()).not.toBe(200)
		server.close()
		server.closeAllConnections()
	})

	test('stays while the addresses do, is another for others, and the authority is the same', () => {
		const before = ensureLocalCertificate(folder, ['192.168.20.7'])
		expect(ensureLocalCertificate(folder, ['192.168.20.7']).cert.equals(before.cert)).toBe(true)
		const moved = ensureLocalCertificate(folder, ['10.0.0.9'])
		expect(moved.cert.equals(before.cert)).toBe(false)
		expect(moved.fingerprint).toBe(before.fingerprint)
		expect(openssl('verify', '-CAfile', at('authority.crt'), at('server.crt')).status).toBe(0)
	})

	test('keys are nobody’s but ours', () => {
		for (const name of ['authority.key', 'server.key']) expect(statSync(at(name)).mode & 0o077, name).toBe(0)
	})
})

test('whoever had the authority’s key could pretend to be nobody outside a room', () => {
	ensureLocalCertificate(folder, [])
	const sign = (name: string) => {
		const words = [
			'req',
			'-x509',
			'-new',
			'-nodes',
			'-newkey',
			'rsa:2048',
			'-keyout',
			at('other.key'),
			'-subj',
			'/CN=x',
		]
		openssl(
			...words,
			'-days',
			'30',
			'-CA',
			at('authority.crt'),
			'-CAkey',
			at('authority.key'),
			'-out',
			at('other.crt'),
			'-addext',
			'basicConstraints=critical,CA:FALSE',
			'-addext',
			`subjectAltName=${name}`,
		)
		return openssl('verify', '-CAfile', at('authority.crt'), at('other.crt')).output
	}
	expect(sign('IP:192.168.1.1')).toContain('OK')
	for (const name of ['DNS:bank.example', 'IP:93.184.215.14']) expect(sign(name)).toMatch(/permitted subtree violation/)
})

test('the page without HTTPS hands out the authority’s certificate, what to compare it by, and nothing else', async () => {
	const local = ensureLocalCertificate(folder, [])
	const server = await openAuthorityPage(local, { host: '127.0.0.1', port: 0, origin: 'https://192.168.20.7:4780' })
	const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
	const fetched = await fetch(`${url}/calycine.crt`)
	expect(fetched.headers.get('content-type')).toBe('application/x-x509-ca-cert')
	expect(Buffer.from(await fetched.arrayBuffer()).equals(readFileSync(at('authority.crt')))).toBe(true)
	const page = await (await fetch(url)).text()
	expect(page).toContain(local.fingerprint)
	expect(page).toContain('https://192.168.20.7:4780')
	for (const other of ['/authority.key', '/../tls/server.key', '/calycine.crt/'])
		expect((await fetch(url + other)).status).toBe(404)
	server.close()
	server.closeAllConnections()
})
