/** The stand-in for a room sensor: a small HTTP server that speaks the line protocol of core/readings/air-lines. */
import { createServer, type Server } from 'node:http'
import { formatAirLine } from '../core/readings/air-lines'
import { simulateRoom, STEP_MINUTES, USUAL_ROOM, type SimulatedRoom } from '../core/readings/simulated-room'

/** Longer questions are refused: nobody is to keep it busy. */
const LONGEST_DAYS = 32
const MS_PER_DAY = 86_400_000

/**
 * Not listening yet.
 *
 * @param now - the room's wall clock, YYYY-MM-DDTHH:MM
 */
export function createSensor(now: () => string, room: SimulatedRoom = USUAL_ROOM): Server {
	return createServer((request, response) => {
		const answer = (status: number, text: string) => {
			response.writeHead(status, { 'Content-Type': 'text/plain; charset=utf-8', 'Cache-Control': 'no-store' }).end(text)
		}
		if (request.method !== 'GET') return answer(405, '# only GET\n')
		const url = new URL(request.url ?? '/', 'http://sensor')
		const to = earlier(url.searchParams.get('to') ?? now(), now())
		if (url.pathname === '/now')
			return answer(200, toLines(simulateRoom(room, before(now(), 2 * STEP_MINUTES), now()).slice(-1)))
		if (url.pathname !== '/readings') return answer(404, '# ask /now or /readings?from=…&to=…\n')
		const from = url.searchParams.get('from') ?? before(to, 1440)
		if (!isTime(from) || !isTime(to)) return answer(400, '# times as 2026-03-01T18:30\n')
		if (toMs(to) - toMs(from) > LONGEST_DAYS * MS_PER_DAY) return answer(400, `# at most ${LONGEST_DAYS} days\n`)
		answer(200, toLines(simulateRoom(room, from, to)))
	})
}

function toLines(readings: ReturnType<typeof simulateRoom>): string {
	return ['# calycine-air 1 · stand-in', ...readings.map(formatAirLine), ''].join('\n')
}

function before(moment: string, minutes: number): string {
	return new Date(toMs(moment) - minutes * 60_000).toISOString().slice(0, 16)
}

/** A sensor knows nothing of the time to come. */
function earlier(one: string, other: string): string {
	return one < other ? one : other
}

function isTime(text: string): boolean {
	return /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/.test(text) && !Number.isNaN(toMs(text))
}

function toMs(moment: string): number {
	return Date.parse(`${moment}Z`)
}
