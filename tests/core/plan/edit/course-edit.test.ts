import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { withoutPin, withPin, type CoursePin } from '../../../../core/course/course-pin'
import { repeatCourse } from '../../../../core/course/repeat-course'
import { validateCourse } from '../../../../core/course/validate-course'
import { applyEdit, applyEdits, type CourseEdit } from '../../../../core/plan/edit/course-edit'
import { toWindows } from '../../../../core/plan/compile/session-windows'
import { daysBetween } from '../../../../core/time/calendar'
import { demoCourse } from '../../../support/demo-designs'

const course = demoCourse('Magnolia on Thursdays')
const pinAt = (task: string, session: number): CoursePin => ({ kind: 'session', task, session })

test('a room is of one session, or of all', () => {
	const one = applyEdit(course, { kind: 'room', roomId: 9, session: 2 })
	const all = applyEdit(one, { kind: 'room', roomId: 7 })

	expect(one.sessions.map(({ roomId }, s) => roomId === (s === 1 ? 9 : course.sessions[s]?.roomId))).not.toContain(
		false,
	)
	expect(new Set(all.sessions.map(({ roomId }) => roomId))).toEqual(new Set([7]))
	expect(applyEdit(all, { kind: 'room', session: 1 }).sessions[0]).not.toHaveProperty('roomId')
})

describe('pins', () => {
	test('a newer one of the same step takes the place of the older', () => {
		const first = withPin([pinAt('a', 1), pinAt('b', 2)], { kind: 'start', task: 'a', session: 2, minuteOfDay: 1150 })

		expect(first).toEqual([pinAt('b', 2), { kind: 'start', task: 'a', session: 2, minuteOfDay: 1150 }])
	})

	test('of a pair say one thing, whichever way round', () => {
		const before: CoursePin = { kind: 'before', first: 'a', second: 'b' }
		const turned: CoursePin = { kind: 'before', first: 'b', second: 'a' }

		expect(withPin([before], turned)).toEqual([turned])
	})

	test('a course with nothing settled has no list of it', () => {
		const pinned = applyEdit(course, { kind: 'pin', pin: pinAt('a', 1) })

		expect(pinned.pins).toEqual([pinAt('a', 1)])
		expect(applyEdit(pinned, { kind: 'lift', pin: pinAt('a', 1) })).toEqual(course)
	})

	test('of sessions and steps that there are not are refused', () => {
		const wrong = (pin: CoursePin) => validateCourse({ ...course, pins: [pin] }).map(({ path }) => path)

		expect(wrong(pinAt('a', 9))).toEqual(['pins[0]'])
		expect(wrong({ kind: 'start', task: 'a', session: 1, minuteOfDay: 1500 })).toEqual(['pins[0].minuteOfDay'])
		expect(wrong({ kind: 'beside', first: 'a', second: 'a' })).toEqual(['pins[0]'])
		expect(wrong(pinAt('a', 2))).toEqual([])
	})
})

describe('edits', () => {
	test('a session that goes takes its pins along, and those of later ones follow theirs', () => {
		const pinned = { ...course, pins: [pinAt('a', 1), pinAt('b', 2), pinAt('c', 3)] }

		const fewer = applyEdit(pinned, { kind: 'drop-session', session: 2 })

		expect(fewer.sessions.map(({ date }) => date)).toEqual([course.sessions[0]?.date, course.sessions[2]?.date])
		expect(fewer.pins).toEqual([pinAt('a', 1), pinAt('c', 2)])
	})

	test('tea that is laid somewhere stays there, and may move again when it is let', () => {
		const [first, ...others] = course.sessions
		const withTea = { ...course, sessions: [{ ...first!, breaks: [{ startMin: 1200, minutes: 10 }] }, ...others] }

		const moved = applyEdit(withTea, { kind: 'break', session: 1, startMin: 1200, toMin: 1185 })
		const free = applyEdit(moved, { kind: 'free-break', session: 1, startMin: 1185, mayMoveMinutes: 15 })

		expect(moved.sessions[0]?.breaks).toEqual([{ startMin: 1185, minutes: 10, mayMoveMinutes: 0 }])
		expect(free.sessions[0]?.breaks).toEqual([{ startMin: 1185, minutes: 10, mayMoveMinutes: 15 }])
	})

	test('a session says itself what is to be spare, or leaves it to the studio', () => {
		const told = applyEdit(course, { kind: 'buffer', session: 1, minutes: 17 })
		expect(told.sessions.map(({ bufferMinutes }) => bufferMinutes)[0]).toBe(17)
		expect(toWindows(told.sessions, 'Europe/London').sessions[0]).toEqual({ session: 1, bufferMinutes: 17 })
		expect(applyEdit(told, { kind: 'buffer', session: 1 })).toEqual(course)
	})

	test('choices are those of one item', () => {
		const twice = { ...course, designs: [...course.designs, { ...course.designs[0]!, key: 'second' }] }

		const changed = applyEdits(twice, [
			{ kind: 'pick', item: 'second', choice: 'leaves', option: 'none' },
			{ kind: 'flowers', item: 'second', count: 3 },
		])

		expect(changed.designs[0]).toEqual(course.designs[0])
		expect(changed.designs[1]).toMatchObject({ flowersPerStudent: 3, picks: { leaves: 'none' } })
	})

	test('set and taken back leave the course as it was', () => {
		const pairs: [CourseEdit, CourseEdit][] = [
			[
				{ kind: 'students', count: 3 },
				{ kind: 'students', count: course.studentCount },
			],
			[
				{ kind: 'wait', key: 'k', minutes: 9 },
				{ kind: 'wait', key: 'k' },
			],
			[{ kind: 'add-session' }, { kind: 'drop-session', session: course.sessions.length + 1 }],
			[
				{ kind: 'pin', pin: pinAt('x', 1) },
				{ kind: 'lift', pin: pinAt('x', 1) },
			],
		]
		fc.assert(
			fc.property(fc.shuffledSubarray(pairs, { minLength: 1 }), (chosen) => {
				const edits = [...chosen.map(([there]) => there), ...chosen.toReversed().map(([, back]) => back)]
				expect(applyEdits(course, edits)).toEqual(course)
			}),
		)
	})

	test('pins are a set: any that are lifted are gone, all others stay', () => {
		const pin = fc.record({ task: fc.constantFrom('a', 'b', 'c', 'd'), session: fc.integer({ min: 1, max: 3 }) })
		fc.assert(
			fc.property(fc.array(pin), (wanted) => {
				const pins = wanted.map(({ task, session }) => pinAt(task, session))
				const held = pins.reduce<CoursePin[]>(withPin, [])
				const last = new Map(pins.map((one) => [one.kind === 'session' ? one.task : '', one]))
				expect(new Set(held)).toEqual(new Set(last.values()))
				for (const one of held) expect(withoutPin(held, one)).toEqual(held.filter((other) => other !== one))
			}),
		)
	})
})

test('a course for a new group is the same, its days as far apart', () => {
	const again = repeatCourse(course, { name: 'Again', firstDate: '2026-06-04', studentCount: 5 })

	expect(again).toMatchObject({ name: 'Again', studentCount: 5, designs: course.designs })
	expect(again.sessions[0]?.date).toBe('2026-06-04')
	const distances = (one: typeof course) =>
		one.sessions.map(({ date }) => daysBetween(one.sessions[0]?.date ?? '', date))
	expect(distances(again)).toEqual(distances(course))
})
