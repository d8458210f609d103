/**
 * Readings of a room sensor by the line protocol of core/readings/air-lines, over HTTP. Only the address that the
 * server was started with is ever asked: no place of a studio can name another.
 */
import { parseAirLines } from '../../../core/readings/air-lines'
import type { Reading } from '../../../core/readings/reading'
import { log } from '../../shared/http/log.server'

const TIMEOUT_MS = 1500
const MOST_CHARACTERS = 500_000

/**
 * Readings after one moment, up to another, or none: a sensor that does not answer never stops a page.
 *
 * @param from, to - YYYY-MM-DDTHH:MM
 */
export async function fetchSensor(from: string, to: string): Promise<Reading[]> {
	const address = process.env['CALYCINE_SENSOR_URL']
	if (!address) return []
	try {
		const url = new URL('/readings', address)
		url.search = String(new URLSearchParams({ from, to }))
		const response = await fetch(url, { signal: AbortSignal.timeout(TIMEOUT_MS), redirect: 'error' })
		if (!response.ok) throw new Error(`status ${response.status}`)
		const { readings, bad } = parseAirLines((await response.text()).slice(0, MOST_CHARACTERS))
		if (bad.length > 0) log.warn({ bad }, 'the room sensor sent lines that are no readings')
		return readings
	} catch (error) {
		// Its readings are shown as old instead.
		log.warn({ err: error }, 'the room sensor did not answer')
		return []
	}
}
