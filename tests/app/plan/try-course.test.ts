/** What the threads beside the plan's page answer, without the threads. */
import { describe, expect, test } from 'vitest'
import { TrialDesk } from '../../../app/plan/trial/try-course'
import { applyEdit } from '../../../core/plan/edit/course-edit'
import { ORDINARY_TERMS } from '../../../core/plan/compile/drying-terms'
import type { CoursePin } from '../../../core/course/course-pin'
import { InputError } from '../../../core/errors'
import { demoCourse, demoDesign } from '../../support/demo-designs'

const { storeId: _, ...course } = demoCourse('Magnolia on Thursdays')
const plain = { ...course, sessions: course.sessions.map(({ roomId: __, ...session }) => session) }
const desk = new TrialDesk({ designs: [demoDesign('magnolia')], terms: ORDINARY_TERMS })
const standing = desk.lay(plain, { nodes: 1500 })
const { names } = standing.shown
const taskOf = (words: string) => Object.entries(names).find(([, name]) => name === words)?.[0] ?? words
const dust = taskOf('outer petals: dust')
const cut = taskOf('outer petals: cut, wire, cup')

describe('a step settled in a session', () => {
	test('is laid there beside the plan that stood, and is seen to be worth what it is', () => {
		const pin: CoursePin = { kind: 'session', task: cut, session: 1 }
		const pinned = applyEdit(plain, { kind: 'pin', pin })

		const answer = desk.lay(pinned, { nodes: 1500, ...(standing.plan && { near: standing.plan }) })
		const seen = answer.plan && desk.show(pinned, answer.plan, cut)?.shown

		expect(answer.shown.objective?.shortfall).toBe(0)
		expect(seen?.selected?.runs.every(({ session }) => session === 0)).toBe(true)
		expect(answer.idle).toEqual([])
		// Seen again, it is the same.
		expect(seen?.objective).toEqual(answer.shown.objective)
		// The plan that stood is none of it.
		expect(standing.plan && desk.show(pinned, standing.plan, null)).toBeUndefined()
	})

	test('of a step that there is no longer it holds nothing, and that is said', () => {
		const pin: CoursePin = { kind: 'session', task: 'magnolia/nothing-like-that', session: 1 }

		expect(desk.lay({ ...plain, pins: [pin] }, { nodes: 0 }).idle).toEqual([pin])
	})
})

describe('a wish that cannot be', () => {
	const early: CoursePin = { kind: 'start', task: dust, session: 1, minuteOfDay: 1230 }

	test('is answered with the fewest that conflict', () => {
		const late: CoursePin = { kind: 'session', task: cut, session: 2 }
		const other: CoursePin = { kind: 'session', task: taskOf('leaves: cut, wire, vein'), session: 1 }

		const conflict = desk.findConflict({ ...plain, pins: [other, late, { ...early, kind: 'session' } as CoursePin] })

		expect(conflict).toMatchObject({ kind: 'pins' })
		expect(conflict.kind === 'pins' && conflict.pins).not.toContainEqual(other)
		expect(desk.findConflict(plain)).toEqual({ kind: 'none' })
	})

	test('says which wait it would cut short, by how much and how sure it would be', () => {
		if (!standing.plan) throw new Error('no plan')
		const made = desk.show(plain, standing.plan, cut)?.shown.selected?.runs.at(-1)
		const session = (made?.session ?? 0) + 1
		// A quarter of an hour after they are cut: they want hours.
		const pin: CoursePin = { kind: 'start', task: dust, session, minuteOfDay: (made?.endMin ?? 0) + 15 }

		const foreseen = desk.foresee(plain, standing.plan, pin)
		const wait = foreseen.find(({ key }) => key.includes('outer'))

		// Piece by piece: the last is dusted a little longer after it was cut than the first.
		expect(wait?.stage).toBe('hard')
		expect(wait?.haveMinutes ?? 0).toBeGreaterThanOrEqual(15)
		expect(wait?.haveMinutes ?? 0).toBeLessThan(15 + 18)
		expect(wait?.sure ?? 1).toBeLessThan(0.05)
		expect(wait?.wantedMinutes ?? 0).toBeGreaterThan(120)
		for (const { haveMinutes, wantedMinutes } of foreseen) expect(haveMinutes).toBeLessThan(wantedMinutes)
	})
})

test('a course that cannot be planned is refused by field', () => {
	const none = applyEdit(plain, { kind: 'students', count: 0 })

	expect(() => desk.lay(none, { nodes: 0 })).toThrow(InputError)
})
