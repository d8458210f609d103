/** The people of a studio, the links that let them in, and the devices that they are signed in on. */
import { beforeAll, describe, expect, test } from 'vitest'
import { InputError, NotFoundError } from '../../core/errors'
import { inTransaction } from '../../db/connection.server'
import { hashPassword } from '../../db/password-hash.server'
import { findUserByPassword } from '../../db/repositories/accounts.server'
import {
	createLink,
	findLink,
	listInvitations,
	spendLink,
	withdrawInvitation,
} from '../../db/repositories/links.server'
import { addPerson, listPeople, removePerson, setPassword, setRole } from '../../db/repositories/people.server'
import {
	createSignIn,
	endDevice,
	endOtherSignIns,
	findMember,
	listDevices,
} from '../../db/repositories/sign-ins.server'
import { foundStudio, freshDatabase } from '../support/studios'

beforeAll(freshDatabase)

/** The real one: whoever signs in meanwhile lets go of what is over by then. */
const NOW = new Date()
const later = (hours: number) => new Date(NOW.getTime() + hours * 3_600_000)

let count = 0
async function join(studioId: number, role: 'guest' | 'assistant' | 'instructor' | 'owner' = 'assistant') {
	const email = `helper-${++count}@studio.example`
	const passwordHash = await hashPassword('a word for helpers')
	const userId = await inTransaction((transaction) =>
		addPerson(studioId, { name: `Helper ${count}`, email, role, passwordHash }, transaction),
	)
	return { userId, email }
}

describe('a link', () => {
	test('opens what it was made for, once, and is stored as a hash alone', async () => {
		const { studioId, member } = await foundStudio()
		const token = await createLink({ kind: 'join', studioId, email: 'bo@studio.example', role: 'assistant' }, NOW)
		expect(await findLink('join', token, NOW)).toMatchObject({ role: 'assistant', studioName: member.studio.name })
		expect(await findLink('password', token, NOW)).toBeUndefined()

		const spend = () => spendLink({ kind: 'join', token, now: NOW }, ({ email }) => Promise.resolve(email))
		const both = await Promise.allSettled([spend(), spend()])

		expect(both.filter(({ status }) => status === 'fulfilled')).toHaveLength(1)
		expect(both.find(({ status }) => status === 'rejected')).toMatchObject({ reason: expect.any(NotFoundError) })
		expect(await findLink('join', token, NOW)).toBeUndefined()
	})

	test('stays good where what it allows fails', async () => {
		const { studioId } = await foundStudio()
		const token = await createLink({ kind: 'join', studioId, email: 'cy@studio.example', role: 'guest' }, NOW)
		const failing = spendLink({ kind: 'join', token, now: NOW }, () => Promise.reject(new Error('no')))
		await expect(failing).rejects.toThrow('no')
		expect(await findLink('join', token, NOW)).toBeDefined()
	})

	test.each([
		['join', 7 * 24],
		['password', 1],
	] as const)('%s is over after %i hours', async (kind, hours) => {
		const { studioId, userId } = await foundStudio()
		const terms =
			kind === 'join'
				? { kind, studioId, email: 'di@studio.example', role: 'guest' as const }
				: { kind: 'password' as const, userId }
		const token = await createLink(terms, NOW)
		expect(await findLink(kind, token, later(hours - 0.01))).toBeDefined()
		expect(await findLink(kind, token, later(hours))).toBeUndefined()
	})

	test('a newer one for the same is the only one; a withdrawn one is none', async () => {
		const { studioId } = await foundStudio()
		const { studioId: other } = await foundStudio()
		const terms = { kind: 'join' as const, studioId, email: 'em@studio.example', role: 'guest' as const }
		const [first, second] = [await createLink(terms, NOW), await createLink({ ...terms, role: 'owner' }, NOW)]
		expect(await findLink('join', first, NOW)).toBeUndefined()
		const [invitation, ...rest] = await listInvitations(studioId, NOW)
		expect([invitation?.role, rest]).toEqual(['owner', []])

		await withdrawInvitation(other, invitation!.id)
		expect(await findLink('join', second, NOW)).toBeDefined()
		await withdrawInvitation(studioId, invitation!.id)
		expect(await findLink('join', second, NOW)).toBeUndefined()
	})
})

test('several studios may be founded at once, where that is asked for', async () => {
	const first = await createLink({ kind: 'found' }, NOW)
	const second = await createLink({ kind: 'found' }, NOW, { keepsOlder: true })
	for (const token of [first, second]) expect(await findLink('found', token, NOW)).toBeDefined()
	await createLink({ kind: 'found' }, NOW)
	for (const token of [first, second]) expect(await findLink('found', token, NOW)).toBeUndefined()
})

describe('the people of a studio', () => {
	test('change their roles and go; an owner always stays', async () => {
		const { studioId, userId } = await foundStudio()
		const helper = await join(studioId)
		await expect(setRole(studioId, userId, 'guest')).rejects.toThrow(InputError)
		await expect(removePerson(studioId, userId)).rejects.toThrow(InputError)

		await setRole(studioId, helper.userId, 'owner')
		// Both at once: one of them is the last.
		const both = await Promise.allSettled([removePerson(studioId, userId), removePerson(studioId, helper.userId)])

		expect(both.filter(({ status }) => status === 'rejected')).toHaveLength(1)
		expect((await listPeople(studioId)).map(({ role }) => role)).toEqual(['owner'])
	})

	test('are nobody’s of another studio', async () => {
		const { studioId } = await foundStudio()
		const { userId } = await foundStudio()
		await expect(setRole(studioId, userId, 'owner')).rejects.toThrow(NotFoundError)
		await expect(removePerson(studioId, userId)).rejects.toThrow(NotFoundError)
	})

	test('who is taken off is signed out everywhere', async () => {
		const { studioId } = await foundStudio()
		const { userId } = await join(studioId)
		const token = await createSignIn(userId, NOW)
		expect(await findMember(token, NOW)).toMatchObject({ role: 'assistant' })
		await removePerson(studioId, userId)
		expect(await findMember(token, NOW)).toBeUndefined()
	})
})

describe('devices', () => {
	test('are listed with when they were seen, and signed out one by one or all but this', async () => {
		const { userId } = await foundStudio()
		await endOtherSignIns(userId)
		const [tablet, laptop, phone] = [
			await createSignIn(userId, NOW, 'Chrome on Android tablet'),
			await createSignIn(userId, NOW, 'Firefox on Linux'),
			await createSignIn(userId, NOW, 'Safari on iPhone'),
		]
		await findMember(laptop, later(5))

		const devices = await listDevices(userId, tablet, later(5))

		expect(devices[0]).toMatchObject({ words: 'Firefox on Linux', seenAt: later(5), isThis: false })
		expect(devices.find(({ isThis }) => isThis)?.words).toBe('Chrome on Android tablet')
		// The list gives nobody a way in.
		for (const token of [tablet, laptop, phone]) expect(JSON.stringify(devices)).not.toContain(token)

		const { userId: stranger } = await foundStudio()
		await endDevice(stranger, devices[0]!.id)
		await endDevice(userId, '%')
		expect(await listDevices(userId, tablet, NOW)).toHaveLength(3)
		await endDevice(userId, devices[0]!.id)
		expect(await findMember(laptop, NOW)).toBeUndefined()
		await endOtherSignIns(userId, tablet)
		expect((await listDevices(userId, tablet, NOW)).map(({ isThis }) => isThis)).toEqual([true])
	})

	test('a new password signs out all but this one, and the old word opens nothing', async () => {
		const { userId, email, password } = await foundStudio()
		const [here, there] = [await createSignIn(userId, NOW), await createSignIn(userId, NOW)]
		const letter = await createLink({ kind: 'password', userId }, NOW)
		await setPassword(userId, 'another word for it', { token: here })
		expect(await findLink('password', letter, NOW)).toBeUndefined()
		expect(await findMember(here, NOW)).toBeDefined()
		expect(await findMember(there, NOW)).toBeUndefined()
		expect(await findUserByPassword(email, password)).toBeUndefined()
		expect(await findUserByPassword(email, 'another word for it')).toBe(userId)
	})
})
