/**
 * The server: Express in front of React Router, with what every answer needs (headers, nonce, log, limits).
 * The start script imports this bundle after the packages are installed; nothing runs on import.
 */
import compression from 'compression'
import express, { type NextFunction, type Request, type Response } from 'express'
import { createRequestHandler } from '@react-router/express'
import helmet from 'helmet'
import { randomBytes, randomUUID } from 'node:crypto'
import { existsSync } from 'node:fs'
import type { ServerResponse } from 'node:http'
import path from 'node:path'
import { pinoHttp } from 'pino-http'
import { RouterContextProvider } from 'react-router'
import * as build from 'virtual:react-router/server-build'
import { addressContext } from '../app/shared/http/client-address.server'
import { hasStudio } from '../app/account/sign-up.server'
import { nonceContext } from '../app/shared/http/contexts'
import { briefError, log } from '../app/shared/http/log.server'
import { measure } from './metrics'
import { useSolverThreads } from '../app/plan/solving/solver-pool.server'
import { LARGEST_COPY } from '../exchange/studio/studio-archive'
import { isDatabaseAlive } from '../db/connection.server'

export { closeDatabase } from '../db/connection.server'
export { closeSolver } from '../app/plan/solving/solver-pool.server'
export { prepareDatabase } from './prepare-database'
export { openMetrics } from './metrics'
export { tidyUp } from './tidy'
export { createSensor } from './sensor'
export { demoZone, today, wallNow } from '../app/shared/http/studio-clock.server'

/** Nothing of ours is larger; what a route takes in is its own business (`readBody`). */
const MOST_BYTES = 6 * 1024 * 1024
/** Whole studios come in here. */
const COPY_PATH = /^\/studio\/copy(\.data)?$/
/** Pages of some 100 kB: more saves a few hundred bytes each and takes as long as rendering them. */
const COMPRESSION_LEVEL = 3
const HEALTH = /^\/health(\/live|\/ready)?$/
const METHODS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'POST'])
/** A browser that has seen HTTPS here asks for nothing else for so long, s. */
const HSTS_SECONDS = 180 * 86_400

/** The threads' script lies beside this one once it is built; the development server has none. */
const SOLVER_FILE = path.join(import.meta.dirname, 'solver.worker.js')

/** Of the client, beside its assets. */
const OFFLINE_WORKER = 'offline-worker.js'

interface AppTerms {
	/** The built client, absolute. */
	clientFolder: string
	/** There is HTTPS, by a proxy in front. */
	isHttps?: boolean
	/** Addresses of proxies whose X-Forwarded-For is believed, as Express's `trust proxy` takes them. */
	trustedProxy?: string | undefined
}

/** @param terms.trustedProxy - absent: nobody's word is taken for an address */
export function createApp({ clientFolder, isHttps = false, trustedProxy }: AppTerms): express.Express {
	if (existsSync(SOLVER_FILE)) useSolverThreads(SOLVER_FILE)
	// Known before anybody stands at the door, it is not asked while the database is away; who comes then asks again.
	void hasStudio().catch(() => undefined)
	const app = express()
	app.disable('x-powered-by')
	// Several are parted by commas.
	if (trustedProxy !== undefined) app.set('trust proxy', trustedProxy)
	app.use(measure)
	app.use(
		pinoHttp({
			logger: log,
			genReqId: () => randomUUID(),
			serializers: { req: briefRequest, res: briefResponse, err: briefError },
			// Health checks come every few seconds and say nothing.
			autoLogging: { ignore: ({ url = '' }) => HEALTH.test(url) },
		}),
	)
	app.use(refuseOdd)
	app.use(makeNonce)
	app.use(securityHeaders(isHttps))
	app.use(compression({ level: COMPRESSION_LEVEL }))
	app.use(
		'/assets',
		express.static(path.join(clientFolder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }),
	)
	app.use(express.static(clientFolder, { maxAge: '1h', index: false, setHeaders: askAgain }))
	// It runs: who asks needs nothing else of it.
	app.get('/health/live', (_request, response) => void response.json({ live: true }))
	// It can work: a balancer sends nobody where it cannot.
	app.get(['/health', '/health/ready'], (_request, response) => {
		void isDatabaseAlive().then((isAlive) => response.status(isAlive ? 200 : 503).json({ database: isAlive }))
	})
	app.use(refuseForeignOrigin)
	app.use(limitBody)
	app.use(
		createRequestHandler({
			build,
			getLoadContext: (request, response) => {
				const context = new RouterContextProvider()
				context.set(nonceContext, nonceOf(response))
				context.set(addressContext, addressOf(request as Request, trustedProxy !== undefined) ?? null)
				return context
			},
		}),
	)
	app.use(answerFailure)
	return app
}

/** A browser must learn of a new build at once. */
function askAgain(response: ServerResponse, file: string): void {
	if (path.basename(file) === OFFLINE_WORKER) response.setHeader('Cache-Control', 'no-cache')
}

/** Where we were not told to trust a proxy and there is one, its address stands for everybody. */
function addressOf(request: Request, isProxyTrusted: boolean): string | undefined {
	const isForwarded = request.headers['x-forwarded-for'] !== undefined || request.headers['forwarded'] !== undefined
	return isForwarded && !isProxyTrusted ? undefined : request.ip
}

/** A method that nothing here has, or a host that is none: React Router would fall over them. */
function refuseOdd(request: Request, response: Response, next: NextFunction): void {
	const { host = '' } = request.headers
	if (!METHODS.has(request.method))
		return void response
			.status(405)
			.set('Allow', [...METHODS].join(', '))
			.type('text/plain')
			.send('Not done here.')
	if (!/^[\w.:[\]-]+$/.test(host) || !URL.canParse(`http://${host}${request.url}`) || !isDecodable(request.path))
		return void response.status(400).type('text/plain').send('This request could not be read.')
	next()
}

function isDecodable(path: string): boolean {
	try {
		decodeURIComponent(path)
		return true
	} catch {
		// Half a character, or a per cent sign that means nothing.
		return false
	}
}

function makeNonce(_request: Request, response: Response, next: NextFunction): void {
	response.locals['nonce'] = randomBytes(16).toString('base64')
	next()
}

function nonceOf(response: { locals?: Record<string, unknown> }): string {
	return String(response.locals?.['nonce'])
}

function securityHeaders(isHttps: boolean) {
	return helmet({
		contentSecurityPolicy: {
			useDefaults: false,
			directives: {
				'default-src': ["'self'"],
				'script-src': ["'self'", (_request, response) => `'nonce-${nonceOf(response as Response)}'`],
				// Styles cannot carry a nonce: the component library inserts some without one.
				'style-src': ["'self'", "'unsafe-inline'"],
				// Photos that are on this device alone have an address that only its own page knows.
				'img-src': ["'self'", 'data:', 'blob:'],
				'font-src': ["'self'"],
				'connect-src': ["'self'"],
				'worker-src': ["'self'"],
				'object-src': ["'none'"],
				'base-uri': ["'self'"],
				'form-action': ["'self'"],
				'frame-ancestors': ["'none'"],
				...(isHttps && { 'upgrade-insecure-requests': [] }),
			},
		},
		strictTransportSecurity: isHttps && { maxAge: HSTS_SECONDS, includeSubDomains: false },
		xFrameOptions: { action: 'deny' },
		referrerPolicy: { policy: 'same-origin' },
	})
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
	} else if (
		Number(request.headers['content-length'] ?? 0) > (COPY_PATH.test(request.path) ? LARGEST_COPY : MOST_BYTES)
	) {
		response.status(413).type('text/plain').send('That is more than Calycine takes in one go.')
	} else next()
}

function answerFailure(error: unknown, request: Request, response: Response, next: NextFunction): void {
	if (response.headersSent) return next(error)
	request.log.error(error)
	response
		.status(statusOf(error))
		.type('text/plain')
		.send('Something went wrong here. It has been noted; please try again.')
}

function statusOf(error: unknown): number {
	const status = typeof error === 'object' && error !== null && 'status' in error ? Number(error.status) : 500
	return status >= 400 && status < 600 ? status : 500
}

/** Logs carry no cookies and no query, which may hold what a person typed. */
function briefRequest(request: { id: string; method: string; url: string }) {
	return { id: request.id, method: request.method, path: withoutSecret(request.url.split('?')[0] ?? '') }
}

/** Who knows such an address is let in: a log must not know it. */
function withoutSecret(path: string): string {
	return path.replace(/^(\/(?:calendars|set-up|join|new-password|sign-in\/code)\/).+/, '$1…')
}

function briefResponse(response: { statusCode: number }) {
	return { status: response.statusCode }
}
