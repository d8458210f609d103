import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { giveKeys, nameItems } from '../../../core/course/course-items'
import { validateCourse } from '../../../core/course/validate-course'
import { packClassKit } from '../../../core/kit/class-kit'
import { USUAL_KIT_TERMS } from '../../../core/kit/kit-terms'
import { planCourse, resolveCourse } from '../../../core/plan/plan-course'
import { demoCourse, demoDesign } from '../../support/demo-designs'

const item = (designId: string, more: { key?: string; name?: string } = {}) => ({
	designId,
	flowersPerStudent: 1,
	picks: {},
	...more,
})

describe('items of a course', () => {
	test('have keys of their own, those that were given among them', () => {
		const items = [item('fern'), item('fern', { key: 'fern-2' }), item('fern'), item('moss')]

		expect(giveKeys(items).map(({ key }) => key)).toEqual(['fern', 'fern-2', 'fern-3', 'moss'])
	})

	test('keep their keys when they are given again, and no two are alike, whatever is chosen', () => {
		const anyItem = fc.record({
			designId: fc.constantFrom('fern', 'moss', 'fern-2'),
			key: fc.option(fc.constantFrom('fern', 'fern-2', 'a', 'b'), { nil: undefined }),
		})
		fc.assert(
			fc.property(fc.uniqueArray(anyItem, { selector: ({ key }) => key ?? Symbol('none'), maxLength: 8 }), (chosen) => {
				const items = chosen.map(({ designId, key }) => item(designId, key === undefined ? {} : { key }))
				const keyed = giveKeys(items)

				expect(new Set(keyed.map(({ key }) => key)).size).toBe(items.length)
				expect(giveKeys(keyed)).toEqual(keyed)
			}),
		)
	})

	test('are called as they say, or as their design, with a number where it is made again', () => {
		const items = [item('fern'), item('fern', { name: 'in modelling paste' }), item('fern'), item('moss')]

		expect(nameItems(items, ['Fern', 'Fern', 'Fern', 'Moss'])).toEqual(['Fern', 'in modelling paste', 'Fern 2', 'Moss'])
	})

	test('with the same key, or one that is none, are refused at their place', () => {
		const course = demoCourse('Magnolia on Thursdays')
		const [own] = course.designs
		if (!own) throw new Error('no design')
		const wrong = { ...course, designs: ['a', 'a', 'Ä b'].map((key) => ({ ...own, key })) }

		expect(validateCourse(wrong).map(({ path }) => path)).toEqual([
			'designs[0].key',
			'designs[1].key',
			'designs[2].key',
		])
	})
})

test('one design made in two ways is planned and packed as two, each by its own name', () => {
	const calla = demoDesign('calla-lily')
	const course = { ...demoCourse('Magnolia on Thursdays'), designs: [item('calla-lily'), item('calla-lily')] }
	const resolved = resolveCourse(course, [calla, calla])

	const { compiled, plan } = planCourse(course, [calla, calla])

	expect(resolved.map(({ design }) => [design.id, design.name])).toEqual([
		['calla-lily', 'Calla lily'],
		['calla-lily-2', 'Calla lily 2'],
	])
	const ids = compiled.instance.tasks.map(({ id }) => id)
	const countOf = (prefix: string) => ids.filter((id) => id.startsWith(prefix)).length
	expect(new Set(ids).size).toBe(ids.length)
	expect(countOf('calla-lily-2/')).toBe(countOf('calla-lily/'))
	// What is shown is shown once.
	expect(countOf('show/')).toBe(new Set(calla.steps.flatMap(({ technique }) => technique ?? [])).size)
	if (!plan) throw new Error('no plan')
	const studio = { stockLengthsMm: [360], terms: USUAL_KIT_TERMS, offcuts: [], owned: {} }
	const kit = packClassKit(course, resolved, { compiled, plan, studio, roster: [] })
	const linesOf = (key: string) => kit.lines.filter(({ designId }) => designId === key).map(({ shares }) => shares)
	expect(linesOf('calla-lily-2')).toEqual(linesOf('calla-lily'))
	expect(linesOf('calla-lily-2').length).toBeGreaterThan(1)
})
