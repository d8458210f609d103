/** A room or a store as its form sends it. */
import { array, mixed, number, object, string, type InferType } from 'yup'
import { AIR_MOVEMENTS, type AirMovement } from '../../../core/drying/air-film'
import { meanAir, type Climate } from '../../../core/drying/climate'
import type { PlaceKind } from '../../../core/drying/place'
import type { Sensor } from '../../../core/readings/reading'

const TEMPERATURE = 'From 5 to 40 °C'
const HUMIDITY = 'From 5 to 95 %'

const temperature = () => number().typeError(TEMPERATURE).required(TEMPERATURE).min(5, TEMPERATURE).max(40, TEMPERATURE)
const humidity = () => number().typeError(HUMIDITY).required(HUMIDITY).min(5, HUMIDITY).max(95, HUMIDITY)

/** Humidity in %, as it is typed. */
export const placeSchema = object({
	name: string().trim().required('Give the place a name').max(60, 'At most 60 characters'),
	kind: mixed<PlaceKind>().oneOf(['room', 'store'], 'A room or a store').required('A room or a store'),
	movement: mixed<AirMovement>().oneOf(AIR_MOVEMENTS, 'Choose how the air moves').required('Choose how the air moves'),
	sensor: mixed<Sensor>().oneOf(['none', 'stand-in'], 'Choose a sensor').default('none'),
	type: mixed<Climate['type']>().oneOf(['steady', 'day'], 'Choose').required('Choose'),
	temperatureC: temperature().when('type', { is: 'day', then: () => number() }),
	humidity: humidity().when('type', { is: 'day', then: () => number() }),
	hours: array(object({ temperatureC: temperature(), humidity: humidity() }).noUnknown()).when('type', {
		is: 'day',
		then: (schema) => schema.required('Fill all 24 hours').length(24, 'Fill all 24 hours'),
	}),
	/** 0: a new one. */
	version: number().integer().min(0).max(1e9).required(),
}).noUnknown()

export type PlaceInput = InferType<typeof placeSchema>

/** As the form edits a climate: humidity in %, and both kinds filled. */
export function fromClimate(climate: Climate): Pick<PlaceInput, 'type' | 'temperatureC' | 'humidity' | 'hours'> {
	const mean = meanAir(climate)
	const hours = climate.type === 'day' ? climate.hours : Array.from({ length: 24 }, () => mean)
	return {
		type: climate.type,
		temperatureC: Math.round(10 * mean.temperatureC) / 10,
		humidity: Math.round(100 * mean.humidity),
		hours: hours.map((air) => ({
			temperatureC: air.temperatureC,
			humidity: Math.round(1000 * air.humidity) / 10,
		})),
	}
}

/** As a climate of the model. */
export function toClimate({ type, temperatureC = 21, humidity: percent = 50, hours = [] }: PlaceInput): Climate {
	return type === 'steady'
		? { type, temperatureC, humidity: percent / 100 }
		: { type, hours: hours.map((air) => ({ temperatureC: air.temperatureC, humidity: air.humidity / 100 })) }
}
