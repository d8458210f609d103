/** Guests and helpers post to everything: nothing is changed but what is theirs. */
import type { Role } from '../../core/vocabulary/role'
import { inTransaction } from '../../db/connection.server'
import { hashPassword } from '../../db/password-hash.server'
import { addPerson, findPersonByEmail } from '../../db/repositories/people.server'
import { fetchCookie } from '../../scripts/machine/running-app.mjs'
import { DEMO_IDS, listAddresses } from './route-table'
import { ask, type Target } from './target'
import { usualBodies } from './usual-bodies'

/** Outside the studio: whoever has the address or the link. */
const OUTSIDE =
	/^\/(sign-in|sign-in\/code\/:token|sign-out|forgot|set-up\/:token|join\/:token|new-password\/:token|calendars\/:token|schemas\/.*|evening\/.*)$/

/** What is everybody's own. */
const OF_ALL = ['/', '/look', '/account', '/preparation/free-time']

/** What each may change, said here once more, beside the table by which the app decides. */
const MAY_CHANGE: Record<'guest' | 'assistant', readonly string[]> = {
	guest: OF_ALL,
	assistant: [
		...OF_ALL,
		'/preparation',
		'/courses/:courseId/kits/packing',
		'/courses/:courseId/kits/packing/ticks',
		'/courses/:courseId/run',
		'/courses/:courseId/run/:session',
		'/courses/:courseId/run/:session/events',
		'/courses/:courseId/run/:session/air',
		'/courses/:courseId/run/:session/photos/:photoId',
		'/courses/:courseId/run/:session/code',
	],
}

/** Somebody of the demo's studio; her sign-in's cookie. */
export async function addDemoPerson({ url }: Pick<Target, 'url'>, role: Role): Promise<string> {
	const [email, password] = [`${role}@tidewater.example`, `a word for the ${role}`]
	const demo = await findPersonByEmail('instructor@tidewater.example')
	const passwordHash = await hashPassword(password)
	await inTransaction((transaction) =>
		addPerson(demo?.studioId ?? 0, { name: `A ${role}`, email, role, passwordHash }, transaction),
	)
	return fetchCookie({ url, email, password })
}

/** @returns what was answered other than "not for you" where it had to be, or so where it had not */
export async function postAsLesserRole(target: Target, role: 'guest' | 'assistant', cookie: string): Promise<string[]> {
	const who = { url: target.url, cookie }
	const findings: string[] = []
	for (const { pattern, path } of listAddresses(DEMO_IDS).filter((one) => !OUTSIDE.test(one.pattern))) {
		const [body] = usualBodies(pattern)
		const { status } = await ask(who, path, {
			method: 'POST',
			headers: { 'Content-Type': 'application/json' },
			body: JSON.stringify(body),
		})
		if ((status === 403) === MAY_CHANGE[role].includes(pattern)) findings.push(`${role}: POST ${path}: ${status}`)
	}
	return findings
}
