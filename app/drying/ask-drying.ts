/** An address asked: its piece and way of drying put together and answered, the same on the server and in a worker. */
import { beliefOf, type DryingTerms } from '../../core/plan/compile/drying-terms'
import {
	answerDrying,
	judgeDrying,
	sureWhenWanted,
	type DryingAnswer,
	type DryingQuestion,
	type DryingVerdict,
} from '../../core/drying/answer-drying'
import type { Air, DryingPath, Stay } from '../../core/drying/climate'
import { airAt } from '../../core/drying/climate'
import type { AirMovement } from '../../core/drying/air-film'
import type { Place } from '../../core/drying/place'
import { pieceOfPart } from '../../core/design/piece-of-part'
import { takeOffFormer, turnOver } from '../../core/drying/what-helps'
import { InputError } from '../../core/errors'
import { partOf, type DryingAddress } from './drying-address'

/** What is known of the studio: enough to answer anywhere. */
export type Known = Pick<DryingTerms, 'places' | 'standard' | 'observations'>

const MINUTES_PER_DAY = 1440

/** @throws {InputError} by field: what only the whole address shows to be wrong */
export function askDrying(address: DryingAddress, known: Known): DryingAnswer {
	return answerDrying(toQuestion(address, known), beliefOf(known, address.paste))
}

/** @throws {InputError} by field: what only the whole address shows to be wrong */
export function askVerdict(address: DryingAddress, known: Known): DryingVerdict {
	return judgeDrying(toQuestion(address, known), beliefOf(known, address.paste))
}

/**
 * The answer's `sure` alone, in [0, 1].
 *
 * @throws {InputError} by field: what only the whole address shows to be wrong
 */
export function askSure(address: DryingAddress, known: Known): number {
	return sureWhenWanted(toQuestion(address, known), beliefOf(known, address.paste))
}

/** @throws {InputError} by field */
export function toQuestion(address: DryingAddress, known: Known): DryingQuestion {
	const wantedHours = wantedHoursOf(address)
	if (!(wantedHours > 0))
		throw new InputError([{ path: 'by', message: 'Must be after it is made: more days, or a later time' }])
	const piece = pieceOfPart(partOf(address), [], known.standard)
	if (!piece) throw new InputError([{ path: 'shape', message: 'This piece has nothing to dry' }])
	const plain: DryingPath = { startMinuteOfDay: toMinutes(address.start), stays: listStays(address, known) }
	const off = address.off > 0 ? takeOffFormer(plain, address.off) : plain
	const path = address.turn > 0 ? turnOver(off, piece, address.turn) : off
	return { piece, path, stage: address.stage, wantedHours }
}

/** Hours from when it is made to when it is wanted; not positive where the address is wrong. */
export function wantedHoursOf({ days, by, start }: Pick<DryingAddress, 'days' | 'by' | 'start'>): number {
	return (days * MINUTES_PER_DAY + toMinutes(by) - toMinutes(start)) / 60
}

/** The place that an address begins in, or the air of its own. */
export function airOf(
	address: DryingAddress,
	{ places }: Pick<Known, 'places'>,
): Pick<Stay, 'climate' | 'movement' | 'pace'> {
	const place = places.find(({ id }) => id === address.room)
	if (place) return stayIn(place)
	const { temperature, humidity, air } = address
	return { climate: { type: 'steady', temperatureC: temperature, humidity: humidity / 100 }, movement: air }
}

/** The air of the address when the piece is made. */
export function airAtStart(address: DryingAddress, known: Pick<Known, 'places'>): Air & { movement: AirMovement } {
	const { climate, movement } = airOf(address, known)
	const { temperatureC, humidity } = airAt(climate, toMinutes(address.start))
	return { temperatureC, humidity, movement }
}

function listStays(address: DryingAddress, known: Known): Stay[] {
	const here = airOf(address, known)
	const next = address.moved === undefined ? undefined : known.places.find(({ id }) => id === address.then)
	if (!next || address.moved === undefined) return [{ hours: Infinity, ...here }]
	const minutes = (toMinutes(address.moved) - toMinutes(address.start) + MINUTES_PER_DAY) % MINUTES_PER_DAY
	const rest: Stay = { hours: Infinity, ...stayIn(next) }
	return minutes === 0 ? [rest] : [{ hours: minutes / 60, ...here }, rest]
}

function stayIn({ climate, movement, pace }: Place): Pick<Stay, 'climate' | 'movement' | 'pace'> {
	return { climate, movement, ...(pace !== undefined && { pace }) }
}

/** '18:30' in minutes after midnight. */
export function toMinutes(time: string): number {
	const [hours = 0, minutes = 0] = time.split(':').map(Number)
	return hours * 60 + minutes
}
