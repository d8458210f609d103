/** What the list of rooms and stores shows. */
import { beliefOf } from '../../../../core/plan/compile/drying-terms'
import { meanAir } from '../../../../core/drying/climate'
import type { DryingPiece } from '../../../../core/drying/drying-piece'
import { forecast } from '../../../../core/drying/forecast'
import { PASTE_TERMS } from '../../../../core/drying/paste-terms'
import { cutOffHumidity } from '../../../../core/drying/stages'
import type { Studio } from '../../../../db/repositories/accounts.server'
import { listPlaces } from '../../../../db/repositories/places.server'
import { readKnownDrying } from '../../../drying/drying-terms.server'
import { remember } from '../../../shared/http/remember.server'
import { readLive } from '../../readings/live-readings.server'
import { ageWords } from '../../words/readings'

/** By which rooms are compared. */
const PETAL: DryingPiece = {
	paste: PASTE_TERMS['gum paste'],
	body: { type: 'sheet', thicknessMm: 0.7, back: 'ventilated' },
}
const MADE_AT = 19 * 60
const rememberFirm = remember<{ p50: number | undefined; plan: number | undefined }>(500)

export async function loadPlaces(studio: Studio) {
	const [places, terms] = await Promise.all([listPlaces(studio.id), readKnownDrying(studio)])
	const live = await readLive(studio, places)
	const belief = beliefOf(terms, 'gum paste')
	return {
		places: places.map(({ id, kind, name, climate, movement }) => {
			const pace = terms.places.find((place) => place.id === id)?.pace ?? 1
			const path = { startMinuteOfDay: MADE_AT, stays: [{ hours: Infinity, climate, movement, pace }] }
			const { p50, plan } = rememberFirm([path, terms.observations['gum paste']], () => {
				return forecast(PETAL, path, belief, 'firm').stages.firm
			})
			const reading = live.get(id)
			const firm: [number, number] | undefined = p50 === undefined || plan === undefined ? undefined : [p50, plan]
			return {
				id,
				kind,
				name,
				movement,
				...meanAir(climate),
				isByDay: climate.type === 'day',
				found: terms.paces.find(({ placeId }) => placeId === id),
				firm,
				needsBelow: cutOffHumidity(PETAL.paste, 'firm'),
				reading: reading && { ...reading, ageWords: ageWords(reading.ageMinutes) },
			}
		}),
	}
}

export type PlaceCard = Awaited<ReturnType<typeof loadPlaces>>['places'][number]
