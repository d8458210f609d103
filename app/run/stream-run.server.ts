/** The events of a run as they come: a stream that goes on where it was left. */
import type { KnownEvents, RunKey } from '../../db/repositories/runs.server'
import { listenToRun } from './run-streams.server'

/** So often something is said, lest a proxy think that nobody is there. */
const BEAT_MS = 15_000
/** So often what other servers took in is looked for. */
const ASK_MS = 3_000

/** Of whoever listens. */
export interface Listening {
	/** What came after a cursor, as far as she may see it; asked once before the answer begins. */
	read: (after: number) => Promise<KnownEvents>
	/** Asked at every beat: who may no more is sent nothing more. */
	isAllowed: () => Promise<boolean>
}

/**
 * @throws {NotFoundError} there is no such run for whoever asks
 */
export async function streamRun(request: Request, run: RunKey, { read, isAllowed }: Listening): Promise<Response> {
	// Whoever wants anything but a stream would wait for its end for ever.
	if (!request.headers.get('Accept')?.includes('text/event-stream'))
		return new Response('A stream of events.', { status: 406 })
	let cursor = readCursor(request)
	/** Ids of events. */
	const sent = new Set<string>()
	// Asked before the answer begins: a course of somebody else has no stream.
	await read(Number.MAX_SAFE_INTEGER)
	const encoder = new TextEncoder()
	let stop = () => {}
	const stream = new ReadableStream<Uint8Array>({
		start(controller) {
			let isOver = false
			let isAsking = false
			let isAskedAgain = false
			const send = (text: string) => {
				if (!isOver) controller.enqueue(encoder.encode(text))
			}
			const ask = async () => {
				if (isAsking) {
					isAskedAgain = true
					return
				}
				isAsking = true
				try {
					do {
						isAskedAgain = false
						const known = await read(cursor)
						const fresh = known.events.filter(({ id }) => !sent.has(id))
						for (const { id } of fresh) sent.add(id)
						cursor = known.cursor
						if (fresh.length > 0) send(`id: ${cursor}\ndata: ${JSON.stringify({ events: fresh, cursor })}\n\n`)
					} while (isAskedAgain)
				} catch {
					// The database is away: the device asks again by itself.
					end()
				} finally {
					isAsking = false
				}
			}
			const leave = listenToRun(run, () => void ask())
			const beat = setInterval(() => {
				send(': beat\n\n')
				// Whoever is kept out for nothing, as while the database is away, asks again by herself.
				void isAllowed().then((isStill) => isStill || end(), end)
			}, BEAT_MS)
			const asking = setInterval(() => void ask(), ASK_MS)
			stop = () => {
				isOver = true
				clearInterval(beat)
				clearInterval(asking)
				leave()
			}
			const end = () => {
				if (isOver) return
				stop()
				controller.close()
			}
			request.signal.addEventListener('abort', end)
			send('retry: 2000\n\n')
			void ask()
		},
		// Whoever read it is gone.
		cancel: () => stop(),
	})
	return new Response(stream, {
		headers: {
			'Content-Type': 'text/event-stream',
			'Cache-Control': 'no-cache, no-transform',
			'X-Accel-Buffering': 'no',
		},
	})
}

/** What a browser says that it has seen; 0: nothing. */
function readCursor(request: Request): number {
	const said = request.headers.get('Last-Event-ID') ?? new URL(request.url).searchParams.get('after') ?? '0'
	return /^\d{1,10}$/.test(said) ? Number(said) : 0
}
