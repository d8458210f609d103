/** Readings of places as they are now: the sensor's newest are fetched and kept, and every reading has its age. */
import { ageMinutes, type Reading } from '../../../core/readings/reading'
import type { Studio } from '../../../db/repositories/accounts.server'
import type { StoredPlace } from '../../../db/repositories/places.server'
import { addReadings, listNewestReadings } from '../../../db/repositories/readings.server'
import { addWallMinutes } from '../../../core/time/wall-clock'
import { wallNow } from '../../shared/http/studio-clock.server'
import { fetchSensor } from './fetch-sensor.server'

export interface LiveReading extends Reading {
	ageMinutes: number
	/** Older than the studio lets a reading be. */
	isOld: boolean
}

/** A sensor that was away is asked for so long back at most. */
const CATCH_UP_HOURS = 72
/** Sooner than this a sensor has nothing new. */
const FRESH_MINUTES = 4

/** The newest reading of each place that has one. */
export async function readLive(studio: Studio, places: readonly StoredPlace[]): Promise<Map<number, LiveReading>> {
	const now = wallNow(studio.timeZone)
	const newest = await listNewestReadings(studio.id)
	for (const { id } of places.filter(({ sensor }) => sensor === 'stand-in')) {
		const last = newest.get(id)
		if (last && Math.abs(ageMinutes(last, now)) < FRESH_MINUTES) continue
		const earliest = addWallMinutes(now, -60 * CATCH_UP_HOURS)
		const fetched = await fetchSensor(last && last.at > earliest ? last.at : earliest, now)
		if (fetched.length === 0) continue
		// A sensor whose clock runs ahead is believed up to now.
		const past = fetched.filter(({ at }) => at <= now)
		await addReadings(studio.id, id, past, { source: 'sensor', now })
		const latest = past.at(-1)
		if (latest) newest.set(id, latest)
	}
	return new Map([...newest].map(([id, reading]) => [id, judge(reading, now, studio)]))
}

function judge(reading: Reading, now: string, { readingMaxAgeMinutes }: Studio): LiveReading {
	const age = ageMinutes(reading, now)
	// A reading from ahead of the clock is no newer than one from long ago.
	return { ...reading, ageMinutes: age, isOld: age > readingMaxAgeMinutes || age < -readingMaxAgeMinutes }
}
