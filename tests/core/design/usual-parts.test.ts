/** Parts by their names alone. What is usual for which is common practice, no source. */
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { roleOfName } from '../../../core/design/skeletons/role-of-name'
import { addUsualPart, designFromParts } from '../../../core/design/skeletons/usual-parts'
import { measureDesign } from '../../../core/design/design-figures'
import { resolveDesign } from '../../../core/design/resolve-design'
import { reviewDesign } from '../../../core/design/review/review-design'
import { validateDesign } from '../../../core/design/validate-design'

describe('what a part is, by its name', () => {
	test.each([
		['Centre', 'centre'],
		['Inner petals', 'petal'],
		['Sepals of the bud', 'sepal'],
		['Leaves', 'leaf'],
		['Stamens', 'filler'],
		['Bud', 'bud'],
		['Ball', 'base'],
	] as const)('%s is a %s', (name, role) => {
		expect(roleOfName(name, 'flower')).toBe(role)
	})

	test('a word that is not known is what such designs are mostly made of', () => {
		expect([roleOfName('Frill', 'flower'), roleOfName('Starfish', 'ornament')]).toEqual(['petal', 'decoration'])
	})

	test('a word inside another is none', () => {
		expect(roleOfName('Budget frill', 'ornament')).toBe('decoration')
	})
})

describe('a flower told by the names of its parts', () => {
	const design = designFromParts({ id: 'sample', name: 'Sample' }, [
		'Centre',
		'Inner petals',
		'Outer petals',
		'Calyx',
		'Leaves',
	])

	test('can be resolved, and is reviewed without anything that cannot be made', () => {
		const resolved = resolveDesign(design, {})

		expect(validateDesign(design)).toEqual([])
		expect(reviewDesign(design, {}, 'swg').map(({ message }) => message)).toEqual([])
		expect(measureDesign(resolved, 'swg').handsOnMinutes).toBeGreaterThan(60)
	})

	test('is put together in the order of the names, each part when it is ready', () => {
		const joins = design.steps.filter(({ part }) => part === undefined)

		expect(joins.map(({ label }) => label)).toEqual([
			'Begin with centre',
			'Put on inner petals',
			'Put on outer petals',
			'Put on calyx',
			'Put on leaves',
		])
		expect(joins[1]?.needs.map(({ after }) => after)).toEqual(['inner-petals-dust', 'put-centre'])
	})

	test('gives parts of one kind different tints and wider rings', () => {
		const petals = design.parts.filter(({ role }) => role === 'petal')
		const radii = petals.map(({ id }) => design.layers.find(({ part }) => part === id)?.radiusMm ?? 0)

		expect(new Set(petals.map(({ tint }) => tint)).size).toBe(2)
		expect(radii[1]).toBeGreaterThan(radii[0] ?? 0)
		expect(petals.map(({ form }) => form.type === 'cut' && form.widthMm)).toEqual([34, 40])
	})
})

test('whatever the names, and however often the same, the design can be resolved', () => {
	const name = fc.string({ minLength: 1, maxLength: 80 })
	fc.assert(
		fc.property(
			fc.array(fc.oneof(name, fc.constantFrom('Petals', 'Leaves', 'Bud')), { minLength: 1, maxLength: 8 }),
			(names) => {
				const design = designFromParts({ id: 'any', name: 'Any' }, names)

				expect(validateDesign(design)).toEqual([])
				expect(resolveDesign(design, {}).parts).toHaveLength(names.length)
			},
		),
	)
})

test('a part more leaves all others as they were', () => {
	const before = designFromParts({ id: 'sample', name: 'Sample' }, ['Centre', 'Petals'])

	const { design, partId } = addUsualPart(before, 'Petals')

	expect(partId).toBe('petals-2')
	expect(design.parts.slice(0, 2)).toEqual(before.parts)
	expect(design.steps.slice(0, before.steps.length)).toEqual(before.steps)
})
