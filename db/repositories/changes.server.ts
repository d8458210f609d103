/** Who has changed what kind of thing and when: ids alone, kept 400 days. */
import { Op } from 'sequelize'
import { writing } from '../connection.server'
import { ChangeModel } from '../models/accounts.server'

export interface NotedChange {
	studioId: number
	userId: number
	/** Of the page, as in the address. */
	path: string
	/** What of the things that can be done there; empty where there is one. */
	intent: string
	at: Date
}

const KEPT_DAYS = 400
const MOST_PATH = 120
const MOST_INTENT = 40

/** Until when nothing needs to be let go of; ms. */
let tidyUntil = 0

export async function addChange({ path, intent, ...change }: NotedChange): Promise<void> {
	await writing(() =>
		ChangeModel.create({ ...change, path: path.slice(0, MOST_PATH), intent: intent.slice(0, MOST_INTENT) }),
	)
	if (change.at.getTime() < tidyUntil) return
	tidyUntil = change.at.getTime() + 86_400_000
	const oldest = new Date(change.at.getTime() - KEPT_DAYS * 86_400_000)
	await writing(() => ChangeModel.destroy({ where: { at: { [Op.lt]: oldest } } }))
}

/** A page of a studio's changes, the newest first. */
export async function listChanges(
	studioId: number,
	{ page, size }: { page: number; size: number },
): Promise<{ changes: (NotedChange & { id: number })[]; count: number }> {
	const { rows, count } = await ChangeModel.findAndCountAll({
		where: { studioId },
		order: [['id', 'DESC']],
		limit: size,
		offset: (page - 1) * size,
	})
	return {
		changes: rows.map(({ id, userId, path, intent, at }) => ({ id, studioId, userId, path, intent, at })),
		count,
	}
}
