/** Notes who has changed what kind of thing: for every action of a studio, in one place. */
import { addChange } from '../../db/repositories/changes.server'
import type { Member } from '../../db/repositories/sign-ins.server'
import { log } from '../shared/http/log.server'
import { listeningForIntent } from '../shared/http/told-intent.server'

/** What is kept as events of its own, or is no change of the studio's. */
const APART = [/^\/look$/, /^\/courses\/\d+\/run\/\d+\/(events|air)$/, /^\/courses\/\d+\/kits\/packing\/ticks$/]

/** @param next - answers the request */
export async function noteChanges(
	{ userId, studio }: Member,
	path: string,
	next: () => Promise<Response>,
): Promise<Response> {
	if (APART.some((pattern) => pattern.test(path))) return next()
	const { result: response, intent } = await listeningForIntent(next)
	if (response.status < 400) await note({ studioId: studio.id, userId, path, intent })
	return response
}

/** What was done is done, and is not taken back because it could not be noted. */
export async function note(change: { studioId: number; userId: number; path: string; intent: string }): Promise<void> {
	try {
		await addChange({ ...change, at: new Date() })
	} catch (error) {
		log.error({ err: error }, 'a change was not noted')
	}
}
