import { mixed, number, object, string } from 'yup'

const INTENTS = ['type-in', 'import', 'take-day', 'delete'] as const
const TEMPERATURE = 'A temperature from -5 to 45 °C'
const HUMIDITY = 'A humidity from 1 to 100 %'

/** What else the screen of a place may ask for. */
export const placeActionSchema = object({
	intent: mixed<(typeof INTENTS)[number]>().oneOf(INTENTS).required(),
	temperatureC: number()
		.typeError(TEMPERATURE)
		.min(-5, TEMPERATURE)
		.max(45, TEMPERATURE)
		.when('intent', { is: 'type-in', then: (schema) => schema.required(TEMPERATURE) }),
	humidity: number()
		.typeError(HUMIDITY)
		.min(1, HUMIDITY)
		.max(100, HUMIDITY)
		.when('intent', { is: 'type-in', then: (schema) => schema.required(HUMIDITY) }),
	/** Of a file. */
	text: string()
		.max(1_500_000, 'The file is larger than 1.5 MB')
		.when('intent', { is: 'import', then: (schema) => schema.required('The file is empty') }),
}).noUnknown()
