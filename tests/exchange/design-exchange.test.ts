import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, test } from 'vitest'
import { resolveDesign } from '../../core/design/resolve-design'
import { InputError } from '../../core/errors'
import { outlineAreaMm2 } from '../../core/outlines/measure-outline'
import { parsePath } from '../../core/outlines/parse-path'
import { readDesignFile, toBook } from '../../exchange/design/design-book'
import { partsCsv, stepsCsv } from '../../exchange/design/design-csv'
import { outlinesSvg, readOutlinesSvg } from '../../exchange/design/outline-svg'
import { readDesign } from '../../exchange/read-document'
import { demoDesign, demoDesignIds } from '../support/demo-designs'
import { makeDesign, makePart, makeStep } from '../support/make-design'

describe('a file of designs', () => {
	test('comes back exactly, one or many', () => {
		const designs = demoDesignIds().map(demoDesign)

		expect(readDesignFile(JSON.stringify(toBook(designs)))).toEqual(designs.map((design) => ({ design })))
		expect(readDesignFile(JSON.stringify(designs[0]))).toEqual([{ design: designs[0] }])
	})

	test('comes back exactly, whatever is written in it', () => {
		const text = (max: number) =>
			fc.string({ minLength: 1, maxLength: max, unit: 'grapheme' }).filter((word) => word.length <= max)
		const anyDesign = fc.record({
			name: text(80),
			summary: text(400),
			label: text(40),
			sentence: text(400),
			colour: text(40),
			minutes: fc.double({ min: 0, max: 500, noNaN: true }),
			count: fc.integer({ min: 1, max: 2000 }),
		})
		fc.assert(
			fc.property(anyDesign, ({ name, summary, label, sentence, colour, minutes, count }) => {
				const design = makeDesign({
					name,
					summary,
					parts: [makePart('p', { colour, piecesPerFlower: count })],
					steps: [makeStep('s', 'p', [], { label, sentence, minutesPerPiece: minutes === 0 ? 0 : minutes })],
				})

				expect(readDesignFile(JSON.stringify(design))).toEqual([{ design: readDesign(design) }])
				expect(JSON.parse(JSON.stringify(readDesign(design)))).toEqual(design)
			}),
			{ numRuns: 200 },
		)
	})

	test('with one bad design takes the others, and names the place of what is wrong', () => {
		const bad = { ...demoDesign('magnolia'), level: 9, name: 'Bad one' }

		const [first, second] = readDesignFile(
			JSON.stringify({ ...toBook([demoDesign('calla-lily')]), designs: [demoDesign('calla-lily'), bad] }),
		)

		expect(first).toHaveProperty('design')
		expect(second).toEqual({ name: 'Bad one', problems: [expect.objectContaining({ path: '/level' })] })
	})

	test.each([
		{ name: 'no JSON', text: '<html>', says: /not JSON/ },
		{ name: 'a nest of brackets', text: '['.repeat(100_000) + ']'.repeat(100_000), says: /deeper than 40/ },
		{
			name: 'a newer book',
			text: '{"format":"calycine-design-book","formatVersion":2,"designs":[]}',
			says: /newer Calycine/,
		},
		{
			name: 'a book without designs',
			text: '{"format":"calycine-design-book","formatVersion":1,"designs":{}}',
			says: /list of designs/,
		},
		{
			name: 'a book of thousands',
			text: JSON.stringify({ format: 'calycine-design-book', formatVersion: 1, designs: Array(501).fill(1) }),
			says: /at most 500/,
		},
	])('with $name is refused without harm', ({ text, says }) => {
		expect(() => readDesignFile(text)).toThrow(InputError)
		expect(() => readDesignFile(text)).toThrow(says)
	})

	test.each([
		{
			name: 'names of prototypes',
			document: '{"__proto__":{"polluted":1},"constructor":{"prototype":{"polluted":1}}}',
		},
		{ name: 'wrong types throughout', document: '{"format":1,"parts":"x","steps":7,"layers":null}' },
		{ name: 'brackets inside strings', document: JSON.stringify({ name: '[{'.repeat(50) }) },
		{
			name: 'a path that runs away',
			document: JSON.stringify({
				...makeDesign({
					parts: [
						makePart('p', {
							form: { type: 'cut', outline: 'own', path: 'M0 0L1e99 5L3 3Z', widthMm: 1, lengthMm: 1, thicknessMm: 1 },
						}),
					],
					steps: [makeStep('s', 'p')],
				}),
			}),
		},
	])('with $name is read as problems', ({ document }) => {
		const [result] = readDesignFile(document)

		expect(result).toHaveProperty('problems')
		expect(({} as Record<string, unknown>)['polluted']).toBeUndefined()
	})
})

describe('outlines as SVG', () => {
	test('go out in true size and come back with the same areas', () => {
		const design = resolveDesign(demoDesign('hellebore'), {})
		const cut = design.parts.flatMap(({ form }) => (form.type === 'cut' ? [form] : []))

		const svg = outlinesSvg(design)
		const back = readOutlinesSvg(svg)

		expect(svg).toMatch(/^<svg [^>]*width="[\d.]+mm" height="[\d.]+mm"/)
		expect(back).toHaveLength(cut.length)
		back.forEach(({ path }) => expect(outlineAreaMm2(parsePath(path))).toBeGreaterThan(10))
	})

	test('are taken from paths, polygons, circles, ellipses and rectangles', () => {
		const svg =
			'<svg xmlns="http://www.w3.org/2000/svg"><g><path id="a" d="M0 0H10V10H0Z"/><polygon points="0,0 10,0 0,10"/></g><circle r="10"/><ellipse rx="20" ry="5"/><rect width="4" height="5"/></svg>'

		const areas = readOutlinesSvg(svg).map(({ path }) => Math.round(outlineAreaMm2(parsePath(path))))

		expect(areas).toEqual([100, 50, 314, 314, 20])
	})

	test.each([
		{ name: 'a script', svg: '<svg><script>alert(1)</script><path d="M0 0H1V1Z"/></svg>', says: /more than a drawing/ },
		{ name: 'a handler', svg: '<svg onload="alert(1)"><path d="M0 0H1V1Z"/></svg>', says: /more than a drawing/ },
		{
			name: 'entities',
			svg: '<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><svg><path d="M0 0H1V1Z" id="&b;"/></svg>',
			says: /document type or entities/,
		},
		{
			name: 'a file from elsewhere',
			svg: '<svg><image href="http://example.org/x.png"/></svg>',
			says: /more than a drawing/,
		},
		{ name: 'half a file', svg: '<svg><path d="M0 0H1V1Z"', says: /not a whole SVG/ },
		{ name: 'nothing drawn', svg: '<svg></svg>', says: /no path/ },
		{ name: 'another kind of file', svg: '<html><body/></html>', says: /not SVG/ },
		{ name: 'a bad line', svg: '<svg><path id="leaf" d="M0 0L9 9L9 0L0 12Z"/></svg>', says: /crosses itself/ },
		{ name: 'a huge file', svg: `<svg>${' '.repeat(600_000)}</svg>`, says: /too large/ },
		{ name: 'a deep file', svg: `<svg>${'<g>'.repeat(5000)}${'</g>'.repeat(5000)}</svg>`, says: /./ },
	])('with $name are refused with the reason', ({ svg, says }) => {
		expect(() => readOutlinesSvg(svg)).toThrow(InputError)
		expect(() => readOutlinesSvg(svg)).toThrow(says)
	})
})

describe('CSV', () => {
	test('has a row a part and a row a step, readable again', () => {
		const design = resolveDesign(demoDesign('ranunculus'), {})

		const parts = Papa.parse<Record<string, string>>(partsCsv(design).slice(1), {
			header: true,
			skipEmptyLines: true,
		}).data
		const steps = Papa.parse<Record<string, string>>(stepsCsv(design).slice(1), {
			header: true,
			skipEmptyLines: true,
		}).data

		expect(parts.map((row) => row['part'])).toEqual(design.parts.map(({ name }) => name))
		expect(steps.map((row) => row['step'])).toEqual(design.steps.map(({ label }) => label))
		expect(parts[0]?.['wire gauge']).toBe('20')
	})

	test('begins no cell with what a spreadsheet would compute', () => {
		const design = resolveDesign(
			makeDesign({
				parts: [makePart('p', { name: '=HYPERLINK("x")', colour: '@SUM(A1)' })],
				steps: [makeStep('s', 'p', [], { label: '+1', sentence: '-2+3' })],
			}),
			{},
		)

		for (const row of [
			...Papa.parse<string[]>(partsCsv(design).slice(1)).data,
			...Papa.parse<string[]>(stepsCsv(design).slice(1)).data,
		]) {
			for (const cell of row) expect(cell).not.toMatch(/^[=+\-@]/)
		}
	})
})
