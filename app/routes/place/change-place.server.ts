/** What the screen of a place can change: the place by its form, its readings, its climate by what was measured. */
import { redirect } from 'react-router'
import { dayFromReadings } from '../../../core/readings/reading'
import { InputError } from '../../../core/errors'
import { deletePlace, getPlace, updatePlace } from '../../../db/repositories/places.server'
import { addReadings, listReadings } from '../../../db/repositories/readings.server'
import { readBody } from '../../http/read-input.server'
import { hoursBefore, wallNow } from '../../http/wall-clock.server'
import { placeSchema, toClimate } from '../../schemas/place'
import { placeActionSchema } from '../../schemas/place-action'
import { DAY_FROM_HOURS } from './load-place.server'
import { readReadingsFile } from './read-csv.server'

/**
 * The form of the place is sent as JSON, everything else as a plain form with its intent.
 *
 * @throws {InputError} by field
 * @throws {NotFoundError} the studio has no such place
 */
export async function changePlace(studioId: number, id: number, request: Request) {
	if (request.headers.get('Content-Type')?.includes('application/json')) {
		const input = await readBody(request, placeSchema)
		const { name, kind, movement, sensor, version } = input
		await updatePlace(studioId, { id, name, kind, movement, sensor, version, climate: toClimate(input) })
		return redirect('/rooms')
	}
	const { intent, temperatureC = 0, humidity = 0, text = '' } = await readBody(request, placeActionSchema)
	switch (intent) {
		case 'type-in':
			await addReadings(studioId, id, [{ at: wallNow(), temperatureC, humidity: humidity / 100 }], 'typed')
			return { told: 'Noted.' }
		case 'import': {
			const { readings, bad } = readReadingsFile(text)
			if (readings.length > 0) await addReadings(studioId, id, readings, 'file')
			return { imported: readings.length, bad }
		}
		case 'take-day':
			await takeDay(studioId, id)
			return { told: 'The measured day is this place’s climate now.' }
		case 'delete':
			await deletePlace(studioId, id)
			return redirect('/rooms')
	}
}

async function takeDay(studioId: number, id: number): Promise<void> {
	const now = wallNow()
	const [place, readings] = await Promise.all([
		getPlace(studioId, id),
		listReadings(studioId, id, hoursBefore(now, DAY_FROM_HOURS), now),
	])
	const hours = dayFromReadings(readings)
	if (!hours) throw new InputError([{ path: '', message: 'Too few hours of the day have readings yet.' }])
	await updatePlace(studioId, { ...place, climate: { type: 'day', hours } })
}
