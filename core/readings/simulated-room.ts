/**
 * A stand-in for a hygrometer: the air of a room through the days, with weather outside, heating by hours, a class of
 * people breathing, a kettle now and then, and windows opened after class. Seeded: the same seed has the same days.
 * A balance of heat and of water in well-mixed air, five minutes a step. All of it is made up, in usual sizes
 * (common practice, no source).
 */
import { mixingRatio, saturationPressurePa } from '../drying/humid-air'
import { createRng } from '../random'
import type { Reading } from './reading'

export interface SimulatedRoom {
	/** The same seed has the same days. */
	seed: number
	/** Mean of the outside, °C, and its swing over a day. */
	outsideC: number
	outsideSwingC: number
	/** Relative, mean, in (0, 1). */
	outsideHumidity: number
	/** Held by the heating between those hours of the day; less at night. */
	heatedToC: number
	/** When the heating is low. */
	nightC: number
	heatedFromHour: number
	heatedToHour: number
	/** Evenings on which a class meets: days of the week, 0 Sunday. */
	classWeekdays: readonly number[]
	/** Of the day. */
	classFromHour: number
	classHours: number
	/** In class, the instructor among them. */
	people: number
}

export const USUAL_ROOM: SimulatedRoom = {
	seed: 7,
	outsideC: 7,
	outsideSwingC: 5,
	outsideHumidity: 0.8,
	heatedToC: 21,
	nightC: 17,
	heatedFromHour: 8,
	heatedToHour: 22,
	classWeekdays: [2, 4],
	classFromHour: 19,
	classHours: 2,
	people: 9,
}

export const STEP_MINUTES = 5
/** Days before the first reading, so that the room has forgotten how it began. */
const SETTLING_DAYS = 2
const VOLUME_M3 = 150
const AIR_KG_PER_M3 = 1.2
/** Changes of air an hour, windows closed and open. */
const CLOSED_CHANGES = 0.4
/** With the windows open. */
const AIRED_CHANGES = 3
/** kg of water an hour and person at light work; kg from a kettle boiled once. */
const WATER_PER_PERSON = 0.05
/** kg. */
const WATER_PER_KETTLE = 0.06
/** Hours in which walls and heating bring the air to where it is to be. */
const HEAT_HOURS = 1.2
/** By how much one person warms the room's air. */
const PERSON_C_PER_HOUR = 0.12
/** Standard atmosphere. */
const PRESSURE_PA = 101_325
/** Mass of a molecule of water against one of dry air. */
const MOLAR_RATIO = 0.621945

/**
 * Readings every five minutes from one time to another, both included.
 *
 * @param from, to - YYYY-MM-DDTHH:MM
 * @complexity a step for each five minutes, and two days before
 */
export function simulateRoom(room: SimulatedRoom, from: string, to: string): Reading[] {
	const stepMs = STEP_MINUTES * 60_000
	const [start, end] = [Math.ceil(toMs(from) / stepMs) * stepMs, toMs(to)]
	// Every run begins at midnight, so that a time has the same air whoever asks for it, and from when on.
	let time = Math.floor(start / DAY_MS) * DAY_MS - SETTLING_DAYS * DAY_MS
	let [temperature, water] = [room.nightC, mixingRatio(room.outsideC, room.outsideHumidity)]
	const readings: Reading[] = []
	for (; time <= end; time += stepMs) {
		const moment = momentOf(room, time)
		const hours = STEP_MINUTES / 60
		const outside = outsideAt(room, time)
		temperature += ((moment.targetC - temperature) * hours) / HEAT_HOURS + moment.people * PERSON_C_PER_HOUR * hours
		const gained = moment.people * WATER_PER_PERSON * hours + moment.kettles * WATER_PER_KETTLE
		water += (outside.water - water) * (1 - Math.exp(-moment.changes * hours)) + gained / (VOLUME_M3 * AIR_KG_PER_M3)
		if (time < start) continue
		readings.push({
			at: new Date(time).toISOString().slice(0, 16),
			temperatureC: Math.round(temperature * 10) / 10,
			humidity: Math.round(1000 * Math.min(0.99, humidityOf(water, temperature))) / 1000,
		})
	}
	return readings
}

/** The room has no clock changes. */
const DAY_MS = 86_400_000

/** What goes on in the room at that time: whether there is a class, heating, or airing after class. */
function momentOf(room: SimulatedRoom, time: number) {
	const date = new Date(time)
	const hour = date.getUTCHours() + date.getUTCMinutes() / 60
	const isClassDay = room.classWeekdays.includes(date.getUTCDay())
	const classEnd = room.classFromHour + room.classHours
	const isClass = isClassDay && hour >= room.classFromHour && hour < classEnd
	const isAired = isClassDay && hour >= classEnd && hour < classEnd + 0.25
	const isHeated = hour >= room.heatedFromHour && hour < room.heatedToHour
	const isKettle = (isClassDay && hour === room.classFromHour + 1) || hour === 10.5 || hour === 16
	return {
		targetC: isHeated ? room.heatedToC : room.nightC,
		people: isClass ? room.people : 0,
		kettles: isKettle ? 1 : 0,
		changes: isAired ? AIRED_CHANGES : CLOSED_CHANGES,
	}
}

/** Warmest in the afternoon; each day a little warmer or colder, wetter or drier than the mean. */
function outsideAt(room: SimulatedRoom, time: number): { water: number } {
	const day = Math.floor(time / DAY_MS)
	const share = (time - day * DAY_MS) / DAY_MS
	const mix = (first: number, second: number) => first + share * (second - first)
	const [today, tomorrow] = [weatherOf(room, day), weatherOf(room, day + 1)]
	const swing = (room.outsideSwingC / 2) * Math.cos(2 * Math.PI * (share - 15 / 24))
	const temperature = mix(today.temperatureC, tomorrow.temperatureC) + swing
	return { water: mixingRatio(temperature, mix(today.humidity, tomorrow.humidity)) }
}

/** The day's own weather, the same whenever it is asked for. */
function weatherOf({ seed, outsideC, outsideHumidity }: SimulatedRoom, day: number) {
	const rng = createRng(seed * 100_003 + day)
	return {
		temperatureC: outsideC + 6 * (rng() - 0.5),
		humidity: Math.min(0.98, Math.max(0.35, outsideHumidity + 0.25 * (rng() - 0.5))),
	}
}

/** Relative, of a mixing ratio in kg/kg. */
function humidityOf(water: number, temperatureC: number): number {
	return (PRESSURE_PA * water) / (MOLAR_RATIO + water) / saturationPressurePa(temperatureC)
}

/** For reckoning alone. */
function toMs(at: string): number {
	return Date.parse(`${at}Z`)
}
