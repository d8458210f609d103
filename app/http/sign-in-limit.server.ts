/** Wrong passwords are limited, by address and account and by address alone. Counted in memory: a restart forgets. */
import { RateLimiterMemory } from 'rate-limiter-flexible'
import { InputError } from '../../core/errors'

const WINDOW_SECONDS = 15 * 60
const byAccount = new RateLimiterMemory({ points: 8, duration: WINDOW_SECONDS, keyPrefix: 'account' })
const byAddress = new RateLimiterMemory({ points: 60, duration: WINDOW_SECONDS, keyPrefix: 'address' })

/**
 * Counts an attempt before the password is looked at.
 *
 * @throws {InputError} too many; it says how long to wait
 */
export async function countAttempt(email: string, address: string): Promise<void> {
	try {
		await Promise.all([byAccount.consume(`${email.toLowerCase()} ${address}`), byAddress.consume(address)])
	} catch (refusal) {
		if (refusal instanceof Error) throw refusal
		const minutes = Math.max(1, Math.ceil(Number((refusal as { msBeforeNext?: number }).msBeforeNext ?? 0) / 60_000))
		const message = `Too many attempts. Please wait ${minutes} ${minutes === 1 ? 'minute' : 'minutes'} and try again.`
		throw new InputError([{ path: 'password', message }])
	}
}

/** A right password clears the account's count. */
export async function clearAttempts(email: string, address: string): Promise<void> {
	await byAccount.delete(`${email.toLowerCase()} ${address}`)
}
