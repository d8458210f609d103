/** Keys of our own: what they are, and what a press means. Pure. */

export interface Shortcut {
	/** As it is printed on the keyboard. */
	keys: string
	words: string
}

/** Pages by their first letter that is still free. */
const PAGE_KEYS: Record<string, { to: string; words: string }> = {
	t: { to: '/', words: 'Today' },
	d: { to: '/designs', words: 'Designs' },
	c: { to: '/courses', words: 'Courses' },
	y: { to: '/drying', words: 'Drying' },
	r: { to: '/rooms', words: 'Rooms' },
	s: { to: '/stock', words: 'Shelf' },
	n: { to: '/courses/new', words: 'A new course' },
}

/** Of a course, in the order of its way. */
const COURSE_KEYS: Record<string, { path: string; words: string }> = {
	'1': { path: '', words: 'Choose' },
	'2': { path: '/plan', words: 'Plan' },
	'3': { path: '/kits', words: 'Prepare' },
}

/** All of them, as they are listed. */
export const SHORTCUT_GROUPS: readonly { head: string; shortcuts: readonly Shortcut[] }[] = [
	{
		head: 'Everywhere',
		shortcuts: [
			{ keys: '?', words: 'these keys' },
			...Object.entries(PAGE_KEYS).map(([keys, { words }]) => ({ keys, words })),
		],
	},
	{
		head: 'In a course',
		shortcuts: Object.entries(COURSE_KEYS).map(([keys, { words }]) => ({ keys, words })),
	},
	{
		head: 'On the picture of a plan',
		shortcuts: [
			{ keys: 'Space', words: 'take up a step, tea or the end of a session, and lay it down' },
			{ keys: '← →', words: 'five minutes earlier or later; with Shift one' },
			{ keys: '↑ ↓', words: 'to another session' },
			{ keys: 'Esc', words: 'leave it where it was' },
			{ keys: '+ −', words: 'look nearer, or from further' },
			{ keys: 'Ctrl Z', words: 'undo; with Shift redo' },
		],
	},
	{
		head: 'In the editor of a design',
		shortcuts: [
			{ keys: 'Ctrl Z', words: 'undo' },
			{ keys: 'Ctrl Shift Z', words: 'redo' },
			{ keys: 'Ctrl S', words: 'save' },
		],
	},
	{ head: 'On slides', shortcuts: [{ keys: '← →', words: 'the layer before, the next' }] },
]

export interface KeyPress {
	key: string
	/** With Ctrl, Alt or the like: the browser's, or an editor's. */
	isModified: boolean
	/** In a field, where letters are letters. */
	isTyping: boolean
}

/** @returns where a press leads, or that the keys are to be listed; undefined: it is none of ours */
export function readShortcut(
	{ key, isModified, isTyping }: KeyPress,
	pathname: string,
): { to: string } | 'list' | undefined {
	if (isModified || isTyping) return undefined
	if (key === '?') return 'list'
	const page = Object.hasOwn(PAGE_KEYS, key) ? PAGE_KEYS[key] : undefined
	if (page) return { to: page.to }
	const course = /^\/courses\/\d+(?=\/|$)/.exec(pathname)?.[0]
	const step = Object.hasOwn(COURSE_KEYS, key) ? COURSE_KEYS[key] : undefined
	return course !== undefined && step ? { to: course + step.path } : undefined
}
