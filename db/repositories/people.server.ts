/** The people of a studio: who they are in it, and their passwords. */
import type { Transaction } from 'sequelize'
import { ConflictError, InputError, NotFoundError } from '../../core/errors'
import type { Role } from '../../core/vocabulary/role'
import { inTransaction, writing } from '../connection.server'
import { LinkModel, StudioModel, UserModel } from '../models/accounts.server'
import { hashPassword, matchesPassword } from '../password-hash.server'
import { endOtherSignIns } from './sign-ins.server'

export interface Person {
	userId: number
	name: string
	email: string
	role: Role
}

/** In the order in which they came. */
export async function listPeople(studioId: number): Promise<Person[]> {
	const rows = await UserModel.findAll({ where: { studioId }, order: ['id'] })
	return rows.map(({ id: userId, name, email, role }) => ({ userId, name, email, role }))
}

/** @returns undefined: nobody has this address */
export async function findPersonByEmail(email: string): Promise<(Person & { studioId: number }) | undefined> {
	const row = await UserModel.findOne({ where: { email: email.toLowerCase() } })
	return row ? { userId: row.id, name: row.name, email: row.email, role: row.role, studioId: row.studioId } : undefined
}

/**
 * @param person - with the hash that `hashPassword` gives
 * @throws {ConflictError} the address is taken
 */
export async function addPerson(
	studioId: number,
	person: { name: string; email: string; role: Role; passwordHash: string },
	transaction: Transaction,
): Promise<number> {
	const email = person.email.toLowerCase()
	if (await UserModel.findOne({ where: { email }, transaction })) throw new ConflictError(`${email} is taken`)
	const row = await UserModel.create({ ...person, email, studioId }, { transaction })
	return row.id
}

/**
 * @throws {NotFoundError} the studio has nobody of that id
 * @throws {InputError} it would have no owner left
 */
export function setRole(studioId: number, userId: number, role: Role): Promise<void> {
	return changePerson({ studioId, userId, isLeaving: role !== 'owner' }, async (person, transaction) => {
		await person.update({ role }, { transaction })
	})
}

/**
 * Takes somebody off, with her sign-ins and her codes.
 *
 * @throws {NotFoundError} the studio has nobody of that id
 * @throws {InputError} it would have no owner left
 */
export function removePerson(studioId: number, userId: number): Promise<void> {
	return changePerson({ studioId, userId, isLeaving: true }, (person, transaction) => person.destroy({ transaction }))
}

function changePerson(
	{ studioId, userId, isLeaving }: { studioId: number; userId: number; isLeaving: boolean },
	change: (person: UserModel, transaction: Transaction) => Promise<void>,
): Promise<void> {
	return inTransaction(async (transaction) => {
		// One change of a studio's people at a time: two owners cannot take each other off.
		await StudioModel.findByPk(studioId, { attributes: ['id'], transaction, lock: true })
		const people = await UserModel.findAll({ where: { studioId }, transaction })
		const person = people.find(({ id }) => id === userId)
		if (!person) throw new NotFoundError('There is nobody of that name in your studio.')
		const owners = people.filter(({ id, role }) => role === 'owner' && (id !== userId || !isLeaving))
		if (owners.length === 0) throw new InputError([{ path: 'role', message: 'A studio needs an owner.' }])
		await change(person, transaction)
	})
}

/** What she is called; the last word counts. */
export async function renamePerson(userId: number, name: string): Promise<void> {
	await writing(() => UserModel.update({ name }, { where: { id: userId } }))
}

/** Whether it is the password of somebody who is signed in. */
export async function isOwnPassword(userId: number, password: string): Promise<boolean> {
	const row = await UserModel.findByPk(userId, { attributes: ['passwordHash'] })
	return row !== null && matchesPassword(password, row.passwordHash)
}

/**
 * A new password; every device is signed out, but the one of the token, and no link of hers opens anything any more.
 *
 * @param transaction - in which what allowed it is used up
 */
export async function setPassword(
	userId: number,
	password: string,
	{ token, transaction: within }: { token?: string | undefined; transaction?: Transaction } = {},
): Promise<void> {
	const passwordHash = await hashPassword(password)
	await inTransaction(async (transaction) => {
		await UserModel.update({ passwordHash }, { where: { id: userId }, transaction })
		// What an older letter, or half a sign-in, would still open.
		await LinkModel.destroy({ where: { userId }, transaction })
		await endOtherSignIns(userId, token, transaction)
	}, within)
}
