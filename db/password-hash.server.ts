/** Passwords, hashed with scrypt and a salt of their own. */
import { randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto'

/** Cost of the OWASP password storage cheat sheet (from memory): N = 2^17, r = 8, p = 1 takes 128 MiB. */
const COST = { N: 2 ** 17, r: 8, p: 1 }
/** At once: the third waits, so that nobody fills the memory by trying passwords. */
const MOST_AT_ONCE = 2
const KEY_BYTES = 32
const SALT_BYTES = 16

/** A hash that carries its own cost and salt: `scrypt$N$r$p$salt$key`, the last two in base64. */
export async function hashPassword(password: string): Promise<string> {
	const salt = randomBytes(SALT_BYTES)
	const key = await derive(password, salt, COST)
	return ['scrypt', COST.N, COST.r, COST.p, salt.toString('base64'), key.toString('base64')].join('$')
}

/** Whether the password gives the hash; compared in constant time. A hash of another form never matches. */
export async function matchesPassword(password: string, hash: string): Promise<boolean> {
	const [scheme, N, r, p, salt, key] = hash.split('$')
	if (scheme !== 'scrypt' || !salt || !key) return false
	const expected = Buffer.from(key, 'base64')
	const actual = await derive(password, Buffer.from(salt, 'base64'), { N: Number(N), r: Number(r), p: Number(p) })
	return actual.length === expected.length && timingSafeEqual(actual, expected)
}

/** Whether the hash was made at another cost than today's: when its password is known it is to be made anew. */
export function isOutdated(hash: string): boolean {
	const [scheme, N, r, p] = hash.split('$')
	return scheme !== 'scrypt' || Number(N) !== COST.N || Number(r) !== COST.r || Number(p) !== COST.p
}

let running = 0
const waiting: (() => void)[] = []

async function derive(...terms: Parameters<typeof deriveKey>): Promise<Buffer> {
	if (running >= MOST_AT_ONCE) await new Promise<void>((resolve) => waiting.push(resolve))
	else running++
	try {
		return await deriveKey(...terms)
	} finally {
		const next = waiting.shift()
		// Its turn goes to the next one.
		if (next) next()
		else running--
	}
}

function deriveKey(
	password: string,
	salt: Buffer,
	cost: Required<Pick<ScryptOptions, 'N' | 'r' | 'p'>>,
): Promise<Buffer> {
	return new Promise((resolve, reject) => {
		scrypt(password.normalize('NFKC'), salt, KEY_BYTES, { ...cost, maxmem: 256 * cost.N * cost.r }, (error, key) => {
			if (error) reject(error)
			else resolve(key)
		})
	})
}
