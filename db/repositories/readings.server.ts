/** What the hygrometers of a studio's places read. */
import { Op, QueryTypes, type Transaction } from 'sequelize'
import { ConflictError, InputError } from '../../core/errors'
import type { Reading, ReadingSource } from '../../core/readings/reading'
import { getDatabase, inTransaction } from '../connection.server'
import { ReadingModel } from '../models/places.server'
import { getPlace } from './places.server'

/** Older ones go when new ones come. */
const KEPT_DAYS = 400
/** Clocks differ: a reading may lie so far ahead of ours. */
const AHEAD_MINUTES = 90
const MS_PER_MINUTE = 60_000

export interface AddedReadings {
	added: number
	/** Of minutes that have another reading already, which stays. */
	known: number
}

/**
 * Adds readings; where there is one of that minute already, that one stays.
 *
 * @param now - the studio's wall clock, YYYY-MM-DDTHH:MM: nothing from ahead of it is taken, and what is too old for it goes
 * @throws {InputError} a reading from the time to come
 * @throws {ConflictError} one was typed, and another says otherwise of that minute
 * @throws {NotFoundError} the studio has no such place
 */
export async function addReadings(
	studioId: number,
	placeId: number,
	readings: readonly Reading[],
	{ source, now }: { source: ReadingSource; now: string },
): Promise<AddedReadings> {
	await getPlace(studioId, placeId)
	refuseFuture(readings, now)
	const oldest = new Date(toDate(now).getTime() - KEPT_DAYS * 1440 * MS_PER_MINUTE)
	const rows = readings
		.map(({ at, temperatureC, humidity }) => ({ placeId, at: toDate(at), temperatureC, humidity, source }))
		.filter(({ at }) => at >= oldest)
		.toSorted((a, b) => a.at.getTime() - b.at.getTime())
	return inTransaction(async (transaction) => {
		if (source === 'typed') await refuseOther(placeId, rows, transaction)
		const before = await ReadingModel.count({ where: { placeId }, transaction })
		await ReadingModel.bulkCreate(rows, { ignoreDuplicates: true, transaction })
		const added = (await ReadingModel.count({ where: { placeId }, transaction })) - before
		await ReadingModel.destroy({ where: { placeId, at: { [Op.lt]: oldest } }, transaction })
		return { added, known: readings.length - added }
	})
}

function refuseFuture(readings: readonly Reading[], now: string): void {
	const latest = new Date(toDate(now).getTime() + AHEAD_MINUTES * MS_PER_MINUTE)
	const ahead = readings.find(({ at }) => toDate(at) > latest)
	if (ahead)
		throw new InputError([{ path: 'text', message: `${ahead.at.replace('T', ' ')} lies ahead: is the year right?` }])
}

/** A second reading typed for one minute must not take the place of the first without a word. */
async function refuseOther(
	placeId: number,
	rows: readonly { at: Date; temperatureC: number; humidity: number }[],
	transaction: Transaction,
): Promise<void> {
	const there = await ReadingModel.findOne({ where: { placeId, at: rows.map(({ at }) => at) }, transaction })
	const same = rows.find(({ at }) => at.getTime() === there?.at.getTime())
	if (!there || (same?.temperatureC === there.temperatureC && same.humidity === there.humidity)) return
	const words = `${there.temperatureC.toFixed(1)} °C, ${Math.round(100 * there.humidity)} %`
	throw new ConflictError(`This minute has a reading already: ${words}. It stays; note yours a minute later.`)
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
		raw: true,
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
