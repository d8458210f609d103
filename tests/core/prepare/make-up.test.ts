/** Dried pieces for who was away: what the class goes on with later, in time to be dry. */
import { describe, expect, test } from 'vitest'
import { INSTRUCTOR_FACTOR } from '../../../core/course/pace'
import { findWayBack } from '../../../core/prepare/home-work'
import { listMakeUps } from '../../../core/prepare/make-up'
import { listMakeUpTasks } from '../../../core/prepare/prep-tasks'
import { minutesSince, wallTimeAfter } from '../../../core/time/zone'
import { packDemo } from '../../support/demo-kit'

describe.each(['Magnolia on Thursdays', 'Hellebores and foliage on Tuesdays'])('who misses a session of %s', (name) => {
	const { course, designs, compiled, story } = packDemo(name)
	const makeUps = listMakeUps(compiled, designs, story, course.sessions)

	test('gets something for at least one session, and for the last one nothing', () => {
		expect(makeUps.length).toBeGreaterThan(0)
		expect(makeUps.map(({ session }) => session)).not.toContain(course.sessions.length)
	})

	test('gets what the class goes on with later, in half of its minutes, made after the session and dry in time', () => {
		for (const { session, pieces, minutes, earliest, latest } of makeUps) {
			const { steps } = findWayBack(compiled, designs, story, session - 1)
			const needed = steps.filter(({ doneBy }) => doneBy !== undefined)
			expect(new Set(pieces.map((piece) => piece.name))).toEqual(new Set(needed.map(({ source }) => source.partName)))
			expect(minutes).toBe(Math.ceil(INSTRUCTOR_FACTOR * needed.reduce((sum, step) => sum + step.minutes, 0)))
			const clock = (at: typeof latest) => minutesSince(compiled.origin, at)
			expect(clock(latest) - clock(earliest)).toBeGreaterThanOrEqual(minutes)
			for (const { taskId } of needed)
				for (const [a, arc] of compiled.instance.arcs.entries()) {
					const use = story.sessions
						.slice(session)
						.flatMap(({ session: { date }, tiles }) => {
							return tiles
								.filter((tile) => tile.taskId === arc.to)
								.map(({ startMin }) => ({ date, minuteOfDay: startMin }))
						})
						.at(0)
					if (arc.from !== taskId || !use || arc.lag === 'never') continue
					const readyAt = wallTimeAfter(compiled.origin, clock(latest) + arc.lag)
					expect(clock(readyAt), `arc ${a}`).toBeLessThanOrEqual(clock(use))
				}
		}
	})

	test('is prepared for as often as she is one of several, and not at all where nobody chose it', () => {
		const [first] = makeUps
		const [task, ...others] = listMakeUpTasks(7, makeUps, new Map([[first!.session, 2]]))
		expect(others).toEqual([])
		expect(task).toMatchObject({ courseId: 7, minutes: 2 * first!.minutes, latest: first!.latest })
		expect(listMakeUpTasks(7, makeUps, new Map())).toEqual([])
	})
})
