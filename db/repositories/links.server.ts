/**
 * Links that open something once: to found a studio, to join one, to choose a new password, to show a one-time code. Only
 * their hash is stored.
 */
import { randomBytes } from 'node:crypto'
import { Op, type Transaction } from 'sequelize'
import { NotFoundError } from '../../core/errors'
import type { Role } from '../../core/vocabulary/role'
import { inTransaction, writing } from '../connection.server'
import { LinkModel, type LinkKind } from '../models/accounts.server'
import { hashToken } from './sign-ins.server'

const LASTS_MS: Record<LinkKind, number> = {
	found: 7 * 86_400_000,
	join: 7 * 86_400_000,
	password: 3_600_000,
	code: 600_000,
}

/** What a link opens. */
export type LinkTerms =
	| { kind: 'found' }
	| { kind: 'join'; studioId: number; email: string; role: Role }
	| { kind: 'password'; userId: number }
	| { kind: 'code'; userId: number }

export type LinkOf<K extends LinkKind> = Extract<LinkTerms, { kind: K }>

export interface Invitation {
	id: number
	email: string
	role: Role
	expiresAt: Date
}

/**
 * Makes a link; an older one for the same (to found, to the same address, for the same password) is over.
 *
 * @param keepsOlder - several may be open at once
 * @returns what goes into its address
 */
export function createLink(terms: LinkTerms, now: Date, { keepsOlder = false } = {}): Promise<string> {
	const token = randomBytes(24).toString('base64url')
	const { kind, ...rest } = terms
	return inTransaction(async (transaction) => {
		await LinkModel.destroy({ where: { expiresAt: { [Op.lte]: now } }, transaction })
		const same = 'email' in rest ? { studioId: rest.studioId, email: rest.email } : rest
		if (!keepsOlder) await LinkModel.destroy({ where: { kind, ...same }, transaction })
		const expiresAt = new Date(now.getTime() + LASTS_MS[kind])
		await LinkModel.create({ kind, ...rest, tokenHash: hashToken(token), expiresAt, createdAt: now }, { transaction })
		return token
	})
}

/** @returns what the link opens, and in which studio; undefined: it is unknown, used or over */
export async function findLink<K extends LinkKind>(
	kind: K,
	token: string,
	now: Date,
): Promise<(LinkOf<K> & { studioName?: string }) | undefined> {
	const row = await LinkModel.findOne({ where: whereOf(kind, token, now), include: ['studio'] })
	return row ? { ...toTerms<K>(row), ...(row.studio && { studioName: row.studio.name }) } : undefined
}

/**
 * Uses the link up, together with what it allows: of two who use it at once one is too late.
 *
 * @throws {NotFoundError} it is unknown, used or over
 */
export function spendLink<K extends LinkKind, T>(
	{ kind, token, now }: { kind: K; token: string; now: Date },
	work: (terms: LinkOf<K>, transaction: Transaction) => Promise<T>,
): Promise<T> {
	return inTransaction(async (transaction) => {
		const row = await LinkModel.findOne({ where: whereOf(kind, token, now), transaction, lock: true })
		if (!row) throw new NotFoundError('This link was used already, or its time is over.')
		await row.destroy({ transaction })
		return work(toTerms<K>(row), transaction)
	})
}

/** Invitations that nobody has followed yet. */
export async function listInvitations(studioId: number, now: Date): Promise<Invitation[]> {
	const rows = await LinkModel.findAll({
		where: { kind: 'join', studioId, expiresAt: { [Op.gt]: now } },
		order: ['id'],
	})
	return rows.map(({ id, email, role, expiresAt }) => ({ id, email: email ?? '', role: role ?? 'guest', expiresAt }))
}

/** Takes an invitation back; one that is gone is no failure. */
export async function withdrawInvitation(studioId: number, id: number): Promise<void> {
	await writing(() => LinkModel.destroy({ where: { id, studioId, kind: 'join' } }))
}

function whereOf(kind: LinkKind, token: string, now: Date) {
	return { kind, tokenHash: hashToken(token), expiresAt: { [Op.gt]: now } }
}

/** The columns of a kind are those that `createLink` filled. */
function toTerms<K extends LinkKind>({ kind, studioId, userId, email, role }: LinkModel): LinkOf<K> {
	const terms = { kind, ...(studioId && { studioId }), ...(userId && { userId }), ...(email && { email }) }
	return { ...terms, ...(role && { role }) } as unknown as LinkOf<K>
}
