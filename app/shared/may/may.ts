/** Who may open a page, and who may change something there: one table by the addresses of the app. */
import { matchPath } from 'react-router'
import { isAtLeast, type Role } from '../../../core/vocabulary/role'

interface Needs {
	/** The least role that may open it. */
	read: Role
	/** The least role that may change something there. */
	write: Role
}

/** What is not named below. */
const USUAL: Needs = { read: 'guest', write: 'instructor' }

const ALL: Needs = { read: 'guest', write: 'guest' }
/** Helpers run a class, pack kits and work before class. */
const HELPED: Needs = { read: 'guest', write: 'assistant' }
/** Pages that are there to change something; and what says why a kit is as it is. */
const TAUGHT: Needs = { read: 'instructor', write: 'instructor' }
const OWNED: Needs = { read: 'owner', write: 'owner' }

/** The first that matches counts. */
const NEEDS: readonly [pattern: string, needs: Needs][] = [
	['/', ALL],
	['/look', ALL],
	['/account', ALL],
	['/people/*', OWNED],
	['/studio/leave', OWNED],
	['/studio/copy/*', OWNED],
	['/designs/new', TAUGHT],
	['/designs/import', TAUGHT],
	['/designs/:slug/edit', TAUGHT],
	['/designs/:slug/photos', TAUGHT],
	['/courses/new', TAUGHT],
	['/courses/import', TAUGHT],
	['/courses/:courseId/again', TAUGHT],
	['/courses/:courseId/delete', TAUGHT],
	['/courses/:courseId/told/:session', TAUGHT],
	['/courses/:courseId/kits/people', TAUGHT],
	['/courses/:courseId/kits/cost', TAUGHT],
	// Papers and files say why.
	['/courses/:courseId/kits/papers', TAUGHT],
	['/courses/:courseId/papers/:paper', TAUGHT],
	['/courses/:courseId/files/:file', TAUGHT],
	['/courses/:courseId/kits/packing/ticks', HELPED],
	['/courses/:courseId/kits/packing', HELPED],
	['/courses/:courseId/run/:session/wall', USUAL],
	['/courses/:courseId/run/:session/stream', USUAL],
	['/courses/:courseId/run/:session', { read: 'assistant', write: 'assistant' }],
	['/courses/:courseId/run/*', HELPED],
	['/preparation/free-time', ALL],
	['/preparation', HELPED],
	['/log/files/:file', TAUGHT],
	['/rooms/new', TAUGHT],
]

/** Pages with fields that only ask, beside those that change. */
const EXPLORED = [
	'/courses/what-fits',
	'/courses/:courseId/plan/compare',
	'/courses/:courseId/rehearsal',
	'/courses/:courseId/rehearsal/watch',
	'/designs/:slug/sheets',
	'/designs/:slug/slides',
	'/drying',
	'/log/belief',
]

/** Whether there is something to try on the page for whoever may change nothing there. */
export function isExplored(path: string): boolean {
	return EXPLORED.some((pattern) => matchPath(pattern, path))
}

function needsOf(path: string): Needs {
	return NEEDS.find(([pattern]) => matchPath({ path: pattern, end: true }, path))?.[1] ?? USUAL
}

/** @param path - of a page, without its search */
export function mayRead(role: Role, path: string): boolean {
	return isAtLeast(role, needsOf(path).read)
}

/** @param path - of a page, without its search */
export function mayWrite(role: Role, path: string): boolean {
	const { read, write } = needsOf(path)
	return isAtLeast(role, read) && isAtLeast(role, write)
}
