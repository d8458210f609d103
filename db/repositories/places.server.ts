/** A studio's rooms and stores. */
import type { Transaction } from 'sequelize'
import type { Place } from '../../core/drying/place'
import { ConflictError, NotFoundError } from '../../core/errors'
import type { Sensor } from '../../core/readings/reading'
import { writing } from '../connection.server'
import { PlaceModel } from '../models/places.server'

/** A place as it is stored; `version` rises with every change. */
export interface StoredPlace extends Place {
	sensor: Sensor
	version: number
}

export type NewPlace = Omit<StoredPlace, 'id' | 'version'>

/** Rooms first, each kind in the order in which it was made. */
export async function listPlaces(studioId: number): Promise<StoredPlace[]> {
	const rows = await PlaceModel.findAll({
		where: { studioId },
		order: [
			['kind', 'ASC'],
			['id', 'ASC'],
		],
		raw: true,
	})
	return rows.map(toPlace)
}

/** @throws {NotFoundError} the studio has no such place */
export async function getPlace(studioId: number, id: number): Promise<StoredPlace> {
	const row = await PlaceModel.findOne({ where: { studioId, id } })
	if (!row) throw new NotFoundError('There is no such place.')
	return toPlace(row)
}

/** @returns the id of the new place */
export async function createPlace(studioId: number, place: NewPlace, transaction?: Transaction): Promise<number> {
	const { id } = await PlaceModel.create({ ...place, studioId }, { transaction })
	return id
}

/**
 * @param place.version - as it was read
 * @throws {ConflictError} someone else has saved it since
 * @throws {NotFoundError} the studio has no such place
 */
export async function updatePlace(studioId: number, { id, version, ...values }: StoredPlace): Promise<void> {
	const [changed] = await writing(() =>
		PlaceModel.update({ ...values, version: version + 1 }, { where: { studioId, id, version } }),
	)
	if (changed > 0) return
	await getPlace(studioId, id)
	throw new ConflictError('This place was changed in another window meanwhile. Load it again.')
}

/**
 * Sessions that met there meet in the studio's first room from then on.
 *
 * @param version - as it was read
 * @throws {ConflictError} someone else has saved it since
 * @throws {NotFoundError} the studio has no such place
 */
export async function deletePlace(studioId: number, id: number, version: number): Promise<void> {
	if ((await writing(() => PlaceModel.destroy({ where: { studioId, id, version } }))) > 0) return
	await getPlace(studioId, id)
	throw new ConflictError('This place was changed in another window meanwhile: look at it before it goes.')
}

function toPlace({ id, kind, name, climate, movement, sensor, version }: PlaceModel): StoredPlace {
	return { id, kind, name, climate, movement, sensor, version }
}
