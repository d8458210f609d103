/** Studios, and whose password opens them. */
import { randomBytes } from 'node:crypto'
import { Op, type Transaction } from 'sequelize'
import { ConflictError, NotFoundError } from '../../core/errors'
import type { OwnPasteLike } from '../../core/design/design'
import type { Learnt } from '../../core/learn/learnt'
import { USUAL_STRAIN_TERMS, type StrainTerms } from '../../core/plan/compile/strain-terms'
import { USUAL_KIT_TERMS, type KitTerms } from '../../core/kit/kit-terms'
import { USUAL_PREP_TERMS, type PrepTerms } from '../../core/prepare/prep-terms'
import { USUAL_FREE_TIME, type FreeTime } from '../../core/prepare/free-time'
import type { UnitSystem } from '../../core/materials/units'
import type { PaperName } from '../../core/outlines/template-sheet'
import type { GaugeStandard } from '../../core/materials/wire-gauge'
import { writing } from '../connection.server'
import { tellDeletion } from '../deletions.server'
import { StudioModel, UserModel } from '../models/accounts.server'
import { hashPassword, isOutdated, matchesPassword } from '../password-hash.server'

export interface Studio {
	id: number
	name: string
	/** Name in the IANA database: the studio's clock. */
	timeZone: string
	gaugeStandard: GaugeStandard
	/** Lengths in which the studio buys wire, whole mm, at least one. */
	wireLengthsMm: number[]
	/** With which drying is planned, in [0.5, 1). */
	dryingConfidence: number
	/** An older reading of a hygrometer is shown as old. */
	readingMaxAgeMinutes: number
	/** Pastes beyond the usual ones. */
	ownPastes: OwnPasteLike[]
	units: UnitSystem
	/** Sheets that it prints on. */
	paper: PaperName
	kitTerms: KitTerms
	strainTerms: StrainTerms
	/** Null: it plans with what its designs state. */
	learnt: Learnt | null
	/** It is learnt how fast people are who come again. */
	learnsStudents: boolean
	/** How long work before class takes. */
	prepTerms: PrepTerms
	/** Names, allergies and notes of people go so many months after the last session of their course; 0: they stay. */
	peopleMonths: number
	/** When it is deleted with everything in it; null: it stays. */
	leavingAt: Date | null
	version: number
}

/** What a new studio must say; the rest begins as usual. */
export type NewStudio = Pick<Studio, 'name' | 'timeZone' | 'gaugeStandard' | 'wireLengthsMm'> &
	Partial<Pick<Studio, 'units' | 'paper' | 'kitTerms'>>

/** Compared against when the address is unknown, so that the answer takes as long. */
let decoyHash: Promise<string> | undefined

/** @returns the user's id, or undefined if address or password are wrong */
export async function findUserByPassword(email: string, password: string): Promise<number | undefined> {
	const user = await UserModel.findOne({ where: { email: email.toLowerCase() } })
	decoyHash ??= hashPassword(randomBytes(16).toString('hex'))
	const isRight = await matchesPassword(password, user?.passwordHash ?? (await decoyHash))
	if (!user || !isRight) return undefined
	if (isOutdated(user.passwordHash)) {
		const passwordHash = await hashPassword(password)
		await writing(() => UserModel.update({ passwordHash }, { where: { id: user.id } }))
	}
	return user.id
}

/** @returns how she wants the screens; {} where she has chosen nothing */
export async function getLook(userId: number): Promise<Record<string, string>> {
	const user = await UserModel.findByPk(userId, { attributes: ['look'] })
	return user?.look ?? {}
}

/** Keeps how she wants the screens, whatever was kept before. */
export async function keepLook(userId: number, look: Record<string, string>): Promise<void> {
	await writing(() => UserModel.update({ look }, { where: { id: userId } }))
}

/** When she is free for work before class; as usual where she has not said. */
export async function getFreeTime(userId: number): Promise<FreeTime> {
	const user = await UserModel.findByPk(userId, { attributes: ['freeTime'] })
	return user?.freeTime ?? USUAL_FREE_TIME
}

export async function keepFreeTime(userId: number, freeTime: FreeTime): Promise<void> {
	await writing(() => UserModel.update({ freeTime }, { where: { id: userId } }))
}

/**
 * Saves a studio's settings.
 *
 * @throws {ConflictError} someone else has saved them since they were read
 */
export async function updateStudio({
	id,
	version,
	...values
}: Omit<Studio, 'learnt' | 'learnsStudents' | 'leavingAt'>): Promise<void> {
	const [changed] = await writing(() =>
		StudioModel.update({ ...values, version: version + 1 }, { where: { id, version } }),
	)
	if (changed === 0) throw new ConflictError('The settings were changed in another window meanwhile.')
}

/** @param learnt - null: from now on it plans with what its designs state */
export async function setLearnt(studioId: number, learnt: Learnt | null): Promise<void> {
	await writing(() => StudioModel.update({ learnt: learnt }, { where: { id: studioId } }))
}

/**
 * Founds a studio with its first user.
 *
 * @param user - with the hash that `hashPassword` gives
 * @throws {ConflictError} the address is taken
 */
export async function createStudio(
	studio: NewStudio,
	user: { name: string; email: string; passwordHash: string },
	transaction?: Transaction,
): Promise<{ studioId: number; userId: number }> {
	const email = user.email.toLowerCase()
	if (await UserModel.findOne({ where: { email }, transaction })) throw new ConflictError(`${email} is taken`)
	const created = await StudioModel.create(studio, { transaction })
	const { name, passwordHash } = user
	const owner = await UserModel.create({ studioId: created.id, name, email, passwordHash }, { transaction })
	return { studioId: created.id, userId: owner.id }
}

/** Ids of the studios that a user of this address belongs to. */
export async function listStudiosByEmail(email: string): Promise<number[]> {
	const users = await UserModel.findAll({ where: { email: email.toLowerCase() }, attributes: ['studioId'] })
	return users.map(({ studioId }) => studioId)
}

/** @param at - from when on it may be deleted; null: it stays */
export async function setLeaving(studioId: number, at: Date | null): Promise<void> {
	await writing(() => StudioModel.update({ leavingAt: at }, { where: { id: studioId } }))
}

/** Deletes those whose time has come; @returns their ids */
export async function deleteDueStudios(now: Date): Promise<number[]> {
	const due = await StudioModel.findAll({ where: { leavingAt: { [Op.lte]: now } }, attributes: ['id'] })
	const gone: number[] = []
	for (const { id } of due) {
		// Taken back in the meantime, or deleted by another node.
		const count = await writing(() => StudioModel.destroy({ where: { id, leavingAt: { [Op.lte]: now } } }))
		if (count === 0) continue
		tellDeletion({ kind: 'studio', studioId: id })
		gone.push(id)
	}
	return gone
}

/**
 * Deletes the studio with everything in it.
 *
 * @throws {NotFoundError} there is no such studio
 */
export async function deleteStudio(id: number): Promise<void> {
	if ((await StudioModel.destroy({ where: { id } })) === 0) throw new NotFoundError('There is no such studio.')
}

/** @throws {NotFoundError} there is no such studio */
export async function getStudio(id: number): Promise<Studio> {
	const row = await StudioModel.findByPk(id)
	if (!row) throw new NotFoundError('There is no such studio.')
	return toStudio(row)
}

/** Whether nobody has founded a studio yet. */
export async function isEmpty(): Promise<boolean> {
	return (await StudioModel.count()) === 0
}

/** A row as the studio that it holds. */
export function toStudio(row: StudioModel): Studio {
	const { ownPastes, kitTerms, strainTerms, learnt, prepTerms, id, name, timeZone, gaugeStandard, wireLengthsMm } = row
	const { dryingConfidence, readingMaxAgeMinutes, units, paper, learnsStudents, peopleMonths, leavingAt, version } = row
	return {
		id,
		name,
		timeZone,
		gaugeStandard,
		wireLengthsMm,
		dryingConfidence,
		readingMaxAgeMinutes,
		ownPastes: ownPastes ?? [],
		units,
		paper,
		kitTerms: { ...USUAL_KIT_TERMS, ...kitTerms },
		strainTerms: { ...USUAL_STRAIN_TERMS, ...strainTerms },
		learnt,
		learnsStudents,
		prepTerms: { ...USUAL_PREP_TERMS, ...prepTerms },
		...{ peopleMonths, leavingAt, version },
	}
}
