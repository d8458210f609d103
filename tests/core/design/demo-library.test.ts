/** Every design of the demo, under every option: planned, measured and drawn. */
import { describe, expect, test } from 'vitest'
import { withExtraSession } from '../../../core/course/extra-session'
import { planCourse } from '../../../core/plan/plan-course'
import { measureDesign } from '../../../core/design/design-figures'
import { resolveDesign } from '../../../core/design/resolve-design'
import { scaleDesign } from '../../../core/design/scale-design'
import { designFromSkeleton, SKELETONS } from '../../../core/design/skeletons/skeletons'
import { checkPlan } from '../../../core/plan/checker/check-plan'
import { readDesign } from '../../../exchange/read-document'
import { demoCourse, demoDesign, demoDesignIds } from '../../support/demo-designs'

/** Four evenings of two hours, improvers. */
const weekly = withExtraSession(demoCourse('Magnolia on Thursdays'))

describe.each(demoDesignIds())('%s', (id) => {
	const design = demoDesign(id)
	const ways = design.choices.flatMap(({ id: choice, options }) => options.map((option) => ({ [choice]: option.id })))

	test('has two to four choices, and is not empty under any of them', () => {
		expect(design.choices.length).toBeGreaterThanOrEqual(2)
		expect(design.choices.length).toBeLessThanOrEqual(4)
		for (const picks of ways) {
			const resolved = resolveDesign(design, picks)
			expect(resolved.parts.length).toBeGreaterThan(0)
			expect(measureDesign(resolved, 'swg').handsOnMinutes).toBeGreaterThan(10)
		}
	})

	test.each(ways)('fits a weekly course of four evenings with %j, and its plan passes the checker', (picks) => {
		const course = { ...weekly, designs: [{ designId: id, flowersPerStudent: 1, picks }] }

		const { compiled, plan, objective } = planCourse(course, [design])

		expect(plan && checkPlan(compiled.instance, plan)).toEqual({ ok: true, errors: [], objective })
		expect(objective?.shortfall).toBe(0)
	})

	test.each([0.5, 1.5])('made %f times as large keeps counts and minutes, and its masses follow', (factor) => {
		const scaled = scaleDesign(design, factor, 'swg')
		const [before, after] = [design, scaled].map((one) => measureDesign(resolveDesign(one, {}), 'swg'))

		expect(readDesign(JSON.parse(JSON.stringify(scaled)))).toEqual(scaled)
		expect(after?.handsOnMinutes).toBe(before?.handsOnMinutes)
		const ratio = (after?.pasteG ?? 0) / (before?.pasteG ?? 1)
		// Between the square (all cut) and the cube (all formed), with a tenth of a millimetre of rounding.
		const [square, cube] = [factor ** 2, factor ** 3].toSorted((a, b) => a - b)
		expect(ratio).toBeGreaterThan((square ?? 0) * 0.9)
		expect(ratio).toBeLessThan((cube ?? 0) * 1.1)
	})
})

test('the library covers all kinds of parts, pastes, ways of wiring and levels', () => {
	const designs = demoDesignIds().map(demoDesign)
	const all = designs.flatMap(({ parts }) =>
		parts.flatMap((part) => [part, ...(part.variants ?? []).map(({ set }) => ({ ...part, ...set }))]),
	)

	expect(new Set(all.map(({ form }) => form.type))).toEqual(new Set(['cut', 'formed', 'moulded', 'bought', 'derived']))
	expect(new Set(all.flatMap(({ paste }) => paste ?? []))).toEqual(
		new Set(['gum paste', 'modelling paste', 'sugarpaste with CMC', 'sugarpaste']),
	)
	expect(new Set(all.flatMap(({ wire }) => wire?.method ?? []))).toEqual(
		new Set(['grooved board', 'rolled rib', 'pinched thread', 'hooked']),
	)
	expect(new Set(designs.map(({ level }) => level))).toEqual(new Set([1, 2, 3, 4, 5]))
})

test.each(SKELETONS.map(({ id }) => id))('the skeleton %s is a design that fits two evenings', (id) => {
	const design = designFromSkeleton(id, { id: 'mine', name: 'Mine' })
	if (!design) throw new Error('no such skeleton')
	const course = {
		...weekly,
		designs: [{ designId: 'mine', flowersPerStudent: 1, picks: {} }],
		sessions: weekly.sessions.slice(0, 2),
	}

	const { objective } = planCourse(course, [design])

	expect(readDesign(JSON.parse(JSON.stringify(design)))).toEqual(design)
	expect(objective?.shortfall).toBe(0)
})
