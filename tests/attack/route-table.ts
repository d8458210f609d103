/** Every address of the app with ids that exist, made from its own route table: a new route is attacked by itself. */
import type { RouteConfigEntry } from '@react-router/dev/routes'
import routes from '../../app/routes'

export interface Address {
	/** As in the table: '/courses/:courseId/plan'. */
	pattern: string
	/** Filled with the ids of one studio. */
	path: string
}

/** Values of the parameters in addresses, several where an address means several things. */
export type Ids = Record<string, readonly string[]>

/** @throws {Error} the table has a parameter that `ids` does not know */
export function listAddresses(ids: Ids): Address[] {
	return patternsOf(routes as RouteConfigEntry[]).flatMap((pattern) => {
		return fill(pattern, ids).map((path) => ({ pattern, path }))
	})
}

function patternsOf(entries: readonly RouteConfigEntry[], parent = ''): string[] {
	return entries.flatMap(({ path, index, children = [] }) => {
		const own = path === undefined ? parent : `${parent}/${path}`
		// A layout has no address of its own.
		return [...(path !== undefined || index ? [own || '/'] : []), ...patternsOf(children, own)]
	})
}

function fill(pattern: string, ids: Ids): string[] {
	const [, name] = /:(\w+)/.exec(pattern) ?? []
	if (name === undefined) return [pattern]
	const values = ids[name]
	if (!values) throw new Error(`the attack knows no value for :${name} of ${pattern}`)
	return values.flatMap((value) => fill(pattern.replace(`:${name}`, encodeURIComponent(value)), ids))
}

/** Ids of the demo's studio. */
export const DEMO_IDS: Ids = {
	slug: ['magnolia'],
	courseId: ['1'],
	session: ['1'],
	placeId: ['1'],
	photoId: ['1'],
	token: ['nobodys-secret.ics'],
	code: ['abcdefgh'],
	paper: ['kit', 'shopping'],
	file: [
		'shelf.csv',
		'people.csv',
		'course.json',
		'labels.pdf',
		'design.json',
		'parts.csv',
		'outlines.svg',
		'kit.pdf',
		'log.csv',
	],
}
