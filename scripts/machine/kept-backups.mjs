/**
 * Backups that the data folder keeps by itself: one a day, the first some minutes after a start, so that it is no burden; and
 * one before each upgrade. Each kind lets go of its own oldest ones alone.
 */
import { existsSync, readdirSync } from 'node:fs'
import { backUp, forgetOldBackups, stamp } from './backup.mjs'
import { Failure } from './failure.mjs'
import { listNodeUrls } from './node-urls.mjs'

const DAILY = { stem: 'daily-', kept: 14 }
const BEFORE_UPGRADE = { stem: 'before-upgrade-', kept: 3 }
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
	const { stem } = DAILY
	const isDaily = (name) => name.startsWith(stem) && !name.endsWith('.part')
	const newest = existsSync(folder) ? readdirSync(folder).filter(isDaily).toSorted().at(-1) : undefined
	const dayAgo = stamp(new Date(now.getTime() - DAY_MS))
	if (newest !== undefined && newest.slice(stem.length) > dayAgo) return undefined
	return keepBackup(folder, url, DAILY, now)
}

/**
 * @returns the file's path
 * @throws {Failure} it could not be made: then nothing is to be changed
 */
export async function backUpBeforeUpgrade(folder, url, now = new Date()) {
	try {
		return await keepBackup(folder, url, BEFORE_UPGRADE, now)
	} catch (error) {
		throw new Failure(`The database could not be saved before the upgrade, so nothing was changed.\n${error.message}`)
	}
}

async function keepBackup(folder, url, { stem, kept }, now) {
	const terms = { folder, name: `${stem}${stamp(now)}`, key: process.env.CALYCINE_BACKUP_KEY || undefined }
	const urls = listNodeUrls(url)
	for (const node of urls) {
		try {
			const file = await backUp(node, terms)
			forgetOldBackups(folder, stem, kept)
			return file
		} catch (error) {
			// Another node has the same.
			if (node === urls.at(-1)) throw error
		}
	}
}
