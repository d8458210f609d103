/** Where a visitor wanted to go before the sign-in page came between. */

/** An origin that no address of ours has. */
const OURS = 'http://ours.invalid'

/**
 * Path and search of a page of ours; the start page for anything else. Read as a browser would read it: `/\t/evil.example`
 * and `/\evil.example` lead away.
 */
export function localTarget(wanted: string | null): string {
	if (wanted === null || !URL.canParse(wanted, OURS)) return '/'
	const { origin, pathname, search } = new URL(wanted, OURS)
	// The path itself may begin with two strokes, which is another site again.
	return origin === OURS && !pathname.startsWith('//') ? `${pathname}${search}` : '/'
}
