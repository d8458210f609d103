/** A reading of a hygrometer, and what a list of them says of a room: the newest, its age, and the course of a day. */
import { AIR_LIMITS, type Air } from '../drying/climate'

/** Where readings of a place come from by themselves. */
export type Sensor = 'none' | 'stand-in'

export type ReadingSource = 'sensor' | 'typed' | 'file'

export interface Reading extends Air {
	/** YYYY-MM-DDTHH:MM on the studio's wall clock. */
	at: string
}

/** Why a reading cannot be one, or undefined. */
export function readingProblem({ at, temperatureC, humidity }: Reading): string | undefined {
	const { minC, maxC } = AIR_LIMITS
	if (!isWallTime(at)) return `"${at}" is no date and time as 2026-03-01T18:30`
	if (!(temperatureC >= minC && temperatureC <= maxC)) return `${temperatureC} °C is outside ${minC} to ${maxC} °C`
	if (!(humidity > 0 && humidity <= 1)) return `${Math.round(humidity * 1000) / 10} % is no relative humidity`
	return undefined
}

/** Whole minutes from a reading to a moment; negative: the reading lies ahead. */
export function ageMinutes({ at }: Pick<Reading, 'at'>, now: string): number {
	return Math.round((toMs(now) - toMs(at)) / 60_000)
}

/** So many hours of the day must have readings before a course of the day is drawn from them. */
const LEAST_HOURS = 18

/**
 * The course of a day from readings of several: each hour's median, gaps bridged in straight lines.
 *
 * @returns 24 hours, or undefined: too few hours of the day have readings
 */
export function dayFromReadings(readings: readonly Reading[]): Air[] | undefined {
	const byHour = Array.from({ length: 24 }, (): Reading[] => [])
	for (const reading of readings) {
		if (readingProblem(reading) === undefined) byHour[Number(reading.at.slice(11, 13))]?.push(reading)
	}
	const known = byHour.map((list): Air | undefined => {
		if (list.length === 0) return undefined
		return {
			temperatureC: round(median(list.map(({ temperatureC }) => temperatureC)), 1),
			humidity: round(median(list.map(({ humidity }) => humidity)), 3),
		}
	})
	if (known.filter(Boolean).length < LEAST_HOURS) return undefined
	return known.map((air, hour) => air ?? bridge(known, hour))
}

/**
 * Between the hours known before and after, in a straight line.
 *
 * @throws {RangeError} a gap of more than six hours, over which nothing is guessed
 */
function bridge(known: readonly (Air | undefined)[], hour: number): Air {
	const at = (steps: number) => known[(((hour + steps) % 24) + 24) % 24]
	const back = [1, 2, 3, 4, 5, 6].find((steps) => at(-steps)) ?? 1
	const ahead = [1, 2, 3, 4, 5, 6].find((steps) => at(steps)) ?? 1
	const [before, after] = [at(-back), at(ahead)]
	if (!before || !after) throw new RangeError('a gap of more than six hours')
	const share = back / (back + ahead)
	return {
		temperatureC: round(before.temperatureC + share * (after.temperatureC - before.temperatureC), 1),
		humidity: round(before.humidity + share * (after.humidity - before.humidity), 3),
	}
}

/** Of an odd number the middle one, else the mean of the two. */
function median(values: number[]): number {
	const sorted = values.toSorted((a, b) => a - b)
	const middle = Math.floor(sorted.length / 2)
	return sorted.length % 2 === 1 ? (sorted[middle] ?? 0) : ((sorted[middle - 1] ?? 0) + (sorted[middle] ?? 0)) / 2
}

/** For telling and keeping: sensors give no more digits. */
function round(value: number, digits: number): number {
	return Math.round(value * 10 ** digits) / 10 ** digits
}

/** A moment that there is: no 31st of February. */
function isWallTime(at: string): boolean {
	return /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/.test(at) && new Date(`${at}Z`).toJSON()?.startsWith(at)
}

/** For sorting and subtracting alone. */
function toMs(at: string): number {
	return Date.parse(`${at}Z`)
}
