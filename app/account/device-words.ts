/** Kinds of devices, by what browsers say of themselves; the first that is named counts. */
const DEVICES: readonly [pattern: RegExp, words: string][] = [
	[/iPad/, 'iPad'],
	[/iPhone/, 'iPhone'],
	[/Android.*Mobile/, 'Android phone'],
	[/Android/, 'Android tablet'],
	[/Windows/, 'Windows'],
	[/Macintosh/, 'Mac'],
	[/CrOS/, 'Chromebook'],
	[/Linux/, 'Linux'],
]
const BROWSERS: readonly [pattern: RegExp, words: string][] = [
	[/Edg\//, 'Edge'],
	[/OPR\//, 'Opera'],
	[/Firefox\//, 'Firefox'],
	[/Chrome\//, 'Chrome'],
	[/Safari\//, 'Safari'],
]

/** A browser's word about itself, as its owner would say it: 'Firefox on Linux'. */
export function deviceWords(userAgent: string): string {
	const find = (kinds: typeof DEVICES) => kinds.find(([pattern]) => pattern.test(userAgent))?.[1]
	return `${find(BROWSERS) ?? 'A browser'} on ${find(DEVICES) ?? 'a device'}`
}
