/** Deletes again, after a restore, what had been deleted for good since the backup; as `db/deletions.server.ts` tells it. */
import { createHash } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import { createConnection } from 'mariadb'

/** A backup says when it was complete, and holds what was there when it began. */
const LONGEST_BACKUP_MS = 10 * 60_000

const STATEMENTS = {
	studio: ({ studioId, at }) => [['DELETE FROM studios WHERE id = ? AND created_at <= ?', [studioId, at]]],
	people: ({ courseId }) => [
		['DELETE FROM students WHERE course_id = ?', [courseId]],
		['DELETE FROM student_speeds WHERE course_id = ?', [courseId]],
	],
	listed: async ({ courseId, personHash }, ask) => [
		...deleteNamed(await ask('SELECT id, name FROM students WHERE course_id = ?', [courseId]), personHash),
		['DELETE FROM student_speeds WHERE course_id = ? AND SHA2(person, 256) = ?', [courseId, personHash]],
	],
	person: async ({ studioId, personHash }, ask) => {
		const rows = await ask(
			'SELECT s.id, s.name FROM students s JOIN courses c ON c.id = s.course_id WHERE c.studio_id = ?',
			[studioId],
		)
		return [...deleteNamed(rows, personHash), ...STATEMENTS.speed({ studioId, personHash })]
	},
	speeds: ({ studioId }) => [['DELETE FROM student_speeds WHERE studio_id = ?', [studioId]]],
	speed: ({ studioId, personHash }) => [
		['DELETE FROM student_speeds WHERE studio_id = ? AND SHA2(person, 256) = ?', [studioId, personHash]],
	],
}

/**
 * @param file - the list of deletions; none: nothing was deleted
 * @param since - when the backup was complete
 * @returns how many deletions were done again
 */
export async function deleteAgain(file, url, since) {
	if (!existsSync(file)) return 0
	const lines = readFileSync(file, 'utf8').split('\n')
	const deletions = lines.flatMap(readLine).filter(({ at }) => at.getTime() > since.getTime() - LONGEST_BACKUP_MS)
	const connection = await createConnection(url.replace(/^mysql:/, 'mariadb:'))
	try {
		for (const deletion of deletions)
			for (const [sql, values] of await STATEMENTS[deletion.kind](deletion, (...words) => connection.query(...words))) {
				// A backup from before a table has nothing to be deleted in it.
				if (await hasTable(connection, /FROM (\w+)/.exec(sql)[1]))
					await connection.query({ sql, timezone: 'Z' }, values)
			}
	} finally {
		await connection.end()
	}
	return deletions.length
}

function deleteNamed(rows, personHash) {
	const ids = rows.filter(({ name }) => hashOfName(name) === personHash).map(({ id }) => id)
	return ids.length > 0 ? [['DELETE FROM students WHERE id IN (?)', [ids]]] : []
}

/** As `hashPerson(personOf(name))`, core/learn/student-speed.ts and db/deletions.server.ts. */
function hashOfName(name) {
	return createHash('sha256').update(name.trim().toLowerCase()).digest('hex')
}

/** The last line may be torn by a crash. */
function readLine(line) {
	try {
		const deletion = JSON.parse(line)
		return deletion.kind in STATEMENTS ? [{ ...deletion, at: new Date(deletion.at) }] : []
	} catch {
		return []
	}
}

async function hasTable(connection, name) {
	const rows = await connection.query(
		'SELECT 1 FROM information_schema.tables WHERE table_schema = DATABASE() AND table_name = ?',
		[name],
	)
	return rows.length > 0
}
