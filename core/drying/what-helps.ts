/**
 * A ladder of what would make a piece ready sooner, each rung computed; and what it is that makes it slow.
 */
import type { DryingStage } from '../vocabulary/drying-stage'
import { mapClimates, type Air, type Climate, type DryingPath } from './climate'
import { BACK_FACTORS, usualFaces, type DryingPiece } from './drying-piece'
import { CLAIMS, forecast, type Claim } from './forecast'
import { humidityAt } from './humid-air'
import type { PaceBelief } from './pace-belief'
import { PASTE_TERMS } from './paste-terms'
import { predictStages } from './predict-stages'

export type RungId =
	'turn over' | 'ventilated former' | 'fan' | 'thinner' | 'drier air' | 'heating' | 'both drier and fan' | 'other paste'

export interface Rung {
	id: RungId
	/** What is changed, as a number where there is one: mm, °C, relative humidity, hours. */
	amount?: number
	/** Hours, as in a forecast. */
	p50: number | undefined
	plan: number | undefined
	claim: Claim
}

/**
 * Rungs are what somebody can really do: roll it a fifth thinner, take ten points of humidity out of the air
 * with a household dryer though never below 30 %, heat by five degrees though not above 30 °C.
 */
const THINNER = 0.8
const DRIER = 0.1
const DRIEST = 0.3
const WARMER_C = 5
const WARMEST_C = 30

interface Change {
	id: RungId
	/** As on its rung. */
	amount?: number
	/** Absent: the same piece. */
	piece?: DryingPiece
	/** Absent: the same way. */
	path?: DryingPath
}

/** Rungs that can be taken for this piece, those that help most first; what does not help is left out. */
export function findWhatHelps(
	piece: DryingPiece,
	path: DryingPath,
	stage: DryingStage,
	belief: PaceBelief,
): { now: Looked; rungs: Rung[] } {
	const look = (changed: { piece?: DryingPiece; path?: DryingPath }): Looked => {
		const { p50, plan, claim } = forecast(changed.piece ?? piece, changed.path ?? path, belief, stage).stages[stage]
		return { p50, plan, claim }
	}
	const now = look({})
	const rungs = listChanges(piece, path, now.p50)
		.map((change): Rung => {
			const { id, amount } = change
			return { id, ...(amount !== undefined && { amount }), ...look(change) }
		})
		.filter((rung) => isBetter(rung, now))
		.toSorted(
			(a, b) =>
				CLAIMS.indexOf(a.claim) - CLAIMS.indexOf(b.claim) ||
				(a.plan ?? Infinity) - (b.plan ?? Infinity) ||
				(a.p50 ?? Infinity) - (b.p50 ?? Infinity),
		)
	return { now, rungs }
}

type Looked = Pick<Rung, 'p50' | 'plan' | 'claim'>

/** What is surer is better; of equal claims what is sooner by at least a fiftieth. */
function isBetter(rung: Looked, now: Looked): boolean {
	const gains = (after: number | undefined, before: number | undefined) => {
		return after !== undefined && (before === undefined || after < before * 0.98)
	}
	const claims = CLAIMS.indexOf(now.claim) - CLAIMS.indexOf(rung.claim)
	if (claims !== 0) return claims > 0
	return gains(rung.plan, now.plan) || (rung.plan === now.plan && gains(rung.p50, now.p50))
}

/** Everything that could be tried for the piece; not what it has already. */
function listChanges(piece: DryingPiece, path: DryingPath, p50: number | undefined): Change[] {
	const { body, paste } = piece
	const drier = mapClimates(path, (climate) => mapAir(climate, dryAir))
	const changes: Change[] = [
		{ id: 'fan', path: withFan(path) },
		{ id: 'drier air', amount: DRIER, path: drier },
		{ id: 'heating', amount: WARMER_C, path: mapClimates(path, (climate) => mapAir(climate, heatAir)) },
		{ id: 'both drier and fan', amount: DRIER, path: withFan(drier) },
	]
	if (paste.isothermK > PASTE_TERMS['gum paste'].isothermK)
		changes.push({ id: 'other paste', piece: { ...piece, paste: PASTE_TERMS['gum paste'] } })
	if (body.type !== 'sheet') return changes
	if (p50 !== undefined && body.back !== 'free')
		changes.push({ id: 'turn over', amount: p50 / 2, path: turnOver(path, piece, p50 / 2) })
	if (BACK_FACTORS[body.back] < BACK_FACTORS.ventilated)
		changes.push({ id: 'ventilated former', piece: { ...piece, body: { ...body, back: 'ventilated' } } })
	const thicknessMm = Math.round(body.thicknessMm * THINNER * 10) / 10
	if (thicknessMm >= 0.3 && thicknessMm < body.thicknessMm)
		changes.push({ id: 'thinner', amount: thicknessMm, piece: { ...piece, body: { ...body, thicknessMm } } })
	return changes
}

/** The piece laid on its other face after so many hours. */
export function turnOver(path: DryingPath, { body }: DryingPiece, afterHours: number): DryingPath {
	const { front, back } = usualFaces(body)
	return changeAfter(path, afterHours, { front: back, back: front })
}

/** The piece taken off its former after so many hours: both faces free, as on a rack. */
export function takeOffFormer(path: DryingPath, afterHours: number): DryingPath {
	return changeAfter(path, afterHours, { front: 1, back: 1 })
}

/** Other faces breathe from then on; the stay that the moment lies in is cut in two. */
function changeAfter(path: DryingPath, afterHours: number, faces: { front: number; back: number }): DryingPath {
	let begun = 0
	let isChanged = false
	const stays = path.stays.flatMap((stay) => {
		const [start, end] = [begun, begun + stay.hours]
		begun = end
		if (isChanged || end <= afterHours) return [stay]
		isChanged = true
		const left = end - Math.max(start, afterHours)
		const after = { ...stay, hours: left, faces }
		return afterHours > start ? [{ ...stay, hours: afterHours - start }, after] : [after]
	})
	return { ...path, stays }
}

/** A strong fan stays as strong as it is. */
function withFan(path: DryingPath): DryingPath {
	return {
		...path,
		stays: path.stays.map((stay) => (stay.movement === 'strong fan' ? stay : { ...stay, movement: 'fan' })),
	}
}

/** The change at every hour of the day. */
function mapAir(climate: Climate, change: (air: Air) => Air): Climate {
	return climate.type === 'steady'
		? { type: 'steady', ...change(climate) }
		: { type: 'day', hours: climate.hours.map(change) }
}

/** Never below what a household dryer reaches, and never damper than it is. */
function dryAir({ temperatureC, humidity }: Air): Air {
	return { temperatureC, humidity: Math.min(humidity, Math.max(DRIEST, humidity - DRIER)) }
}

/** The same water in warmer air. */
function heatAir(air: Air): Air {
	const temperatureC = Math.max(air.temperatureC, Math.min(WARMEST_C, air.temperatureC + WARMER_C))
	return { temperatureC, humidity: humidityAt(temperatureC, air) }
}

export type SlowCause = 'back' | 'humidity' | 'cold' | 'thickness' | 'paste'

/** What makes a wait long, against a usual case: free back, 50 % at 21 °C, 0.6 mm, gum paste. */
export interface SlowReason {
	cause: SlowCause
	/** How many times as long as without it; absent: it never gets there with it. */
	times?: number
}

/** What a usual case is: an ordinary room, and the thickness of most petals. */
const USUAL_AIR: Air = { temperatureC: 21, humidity: 0.5 }
const USUAL_THICKNESS_MM = 0.6
/** Less than this is not worth a word. */
const LEAST_TIMES = 1.2

/** What slows the piece most first; empty where nothing does. */
export function findWhatSlows(piece: DryingPiece, path: DryingPath, stage: DryingStage): SlowReason[] {
	const { body, paste } = piece
	const hoursOf = (changed: DryingPiece, way: DryingPath) => {
		return predictStages(changed, way, { until: stage })[stage] ?? Infinity
	}
	const asIs = hoursOf(piece, path)
	const usualAir = (change: (air: Air) => Air) => mapClimates(path, (climate) => mapAir(climate, change))
	const without: { cause: SlowCause; piece?: DryingPiece; path?: DryingPath }[] = [
		{
			cause: 'humidity',
			path: usualAir((air) => ({ ...air, humidity: Math.min(air.humidity, USUAL_AIR.humidity) })),
		},
		{
			cause: 'cold',
			path: usualAir((air) => ({ ...air, temperatureC: Math.max(air.temperatureC, USUAL_AIR.temperatureC) })),
		},
	]
	if (body.type === 'sheet') {
		without.push({ cause: 'back', piece: { ...piece, body: { ...body, back: 'free' } } })
		const thicknessMm = Math.min(body.thicknessMm, USUAL_THICKNESS_MM)
		without.push({ cause: 'thickness', piece: { ...piece, body: { ...body, thicknessMm } } })
	}
	if (paste.isothermK > PASTE_TERMS['gum paste'].isothermK)
		without.push({ cause: 'paste', piece: { ...piece, paste: PASTE_TERMS['gum paste'] } })
	return without
		.map((change): SlowReason => {
			const hours = hoursOf(change.piece ?? piece, change.path ?? path)
			const times = hours === Infinity ? 1 : asIs / hours
			return { cause: change.cause, ...(times < Infinity && { times }) }
		})
		.filter(({ times = Infinity }) => times >= LEAST_TIMES)
		.toSorted((a, b) => (b.times ?? Infinity) - (a.times ?? Infinity))
}
