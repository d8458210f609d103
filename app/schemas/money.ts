import { number, object, type InferType } from 'yup'

const WORDS = 'An amount from 0 to 100000'

/** In the studio's money, with cents; as it is typed. */
const amount = () => number().typeError(WORDS).required(WORDS).min(0, WORDS).max(100_000, WORDS)

export const moneySchema = object({
	price: amount(),
	room: amount(),
	payPerHour: amount(),
	other: amount(),
}).noUnknown()

export type MoneyInput = InferType<typeof moneySchema>
