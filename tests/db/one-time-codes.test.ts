/** One-time codes: by the test values of RFC 6238, each once; and the words for when their device is lost. */
import { createHmac } from 'node:crypto'
import { beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { UserModel } from '../../db/models/accounts.server'
import {
	asksForCode,
	beginCodes,
	confirmCodes,
	endCodes,
	getBegunCodes,
	getCodeSetting,
	takeCodeOrWord,
} from '../../db/repositories/one-time-codes.server'
import { foundStudio, freshDatabase } from '../support/studios'

beforeAll(freshDatabase)

/** The secret of the RFC's appendix B, '12345678901234567890', in base 32. */
const RFC_SECRET = 'GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ'

/** RFC 6238, appendix B, SHA-1: seconds and the eight digits, of which ours are the last six (RFC 4226, 5.3). */
const RFC_CODES: [seconds: number, digits: string][] = [
	[59, '94287082'],
	[1111111109, '07081804'],
	[1111111111, '14050471'],
	[1234567890, '89005924'],
	[2000000000, '69279037'],
]

/** RFC 4226, 5.3, written out here: the library is not asked whether it is right. */
function codeAt(base32: string, seconds: number): string {
	const bits = [...base32].map((sign) => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'.indexOf(sign).toString(2).padStart(5, '0'))
	const key = Buffer.from((bits.join('').match(/.{8}/g) ?? []).map((byte) => parseInt(byte, 2)))
	const counter = Buffer.alloc(8)
	counter.writeBigUInt64BE(BigInt(Math.floor(seconds / 30)))
	const hash = createHmac('sha1', key).update(counter).digest()
	const at = (hash.at(-1) ?? 0) & 15
	return String((hash.readUInt32BE(at) & 0x7fffffff) % 1_000_000).padStart(6, '0')
}

let userId: number
beforeEach(async () => {
	;({ userId } = await foundStudio())
})

const at = (seconds: number) => new Date(1000 * seconds)

test.each(RFC_CODES)('at %i s the code of the RFC is taken, and no other', async (seconds, digits) => {
	await UserModel.update({ codeSecret: RFC_SECRET }, { where: { id: userId } })
	const code = digits.slice(-6)
	expect(codeAt(RFC_SECRET, seconds)).toBe(code)
	const wrong = String((Number(code) + 1) % 1_000_000).padStart(6, '0')
	expect(await takeCodeOrWord(userId, wrong, at(seconds))).toBe(false)
	expect(await takeCodeOrWord(userId, code, at(seconds + 300))).toBe(false)
	expect(await takeCodeOrWord(userId, `${code.slice(0, 3)} ${code.slice(3)}`, at(seconds))).toBe(true)
})

describe('codes', () => {
	const T = 1_772_445_600

	test('are not asked for before one was shown; then each works once, and none before it', async () => {
		const { secret } = (await beginCodes(userId, 'a@studio.example'))!
		expect(await asksForCode(userId)).toBe(false)
		expect(await confirmCodes(userId, '12345', at(T))).toBeUndefined()
		expect((await getBegunCodes(userId, 'a@studio.example'))!.secret).toBe(secret)
		expect(await confirmCodes(userId, codeAt(secret, T), at(T))).toHaveLength(10)
		expect(await asksForCode(userId)).toBe(true)
		// Whoever has her device open cannot change the secret under her.
		expect(await beginCodes(userId, 'a@studio.example')).toBeUndefined()
		expect(await getBegunCodes(userId, 'a@studio.example')).toBeUndefined()

		expect(await takeCodeOrWord(userId, codeAt(secret, T), at(T + 1))).toBe(false)
		const next = codeAt(secret, T + 60)
		const twice = await Promise.all([1, 2].map(() => takeCodeOrWord(userId, next, at(T + 60))))
		expect(twice.filter(Boolean)).toHaveLength(1)
		// The clock of a telephone may be half a minute off; but not behind a code that was used.
		expect(await takeCodeOrWord(userId, codeAt(secret, T + 30), at(T + 60))).toBe(false)
		expect(await takeCodeOrWord(userId, codeAt(secret, T + 120), at(T + 95))).toBe(true)
	})

	test('words let in once each, and are stored as hashes alone', async () => {
		const { secret } = (await beginCodes(userId, 'a@studio.example'))!
		const words = (await confirmCodes(userId, codeAt(secret, T), at(T)))!
		expect(new Set(words).size).toBe(10)
		const row = await UserModel.findByPk(userId)
		for (const word of words) expect(JSON.stringify(row)).not.toContain(word)

		const [word = ''] = words
		expect(await takeCodeOrWord(userId, word.toUpperCase().match(/.{4}/g)!.join('-'), at(T))).toBe(true)
		expect(await takeCodeOrWord(userId, word, at(T))).toBe(false)
		expect(await takeCodeOrWord(userId, '', at(T))).toBe(false)
		expect(await getCodeSetting(userId)).toEqual({ isOn: true, wordsLeft: 9 })

		await endCodes(userId)
		expect(await takeCodeOrWord(userId, words[1]!, at(T))).toBe(false)
		expect(await getCodeSetting(userId)).toEqual({ isOn: false, wordsLeft: 0 })
	})
})
