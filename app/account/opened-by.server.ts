import { data } from 'react-router'

/** What a link of the address opens; undefined, and answered as not found: nothing any more. */
export function openedBy<T extends object>(what: T | undefined) {
	return data(what, { status: what ? 200 : 404 })
}
