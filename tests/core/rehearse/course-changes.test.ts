/** Changes of a course that may help its evenings: each with the plan that a press would lay, and what that asks. */
import { describe, expect, test } from 'vitest'
import { ORDINARY_TERMS } from '../../../core/plan/compile/drying-terms'
import { checkPlan } from '../../../core/plan/checker/check-plan'
import { adoptPlan, planCourse, resolveCourse } from '../../../core/plan/plan-course'
import { bufferOffer } from '../../../core/rehearse/buffer-offer'
import { listChanges, tryChange, type Advice } from '../../../core/rehearse/advice'
import {
	listCourseChanges,
	planChange,
	wantedBuffer,
	type ChangeableCourse,
	type CourseChange,
} from '../../../core/rehearse/course-changes'
import { Rehearsal } from '../../../core/rehearse/rehearsal'
import { USUAL_TERMS } from '../../../core/rehearse/script'
import { writeScript } from '../../../core/rehearse/write-script'
import { demoCourse, demoDesign } from '../../support/demo-designs'

const effort = { nodes: 50 }

function changeableOf(name: string): ChangeableCourse {
	const course = demoCourse(name)
	const documents = course.designs.map(({ designId }) => demoDesign(designId))
	const { compiled, plan, objective } = planCourse(course, documents)
	return {
		...{ course, documents, compiled, plan: plan!, objective: objective! },
		designs: resolveCourse(course, documents),
		terms: ORDINARY_TERMS,
	}
}

const CLASSES = 200

function trialOf(changeable: ChangeableCourse, seed = 1) {
	const script = writeScript(changeable)
	const terms = { ...USUAL_TERMS, seed }
	const before = new Rehearsal(script, terms)
	before.play(CLASSES)
	return { script, terms, before, changeable, effortOf: () => effort }
}

const magnolia = changeableOf('Magnolia on Thursdays')
const trial = trialOf(magnolia)
const courseChanges = listCourseChanges(magnolia, trial.before.figures().sessions)
const tried = courseChanges.map((change) => ({ change, advice: tryChange(trial, change) }))
const adviceOn = (what: CourseChange['what']) =>
	tried.flatMap(({ change, advice }) => (change.what === what && advice ? [advice] : []))

describe('changes of a course', () => {
	test('are tried with plans that the course would really stand with', () => {
		const helped = tried.flatMap(({ advice }) => advice?.changed ?? [])

		expect(helped.length).toBeGreaterThan(3)
		for (const { course, plan } of helped)
			expect(adoptPlan(course, magnolia.documents, magnolia.terms, plan)?.objective.shortfall).toBe(0)
	})

	test('ten minutes more leave the plan as it is, ask nothing of her before, and never make an evening later', () => {
		const longer = adviceOn('longer')

		expect(longer.length).toBeGreaterThan(0)
		for (const { changed, gain } of longer) {
			expect(changed!.plan).toEqual(magnolia.plan)
			expect(changed!.price).toMatchObject({ prepMinutes: 0, valueLost: 0 })
			expect(gain).toBeGreaterThanOrEqual(0)
		}
	})

	test('say what they ask: dried pieces cost the instructor’s minutes', () => {
		for (const { changed } of adviceOn('dried')) expect(changed!.price.prepMinutes).toBeGreaterThan(0)
		for (const { changed } of adviceOn('ahead')) expect(changed!.price.prepMinutes).toBeGreaterThan(0)
		expect([...adviceOn('dried'), ...adviceOn('ahead')].length).toBeGreaterThan(0)
	})

	test('another order teaches as much and asks no more of her, and is another plan', () => {
		for (const number of [2, 3, 4, 5, 6]) {
			const found = planChange(magnolia, { kind: 'course', what: 'order', edits: [], number }, effort)
			if (!found) continue
			expect(found.plan).not.toEqual(magnolia.plan)
			expect(found.price.valueLost).toBeLessThanOrEqual(0)
			expect(found.price.prepMinutes).toBeLessThanOrEqual(0)
			expect(checkPlan(magnolia.compiled.instance, found.plan).objective?.shortfall).toBe(0)
		}
	})

	test('that cannot be planned are none', () => {
		const tea = { kind: 'break' as const, session: 1, startMin: magnolia.course.sessions[0]!.breaks[0]?.startMin ?? 0 }
		const edits = [{ ...tea, toMin: 5 }]
		const outside: CourseChange = { kind: 'course', what: 'tea', edits }
		const isThere = magnolia.course.sessions[0]!.breaks.length > 0
		expect(planChange(magnolia, outside, effort) === undefined).toBe(isThere)

		const endless: CourseChange = {
			kind: 'course',
			what: 'longer',
			edits: [{ kind: 'hours', session: 1, startMin: 600, endMin: 601 }],
		}
		expect(planChange(magnolia, endless, effort)).toBeUndefined()
	})

	test('a buffer that nine in ten need is offered where the plan has less, and the plan then leaves it', () => {
		const offered = courseChanges.find(({ what }) => what === 'buffers')
		const figures = trial.before.figures().sessions
		const short = figures.filter((session, s) => {
			return bufferOffer(session, trial.script.sessions[s]!.open, wantedBuffer(magnolia.compiled, s)) === 'offered'
		})

		expect(offered !== undefined).toBe(short.length > 0)
		for (const edit of offered?.edits ?? []) {
			if (edit.kind !== 'buffer') throw new Error('a buffer is an edit of its own')
			expect(edit.minutes).toBe(figures[edit.session - 1]!.bufferMinutes)
		}
	})
})

test('without what planning needs only the room is changed', () => {
	const { changeable: _, ...room } = trial
	expect(listChanges(room).every(({ kind }) => kind !== 'course')).toBe(true)
})

test('the same seed gives the same advice', () => {
	const again = tryChange(trialOf(magnolia), courseChanges[0]!) as Advice
	expect(again.gain).toBe(tried[0]!.advice?.gain)
})
