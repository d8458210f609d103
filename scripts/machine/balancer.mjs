/** One address in front of several copies of the app: each request goes to one that works. */
import { createServer } from 'node:http'

const LOOK_MS = 500
const ANSWER_MS = 1_500
/** What is only asked may be asked of another again. */
const SAFE = new Set(['GET', 'HEAD'])

/**
 * @param copies - each with its `url`, which may change when it is started again
 * @param port - 0: any
 */
export async function openBalancer(copies, port = 0) {
	// A package, which is there only now.
	const { default: httpProxy } = await import('http-proxy')
	const proxy = httpProxy.createProxyServer({ xfwd: true })
	const working = new Set(copies.map(({ url }) => url))
	let turn = 0
	const next = (tried) => {
		const able = copies.map(({ url }) => url).filter((target) => working.has(target) && !tried.has(target))
		return able[turn++ % able.length]
	}
	const pass = (request, response, tried = new Set()) => {
		const target = next(tried)
		if (!target) return refuse(response)
		tried.add(target)
		proxy.web(request, response, { target }, () => {
			working.delete(target)
			if (response.headersSent) response.destroy()
			else if (SAFE.has(request.method)) pass(request, response, tried)
			else refuse(response)
		})
	}
	const look = setInterval(() => {
		for (const { url: target } of copies)
			void isReady(target).then((ready) => (ready ? working.add(target) : working.delete(target)))
	}, LOOK_MS)
	const server = createServer((request, response) => pass(request, response))
	await new Promise((resolve, reject) => server.once('error', reject).listen(port, '127.0.0.1', resolve))
	return {
		url: `http://127.0.0.1:${server.address().port}`,
		close: () => {
			clearInterval(look)
			proxy.close()
			server.closeAllConnections()
			return new Promise((resolve) => server.close(resolve))
		},
	}
}

async function isReady(target) {
	try {
		const { ok } = await fetch(`${target}/health/ready`, { signal: AbortSignal.timeout(ANSWER_MS) })
		return ok
	} catch {
		// Gone, or too slow.
		return false
	}
}

function refuse(response) {
	response
		.writeHead(503, { 'Retry-After': '2', 'Content-Type': 'text/plain' })
		.end('Nothing answers just now; try again.')
}
