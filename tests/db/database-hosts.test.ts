/** A database of several nodes: read from one address, and gone on with where one of them is away. */
import net from 'node:net'
import { afterEach, describe, expect, test } from 'vitest'
import { DatabaseHosts, readDatabaseUrl } from '../../db/database-hosts.server'
import { listNodeUrls } from '../../scripts/machine/node-urls.mjs'

describe('the address of a database', () => {
	test.each([
		['mariadb://u:p@db:3307/calycine', 'mariadb://u:p@db:3307/calycine', [{ host: 'db', port: 3307 }]],
		[
			'mariadb://u:p@one,two:3307, [::1]:3308/calycine',
			'mariadb://u:p@one/calycine',
			[
				{ host: 'one', port: 3306 },
				{ host: 'two', port: 3307 },
				{ host: '::1', port: 3308 },
			],
		],
		['mariadb://db', 'mariadb://db', [{ host: 'db', port: 3306 }]],
	])('%s names its nodes', (text, url, hosts) => {
		expect(readDatabaseUrl(text)).toEqual({ url, hosts })
	})

	test.each(['', 'calycine', 'mariadb:///calycine', 'mariadb://u:p@one,,two/calycine', 'mariadb://one:x/calycine'])(
		'%j is none',
		(text) => {
			expect(() => readDatabaseUrl(text)).toThrow('no address of a database')
		},
	)

	test('is one for each node where a program takes no list', () => {
		expect(listNodeUrls('mariadb://u:p@one:1,two:2/name')).toEqual([
			'mariadb://u:p@one:1/name',
			'mariadb://u:p@two:2/name',
		])
		expect(listNodeUrls('mariadb://u:p@one:1/name')).toEqual(['mariadb://u:p@one:1/name'])
	})
})

describe('the next connection', () => {
	const { hostname: host, port, username: user, password } = new URL(process.env['CALYCINE_DATABASE_URL'] ?? '')
	const real = { host, port: Number(port) }
	const account = { user, password }
	const servers: net.Server[] = []
	afterEach(() => servers.splice(0).forEach((server) => server.close()))

	/** Takes connections, and says nothing. */
	async function openMute(): Promise<{ host: string; port: number }> {
		const server = net.createServer()
		servers.push(server)
		await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
		return { host: '127.0.0.1', port: (server.address() as net.AddressInfo).port }
	}

	test('goes to the first that answers, past one that is gone and one that is mute', async () => {
		const gone = await openMute()
		servers.pop()?.close()
		const hosts = new DatabaseHosts([gone, await openMute(), real])
		expect(await hosts.choose(account)).toEqual(real)
		await expect(new DatabaseHosts([gone]).choose(account)).rejects.toThrow()
	})

	test('goes elsewhere once a node has failed, and its connections are not used again', async () => {
		const again = { ...real }
		const hosts = new DatabaseHosts([real, again])
		expect(await hosts.choose(account)).toBe(real)
		hosts.distrust()
		expect(await hosts.choose(account)).toBe(again)
		hosts.distrust()
		// Both have failed: better one of them than none.
		expect([real, again]).toContain(await hosts.choose(account))
	})
})
