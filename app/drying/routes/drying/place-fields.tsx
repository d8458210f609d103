import { Link } from 'react-router'
import { DRYING_STAGES } from '../../../../core/vocabulary/drying-stage'
import { AIR_MOVEMENTS, type AirMovement } from '../../../../core/drying/air-film'
import { SUGAR_DISSOLVES_AT } from '../../../../core/drying/paste-terms'
import { SelectField } from '../../../shared/components/fields/choice-fields'
import { NumberField } from '../../../shared/components/fields/number-field'
import { TimeField } from '../../../shared/components/fields/time-field'
import { airAtStart } from '../../ask-drying'
import { MOVEMENT_WORDS, STAGE_WORDS } from '../../words/drying'
import type { DryingData } from './load-drying.server'
import type { Drying } from './use-drying'

const MOVEMENTS = AIR_MOVEMENTS.map((value) => ({ value, label: MOVEMENT_WORDS[value] }))
const STAGES = DRYING_STAGES.map((value) => ({ value, label: STAGE_WORDS[value] }))

interface DryingFieldsProps {
	drying: Drying
	data: DryingData
}

/** Where it dries, from when, and when it is wanted. */
export function PlaceFields({ drying, data }: DryingFieldsProps) {
	return (
		<>
			<fieldset className="drying-fields">
				<legend>Where</legend>
				<RoomFields drying={drying} data={data} />
				<MovedFields drying={drying} data={data} />
			</fieldset>
			<fieldset className="drying-fields">
				<legend>When</legend>
				<WhenFields drying={drying} />
			</fieldset>
		</>
	)
}

function RoomFields({ drying: { address, change, problemOf }, data }: DryingFieldsProps) {
	const { places } = data.known
	const takeRoom = (room: number) => {
		if (room !== 0) return change({ room })
		// Begins with the air of the place that was shown.
		const { temperatureC, humidity, movement } = airAtStart(address, data.known)
		change({ room, temperature: Math.round(temperatureC), humidity: Math.round(humidity * 100), air: movement })
	}
	return (
		<>
			<SelectField
				label="Dries in"
				name="room"
				value={String(address.room)}
				options={[...places.map(({ id, name }) => ({ value: String(id), label: name })), OWN_AIR]}
				onChange={(room) => takeRoom(Number(room))}
			/>
			{address.room === 0 ? (
				<OwnAirFields address={address} change={change} problemOf={problemOf} />
			) : (
				<p className="soft small">
					{airWords(airAtStart(address, data.known))} at {address.start}.{' '}
					<Link to={`/rooms/${address.room}`}>Change it</Link>
				</p>
			)}
		</>
	)
}

const OWN_AIR = { value: '0', label: 'air of my own choice' }

function OwnAirFields({ address, change, problemOf }: Pick<Drying, 'address' | 'change' | 'problemOf'>) {
	return (
		<>
			<NumberField
				label="Humidity"
				unit="%"
				name="humidity"
				value={address.humidity}
				min={5}
				max={95}
				hasSlider
				problem={problemOf('humidity')}
				onChange={(humidity) => change({ humidity })}
			/>
			<NumberField
				label="Temperature"
				unit="°C"
				name="temperature"
				value={address.temperature}
				min={5}
				max={40}
				hasSlider
				problem={problemOf('temperature')}
				onChange={(temperature) => change({ temperature })}
			/>
			<SelectField
				label="Air"
				name="air"
				value={address.air}
				options={MOVEMENTS}
				onChange={(air: AirMovement) => change({ air })}
			/>
			{address.humidity >= 100 * SUGAR_DISSOLVES_AT && (
				<p className="field-problem">In air this damp the paste takes up water and turns sticky.</p>
			)}
		</>
	)
}

function MovedFields({ drying: { address, change, problemOf }, data }: DryingFieldsProps) {
	const places = data.known.places.map(({ id, name }) => ({ value: String(id), label: `to ${name}` }))
	const move = (then: string) =>
		change(then === '' ? { moved: undefined, then: 0 } : { moved: address.moved ?? '21:00', then: Number(then) })
	return (
		<>
			<SelectField
				label="Moved later"
				name="then"
				value={address.moved === undefined ? '' : String(address.then)}
				options={[{ value: '', label: 'it stays there' }, ...places]}
				onChange={move}
			/>
			{address.moved !== undefined && (
				<TimeField
					label="Moved at"
					name="moved"
					value={address.moved}
					problem={problemOf('moved')}
					onChange={(moved) => change({ moved })}
				/>
			)}
		</>
	)
}

function WhenFields({ drying: { address, change, problemOf } }: Pick<DryingFieldsProps, 'drying'>) {
	return (
		<>
			<div className="field-row">
				<TimeField
					label="Made at"
					name="start"
					value={address.start}
					problem={problemOf('start')}
					onChange={(start) => change({ start })}
				/>
				<SelectField
					label="Wanted"
					name="stage"
					value={address.stage}
					options={STAGES}
					onChange={(stage) => change({ stage })}
				/>
			</div>
			<div className="field-row">
				<NumberField
					label="Days later"
					name="days"
					value={address.days}
					min={0}
					max={30}
					isWhole
					problem={problemOf('days')}
					onChange={(days) => change({ days })}
				/>
				<TimeField
					label="at"
					name="by"
					value={address.by}
					problem={problemOf('by')}
					onChange={(by) => change({ by })}
				/>
			</div>
		</>
	)
}

function airWords({ temperatureC, humidity, movement }: ReturnType<typeof airAtStart>): string {
	return `${temperatureC.toFixed(0)} °C, ${(100 * humidity).toFixed(0)} % humidity, ${MOVEMENT_WORDS[movement]}`
}
