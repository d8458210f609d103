/** Words in which no date and no amount breaks at the end of a line. */
const HARD_SPACE = '\u00A0'
const DAYS = '(?:Mon|Tues?|Wed(?:nes)?|Thu(?:rs)?|Fri|Sat(?:ur)?|Sun)(?:day)?'
const MONTHS = '(?:Jan|Feb|Mar|Apr|May|June?|July?|Aug|Sept?|Oct|Nov|Dec)[a-z]*'
const UNITS = '(?:g|kg|mg|ml|l|mm|cm|m|min|h|oz|lb|in|ft|fl|gauge|pieces?|wires?|flowers?|days?|×|%|of)'

const BREAKS: readonly [RegExp, string][] = [
	[new RegExp(`\\b(${DAYS}) (?=\\d)`, 'g'), `$1${HARD_SPACE}`],
	[new RegExp(`(\\d) (?=${MONTHS}\\b)`, 'g'), `$1${HARD_SPACE}`],
	[new RegExp(`(${MONTHS},?) (?=\\d\\d:)`, 'g'), `$1${HARD_SPACE}`],
	[new RegExp(`([\\d½]) (?=${UNITS}(?![a-z]))`, 'g'), `$1${HARD_SPACE}`],
	// '2 h 05', '4 × 12', '€ 12.40', 'page 3'.
	[/(\d\u00A0h|×|€|£|\$|page) (?=\d)/g, `$1${HARD_SPACE}`],
]

export function holdTogether(words: string): string {
	return BREAKS.reduce((held, [place, instead]) => held.replace(place, instead), words)
}

/** Keys under which no words stand. */
const DRAWN = new Set(['figure', 'figures', 'pages', 'type'])

/** The same of all words of a paper, or a part of it; captions of figures stay as they are. */
export function heldTogether<Value>(value: Value): Value {
	if (typeof value === 'string') return holdTogether(value) as Value
	if (Array.isArray(value)) return value.map((one: unknown) => heldTogether(one)) as Value
	if (typeof value !== 'object' || value === null) return value
	return Object.fromEntries(
		Object.entries(value).map(([key, one]: [string, unknown]) => [key, DRAWN.has(key) ? one : heldTogether(one)]),
	) as Value
}
