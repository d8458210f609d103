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

/** @throws {Failure} CALYCINE_TODAY, the day or the moment that the app takes for now, is set and is none */
export function checkToday() {
	const given = process.env.CALYCINE_TODAY
	if (given === undefined) return
	if (!/^20\d{2}-\d{2}-\d{2}(T\d{2}:\d{2})?$/.test(given) || Number.isNaN(Date.parse(given)))
		throw new Failure(`CALYCINE_TODAY must be a date as 2026-03-01, or a moment as 2026-03-01T10:00, got ${given}`)
}
