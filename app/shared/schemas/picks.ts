import { mixed } from 'yup'

/** Options by the choice that they belong to; whether a design has them is core's to say. */
export const picksShape = () =>
	mixed<Record<string, string>>()
		.default({})
		.test('picks', 'Choose one of the options', (value) => value === undefined || isRecordOfText(value))

function isRecordOfText(value: unknown): boolean {
	return typeof value === 'object' && value !== null && Object.values(value).every((text) => typeof text === 'string')
}
