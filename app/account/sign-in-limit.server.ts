/**
 * Wrong passwords are limited, by address and account, and by address alone. Counted in the database, so that a restart
 * forgets none and several nodes count together.
 */
import { InputError } from '../../core/errors'
import { countFailure, forgetFailures, takeFailureBack } from '../../db/repositories/sign-in-failures.server'

const WINDOW_MS = 15 * 60_000
const MOST_OF_ACCOUNT = 8
const MOST_OF_ADDRESS = 60
const MOST_LETTERS = 3
const MOST_LETTERS_OF_ADDRESS = 20

interface Keys {
	account: string
	/**
	 * Absent where everybody comes from one address, since a proxy stands before us that we were not told to trust: a few
	 * wrong passwords would lock everybody out.
	 */
	address?: string
}

function keysOf(email: string, address: string | undefined): Keys {
	const account = `account ${email.toLowerCase()} ${address ?? ''}`
	return address === undefined ? { account } : { account, address: `address ${address}` }
}

/**
 * Counts an attempt before the password is looked at, so that many at once count as many; a right one is taken back.
 *
 * @param from - address of the visitor; undefined: it says nothing of a person
 * @throws {InputError} too many; it says how long to wait
 */
export async function countAttempt(email: string, from: string | undefined): Promise<void> {
	const { account, address } = keysOf(email, from)
	const now = Date.now()
	refuseAfter(await countFailure(account, WINDOW_MS, now), MOST_OF_ACCOUNT, 'password')
	if (address !== undefined) refuseAfter(await countFailure(address, WINDOW_MS, now), MOST_OF_ADDRESS, 'password')
}

/** What somebody may try who has the device, or the password: each is counted by itself, and none locks the door. */
type OwnTry = 'password' | 'code'

/**
 * @param field - beside which it is said
 * @throws {InputError} too many; it says how long to wait
 */
export async function countOwnAttempt(userId: number, what: OwnTry, field: string): Promise<void> {
	refuseAfter(await countFailure(`own ${what} ${userId}`, WINDOW_MS, Date.now()), MOST_OF_ACCOUNT, field)
}

/** It was right. */
export async function forgiveOwnAttempts(userId: number, what: OwnTry): Promise<void> {
	await forgetFailures(`own ${what} ${userId}`, Date.now())
}

/**
 * Counts a letter that somebody asks for without being signed in: nobody's box is filled.
 *
 * @throws {InputError} too many; it says how long to wait
 */
export async function countLetter(email: string, from: string | undefined): Promise<void> {
	const now = Date.now()
	refuseAfter(await countFailure(`letter ${email.toLowerCase()}`, WINDOW_MS, now), MOST_LETTERS, 'email')
	if (from === undefined) return
	refuseAfter(await countFailure(`letters ${from}`, WINDOW_MS, now), MOST_LETTERS_OF_ADDRESS, 'email')
}

function refuseAfter({ count, msLeft }: { count: number; msLeft: number }, most: number, path: string): void {
	if (count <= most) return
	const minutes = Math.max(1, Math.ceil(msLeft / 60_000))
	const message = `Too many attempts. Please wait ${minutes} ${minutes === 1 ? 'minute' : 'minutes'} and try again.`
	throw new InputError([{ path, message }])
}

/** The password was right: the account's failures are forgotten, and the address has one less. */
export async function forgiveAttempt(email: string, from: string | undefined): Promise<void> {
	const { account, address } = keysOf(email, from)
	await forgetFailures(account, Date.now())
	if (address !== undefined) await takeFailureBack(address)
}
