/**
 * What was deleted for good, told beside the database: a backup from before would bring it back, so a restore deletes it
 * again (`scripts/machine/deletions.mjs`). Ids and hashes alone.
 */
import { createHash } from 'node:crypto'
import { closeSync, fsyncSync, openSync, writeSync } from 'node:fs'

export type Deletion =
	| { kind: 'studio'; studioId: number }
	/** The people of a course, with what was learnt of their pace there. */
	| { kind: 'people'; courseId: number }
	/** Somebody on one list, with her pace there. */
	| { kind: 'listed'; courseId: number; personHash: string }
	/** Somebody on every list of a studio, with her pace. */
	| { kind: 'person'; studioId: number; personHash: string }
	/** How fast everybody of a studio is. */
	| { kind: 'speeds'; studioId: number }
	| { kind: 'speed'; studioId: number; personHash: string }

/** Adds to the file that CALYCINE_DELETIONS_FILE names; where it names none, nothing is told. */
export function tellDeletion(deletion: Deletion, at = new Date()): void {
	const file = process.env['CALYCINE_DELETIONS_FILE']
	if (!file) return
	const handle = openSync(file, 'a', 0o600)
	try {
		writeSync(handle, `${JSON.stringify({ ...deletion, at: at.toISOString() })}\n`)
		fsyncSync(handle)
	} finally {
		closeSync(handle)
	}
}

/** As a person is told of there: SHA-256 in hex. */
export function hashPerson(person: string): string {
	return createHash('sha256').update(person).digest('hex')
}
