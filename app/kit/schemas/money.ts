import { fromCents, toCents } from '../../../core/kit/money'
import { number, object, type InferType } from 'yup'
import type { CourseMoney } from '../../../core/kit/price-course'
import { rowVersion } from '../../shared/schemas/row-version'

const WORDS = 'An amount from 0 to 100000'

/** In the studio's money, with cents; as it is typed. */
const amount = () => number().typeError(WORDS).required(WORDS).min(0, WORDS).max(100_000, WORDS)

export const moneySchema = object({
	price: amount(),
	room: amount(),
	payPerHour: amount(),
	other: amount(),
	version: rowVersion(),
}).noUnknown()

export type MoneyInput = InferType<typeof moneySchema>

/** As core reckons: in cents. */
export function toCourseMoney({ price, room, payPerHour, other }: MoneyInput): CourseMoney {
	return {
		priceCents: toCents(price),
		roomCents: toCents(room),
		payCentsPerHour: toCents(payPerHour),
		otherCents: toCents(other),
	}
}

/** As the form shows it. */
export function toFields({ priceCents, roomCents, payCentsPerHour, otherCents }: CourseMoney) {
	return {
		price: fromCents(priceCents),
		room: fromCents(roomCents),
		payPerHour: fromCents(payCentsPerHour),
		other: fromCents(otherCents),
	}
}
