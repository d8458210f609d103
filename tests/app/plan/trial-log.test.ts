import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
	beginLog,
	courseOf,
	onNewBase,
	withCursor,
	withEdit,
	withEditInstead,
	withKept,
	withoutLast,
	withPlan,
	type TrialLog,
} from '../../../app/plan/trial/trial-log'
import { demoCourse } from '../../support/demo-designs'

const course = demoCourse('Magnolia on Thursdays')
const more = (log: TrialLog, count: number) => withEdit(log, { kind: 'students', count })
const countAt = (log: TrialLog) => courseOf(log).studentCount
const plan = { placements: {}, swaps: [], extension: 0 }

describe('what is tried', () => {
	test('is undone and redone, and an edit after undoing forgets what was undone', () => {
		const log = more(more(more(beginLog(course, 1), 3), 4), 5)
		expect(countAt(log)).toBe(5)
		const back = withCursor(log, 1)

		expect(countAt(back)).toBe(3)
		expect(countAt(withCursor(back, 3))).toBe(5)
		expect(countAt(more(back, 7))).toBe(7)
		expect(more(back, 7).edits).toHaveLength(2)
	})

	test('is put right by another edit in place of the one that holds last, wherever that is', () => {
		const log = withCursor(more(more(more(beginLog(course, 1), 3), 4), 5), 2)

		const mended = withEditInstead(log, { kind: 'students', count: 7 })

		expect(countAt(mended)).toBe(7)
		expect([mended.edits.length, countAt(withCursor(mended, 1))]).toEqual([2, 3])
	})

	test('remembers the plans that were seen, but not those of what was undone', () => {
		const log = withPlan(more(withPlan(more(beginLog(course, 1), 3), 1, plan), 4), 2, plan)

		expect(Object.keys(log.plans)).toEqual(['1', '2'])
		expect(Object.keys(more(withCursor(log, 1), 9).plans)).toEqual(['1'])
	})

	test('once kept can still be undone, and what is kept is known', () => {
		const kept = withKept(more(more(beginLog(course, 1), 3), 4), 2)
		expect([kept.keptAt, kept.version]).toEqual([2, 2])

		expect(countAt(withCursor(kept, 0))).toBe(course.studentCount)
		// Another way from before it: what is kept is not in this log any more.
		expect(more(withCursor(kept, 1), 9).keptAt).toBe(-1)
	})

	test('is made again on a course that was changed elsewhere', () => {
		const log = more(beginLog(course, 1), 3)
		const other = onNewBase(log, { ...course, demoFlowers: 4 }, 5)

		expect(courseOf(other)).toMatchObject({ studentCount: 3, demoFlowers: 4 })
		expect(withoutLast(log).edits).toEqual([])
	})

	test('is wherever undoing and redoing leave it', () => {
		fc.assert(
			fc.property(fc.array(fc.integer({ min: -3, max: 9 })), (steps) => {
				let log = beginLog(course, 1)
				const done: number[] = []
				let at = 0
				for (const step of steps) {
					if (step > 0) {
						log = more(log, step)
						done.splice(at, Infinity, step)
						at++
					} else {
						log = withCursor(log, log.cursor + (step === -3 ? 1 : -1))
						at = Math.max(0, Math.min(done.length, at + (step === -3 ? 1 : -1)))
					}
				}
				expect(log.cursor).toBe(at)
				expect(countAt(log)).toBe(at === 0 ? course.studentCount : done[at - 1])
			}),
		)
	})
})
