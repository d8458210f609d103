/** After the last session students may finish at home, where the course says so. */
import { expect, test } from 'vitest'
import type { Course } from '../../../../core/course/course'
import { planCourse } from '../../../../core/plan/plan-course'
import { checkPlan } from '../../../../core/plan/checker/check-plan'
import { layTasks, tellPlan } from '../../../../core/plan/tell/plan-story'
import { demoCourse } from '../../../support/demo-designs'
import { makeDesign, makePart, makeStep } from '../../../support/make-design'

const design = makeDesign({
	parts: [makePart('bow', { paste: 'gum paste', piecesPerFlower: 1, form: { type: 'moulded', massG: 20 } })],
	steps: [
		makeStep('press', 'bow', [], { teaching: 'must' }),
		makeStep('lift', 'bow', [{ after: 'press', wait: { stage: 'hard', usualMinutes: 1440 } }], {
			places: ['class', 'home'],
		}),
	],
})

function plan(change: Partial<Course>) {
	const course: Course = {
		...demoCourse('Calla lily taster'),
		designs: [{ designId: design.id, flowersPerStudent: 1, picks: {} }],
		...change,
	}
	return planCourse(course, [design])
}

test('what dries too late for the only session is finished at home, once it is dry', () => {
	const { course, compiled, plan: found, objective } = plan({ homeAfterDays: 3 })
	if (!found) throw new Error('no plan')
	const close = compiled.instance.windows.at(-1)?.close ?? 0
	const lift = layTasks(compiled, found).find(({ taskId }) => taskId === 'test/lift')

	expect(objective?.shortfall).toBe(0)
	expect(checkPlan(compiled.instance, found).errors).toEqual([])
	expect(lift?.place).toBe('home')
	expect(lift?.start).toBeGreaterThan(close + 120)
	expect(tellPlan(compiled, found, course.sessions).home).toMatchObject([
		{ taskId: 'test/lift', afterSession: course.sessions.length - 1 },
	])
})

test('without that the course does not fit, and homework between sessions alone is no help', () => {
	expect(plan({}).objective?.shortfall).toBeGreaterThan(0)
	expect(plan({ homeworkMinutes: 60 }).objective?.shortfall).toBeGreaterThan(0)
})

test('longer than the days given nothing is finished at home', () => {
	const sugar = { ...design, parts: design.parts.map((part) => ({ ...part, paste: 'modelling paste' as const })) }
	const course: Course = {
		...demoCourse('Calla lily taster'),
		designs: [{ designId: design.id, flowersPerStudent: 1, picks: {} }],
		homeAfterDays: 1,
	}

	expect(planCourse(course, [sugar]).objective?.shortfall ?? Infinity).toBeGreaterThan(0)
})
