/** One-time codes beside a password (RFC 6238, 6 digits, 30 s), and words for when the device that makes them is lost. */
import { createHash, randomInt } from 'node:crypto'
import { generateSecret, generateURI, verifySync } from 'otplib'
import { Op } from 'sequelize'
import { inTransaction, writing } from '../connection.server'
import { UserModel } from '../models/accounts.server'

/** Clocks of telephones are so far off at most, s. */
const TOLERANCE_S = 30
const RECOVERY_WORDS = 10
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789'
const WORD_LETTERS = 12

export interface CodeSetting {
	isOn: boolean
	/** Recovery words that were not used. */
	wordsLeft: number
}

export async function getCodeSetting(userId: number): Promise<CodeSetting> {
	const row = await UserModel.findByPk(userId, { attributes: ['asksCode', 'recoveryHashes'] })
	return { isOn: row?.asksCode ?? false, wordsLeft: row?.recoveryHashes?.length ?? 0 }
}

/** Whether whoever has her password is asked for a code as well. */
export async function asksForCode(userId: number): Promise<boolean> {
	return (await getCodeSetting(userId)).isOn
}

/**
 * A new secret, of which no code is asked before one was shown.
 *
 * @returns the secret in base 32, and its otpauth address; undefined: codes are asked of her already
 */
export async function beginCodes(userId: number, label: string): Promise<{ secret: string; uri: string } | undefined> {
	const secret = generateSecret()
	const [changed] = await writing(() =>
		UserModel.update({ codeSecret: secret, codeStep: 0 }, { where: { id: userId, asksCode: false } }),
	)
	return changed === 0 ? undefined : { secret, uri: generateURI({ issuer: 'Calycine', label, secret }) }
}

/** The secret that was begun and not confirmed yet, to show it again. */
export async function getBegunCodes(
	userId: number,
	label: string,
): Promise<{ secret: string; uri: string } | undefined> {
	const row = await UserModel.findByPk(userId, { attributes: ['asksCode', 'codeSecret'] })
	if (!row?.codeSecret || row.asksCode) return undefined
	return { secret: row.codeSecret, uri: generateURI({ issuer: 'Calycine', label, secret: row.codeSecret }) }
}

/**
 * From now on codes are asked of her, if this is one of the secret that was begun.
 *
 * @returns her recovery words, shown once; undefined: the code is none
 */
export async function confirmCodes(userId: number, code: string, now: Date): Promise<string[] | undefined> {
	const row = await UserModel.findByPk(userId, { attributes: ['asksCode'] })
	if (!row || row.asksCode || !(await takeCode(userId, code, now))) return undefined
	const words = Array.from({ length: RECOVERY_WORDS }, makeWord)
	await writing(() =>
		UserModel.update({ asksCode: true, recoveryHashes: words.map(hashWord) }, { where: { id: userId } }),
	)
	return words
}

/** Codes are asked of her no longer. */
export async function endCodes(userId: number): Promise<void> {
	const none = { asksCode: false, codeSecret: null, recoveryHashes: null, codeStep: 0 }
	await writing(() => UserModel.update(none, { where: { id: userId } }))
}

/** Whether it is a code of hers that was not used, or one of her recovery words; it is used up with that. */
export async function takeCodeOrWord(userId: number, text: string, now: Date): Promise<boolean> {
	const plain = text.toLowerCase().replace(/[^a-z0-9]/g, '')
	return /^\d{6}$/.test(plain) ? takeCode(userId, plain, now) : takeWord(userId, plain)
}

/** A code works once, and none that is older than one that was used. */
async function takeCode(userId: number, code: string, now: Date): Promise<boolean> {
	const row = await UserModel.findByPk(userId, { attributes: ['codeSecret'] })
	if (!row?.codeSecret || !/^\d{6}$/.test(code)) return false
	const epoch = Math.floor(now.getTime() / 1000)
	const found = verifySync({ secret: row.codeSecret, token: code, epoch, epochTolerance: TOLERANCE_S })
	if (!found.valid || !('timeStep' in found)) return false
	const codeStep = found.timeStep
	const [changed] = await writing(() =>
		UserModel.update({ codeStep }, { where: { id: userId, codeStep: { [Op.lt]: codeStep } } }),
	)
	return changed === 1
}

function takeWord(userId: number, word: string): Promise<boolean> {
	return inTransaction(async (transaction) => {
		const row = await UserModel.findByPk(userId, { attributes: ['id', 'recoveryHashes'], transaction, lock: true })
		const hashes = row?.recoveryHashes ?? []
		const left = hashes.filter((hash) => hash !== hashWord(word))
		if (!row || left.length === hashes.length) return false
		await row.update({ recoveryHashes: left }, { transaction })
		return true
	})
}

/** 59 bits: too many to try, so a plain hash keeps it. */
function makeWord(): string {
	return Array.from({ length: WORD_LETTERS }, () => LETTERS[randomInt(LETTERS.length)]).join('')
}

function hashWord(word: string): string {
	return createHash('sha256').update(word).digest('hex')
}
