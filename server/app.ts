/**
 * The server: Express in front of React Router, with what every answer needs (headers, nonce, log, limits).
 * The start script imports this bundle after the packages are installed; nothing runs on import.
 */
import compression from 'compression'
import express, { type NextFunction, type Request, type Response } from 'express'
import { createRequestHandler } from '@react-router/express'
import { randomBytes, randomUUID } from 'node:crypto'
import { existsSync } from 'node:fs'
import path from 'node:path'
import { pinoHttp } from 'pino-http'
import { RouterContextProvider } from 'react-router'
import * as build from 'virtual:react-router/server-build'
import { addressContext } from '../app/http/client-address.server'
import { nonceContext } from '../app/http/contexts'
import { log } from '../app/http/log.server'
import { useSolverThreads } from '../app/solving/solver-pool.server'
import { isDatabaseAlive } from '../db/connection.server'

export { closeDatabase } from '../db/connection.server'
export { closeSolver } from '../app/solving/solver-pool.server'
export { prepareDatabase } from './prepare-database'
export { createSensor } from './sensor'
export { wallNow } from '../app/http/wall-clock.server'

/** Larger bodies are refused unread: a course of many sessions has some 20 kB, a design some 200, a book of them more. */
const MAX_BODY_BYTES = 256 * 1024
const MAX_DESIGN_BYTES = 1024 * 1024
const MAX_BOOK_BYTES = 4.5 * 1024 * 1024

/** The threads' script lies beside this one once it is built; the development server has none. */
const SOLVER_FILE = path.join(import.meta.dirname, 'solver.worker.js')

/** @param clientFolder - the built client, absolute */
export function createApp({ clientFolder }: { clientFolder: string }): express.Express {
	if (existsSync(SOLVER_FILE)) useSolverThreads(SOLVER_FILE)
	const app = express()
	app.disable('x-powered-by')
	app.use(
		pinoHttp({ logger: log, genReqId: () => randomUUID(), serializers: { req: briefRequest, res: briefResponse } }),
	)
	app.use(securityHeaders)
	app.use(compression())
	app.use(
		'/assets',
		express.static(path.join(clientFolder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }),
	)
	app.use(express.static(clientFolder, { maxAge: '1h', index: false }))
	app.get('/health', (_request, response) => {
		void isDatabaseAlive().then((isAlive) => response.status(isAlive ? 200 : 503).json({ database: isAlive }))
	})
	app.use(refuseForeignOrigin)
	app.use(limitBody)
	app.use(
		createRequestHandler({
			build,
			getLoadContext: (request, response) => {
				const context = new RouterContextProvider()
				context.set(nonceContext, String(response.locals['nonce']))
				context.set(addressContext, request.socket.remoteAddress ?? 'unknown')
				return context
			},
		}),
	)
	app.use((error: unknown, request: Request, response: Response, next: NextFunction) => {
		if (response.headersSent) return next(error)
		request.log.error(error)
		response
			.status(statusOf(error))
			.type('text/plain')
			.send('Something went wrong here. It has been noted; please try again.')
	})
	return app
}

function securityHeaders(_request: Request, response: Response, next: NextFunction): void {
	const nonce = randomBytes(16).toString('base64')
	response.locals['nonce'] = nonce
	response.set({
		// Styles cannot carry a nonce: the component library inserts some without one.
		'Content-Security-Policy': [
			"default-src 'self'",
			`script-src 'self' 'nonce-${nonce}'`,
			"style-src 'self' 'unsafe-inline'",
			"img-src 'self' data:",
			"font-src 'self'",
			"connect-src 'self'",
			"worker-src 'self'",
			"object-src 'none'",
			"base-uri 'self'",
			"form-action 'self'",
			"frame-ancestors 'none'",
		].join('; '),
		'X-Content-Type-Options': 'nosniff',
		'X-Frame-Options': 'DENY',
		'Referrer-Policy': 'same-origin',
		'Cross-Origin-Opener-Policy': 'same-origin',
		'Cross-Origin-Resource-Policy': 'same-origin',
		'Permissions-Policy': 'camera=(), microphone=(), geolocation=()',
	})
	next()
}

/** The framework checks the origin of pages' actions only; routes without a page change things too. */
function refuseForeignOrigin(request: Request, response: Response, next: NextFunction): void {
	const { origin, host, 'x-forwarded-host': forwardedHost } = request.headers
	const isRead = request.method === 'GET' || request.method === 'HEAD'
	const sender = origin !== undefined && URL.canParse(origin) ? new URL(origin).host : undefined
	const isOwn = sender !== undefined && (sender === host || sender === forwardedHost)
	if (isRead || origin === undefined || isOwn) return next()
	response.status(403).type('text/plain').send('This request came from another site.')
}

/** Refuses by the length announced, which Node then holds the sender to; browsers always announce one. */
function limitBody(request: Request, response: Response, next: NextFunction): void {
	if (request.headers['transfer-encoding'] !== undefined) {
		response.status(411).type('text/plain').send('The length of the request is missing.')
	} else if (Number(request.headers['content-length'] ?? 0) > mostBytes(request.path)) {
		response.status(413).type('text/plain').send('That is more than Calycine takes in one go.')
	} else next()
}

function mostBytes(path: string): number {
	if (/^\/(designs\/import|rooms\/\d+)(\.data)?$/.test(path)) return MAX_BOOK_BYTES
	return /^\/designs\/[^/]+\/edit(\.data)?$/.test(path) ? MAX_DESIGN_BYTES : MAX_BODY_BYTES
}

function statusOf(error: unknown): number {
	const status = typeof error === 'object' && error !== null && 'status' in error ? Number(error.status) : 500
	return status >= 400 && status < 600 ? status : 500
}

/** Logs carry no cookies and no query, which may hold what a person typed. */
function briefRequest(request: { id: string; method: string; url: string }) {
	return { id: request.id, method: request.method, path: request.url.split('?')[0] }
}

function briefResponse(response: { statusCode: number }) {
	return { status: response.statusCode }
}
