/** What a studio's clock on the wall shows. CALYCINE_TODAY, for demos and tests, sets the day while the time of day goes on, or the moment, which then stands still. */
import { toWallTime } from '../../../core/time/wall-clock'
import { instantOf, wallMomentAt } from '../../../core/time/zone'

/** Zone of the demo's studio and of the stand-in for a sensor: CALYCINE_ZONE, for tests of other parts of the world. */
export function demoZone(): string {
	return process.env['CALYCINE_ZONE'] ?? 'Europe/London'
}

/** The day, YYYY-MM-DD. */
export function today(zone: string): string {
	return wallNow(zone).slice(0, 10)
}

/** Now, YYYY-MM-DDTHH:MM. */
export function wallNow(zone: string): string {
	const now = wallMomentAt(Date.now(), zone)
	const given = process.env['CALYCINE_TODAY'] ?? ''
	return given + now.slice(given.length)
}

/** Now, as a point in time. */
export function studioNow(zone: string): Date {
	return new Date(instantOf(toWallTime(wallNow(zone)), zone))
}

/** The same of a moment that was noted, on its own day. */
export function wallTimeOf(moment: Date, zone: string): string {
	return wallMomentAt(moment.getTime(), zone)
}
