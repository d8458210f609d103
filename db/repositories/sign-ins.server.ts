/** Who is signed in, and on which devices. */
import { createHash, randomBytes } from 'node:crypto'
import { Op, type Transaction } from 'sequelize'
import type { Role } from '../../core/vocabulary/role'
import { writing } from '../connection.server'
import { SignInModel, UserModel } from '../models/accounts.server'
import { toStudio, type Studio } from './accounts.server'

/** Somebody who is signed in. */
export interface Member {
	userId: number
	userName: string
	email: string
	role: Role
	studio: Studio
}

/** One device on which somebody is signed in. */
export interface Device {
	/** The beginning of what is stored of its token: opens nothing. */
	id: string
	/** In words, as far as its browser says. */
	words: string
	since: Date
	seenAt: Date
	isThis: boolean
}

/** A sign-in lasts so long after it was made. */
export const SIGN_IN_DAYS = 14

/** It is not noted more often when a device was seen. */
const SEEN_MINUTES = 30

const ID_LENGTH = 16
const MOST_WORDS = 80

/** @returns the token for the cookie; only its hash is stored */
export async function createSignIn(userId: number, now: Date, device = ''): Promise<string> {
	const token = randomBytes(32).toString('base64url')
	const expiresAt = new Date(now.getTime() + SIGN_IN_DAYS * 86_400_000)
	await writing(() => SignInModel.destroy({ where: { expiresAt: { [Op.lt]: now } } }))
	const words = device.slice(0, MOST_WORDS)
	await SignInModel.create({ tokenHash: hashToken(token), userId, device: words, expiresAt, createdAt: now })
	return token
}

/** @returns who is signed in with the token, or undefined if it is unknown or over */
export async function findMember(token: string, now: Date): Promise<Member | undefined> {
	const tokenHash = hashToken(token)
	// One statement: every page asks.
	const signIn = await SignInModel.findOne({
		where: { tokenHash, expiresAt: { [Op.gt]: now } },
		attributes: ['tokenHash', 'seenAt'],
		include: [{ association: 'user', attributes: USER_COLUMNS, include: ['studio'] }],
		raw: true,
		nest: true,
	})
	if (!signIn?.user) return undefined
	const stale = new Date(now.getTime() - SEEN_MINUTES * 60_000)
	if (!signIn.seenAt || signIn.seenAt < stale) await noteSeen(tokenHash, now)
	return toMember(signIn.user)
}

/** Beside what was asked for: a page is not refused for it. */
async function noteSeen(tokenHash: string, now: Date): Promise<void> {
	try {
		await SignInModel.update({ seenAt: now }, { where: { tokenHash } })
	} catch {
		// Seen a little later, then.
	}
}

/** For whoever has proven otherwise that she may; undefined: there is no such user. */
export async function findMemberById(userId: number): Promise<Member | undefined> {
	const user = await UserModel.findByPk(userId, { attributes: USER_COLUMNS, include: ['studio'] })
	return user ? toMember(user) : undefined
}

const USER_COLUMNS = ['id', 'name', 'email', 'role']

function toMember({ id: userId, name: userName, email, role, studio }: UserModel): Member | undefined {
	return studio && { userId, userName, email, role, studio: toStudio(studio) }
}

/** The devices on which somebody is signed in, the one last seen first. */
export async function listDevices(userId: number, token: string | undefined, now: Date): Promise<Device[]> {
	const rows = await SignInModel.findAll({ where: { userId, expiresAt: { [Op.gt]: now } } })
	const own = token && hashToken(token)
	const devices = rows.map(({ tokenHash, device, createdAt, seenAt }): Device => {
		const seen = seenAt ?? createdAt
		return {
			...{ id: tokenHash.slice(0, ID_LENGTH), words: device, since: createdAt, seenAt: seen },
			isThis: tokenHash === own,
		}
	})
	return devices.toSorted((a, b) => b.seenAt.getTime() - a.seenAt.getTime())
}

/** Ends the session of the token; an unknown one is no failure. */
export async function endSignIn(token: string): Promise<void> {
	await writing(() => SignInModel.destroy({ where: { tokenHash: hashToken(token) } }))
}

/** Ends one of her sessions by its id in the list; one that is over is no failure. */
export async function endDevice(userId: number, id: string): Promise<void> {
	if (!/^[0-9a-f]+$/.test(id) || id.length !== ID_LENGTH) return
	await writing(() => SignInModel.destroy({ where: { userId, tokenHash: { [Op.startsWith]: id } } }))
}

/** Ends all her sessions but the one of the token. */
export async function endOtherSignIns(userId: number, token?: string, transaction?: Transaction): Promise<void> {
	const others = token === undefined ? {} : { tokenHash: { [Op.ne]: hashToken(token) } }
	await writing(() => SignInModel.destroy({ where: { userId, ...others }, ...(transaction && { transaction }) }))
}

/** SHA-256 in hex, as tokens are stored. */
export function hashToken(token: string): string {
	return createHash('sha256').update(token).digest('hex')
}
