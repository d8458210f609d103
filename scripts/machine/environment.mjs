/** What the server reads from its environment, where nobody has set it already. */
import path from 'node:path'
import { keepSecret } from './data-folder.mjs'

/** Where it is told what was deleted for good. */
export function deletionsFile(folder) {
	return path.join(folder, 'deletions.jsonl')
}

/** @param database - undefined where an outside one is named already */
export function setEnvironment(folder, database) {
	process.env.CALYCINE_DATABASE_URL ??= database?.url
	process.env.CALYCINE_SESSION_SECRET ??= keepSecret(folder, 'session-secret')
	process.env.CALYCINE_DELETIONS_FILE ??= deletionsFile(folder)
	process.env.CALYCINE_LOG_FILE ??= path.join(folder, 'server.log')
}
