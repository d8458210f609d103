/** Whatever is wrong with a document, it is refused kindly: one problem a line, at its place, never an error of the program. */
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { InputError } from '../../core/errors'
import { readCourseDocument } from '../../exchange/course/course-document'
import { placed } from '../../exchange/problem-place'
import { readDesign } from '../../exchange/read-document'
import exampleCourse from '../../demo/exchange/course.json'
import { demoDesign, demoDesignIds } from '../support/demo-designs'

/** A place of a document: the keys that lead there. */
type Way = (string | number)[]

function waysIn(value: unknown, way: Way = []): Way[] {
	if (typeof value !== 'object' || value === null) return [way]
	return [
		way,
		...Object.entries(value).flatMap(([key, inner]) =>
			waysIn(inner, [...way, Array.isArray(value) ? Number(key) : key]),
		),
	]
}

/** Undefined leaves the field out: a document is JSON, which has no other way to say so. */
function withValue(document: unknown, [key, ...rest]: Way, value: unknown): unknown {
	if (key === undefined) return value
	if (Array.isArray(document))
		return document.map((inner: unknown, i) => (i === key ? withValue(inner, rest, value) : inner))
	const { [key]: field, ...others } = document as Record<string, unknown>
	return rest.length === 0 && value === undefined ? others : { ...others, [key]: withValue(field, rest, value) }
}

/** Undefined: it was taken. */
function refusalOf(read: () => unknown): { path: string; message: string }[] | undefined {
	try {
		read()
		return undefined
	} catch (error) {
		if (error instanceof InputError) return error.problems.map(placed)
		throw error
	}
}

const junk = fc.oneof(
	fc.constantFrom<unknown>(
		null,
		true,
		-1,
		0,
		1e9,
		Infinity,
		NaN,
		'',
		'x',
		'2026-02-30',
		[],
		{},
		[null],
		{ type: 'cut' },
		{ type: 'none' },
		undefined,
	),
	fc.jsonValue(),
)

describe.each([
	['designs', demoDesignIds().map(demoDesign), (document: unknown) => readDesign(document)],
	['courses', [exampleCourse], (document: unknown) => readCourseDocument(document)],
] as const)('%s with something else in any place', (_, documents, read) => {
	test('are taken or refused, each problem with a place that is told', () => {
		fc.assert(
			fc.property(fc.constantFrom(...documents), fc.nat(), junk, (document, at, value) => {
				const ways = waysIn(document)
				const problems = refusalOf(() => read(withValue(document, ways[at % ways.length] ?? [], value)))
				for (const { path, message } of problems ?? []) {
					expect(path).not.toContain('/')
					expect(message).not.toBe('')
				}
			}),
			{ numRuns: 500 },
		)
	}, 60_000)
})

describe('one problem is one line, at its place', () => {
	const magnolia = demoDesign('magnolia')
	const place = (change: (document: typeof magnolia) => unknown) =>
		refusalOf(() => readDesign(change(structuredClone(magnolia))))

	test('a bad outline, of all kinds of pieces', () => {
		const problems = place((design) => ({
			...design,
			parts: design.parts.map((part, p) =>
				p === 0
					? { ...part, form: { type: 'cut', outline: 'banana', widthMm: 10, lengthMm: 20, thicknessMm: 1 } }
					: part,
			),
		}))

		expect(problems).toMatchObject([{ path: 'parts[0].form.outline' }])
	})

	test('an unknown key', () => {
		expect(
			place((design) => ({
				...design,
				steps: design.steps.map((step, s) => (s === 1 ? { ...step, minuts: 3 } : step)),
			})),
		).toEqual([{ path: 'steps[1]', message: 'must NOT have additional properties "minuts"' }])
	})

	test('a part in a variant that does not exist', () => {
		const form = { type: 'derived', fromPart: 'nothing', piecesEach: 2 }
		const choices = [{ id: 'way', name: 'Way', options: [{ id: 'one', name: 'One' }] }]
		const changed = place((design) => ({
			...design,
			choices: [...design.choices, ...choices],
			parts: design.parts.map((part, p) =>
				p === 0 ? { ...part, variants: [{ when: { way: ['one'] }, set: { form } }] } : part,
			),
		}))

		expect(changed).toEqual([{ path: 'parts[0].variants[0].set.form.fromPart', message: 'there is no part "nothing"' }])
	})

	test('a date that does not exist', () => {
		const wrong = structuredClone(exampleCourse) as { course: { sessions: { date: string }[] } }
		wrong.course.sessions[0]!.date = '2026-02-30'

		expect(refusalOf(() => readCourseDocument(wrong))?.map(({ path }) => path)).toEqual(['course.sessions[0].date'])
	})

	test('a wire longer than every stock, with what to buy', () => {
		const wrong = { ...structuredClone(exampleCourse), stockLengthsMm: [100] }

		expect(refusalOf(() => readCourseDocument(wrong))?.[0]?.message).toMatch(
			/longer than every stock wire \(100 mm\): add a stock length of \d+ mm/,
		)
	})
})
