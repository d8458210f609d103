/** Renders a page on the server; the nonce lets the page's own scripts run and no others. */
import { createReadableStreamFromReadable } from '@react-router/node'
import { isbot } from 'isbot'
import { renderToPipeableStream } from 'react-dom/server'
import { ServerRouter, type EntryContext, type RouterContextProvider } from 'react-router'
import { openDatabase } from '../db/connection.server'
import { nonceContext } from './shared/http/contexts'
import { JoiningStream } from './shared/http/joining-stream.server'
import { log } from './shared/http/log.server'
import { NonceContext } from './shared/theme/nonce'

const RENDER_TIMEOUT_MS = 10_000
/** After so long it is worth a second try where the database was away or too much was asked, s. */
const RETRY_SECONDS = 5

// The models must be known before the first loader asks one.
openDatabase()

export default function handleRequest(
	request: Request,
	status: number,
	headers: Headers,
	entry: EntryContext,
	context: RouterContextProvider,
) {
	const nonce = context.get(nonceContext) ?? undefined
	return new Promise<Response>((resolve, reject) => {
		let hasShell = false
		let finalStatus = status
		const { pipe, abort } = renderToPipeableStream(
			<NonceContext value={nonce}>
				<ServerRouter context={entry} url={request.url} nonce={nonce} />
			</NonceContext>,
			{
				nonce,
				// Crawlers wait for all of it; people see the shell first.
				[isbot(request.headers.get('User-Agent')) ? 'onAllReady' : 'onShellReady']() {
					hasShell = true
					const body = new JoiningStream()
					headers.set('Content-Type', 'text/html; charset=utf-8')
					setCommonHeaders(headers, finalStatus)
					resolve(new Response(createReadableStreamFromReadable(body), { headers, status: finalStatus }))
					pipe(body)
				},
				onShellError: reject,
				onError(error: unknown) {
					finalStatus = 500
					// What fails before the shell is rejected, and logged by handleError.
					if (hasShell) handleError(error, { request })
				},
			},
		)
		setTimeout(abort, RENDER_TIMEOUT_MS).unref()
	})
}

/** What pages ask for while they are open. */
export function handleDataRequest(response: Response): Response {
	setCommonHeaders(response.headers, response.status)
	return response
}

function setCommonHeaders(headers: Headers, status: number): void {
	// Pages of a studio are for its people alone.
	if (!headers.has('Cache-Control')) headers.set('Cache-Control', 'private, no-cache')
	// The rest of a body that was refused is not waited for: nothing else may come over this connection.
	if (status === 413) headers.set('Connection', 'close')
	if (status === 503 || status === 429) headers.set('Retry-After', String(RETRY_SECONDS))
}

/** Bugs go to the log; a page that does not exist is none, nor is a visitor who left. */
export function handleError(error: unknown, { request }: { request: Request }): void {
	if (request.signal.aborted) return
	// A page that does not exist, or a method that its route has not: the framework's own, and the visitor's mistake.
	if (typeof error === 'object' && error !== null && 'status' in error && Number(error.status) < 500) return
	log.error({ err: error, path: new URL(request.url).pathname }, 'unexpected failure')
}
