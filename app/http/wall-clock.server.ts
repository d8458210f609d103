/** The studio's wall clock: the machine's time of day, on the day that counts as today. */
import { today } from './today.server'

/** YYYY-MM-DDTHH:MM. */
export function wallNow(): string {
	return `${today()}T${timeOfDay(new Date())}`
}

/** The same of a moment that was noted, on its own day. */
export function wallTimeOf(moment: Date): string {
	const day = [moment.getFullYear(), moment.getMonth() + 1, moment.getDate()].map(twoDigits).join('-')
	return `${day}T${timeOfDay(moment)}`
}

function timeOfDay(moment: Date): string {
	return [moment.getHours(), moment.getMinutes()].map(twoDigits).join(':')
}

function twoDigits(part: number): string {
	return String(part).padStart(2, '0')
}

/** So many hours before a moment of the wall clock. */
export function hoursBefore(moment: string, hours: number): string {
	return new Date(Date.parse(`${moment}Z`) - hours * 3_600_000).toISOString().slice(0, 16)
}
