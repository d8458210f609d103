/** Somebody of another studio asks for everything by its id: nothing is found, nothing changes. */
import { createStudio } from '../../db/repositories/accounts.server'
import { hashPassword } from '../../db/password-hash.server'
import { fetchCookie } from '../../scripts/machine/running-app.mjs'
import { DEMO_IDS, listAddresses } from './route-table'
import { ask, type Target } from './target'
import { usualBodies } from './usual-bodies'

/** What the demo's studio calls its own, and nobody else may read. */
const SECRETS = /Tidewater|Ottilie|Magnolia on Thursdays/

/** Founds another studio in the database that is open here; its sign-in's cookie. */
export async function foundStranger({ url }: Pick<Target, 'url'>, name = 'Stranger'): Promise<string> {
	const [email, password] = [`${name.toLowerCase().replace(/\W/g, '-')}@studio.example`, 'a word for strangers']
	await createStudio(
		{ name, timeZone: 'Europe/London', gaugeStandard: 'swg', wireLengthsMm: [360] },
		{ name, email, passwordHash: await hashPassword(password) },
	)
	return fetchCookie({ url, email, password })
}

/**
 * Reads and posts to every address that names something of the demo's studio.
 *
 * @returns what was answered other than "not found", or with something of the other studio in it
 */
export async function askForForeignThings(target: Target, cookie: string): Promise<string[]> {
	const stranger = { url: target.url, cookie }
	const before = await ask(target, '/courses/1')
	const findings: string[] = []
	for (const { pattern, path } of listAddresses(DEMO_IDS).filter((one) => one.pattern.includes(':'))) {
		const read = await ask(stranger, path)
		// Files of the stranger's own shelf and log have no id of anybody's in their addresses.
		const isOwn = pattern === '/stock/files/:file' || pattern === '/log/files/:file'
		if (SECRETS.test(read.text) || (read.status === 200 && !isOwn)) findings.push(`GET ${path}: ${read.status}`)
		for (const body of usualBodies(pattern)) {
			// As a page that is open sends it: whole pages to say no take most of the time.
			const answer = await ask(stranger, dataAddress(path), {
				method: 'POST',
				headers: { 'Content-Type': 'application/json' },
				body: JSON.stringify(body),
			})
			const isRefused = [400, 404, 405].includes(answer.status)
			if (SECRETS.test(answer.text) || !isRefused)
				findings.push(`POST ${path} ${JSON.stringify(body).slice(0, 80)}: ${answer.status}`)
		}
	}
	const after = await ask(target, '/courses/1')
	const formOf = (text: string) => /"version",(\d+)/.exec(text)?.[1]
	if (formOf(before.text) !== formOf(after.text)) findings.push('a course was changed by another studio')
	return findings
}

function dataAddress(path: string): string {
	const [address, query] = path.split('?')
	return `${address}.data${query === undefined ? '' : `?${query}`}`
}
