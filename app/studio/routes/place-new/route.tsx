import { redirect } from 'react-router'
import { ORDINARY_PLACE } from '../../../../core/drying/place'
import { createPlace } from '../../../../db/repositories/places.server'
import { PlaceForm } from '../../components/place-form/place-form'
import { memberContext } from '../../../shared/http/contexts'
import { readBody } from '../../../shared/http/read-input.server'
import { acting } from '../../../shared/http/responses.server'
import { placeSchema, toClimate, type PlaceInput } from '../../schemas/place'
import type { Route } from './+types/route'

export function meta() {
	return [{ title: 'A new room · Calycine' }]
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const input = await readBody(request, placeSchema)
		const { name, kind, movement, sensor } = input
		const place = { name, kind, movement, sensor, climate: toClimate(input) }
		const id = await createPlace(context.get(memberContext).studio.id, place)
		return redirect(`/rooms/${id}`)
	})
}

const EMPTY: PlaceInput = {
	name: '',
	kind: 'room',
	movement: ORDINARY_PLACE.movement,
	sensor: 'none',
	type: 'steady',
	temperatureC: 21,
	humidity: 50,
	hours: Array.from({ length: 24 }, () => ({ temperatureC: 21, humidity: 50 })),
	version: 0,
}

/** A room or a store to begin. */
export default function NewPlacePage() {
	return (
		<>
			<div className="page-head">
				<h1>A room or a store</h1>
			</div>
			<PlaceForm initial={EMPTY} submitLabel="Save" />
		</>
	)
}
