/** Where pieces dry: the rooms that classes meet in, and the stores where pieces lie between sessions. */
import type { AirMovement } from './air-film'
import type { Climate } from './climate'

export type PlaceKind = 'room' | 'store'

export interface Place {
	id: number
	kind: PlaceKind
	name: string
	climate: Climate
	movement: AirMovement
	/** So many times as fast as its air says, learnt from what was seen there; absent: 1. */
	pace?: number
}

/** What is taken for a place that nobody has described. */
export const ORDINARY_PLACE: Place = {
	id: 0,
	kind: 'room',
	name: 'an ordinary room',
	climate: { type: 'steady', temperatureC: 21, humidity: 0.5 },
	movement: 'still',
}
