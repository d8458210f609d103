/** One room or store: its climate by hand, what its hygrometer says, and readings typed in or from a file. */
import { Button } from 'antd'
import { Link, useRevalidator, useSubmit } from 'react-router'
import { useEffect } from 'react'
import { PlaceForm } from '../../components/place-form/place-form'
import { memberContext } from '../../../shared/http/contexts'
import { readId } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import type { Route } from './+types/route'
import { changePlace } from './change-place.server'
import { loadPlace } from './load-place.server'
import { ReadingsPanel } from './readings-panel'
import { useAskBeforeLoss } from '../../../shared/components/use-ask-before-loss'

/** A live reading is fetched anew so often. */
const LIVE_MS = 60_000

export function meta({ loaderData }: Route.MetaArgs) {
	return [{ title: `${loaderData?.place.name ?? 'Room'} · Calycine` }]
}

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(() => loadPlace(context.get(memberContext).studio, readId(params.placeId)))
}

export function action({ params, request, context }: Route.ActionArgs) {
	return acting(() => changePlace(context.get(memberContext).studio, readId(params.placeId), request))
}

/** One room or store beside its hygrometer. */
export default function PlacePage({ loaderData, actionData }: Route.ComponentProps) {
	const { place, placeId } = loaderData
	const ask = useAskBeforeLoss()
	const submit = useSubmit()
	const { revalidate, state } = useRevalidator()
	useEffect(() => {
		if (place.sensor === 'none') return
		const timer = setInterval(() => state === 'idle' && void revalidate(), LIVE_MS)
		return () => clearInterval(timer)
	}, [place.sensor, revalidate, state])
	const askToDelete = () => {
		ask({
			title: `Delete “${place.name}”?`,
			content: 'Its readings go with it. Courses that name it are reckoned for the first room of their kind.',
			doIt: 'Delete',
			keep: 'Keep it',
			onDo: () => submit({ intent: 'delete', version: place.version }, { method: 'post' }),
		})
	}
	return (
		<>
			<div className="page-head">
				<h1>{place.name}</h1>
				<Link to="/rooms" className="push">
					All rooms
				</Link>
			</div>
			<div className="place-page">
				<PlaceForm key={`${placeId} ${place.version}`} initial={place} submitLabel="Save">
					<Button danger onClick={askToDelete} className="push">
						Delete
					</Button>
				</PlaceForm>
				<ReadingsPanel data={loaderData} answer={actionData} />
			</div>
		</>
	)
}
