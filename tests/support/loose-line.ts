/** A line to a server that can be pulled: a browser's own offline switch does not cut a stream that is open. */
import { createServer, connect, type Socket } from 'node:net'
import { once } from 'node:events'

export interface LooseLine {
	/** Where to reach the server through it, without a slash at its end. */
	url: string
	/** Drops all that is open, and whatever comes. */
	pull: () => void
	plug: () => void
	close: () => Promise<void>
}

/** @param target - address of the server, on loopback */
export async function openLooseLine(target: string): Promise<LooseLine> {
	const { hostname, port } = new URL(target)
	const sockets = new Set<Socket>()
	let isPulled = false
	const server = createServer((near) => {
		if (isPulled) {
			near.resetAndDestroy()
			return
		}
		const far = connect(Number(port), hostname)
		for (const [own, other] of [
			[near, far],
			[far, near],
		] as const) {
			sockets.add(own)
			own.on('error', () => other.destroy())
			own.on('close', () => {
				sockets.delete(own)
				other.destroy()
			})
			own.pipe(other)
		}
	})
	server.listen(0, '127.0.0.1')
	await once(server, 'listening')
	const address = server.address()
	if (address === null || typeof address === 'string') throw new Error('the line has no port')
	const drop = () => sockets.forEach((socket) => socket.resetAndDestroy())
	return {
		url: `http://127.0.0.1:${address.port}`,
		pull: () => {
			isPulled = true
			drop()
		},
		plug: () => {
			isPulled = false
		},
		close: async () => {
			drop()
			server.close()
			await once(server, 'close')
		},
	}
}
