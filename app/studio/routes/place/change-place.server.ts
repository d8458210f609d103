/** What the screen of a place can change: the place by its form, its readings, its climate by what was measured. */
import { redirect } from 'react-router'
import { dayFromReadings } from '../../../../core/readings/reading'
import { InputError } from '../../../../core/errors'
import { addWallMinutes } from '../../../../core/time/wall-clock'
import type { Studio } from '../../../../db/repositories/accounts.server'
import { deletePlace, getPlace, updatePlace } from '../../../../db/repositories/places.server'
import { addReadings, listReadings } from '../../../../db/repositories/readings.server'
import { isJson, readBody, readIntent } from '../../../shared/http/read-input.server'
import { wallNow } from '../../../shared/http/studio-clock.server'
import { placeSchema, toClimate } from '../../schemas/place'
import { placeActions } from '../../schemas/place-action'
import { DAY_FROM_HOURS } from './load-place.server'
import { readReadingsFile } from './read-csv.server'

/** Readings of more than a year, in a field of a form. */
const LARGEST_FILE = 4 * 1024 * 1024

/**
 * The form of the place is sent as JSON, everything else as a plain form with its intent.
 *
 * @throws {InputError} by field
 * @throws {NotFoundError} the studio has no such place
 */
export async function changePlace(studio: Studio, id: number, request: Request) {
	const studioId = studio.id
	await getPlace(studioId, id)
	if (isJson(request)) {
		const input = await readBody(request, placeSchema)
		const { name, kind, movement, sensor, version } = input
		await updatePlace(studioId, { id, name, kind, movement, sensor, version, climate: toClimate(input) })
		return redirect('/rooms')
	}
	const input = await readIntent(request, placeActions, { maxBytes: LARGEST_FILE })
	const now = wallNow(studio.timeZone)
	switch (input.intent) {
		case 'type-in': {
			const { temperatureC, humidity } = input
			await addReadings(studioId, id, [{ at: now, temperatureC, humidity: humidity / 100 }], { source: 'typed', now })
			return { told: 'Noted.' }
		}
		case 'import': {
			const { readings, bad } = readReadingsFile(input.text)
			const { added, known } = await addReadings(studioId, id, readings, { source: 'file', now })
			return { imported: added, known, bad }
		}
		case 'take-day':
			await takeDay(studioId, id, { now, version: input.version })
			return { told: 'The measured day is this place’s climate now.' }
		case 'delete':
			await deletePlace(studioId, id, input.version)
			return redirect('/rooms')
	}
}

async function takeDay(
	studioId: number,
	id: number,
	{ now, version }: { now: string; version: number },
): Promise<void> {
	const [place, readings] = await Promise.all([
		getPlace(studioId, id),
		listReadings(studioId, id, addWallMinutes(now, -60 * DAY_FROM_HOURS), now),
	])
	const hours = dayFromReadings(readings)
	if (!hours) throw new InputError([{ path: '', message: 'Too few hours of the day have readings yet.' }])
	await updatePlace(studioId, { ...place, version, climate: { type: 'day', hours } })
}
