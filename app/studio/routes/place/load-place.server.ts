/** What the screen of one room or store shows. */
import { dayFromReadings } from '../../../../core/readings/reading'
import type { Studio } from '../../../../db/repositories/accounts.server'
import { getPlace } from '../../../../db/repositories/places.server'
import { listReadings } from '../../../../db/repositories/readings.server'
import { addWallMinutes } from '../../../../core/time/wall-clock'
import { wallNow } from '../../../shared/http/studio-clock.server'
import { fromClimate } from '../../schemas/place'
import { readLive } from '../../readings/live-readings.server'
import { ageWords } from '../../words/readings'

const SHOWN_HOURS = 72
/** The course of a day is drawn from so many days. */
export const DAY_FROM_HOURS = 14 * 24
/** So many points of a history are drawn. */
const MOST_POINTS = 300

export async function loadPlace(studio: Studio, placeId: number) {
	const place = await getPlace(studio.id, placeId)
	const { name, kind, movement, sensor, climate, version } = place
	const live = (await readLive(studio, [place])).get(placeId)
	const now = wallNow(studio.timeZone)
	const readings = await listReadings(studio.id, placeId, addWallMinutes(now, -60 * DAY_FROM_HOURS), now)
	const shownFrom = addWallMinutes(now, -60 * SHOWN_HOURS)
	const shown = readings.filter(({ at }) => at >= shownFrom)
	const stride = Math.max(1, Math.ceil(shown.length / MOST_POINTS))
	return {
		place: { name, kind, movement, sensor, version, ...fromClimate(climate) },
		placeId,
		live: live && { ...live, ageWords: ageWords(live.ageMinutes) },
		history: shown.filter((_, i) => i % stride === 0 || i === shown.length - 1),
		readingCount: readings.length,
		canTakeDay: dayFromReadings(readings) !== undefined,
	}
}

export type PlaceData = Awaited<ReturnType<typeof loadPlace>>
