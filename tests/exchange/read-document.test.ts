import { describe, expect, test } from 'vitest'
import type { Design } from '../../core/design/design'
import { InputError } from '../../core/errors'
import { readDesign, readInstance, readPlan } from '../../exchange/read-document'
import firstForm from '../fixtures/designs-form-1.json'
import { demoDesign } from '../support/demo-designs'

function problemsOf(read: () => unknown): string[] {
	try {
		read()
		return []
	} catch (error) {
		if (error instanceof InputError) return error.problems.map(({ path, message }) => `${path} ${message}`)
		throw error
	}
}

describe('a design', () => {
	test.each(['magnolia', 'calla-lily', 'shells-and-starfish'])('%s comes back from its text as it was', (id) => {
		const design = demoDesign(id)

		expect(readDesign(JSON.parse(JSON.stringify(design)))).toEqual(design)
	})

	test('of a newer format is refused kindly', () => {
		expect(problemsOf(() => readDesign({ ...demoDesign('magnolia'), formatVersion: 3 }))).toEqual([
			expect.stringMatching(/newer Calycine \(format 3\)/),
		])
	})

	describe('of the first form', () => {
		test.each(firstForm.map((document) => [document.name, document] as const))(
			'%s says the same, with names for its layers and the steps that lay them',
			(_, document) => {
				const design = readDesign(document)

				const now = JSON.stringify({ ...document, formatVersion: 2 })
				const { layers, steps, parts, ...rest } = JSON.parse(
					now.replaceAll('"stiffened sugarpaste"', '"sugarpaste with CMC"'),
				) as Design
				expect(design).toMatchObject({ ...rest, layers })
				expect(design.steps.map(({ lays: _lays, ...step }) => step)).toEqual(
					steps.map((step) => (step.teaching === 'must' ? { ...step, places: ['class'] } : step)),
				)
				expect(design.parts).toEqual(
					parts.map((part) => (part.form.type === 'derived' ? { ...part, breakage: 0 } : part)),
				)
				expect(readDesign(design)).toEqual(design)
			},
		)

		test.each(firstForm.map((document) => [document.name, document] as const))(
			'%s has every joined layer laid: a glued one by its part, a taped one by the assembly',
			(_, document) => {
				const design = readDesign(document)
				for (const { id, part, joining } of design.layers.filter((layer) => layer.joining)) {
					const laying = design.steps.filter(({ lays = [] }) => id !== undefined && lays.includes(id))
					expect(laying.length).toBeGreaterThan(0)
					if (joining === 'glued') expect(laying.map((step) => step.part)).toContain(part)
				}
			},
		)

		test('is checked after it is upgraded', () => {
			const [first] = firstForm
			expect(problemsOf(() => readDesign({ ...first, level: 9 })).join()).toMatch(/level must be <= 5/)
		})
	})

	test.each<[string, object, RegExp]>([
		['a level out of range', { level: 9 }, /\/level must be <= 5/],
		['a field that is not ours', { onload: 'x' }, /additional properties "onload"/],
		['an id that would not fit an address', { id: '../etc' }, /\/id must match pattern/],
		[
			'an unknown kind',
			{ kind: 'sauce' },
			/\/kind must be equal to one of the allowed values: flower, foliage, ornament/,
		],
	])('with %s names the place', (_, change, message) => {
		expect(problemsOf(() => readDesign({ ...demoDesign('magnolia'), ...change })).join('\n')).toMatch(message)
	})

	test.each([null, 17, 'magnolia', [], { format: 'calycine-design' }])('is not %j', (document) => {
		expect(problemsOf(() => readDesign(document)).length).toBeGreaterThan(0)
	})
})

test('an instance and a plan are checked by field before they are used', () => {
	const instance = {
		name: 'x',
		windows: [{ open: 0, close: 9, session: 1 }],
		tasks: [{ id: 'a', minutes: 0 }],
		arcs: [],
	}

	expect(problemsOf(() => readInstance(instance)).join('\n')).toMatch(/\/tasks\/0/)
	expect(
		problemsOf(() =>
			readInstance({ ...instance, tasks: [{ id: 'a', minutes: 3 }], arcs: [{ from: 'a', to: 'b', lag: 1 }] }),
		),
	).toEqual(['/arcs/0 unknown task "b"'])
	expect(
		problemsOf(() => readPlan({ placements: { a: { place: 'garden' } }, swaps: [], extension: 0 })).length,
	).toBeGreaterThan(0)
})
