/** What a machine that watches us may ask: numbers for Prometheus, on a port of its own, without anything of a studio. */
import type { NextFunction, Request, Response } from 'express'
import { createServer, type Server } from 'node:http'
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client'
import { isDatabaseAlive } from '../db/connection.server'

const registry = new Registry()

/** Seconds; a page has some tens of milliseconds, the first plan of a course takes some seconds. */
const BUCKETS = [0.01, 0.025, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10]

/** Of the address only where it begins: nothing that names a course or opens a door. */
const ROOMS =
	/^\/(assets|courses|designs|log|rooms|stock|studio|people|account|preparation|drying|sign-in|evening|health)\b/

const answers = new Histogram({
	name: 'calycine_answer_seconds',
	help: 'Time until an answer was sent, by where it began, method and status.',
	labelNames: ['room', 'method', 'status'] as const,
	buckets: BUCKETS,
	registers: [registry],
})

const open = new Gauge({
	name: 'calycine_open_requests',
	help: 'Requests that are not answered yet, streams of classes among them.',
	registers: [registry],
})

new Gauge({
	name: 'calycine_database_up',
	help: '1 while the database answers within two seconds.',
	registers: [registry],
	async collect() {
		this.set((await isDatabaseAlive()) ? 1 : 0)
	},
})

/** Counts and times every request that comes after it. */
export function measure(request: Request, response: Response, next: NextFunction): void {
	const began = performance.now()
	open.inc()
	response.once('close', () => {
		open.dec()
		const [, room = 'other'] = ROOMS.exec(request.path) ?? []
		// Streams are as long as a class: that says nothing of how fast we are.
		if (response.getHeader('Content-Type') === 'text/event-stream') return
		const labels = { room, method: request.method, status: `${Math.floor(response.statusCode / 100)}xx` }
		answers.observe(labels, (performance.now() - began) / 1000)
	})
	next()
}

/**
 * Answers `/metrics` and nothing else.
 *
 * @throws {Error} the port is taken
 */
export function openMetrics(port: number, host = '127.0.0.1'): Promise<Server> {
	collectDefaultMetrics({ register: registry })
	const server = createServer((request, response) => {
		if (request.url !== '/metrics') return void response.writeHead(404).end('Nothing here.')
		registry.metrics().then(
			(text) => response.writeHead(200, { 'Content-Type': registry.contentType }).end(text),
			() => response.writeHead(500).end(),
		)
	})
	return new Promise((resolve, reject) => {
		server.once('error', reject)
		server.listen(port, host, () => resolve(server))
	})
}
