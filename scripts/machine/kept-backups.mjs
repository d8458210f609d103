/** A backup a day into the data folder, the last fourteen kept; the first some minutes after a start, so that it is no burden. */
import { existsSync, readdirSync } from 'node:fs'
import { backUp, forgetOldBackups, stamp } from './backup.mjs'

const STEM = 'daily-'
const KEPT = 14
const FIRST_MS = 10 * 60_000
const EVERY_MS = 60 * 60_000
const DAY_MS = 24 * 60 * 60_000

export function keepDailyBackups(folder, url) {
	const look = () => void backUpDaily(folder, url).catch((error) => console.error(`No backup today: ${error.message}`))
	setTimeout(() => {
		look()
		setInterval(look, EVERY_MS).unref()
	}, FIRST_MS).unref()
}

/**
 * @returns the file's path; undefined: the newest is not a day old yet
 * @throws {Failure} it could not be made
 */
export async function backUpDaily(folder, url, now = new Date()) {
	const newest = existsSync(folder) ? readdirSync(folder).filter(isDaily).toSorted().at(-1) : undefined
	const dayAgo = stamp(new Date(now.getTime() - DAY_MS))
	if (newest !== undefined && newest.slice(STEM.length) > dayAgo) return undefined
	const key = process.env.CALYCINE_BACKUP_KEY || undefined
	const file = await backUp(url, { folder, name: `${STEM}${stamp(now)}`, key })
	forgetOldBackups(folder, STEM, KEPT)
	return file
}

function isDaily(name) {
	return name.startsWith(STEM) && !name.endsWith('.part')
}
