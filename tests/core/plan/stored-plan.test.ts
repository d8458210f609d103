import { describe, expect, test } from 'vitest'
import { checkPlan } from '../../../core/plan/checker/check-plan'
import { ORDINARY_TERMS } from '../../../core/plan/compile/drying-terms'
import { planCourse } from '../../../core/plan/plan-course'
import { arcIds } from '../../../core/plan/named-plan'
import { readStoredPlan, writeStoredPlan } from '../../../core/plan/stored-plan'
import { tellPlan } from '../../../core/plan/tell/plan-story'
import firstForm from '../../fixtures/stored-plan-1.json'
import { demoCourse, demoDesign } from '../../support/demo-designs'

const course = demoCourse('Calla lily taster')
const made = planCourse(
	course,
	course.designs.map(({ designId }) => demoDesign(designId)),
	{ ...ORDINARY_TERMS, zone: 'Europe/London' },
)

describe('a stored plan', () => {
	test('comes back as it was, through JSON', () => {
		expect(readStoredPlan(JSON.parse(JSON.stringify(writeStoredPlan(made))))).toEqual(made)
	})

	test('names its exchanges by the tasks that they part, not by a position', () => {
		const document = writeStoredPlan(made)

		expect(made.plan?.swaps.length).toBeGreaterThan(0)
		expect(document.plan?.swaps).toEqual([expect.stringMatching(/^calla-lily\/[\w-]+>calla-lily\/[\w-]+$/)])
	})

	test('means the same where the arcs of its instance stand in another order', () => {
		const document = writeStoredPlan(made)
		const { instance } = document.compiled
		const turned = { ...instance, arcs: instance.arcs.toReversed() }

		const read = readStoredPlan({ ...document, compiled: { ...document.compiled, instance: turned } })

		expect(read.plan && checkPlan(read.compiled.instance, read.plan)).toMatchObject({
			ok: true,
			objective: made.objective,
		})
		expect(read.plan && tellPlan(read.compiled, read.plan, course.sessions).swaps).toEqual(
			made.plan && tellPlan(made.compiled, made.plan, course.sessions).swaps,
		)
	})

	test('of the first form, as it was kept before there were zones and ids, is read and still passes the checker', () => {
		const read = readStoredPlan(firstForm)

		expect(read.plan?.swaps).toEqual(firstForm.plan.swaps)
		expect(read.plan && checkPlan(read.compiled.instance, read.plan)).toMatchObject({
			ok: true,
			objective: firstForm.objective,
		})
		expect(read.compiled.origin).toEqual({ ...firstForm.compiled.origin, zone: 'UTC' })
		expect(read.plan && tellPlan(read.compiled, read.plan, read.course.sessions).sessions).toHaveLength(1)
	})

	test.each([
		{ name: 'nothing', document: null, says: /no stored plan/ },
		{ name: 'a newer form', document: { ...firstForm, formatVersion: 99 }, says: /version 99/ },
		{
			name: 'an exchange of no arc',
			document: { ...writeStoredPlan(made), plan: { placements: {}, swaps: ['a>b'], extension: 0 } },
			says: /arc "a>b"/,
		},
	])('of $name is refused', ({ document, says }) => {
		expect(() => readStoredPlan(document)).toThrow(says)
	})
})

test('arcs between the same tasks have ids of their own', () => {
	const arc = (from: string, to: string) => ({ from, to, lag: 0 })

	expect(arcIds([arc('a', 'b'), arc('b', 'c'), arc('a', 'b')])).toEqual(['a>b', 'b>c', 'a>b#2'])
})
