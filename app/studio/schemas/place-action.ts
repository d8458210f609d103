/** What else the screen of a place may ask for, by its intent. */
import { number, object, string } from 'yup'
import { AIR_LIMITS } from '../../../core/drying/climate'
import { versionSchema } from '../../shared/schemas/row-version'

const { minC, maxC } = AIR_LIMITS
const TEMPERATURE = `A temperature from ${minC} to ${maxC} °C`
const HUMIDITY = 'A humidity from 1 to 100 %'
/** Of a file: a year of readings, one every five minutes, has some 3 MB. */
const MOST_CHARACTERS = 3_500_000

export const placeActions = {
	'type-in': object({
		temperatureC: number().typeError(TEMPERATURE).required(TEMPERATURE).min(minC, TEMPERATURE).max(maxC, TEMPERATURE),
		humidity: number().typeError(HUMIDITY).required(HUMIDITY).min(1, HUMIDITY).max(100, HUMIDITY),
	}).noUnknown(),
	import: object({
		text: string().required('The file is empty').max(MOST_CHARACTERS, 'The file is larger than 3.5 MB'),
	}).noUnknown(),
	'take-day': versionSchema,
	delete: versionSchema,
}
