/** Wrong passwords, counted by key over a window of time that begins with the first. */
import { QueryTypes } from 'sequelize'
import { getDatabase, inTransaction, writing } from '../connection.server'

export interface FailureCount {
	count: number
	/** Until the window is over and the count with it. */
	msLeft: number
}

/**
 * Counts one more.
 *
 * @param now - ms since 1970
 */
export async function countFailure(key: string, windowMs: number, now: number): Promise<FailureCount> {
	// The first that the door asks would else be a write, which is waited for longer while the database is away.
	await getDatabase().query('SELECT 1', { type: QueryTypes.SELECT })
	const replacements = { key, now, end: now + windowMs }
	return inTransaction(async (transaction) => {
		await getDatabase().query(
			`INSERT INTO sign_in_failures (\`key\`, points, expire) VALUES (:key, 1, :end)
			ON DUPLICATE KEY UPDATE points = IF(expire <= :now, 1, points + 1), expire = IF(expire <= :now, :end, expire)`,
			{ replacements, transaction },
		)
		const [row] = await getDatabase().query<{ points: number; expire: number | string }>(
			'SELECT points, expire FROM sign_in_failures WHERE `key` = :key',
			{ replacements, transaction, type: QueryTypes.SELECT },
		)
		return { count: Number(row?.points), msLeft: Number(row?.expire) - now }
	})
}

/** Takes one back. */
export async function takeFailureBack(key: string): Promise<void> {
	await writing(() =>
		getDatabase().query('UPDATE sign_in_failures SET points = points - 1 WHERE `key` = :key AND points > 0', {
			replacements: { key },
		}),
	)
}

/** Forgets the key's, and those of everybody whose window is over. */
export async function forgetFailures(key: string, now: number): Promise<void> {
	await writing(() =>
		getDatabase().query('DELETE FROM sign_in_failures WHERE `key` = :key OR expire <= :now', {
			replacements: { key, now },
		}),
	)
}
