/** Terms of the demo: its day, and a password that can be read out. */
import { randomInt } from 'node:crypto'
import { Failure } from './failure.mjs'

const WORDS = [
	'petal',
	'sepal',
	'calyx',
	'stamen',
	'veiner',
	'former',
	'spathe',
	'tendril',
	'umbel',
	'bract',
	'anther',
	'pollen',
	'stipule',
	'corolla',
	'catkin',
	'samara',
]

export function makeDemoPassword() {
	const word = () => WORDS[randomInt(WORDS.length)]
	return `${word()}-${word()}-${randomInt(1000, 10_000)}`
}

/** The day that the app takes for today, YYYY-MM-DD: CALYCINE_TODAY, or what the clock says. */
export function readToday() {
	const given = process.env.CALYCINE_TODAY
	if (given === undefined) {
		const now = new Date()
		return [
			now.getFullYear(),
			String(now.getMonth() + 1).padStart(2, '0'),
			String(now.getDate()).padStart(2, '0'),
		].join('-')
	}
	if (!/^\d{4}-\d{2}-\d{2}$/.test(given) || Number.isNaN(Date.parse(given)))
		throw new Failure(`CALYCINE_TODAY must be a date as 2026-03-01, got ${given}`)
	return given
}
