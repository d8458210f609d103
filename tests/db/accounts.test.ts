import { scryptSync } from 'node:crypto'
import { QueryTypes } from 'sequelize'
import { beforeAll, describe, expect, test } from 'vitest'
import { closeDatabase, getDatabase, isDatabaseAlive, openDatabase } from '../../db/connection.server'
import { migrate } from '../../db/migrate.server'
import { hashPassword, matchesPassword } from '../../db/password-hash.server'
import { createStudio, deleteStudio, findUserByPassword, updateStudio } from '../../db/repositories/accounts.server'
import { createSignIn, endSignIn, findMember, SIGN_IN_DAYS } from '../../db/repositories/sign-ins.server'
import { listDocuments } from '../../db/repositories/designs.server'
import { ConflictError } from '../../core/errors'
import { foundStudio, freshDatabase } from '../support/studios'

beforeAll(freshDatabase)

function select<T extends object>(sql: string): Promise<T[]> {
	return getDatabase().query<T>(sql, { type: QueryTypes.SELECT })
}

test('migrations run once', async () => {
	expect(await migrate()).toEqual([])
})

test('the pool opens anew after it was closed', async () => {
	await closeDatabase()
	openDatabase()

	expect(await isDatabaseAlive()).toBe(true)
})

describe('passwords', () => {
	test('are stored as salted hashes only', async () => {
		const { userId, password } = await foundStudio()

		const rows = await select(`SELECT * FROM users WHERE id = ${userId}`)

		expect(JSON.stringify(rows)).not.toContain(password)
		expect(JSON.stringify(rows)).toContain('scrypt$131072$8$1$')
	})

	test('the same word has another hash each time, and each is matched by the word alone', async () => {
		const [one, other] = await Promise.all([hashPassword('sepal'), hashPassword('sepal')])

		expect(one).not.toBe(other)
		expect(await matchesPassword('sepal', one)).toBe(true)
		expect(await matchesPassword('Sepal', one)).toBe(false)
	})

	test.each(['', 'plain', 'scrypt$2$8$1$$', 'md5$1$1$1$c2FsdA==$a2V5'])(
		'a hash of another form never matches: %j',
		async (hash) => {
			expect(await matchesPassword('sepal', hash)).toBe(false)
		},
	)

	test('of an older cost still open the door, and are hashed anew when they do', async () => {
		const { userId, email, password } = await foundStudio()
		const salt = Buffer.from('an older salt...')
		const key = scryptSync(password.normalize('NFKC'), salt, 32, { N: 2 ** 14, r: 8, p: 1 })
		const old = ['scrypt', 2 ** 14, 8, 1, salt.toString('base64'), key.toString('base64')].join('$')
		await getDatabase().query('UPDATE users SET password_hash = ? WHERE id = ?', { replacements: [old, userId] })
		const hashOf = async () => (await select<{ password_hash: string }>(`SELECT * FROM users WHERE id = ${userId}`))[0]!

		expect(await findUserByPassword(email, `${password}!`)).toBeUndefined()
		expect((await hashOf()).password_hash).toBe(old)
		expect(await findUserByPassword(email, password)).toBe(userId)
		const { password_hash: anew } = await hashOf()
		expect(anew.startsWith('scrypt$131072$8$1$')).toBe(true)
		expect(await findUserByPassword(email, password)).toBe(userId)
		expect((await hashOf()).password_hash).toBe(anew)
	})

	test('asked for all at once are all answered, one after the other', async () => {
		const hash = await hashPassword('sepal')
		const words = ['sepal', 'petal', 'sepal', 'tepal', 'sepal', 'sepal']
		const answers = await Promise.all(words.map((word) => matchesPassword(word, hash)))
		expect(answers).toEqual(words.map((word) => word === 'sepal'))
		// And the door is open after one that cannot be reckoned.
		await expect(matchesPassword('sepal', 'scrypt$3$8$1$c2FsdA==$a2V5')).rejects.toThrow()
		expect(await matchesPassword('sepal', hash)).toBe(true)
	})

	test('open the door for their own address, however it is written', async () => {
		const { userId, email, password } = await foundStudio()

		expect(await findUserByPassword(email.toUpperCase(), password)).toBe(userId)
		expect(await findUserByPassword(email, `${password}!`)).toBeUndefined()
		expect(await findUserByPassword('nobody@studio.example', password)).toBeUndefined()
	})
})

describe('sign-ins', () => {
	const now = new Date('2026-03-02T10:00:00Z')

	test('last their days, and end when they are ended', async () => {
		const { userId, member } = await foundStudio()
		const token = await createSignIn(userId, now)
		const justBefore = new Date(now.getTime() + SIGN_IN_DAYS * 86_400_000 - 1000)

		expect(await findMember(token, justBefore)).toEqual(member)
		expect(await findMember(token, new Date(justBefore.getTime() + 2000))).toBeUndefined()
		await endSignIn(token)
		expect(await findMember(token, now)).toBeUndefined()
	})

	test('are not found by what the table holds', async () => {
		const { userId } = await foundStudio()
		const token = await createSignIn(userId, new Date())

		const rows = await select<{ token_hash: string }>(`SELECT token_hash FROM sign_ins WHERE user_id = ${userId}`)

		expect(rows.some((row) => row.token_hash === token)).toBe(false)
		for (const row of rows) expect(await findMember(row.token_hash, new Date())).toBeUndefined()
	})
})

describe('a studio', () => {
	test('is founded once by an address', async () => {
		const { email } = await foundStudio()
		const again = createStudio(
			{ name: 'x', timeZone: 'Europe/London', gaugeStandard: 'awg', wireLengthsMm: [360] },
			{ name: 'x', email, passwordHash: 'y' },
		)

		await expect(again).rejects.toThrow(ConflictError)
	})

	test('changed in two windows refuses the second', async () => {
		const { member } = await foundStudio()
		await updateStudio({ ...member.studio, name: 'Renamed' })

		await expect(updateStudio({ ...member.studio, name: 'Renamed otherwise' })).rejects.toThrow(ConflictError)
	})

	test('goes with everything in it', async () => {
		const { studioId, userId } = await foundStudio(['magnolia'])
		const token = await createSignIn(userId, new Date())

		await deleteStudio(studioId)

		expect(await listDocuments(studioId)).toEqual([])
		expect(await findMember(token, new Date())).toBeUndefined()
	})
})
