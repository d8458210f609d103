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
	/** Left out: of minutes that have another reading already, or too old. */
	known: number
}

/**
 * Adds readings; where there is one of that minute already, that one stays. What a person noted takes the place of what a
 * sensor sent.
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
		const taken = await minutesTaken(placeId, rows, { source, transaction })
		if (source === 'typed') refuseOther(rows, taken)
		const free = rows.filter(({ at }) => !taken.has(at.getTime()))
		await ReadingModel.bulkCreate(free, { updateOnDuplicate: ['temperatureC', 'humidity', 'source'], transaction })
		await ReadingModel.destroy({ where: { placeId, at: { [Op.lt]: oldest } }, transaction })
		return { added: free.length, known: readings.length - free.length }
	})
}

function refuseFuture(readings: readonly Reading[], now: string): void {
	const latest = new Date(toDate(now).getTime() + AHEAD_MINUTES * MS_PER_MINUTE)
	const ahead = readings.find(({ at }) => toDate(at) > latest)
	if (ahead)
		throw new InputError([{ path: 'text', message: `${ahead.at.replace('T', ' ')} lies ahead: is the year right?` }])
}

interface Row {
	at: Date
	temperatureC: number
	humidity: number
}

/** What stands at these minutes and stays, by ms. */
async function minutesTaken(
	placeId: number,
	rows: readonly Row[],
	{ source, transaction }: { source: ReadingSource; transaction: Transaction },
): Promise<Map<number, Row>> {
	const [first, last] = [rows[0]?.at, rows.at(-1)?.at]
	if (!first || !last) return new Map()
	const there = await ReadingModel.findAll({
		where: {
			placeId,
			at: { [Op.between]: [first, last] },
			...(source !== 'sensor' && { source: { [Op.ne]: 'sensor' } }),
		},
		attributes: ['at', 'temperatureC', 'humidity'],
		transaction,
		raw: true,
	})
	return new Map(there.map((row) => [row.at.getTime(), row]))
}

/** A second reading typed for one minute must not take the place of the first without a word. */
function refuseOther(rows: readonly Row[], taken: ReadonlyMap<number, Row>): void {
	for (const row of rows) {
		const there = taken.get(row.at.getTime())
		if (!there || (row.temperatureC === there.temperatureC && row.humidity === there.humidity)) continue
		const words = `${there.temperatureC.toFixed(1)} °C, ${Math.round(100 * there.humidity)} %`
		throw new ConflictError(`This minute has a reading already: ${words}. It stays; note yours a minute later.`)
	}
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
