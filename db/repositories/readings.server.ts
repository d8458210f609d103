/** What the hygrometers of a studio's places read. */
import { Op, QueryTypes } from 'sequelize'
import type { Reading, ReadingSource } from '../../core/readings/reading'
import { getDatabase } from '../connection.server'
import { ReadingModel } from '../models/places.server'
import { getPlace } from './places.server'

/** Older ones go when new ones come. */
const KEPT_DAYS = 400

/**
 * Adds readings; where there is one of that minute already it is replaced.
 *
 * @throws {NotFoundError} the studio has no such place
 */
export async function addReadings(
	studioId: number,
	placeId: number,
	readings: readonly Reading[],
	source: ReadingSource,
): Promise<void> {
	await getPlace(studioId, placeId)
	const rows = readings.map(({ at, temperatureC, humidity }) => {
		return { placeId, at: toDate(at), temperatureC, humidity, source }
	})
	await ReadingModel.bulkCreate(rows, { updateOnDuplicate: ['temperatureC', 'humidity', 'source'] })
	const newest = rows.reduce((latest, { at }) => Math.max(latest, at.getTime()), 0)
	const oldest = new Date(newest - KEPT_DAYS * 86_400_000)
	await ReadingModel.destroy({ where: { placeId, at: { [Op.lt]: oldest } } })
}

/**
 * Readings of a place from one moment on, oldest first.
 *
 * @throws {NotFoundError} the studio has no such place
 */
export async function listReadings(studioId: number, placeId: number, from: string, to: string): Promise<Reading[]> {
	await getPlace(studioId, placeId)
	const rows = await ReadingModel.findAll({
		where: { placeId, at: { [Op.between]: [toDate(from), toDate(to)] } },
		attributes: ['at', 'temperatureC', 'humidity'],
		order: [['at', 'ASC']],
	})
	return rows.map(({ at, temperatureC, humidity }) => ({ at: toWallTime(at), temperatureC, humidity }))
}

/** The newest reading of each place of the studio that has one, by place id. */
export async function listNewestReadings(studioId: number): Promise<Map<number, Reading>> {
	const rows = await getDatabase().query<{ placeId: number; at: Date; temperatureC: number; humidity: number }>(
		`SELECT r.place_id AS placeId, r.at, r.temperature_c AS temperatureC, r.humidity FROM places p
		JOIN readings r ON r.id = (SELECT id FROM readings WHERE place_id = p.id ORDER BY at DESC LIMIT 1)
		WHERE p.studio_id = :studioId`,
		{ replacements: { studioId }, type: QueryTypes.SELECT },
	)
	return new Map(
		rows.map(({ placeId, at, temperatureC, humidity }) => [placeId, { at: toWallTime(at), temperatureC, humidity }]),
	)
}

function toDate(at: string): Date {
	return new Date(`${at}:00Z`)
}

function toWallTime(at: Date): string {
	return at.toISOString().slice(0, 16)
}
