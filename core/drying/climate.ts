/**
 * Air round a piece while it dries: a steady climate, or one that follows the hours of a day; and the way of a piece
 * through places with different climates.
 */
import type { AirMovement } from './air-film'
import type { Faces } from './drying-piece'

export interface Air {
	/** °C, of the air. */
	temperatureC: number
	/** Relative humidity, 0 to 1. */
	humidity: number
}

export type Climate =
	| ({ type: 'steady' } & Air)
	/** By hour of the day, 24 entries; straight lines between the full hours. */
	| { type: 'day'; hours: readonly Air[] }

/** A time that a piece spends in one place in one way. */
export interface Stay {
	/** Infinity for the last. */
	hours: number
	climate: Climate
	/** How the air goes past the piece. */
	movement: AirMovement
	/** Absent: as the piece lay before, at first as its body says. */
	faces?: Faces
	/** So many times as fast as its air says, as the place was found to be; absent: 1. */
	pace?: number
}

/** Where a piece goes from the moment it was made. */
export interface DryingPath {
	/** Minutes after midnight when it begins; matters to climates that follow the day. */
	startMinuteOfDay: number
	/** At least one; the last one lasts. */
	stays: readonly Stay[]
}

/** Values that the model can take; it is meant for about 12–32 °C and 25 % up to the cut-off. */
export const AIR_LIMITS = { minC: -5, maxC: 45, minHumidity: 0.02, maxHumidity: 0.98 }

/** A room and nothing else. */
export function steadyPath(air: Air, movement: AirMovement): DryingPath {
	return {
		startMinuteOfDay: 0,
		stays: [{ hours: Infinity, climate: { type: 'steady', ...air }, movement }],
	}
}

/** The air of a climate at a time of day, in minutes after midnight; days go on past 1440. */
export function airAt(climate: Climate, minuteOfDay: number): Air {
	if (climate.type === 'steady') return climate
	const { hours } = climate
	const hour = (((minuteOfDay / 60) % hours.length) + hours.length) % hours.length
	const before = hours[Math.floor(hour)]
	const after = hours[(Math.floor(hour) + 1) % hours.length]
	if (!before || !after) throw new RangeError('a climate by the hour needs its hours')
	const share = hour - Math.floor(hour)
	return {
		temperatureC: before.temperatureC + share * (after.temperatureC - before.temperatureC),
		humidity: before.humidity + share * (after.humidity - before.humidity),
	}
}

/** The mean over a day; what a number alone can say of a climate. */
export function meanAir(climate: Climate): Air {
	if (climate.type === 'steady') return { temperatureC: climate.temperatureC, humidity: climate.humidity }
	const mean = (value: (air: Air) => number) => {
		return climate.hours.reduce((sum, air) => sum + value(air), 0) / climate.hours.length
	}
	return { temperatureC: mean((air) => air.temperatureC), humidity: mean((air) => air.humidity) }
}

/** The same path with damper or drier, warmer or cooler air. */
export function shiftPath(path: DryingPath, shift: Partial<Air>): DryingPath {
	const moved = ({ temperatureC, humidity }: Air): Air => ({
		temperatureC: temperatureC + (shift.temperatureC ?? 0),
		humidity: Math.min(AIR_LIMITS.maxHumidity, Math.max(AIR_LIMITS.minHumidity, humidity + (shift.humidity ?? 0))),
	})
	return mapClimates(path, (climate) => {
		return climate.type === 'steady'
			? { type: 'steady', ...moved(climate) }
			: { type: 'day', hours: climate.hours.map(moved) }
	})
}

/** The path with every climate changed. */
export function mapClimates(path: DryingPath, change: (climate: Climate) => Climate): DryingPath {
	return { ...path, stays: path.stays.map((stay) => ({ ...stay, climate: change(stay.climate) })) }
}

/** One room that never changes, nor does the piece in it: time scales exactly with the pace of the paste. */
export function isSteady({ stays }: DryingPath): boolean {
	return stays.length === 1 && stays[0]?.climate.type === 'steady'
}

/**
 * Whether two paths have the same air for so many hours from their beginnings.
 *
 * @param hours - >= 0; Infinity: for good
 */
export function arePathsAlike(one: DryingPath, other: DryingPath, hours: number): boolean {
	return tellStays(one, hours) === tellStays(other, hours)
}

/** The stays of the first hours as text; the time of day where a climate follows it. */
function tellStays({ startMinuteOfDay, stays }: DryingPath, hours: number): string {
	let begun = 0
	const told = stays.flatMap((stay) => {
		const left = hours - begun
		begun += stay.hours
		// JSON has no Infinity.
		return left > 0 ? [{ ...stay, hours: String(Math.min(left, stay.hours)) }] : []
	})
	const isByDay = told.some(({ climate }) => climate.type === 'day')
	return JSON.stringify([isByDay ? startMinuteOfDay : 0, told])
}

/** Whether the air is as damp as that, or closed in, at some time of the first hours: only then can a piece soften. */
export function isEverDamp({ stays }: DryingPath, hours: number, humidity: number): boolean {
	let begun = 0
	return stays.some(({ hours: stayHours, climate, movement }) => {
		const isMet = begun < hours
		begun += stayHours
		return isMet && (movement === 'sealed' || dampest(climate) >= humidity)
	})
}

/** Highest relative humidity of the day, in [0, 1]. */
function dampest(climate: Climate): number {
	return climate.type === 'steady' ? climate.humidity : Math.max(...climate.hours.map(({ humidity }) => humidity))
}
