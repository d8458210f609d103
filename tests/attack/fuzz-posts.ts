/** Odd bodies for every action, signed in and not: nothing may answer 500, hang, or stop the server. */
import { createRng, oddBody } from './odd-values'
import { DEMO_IDS, listAddresses } from './route-table'
import { ask, HANG_MS, type Answer, type Target } from './target'
import { usualBodies } from './usual-bodies'

export interface Finding {
	what: string
	seed: number
	detail: string
}

/** Addresses that end the sign-in with which the rest is asked. */
const LEFT_OUT = new Set(['/sign-out'])

/**
 * @param rounds - odd bodies for each address
 * @param seed - says which; printed with every finding
 */
export async function fuzzPosts(
	target: Target,
	{ rounds, seed }: { rounds: number; seed: number },
): Promise<Finding[]> {
	const findings: Finding[] = []
	const nobody = { url: target.url, cookie: '' }
	for (const { pattern, path } of listAddresses(DEMO_IDS).filter((one) => !LEFT_OUT.has(one.pattern))) {
		for (let round = 0; round < rounds; round++) {
			const rng = createRng(seed + round)
			const { contentType, body } = oddBody(usualBodies(pattern), rng)
			const init = {
				method: 'POST',
				body,
				headers: new Headers(contentType === undefined ? [] : [['Content-Type', contentType]]),
			}
			const answer = await ask(rng() < 0.15 ? nobody : target, path, init)
			if (isBad(answer)) findings.push({ what: `POST ${path}`, seed: seed + round, detail: tell(answer, body) })
		}
	}
	return findings
}

/** Odd addresses, methods and heads. */
export async function fuzzGets(target: Target): Promise<Finding[]> {
	const findings: Finding[] = []
	const odd = [
		'/courses/0x1',
		'/courses/1e3',
		'/courses/99999999999999999999',
		'/courses/1/plan?step=%00',
		'/designs/%ED%A0%80',
		'/designs?page=1e308&q=%',
		'/stock?page=-1&q=%F0%9F%8C%B8',
		'/drying?width=1e308&also=%',
		'/sign-in?to=%0A//evil.example',
		'/courses/1/files/..%2f..%2fpackage.json',
		'/%',
	]
	for (const page of [...odd, ...listAddresses(DEMO_IDS).map(({ path }) => `${path}?x=%EF%BF%BD&page=abc`)]) {
		const answer = await ask(target, page)
		if (isBad(answer)) findings.push({ what: `GET ${page}`, seed: 0, detail: tell(answer, '') })
	}
	for (const method of ['PUT', 'DELETE', 'PATCH', 'OPTIONS', 'HEAD']) {
		const answer = await ask(target, '/courses/1', { method })
		if (isBad(answer)) findings.push({ what: `${method} /courses/1`, seed: 0, detail: tell(answer, '') })
	}
	return findings
}

function isBad({ status, ms }: Answer): boolean {
	return status === 0 || status >= 500 || ms > HANG_MS
}

function tell({ status, ms, text }: Answer, body: string): string {
	return `${status} after ${Math.round(ms)} ms; sent ${body.slice(0, 300)}; answered ${text.slice(0, 200)}`
}
