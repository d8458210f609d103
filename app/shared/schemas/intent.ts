/** An action that can do several things: one schema each, by its intent. */
import type { InferType, ObjectSchema } from 'yup'

/** What such an action reads: a union told apart by `intent`. */
export type IntentOf<S extends Record<string, ObjectSchema<object>>> = {
	[K in keyof S]: { intent: K } & InferType<S[K]>
}[keyof S]
