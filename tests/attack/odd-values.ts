/** Bodies that no form sends, from a seed: valid ones with something odd in them, and things that are no bodies at all. */
import { createRng, type Rng } from '../../core/random'

/** What breaks programs. As JSON texts, since not all of them are values. */
const ODD_JSON = [
	'null',
	'{}',
	'[]',
	'[null]',
	'true',
	'-1',
	'0',
	'1.5',
	'1e308',
	'-1e308',
	'9007199254740993',
	'""',
	'"0x1"',
	'"NaN"',
	'"\\ud800"',
	'"\\u0000"',
	'"＝1+1"',
	'"2026-02-30"',
	'"0026-03-01"',
	'"9999-12-31"',
	'{"toString":1}',
	'{"length":1e9}',
	'{"__proto__":{"x":1}}',
	`"${'x'.repeat(5000)}"`,
	`[${'1,'.repeat(2000)}1]`,
]

export type { Rng }
export { createRng }

export interface OddBody {
	contentType: string | undefined
	body: string
}

/** The document with one of its values replaced by an odd one, now and then with two. */
export function oddJson(document: unknown, rng: Rng): string {
	const text = JSON.stringify(document)
	const values = [...text.matchAll(/(?<=[:[,])("(?:[^"\\]|\\.)*"|-?\d[\d.e+-]*|true|false|null)(?=[,\]}])/g)]
	const times = 1 + Math.floor(2 * rng())
	let odd = text
	for (let time = 0; time < times; time++) {
		const found = values[Math.floor(rng() * values.length)]
		const value = ODD_JSON[Math.floor(rng() * ODD_JSON.length)] ?? 'null'
		if (found) odd = odd.slice(0, found.index) + value + odd.slice(found.index + found[0].length)
		// The places of the others have moved.
		if (rng() < 0.5) break
		values.length = 0
	}
	return values.length === 0 && odd === text ? (ODD_JSON[Math.floor(rng() * ODD_JSON.length)] ?? 'null') : odd
}

/** A body for a route, given what it usually takes. */
export function oddBody(usual: readonly object[], rng: Rng): OddBody {
	const document = usual[Math.floor(rng() * usual.length)] ?? {}
	const kind = rng()
	const json = oddJson(document, rng)
	if (kind < 0.55) return { contentType: 'application/json', body: json }
	if (kind < 0.8) return { contentType: 'application/x-www-form-urlencoded', body: oddFields(document, rng) }
	if (kind < 0.86) return { contentType: 'multipart/form-data', body: json }
	if (kind < 0.9) return { contentType: 'multipart/form-data; boundary=x', body: '--x\r\nrubbish' }
	if (kind < 0.94) return { contentType: 'application/json', body: json.slice(0, Math.floor(json.length / 2)) }
	return { contentType: kind < 0.97 ? 'text/plain' : undefined, body: json }
}

function oddFields(document: object, rng: Rng): string {
	const fields = new URLSearchParams(
		Object.entries(document).map(([key, value]) => [
			key,
			typeof value === 'object' ? '[object Object]' : String(value),
		]),
	)
	const keys = [...fields.keys()]
	const key = keys[Math.floor(rng() * keys.length)] ?? 'intent'
	const odd = ODD_JSON[Math.floor(rng() * ODD_JSON.length)] ?? ''
	if (rng() < 0.2) return `${fields}&${key}=%ED%A0%80&${key}=%`
	fields.set(key, odd.replace(/^"|"$/g, ''))
	return String(fields)
}
