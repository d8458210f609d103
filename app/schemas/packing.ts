import { array, mixed, number, object, string, type InferType } from 'yup'

/** Lines that are packed, or taken out again; or everything unpacked. */
export const packingSchema = object({
	intent: mixed<'pack' | 'unpack' | 'clear'>().oneOf(['pack', 'unpack', 'clear']).required(),
	ticks: array(
		object({
			seat: number().required().integer().min(0).max(60),
			line: string().required().max(190),
			amount: number().required().integer().min(0),
		}).noUnknown(),
	)
		.default([])
		.max(4000),
}).noUnknown()

export type PackingInput = InferType<typeof packingSchema>
