/** What a noted change was of, in words. */
import { matchPath } from 'react-router'

/** The first that matches counts; each with who opened a door, or what was changed. */
const WORDS: readonly [pattern: string, words: string][] = [
	['/set-up', 'founded the studio'],
	['/join', 'joined'],
	['/sign-in', 'signed in'],
	['/new-password', 'chose a new password by a letter'],
	['/account', 'her own account'],
	['/people/known', 'somebody who comes to class'],
	['/people', 'the people of the studio'],
	['/studio/copy', 'a copy read in'],
	['/studio/leave', 'whether the studio stays'],
	['/studio', 'the studio'],
	['/designs/new', 'a new design'],
	['/designs/import', 'designs from a file'],
	['/designs/:slug/photos', 'photos of a design'],
	['/designs/:slug/*', 'a design'],
	['/courses/new', 'a new course'],
	['/courses/import', 'a course from a file'],
	['/courses/what-fits', 'a new course'],
	['/courses/:courseId/again', 'a course, again'],
	['/courses/:courseId/delete', 'deleted a course'],
	['/courses/:courseId/plan/*', 'a plan'],
	['/courses/:courseId/rehearsal/*', 'a rehearsal'],
	['/courses/:courseId/run/*', 'a class on the tablet'],
	['/courses/:courseId/told/:session', 'a session told by hand'],
	['/courses/:courseId/kits/people', 'the people of a course'],
	['/courses/:courseId/kits/*', 'kits'],
	['/courses/*', 'a course'],
	['/preparation/*', 'work before class'],
	['/log/*', 'the log'],
	['/drying', 'drying notes'],
	['/rooms/*', 'a room'],
	['/stock', 'the shelf'],
]

/** 'a plan: set role' of '/courses/3/plan' and 'set-role'. */
export function changeWords({ path, intent }: { path: string; intent: string }): string {
	const words = WORDS.find(([pattern]) => matchPath(pattern, path))?.[1] ?? path
	return intent === '' ? words : `${words}: ${intent.replaceAll('-', ' ')}`
}
