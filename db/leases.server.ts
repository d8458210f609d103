/**
 * What one process of several may do at a time, told by a row: locks of the database hold on one node of a cluster only.
 * A lease is renewed while its work goes on, and is over by itself soon after its holder is gone.
 */
import { randomUUID } from 'node:crypto'
import { setTimeout as sleep } from 'node:timers/promises'
import { QueryTypes, type Sequelize } from 'sequelize'
import { writing } from './connection.server'

const LEASE_SECONDS = 30
const RENEW_MS = 8_000
const ASK_MS = 250

export interface LeaseTerms {
	/** So long is waited for another that holds it. */
	patienceMs: number
	/** Nobody else can be at it: one that is left from a process that was killed is taken over. */
	isAlone?: boolean
}

/**
 * Does the work while nobody else does what has this name.
 *
 * @throws {Error} another has held it for all that time
 */
export async function holdLease<T>(
	sequelize: Sequelize,
	name: string,
	{ patienceMs, isAlone = false }: LeaseTerms,
	work: () => Promise<T>,
): Promise<T> {
	await sequelize.query(
		`CREATE TABLE IF NOT EXISTS leases
		(name VARCHAR(60) PRIMARY KEY, holder CHAR(36) NOT NULL, until_at DATETIME(3) NOT NULL) ENGINE = InnoDB`,
	)
	const own = { name, holder: randomUUID(), seconds: LEASE_SECONDS }
	if (isAlone) await sequelize.query('DELETE FROM leases WHERE name = :name', { replacements: own })
	const deadline = Date.now() + patienceMs
	while (!(await isTaken(sequelize, own))) {
		if (Date.now() > deadline) throw new Error(`another process has held "${name}" for too long`)
		await sleep(ASK_MS)
	}
	const renewal = setInterval(() => {
		// One that fails is made up for by the next.
		void renew(sequelize, own).catch(() => undefined)
	}, RENEW_MS)
	try {
		return await work()
	} finally {
		clearInterval(renewal)
		await writing(() =>
			sequelize.query('DELETE FROM leases WHERE name = :name AND holder = :holder', { replacements: own }),
		)
	}
}

interface Own {
	name: string
	holder: string
	seconds: number
}

/** Committed before anything is done: on a cluster two that take it at once meet there, and one begins again. */
async function isTaken(sequelize: Sequelize, own: Own): Promise<boolean> {
	await writing(() =>
		sequelize.query(
			`INSERT INTO leases (name, holder, until_at) VALUES (:name, :holder, NOW(3) + INTERVAL :seconds SECOND)
			ON DUPLICATE KEY UPDATE
				holder = IF(until_at < NOW(3), VALUES(holder), holder),
				until_at = IF(holder = VALUES(holder), VALUES(until_at), until_at)`,
			{ replacements: { ...own } },
		),
	)
	const rows = await sequelize.query<{ holder: string }>('SELECT holder FROM leases WHERE name = :name', {
		replacements: { ...own },
		type: QueryTypes.SELECT,
	})
	return rows[0]?.holder === own.holder
}

async function renew(sequelize: Sequelize, own: Own): Promise<void> {
	await sequelize.query(
		'UPDATE leases SET until_at = NOW(3) + INTERVAL :seconds SECOND WHERE name = :name AND holder = :holder',
		{ replacements: { ...own } },
	)
}
