/** What was learnt, in plans and rehearsals: each step takes its own minutes, and nothing changes where nothing is learnt. */
import { describe, expect, test } from 'vitest'
import { levelFactor } from '../../../core/course/pace'
import type { Learnt } from '../../../core/learn/learnt'
import { learnMinutes } from '../../../core/learn/learnt-minutes'
import { MinutesBelief } from '../../../core/learn/minutes-belief'
import { compileCourse } from '../../../core/plan/compile/compile-course'
import { planCourse, resolveCourse } from '../../../core/plan/plan-course'
import { ORDINARY_TERMS } from '../../../core/plan/compile/drying-terms'
import { minutesOfTask } from '../../../core/plan/problem/plan-times'
import { writeScript } from '../../../core/rehearse/write-script'
import { demoCourse, demoDesign } from '../../support/demo-designs'
import { makeLearningStudio } from '../../support/learning-studio'

const course = demoCourse('Calla lily taster')
const documents = course.designs.map(({ designId }) => demoDesign(designId))
const NOTHING: Learnt = { since: '2026-03-02', levels: {}, techniques: {}, steps: {} }

/** Minutes of each task. */
function minutesWith(learnt?: Learnt): Map<string, number> {
	const terms = { ...ORDINARY_TERMS, ...(learnt && { learnt }) }
	const { instance } = compileCourse(course, resolveCourse(course, documents, terms), terms)
	return new Map(instance.tasks.map((task) => [task.id, minutesOfTask(task)]))
}

const stated = minutesWith()
const LONGEST = [...stated].filter(([id]) => !id.startsWith('show/')).toSorted((a, b) => b[1] - a[1])[0]![0]

describe('a plan', () => {
	test('with nothing learnt is the one with what is stated', () => {
		expect(minutesWith(NOTHING)).toEqual(stated)
	})

	test('gives a step the minutes that it was learnt to take, and leaves the others', () => {
		for (const [id, minutes] of minutesWith({ ...NOTHING, steps: { [LONGEST]: 1.5 } })) {
			if (id === LONGEST) expect(Math.abs(minutes - 1.5 * stated.get(id)!)).toBeLessThanOrEqual(2)
			else expect(minutes).toBe(stated.get(id))
		}
	})

	test('gives every step of a level its minutes, and those of another level no others', () => {
		const slower = minutesWith({ ...NOTHING, levels: { [course.pace]: 1.3 } })
		const whole = (minutes: ReadonlyMap<string, number>) => {
			return [...minutes].reduce((sum, [id, own]) => sum + (id.startsWith('show/') ? 0 : own), 0)
		}
		expect(whole(slower) / whole(stated)).toBeGreaterThan(1.2)
		expect(whole(slower) / whole(stated)).toBeLessThan(1.4)
		expect(minutesWith({ ...NOTHING, levels: { children: 1.3 } })).toEqual(stated)
	})

	test('takes a step that nobody has taught by its technique', () => {
		const [design] = resolveCourse(course, documents)
		const step = design!.design.steps.find(({ technique }) => technique !== undefined)!
		const id = `${design!.design.id}/${step.id}`
		const longer = minutesWith({ ...NOTHING, techniques: { [step.technique!]: 1.6 } }).get(id)!
		expect(longer).toBeGreaterThan(stated.get(id)!)
		// What is known of the step itself has the technique in it.
		expect(minutesWith({ ...NOTHING, techniques: { [step.technique!]: 1.6 }, steps: { [id]: 1 } }).get(id)).toBe(
			stated.get(id),
		)
	})

	test('is rehearsed with the same minutes', () => {
		const scriptWith = (learnt: Learnt) => {
			const terms = { ...ORDINARY_TERMS, learnt }
			const { compiled, plan } = planCourse(course, documents, terms)
			return writeScript({ course, designs: resolveCourse(course, documents, terms), compiled, plan: plan! })
		}
		const workOf = (learnt: Learnt) => {
			const { items } = scriptWith(learnt)
			return items.reduce(
				(sum, { fixedMinutes, stretches }) =>
					stretches.reduce((own, { pieceCount, minutesEach }) => own + pieceCount * minutesEach, sum + fixedMinutes),
				0,
			)
		}
		expect(workOf({ ...NOTHING, levels: { [course.pace]: 0.8 } })).toBeCloseTo(0.8 * workOf(NOTHING), 6)
	})
})

test('what is taken over is what is believed, the level against what it is usually taken for', () => {
	const { observations } = makeLearningStudio(5, 6)
	const learnt = learnMinutes(observations)
	const belief = new MinutesBelief(observations)
	const [own] = observations
	expect(learnt.steps[own!.step]).toBeCloseTo(Math.exp(belief.stepFactor(own!).mean), 3)
	expect(learnt.techniques[own!.technique!]).toBeCloseTo(Math.exp(belief.techniqueFactor(own!.technique!).mean), 3)
	expect(levelFactor(own!.level) * learnt.levels[own!.level]!).toBeCloseTo(
		Math.exp(belief.levelFactor(own!.level).mean),
		2,
	)
	// The same, whatever came first: plans are compared by it.
	expect(JSON.stringify(learnMinutes(observations.toReversed()))).toBe(JSON.stringify(learnt))
})

test('what is done together with a step, and was never taught by itself, takes as much longer as the two', () => {
	const { observations } = makeLearningStudio(5, 6)
	const together = observations.map((own) => (own.step === '3' ? { ...own, alsoSteps: ['another', '4'] } : own))
	const learnt = learnMinutes(together)
	expect(learnt.steps['another']).toBe(learnt.steps['3'])
	expect(learnt.steps['4']).toBe(learnMinutes(observations).steps['4'])
})
