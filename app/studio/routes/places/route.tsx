/** Rooms and stores: what the air is like, and what it means for a petal. */
import { LinkButton } from '../../../shared/components/link-button'
import { Link } from 'react-router'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { hoursRange, MOVEMENT_WORDS } from '../../../drying/words/drying'
import { neededAir } from '../../../drying/words/waits'
import type { Route } from './+types/route'
import { foundWords } from '../../words/place-pace'
import { loadPlaces, type PlaceCard } from './load-places.server'
import './places.css'

export function meta() {
	return [{ title: 'Rooms · Calycine' }]
}

export function loader({ context }: Route.LoaderArgs) {
	return loading(() => loadPlaces(context.get(memberContext).studio))
}

/** Rooms and stores with their air of this moment. */
export default function PlacesPage({ loaderData: { places } }: Route.ComponentProps) {
	return (
		<>
			<div className="page-head">
				<h1>Rooms</h1>
				<LinkButton type="primary" className="push" to="/rooms/new">
					Describe a room or a store
				</LinkButton>
			</div>
			{places.length === 0 ? (
				<section className="sheet empty">
					<h2>No room is described yet</h2>
					<p className="soft">Until then every wait is reckoned for 21 °C, 50 % humidity and still air.</p>
				</section>
			) : (
				<>
					<Kind title="Where classes meet" places={places.filter(({ kind }) => kind === 'room')} />
					<Kind title="Where pieces lie between sessions" places={places.filter(({ kind }) => kind === 'store')} />
				</>
			)}
		</>
	)
}

function Kind({ title, places }: { title: string; places: readonly PlaceCard[] }) {
	if (places.length === 0) return null
	return (
		<section className="stack place-kind" aria-label={title}>
			<h2>{title}</h2>
			<ul className="place-list">
				{places.map((place, p) => (
					<li key={place.id} className="sheet">
						<h3>
							<Link to={`/rooms/${place.id}`}>{place.name}</Link>
							{p === 0 && <span className="soft small"> taken where a course names none</span>}
						</h3>
						<p className="place-air">
							{place.temperatureC.toFixed(0)} °C <span>{Math.round(100 * place.humidity)} %</span>
						</p>
						<p className="soft">
							{place.isByDay ? 'over the day, ' : ''}
							{MOVEMENT_WORDS[place.movement]}
						</p>
						<p>
							A petal of 0.7 mm:{' '}
							<b>
								{place.firm === undefined
									? `never firm, needs air ${neededAir(place.needsBelow)}`
									: `firm in ${hoursRange(...place.firm)}`}
							</b>
						</p>
						{place.found && <p className="soft">{foundWords(place.found)}</p>}
						{place.reading && (
							<p className={place.reading.isOld ? 'reading is-old' : 'reading'}>
								Hygrometer: {place.reading.temperatureC.toFixed(1)} °C, {Math.round(100 * place.reading.humidity)} %,{' '}
								{place.reading.isOld ? `old: ${place.reading.ageWords}` : place.reading.ageWords}
							</p>
						)}
					</li>
				))}
			</ul>
		</section>
	)
}
