/** What is done at home, and the way back for who missed a session. */
import { describe, expect, test } from 'vitest'
import { findWayBack, listHomework } from '../../../core/prepare/home-work'
import type { CompiledCourse } from '../../../core/plan/compile/compiled-course'
import { minutesSince } from '../../../core/time/zone'
import { packDemo } from '../../support/demo-kit'

const weekly = packDemo('Magnolia on Thursdays')
const back = findWayBack(weekly.compiled, weekly.designs, weekly.story, 0)

describe('the way back', () => {
	test('has every step of the missed session, with the minutes that the class took', () => {
		const steps = weekly.story.sessions[0]!.tiles.filter(({ source }) => source.type === 'step')
		expect(back.steps.map(({ taskId }) => taskId)).toEqual(steps.map(({ taskId }) => taskId))
		expect(back.homeMinutes + back.otherMinutes).toBe(
			steps.reduce((sum, { startMin, endMin }) => sum + endMin - startMin, 0),
		)
	})

	test('sends home only what the design allows there', () => {
		for (const { source, mayBeHome } of back.steps) {
			const { design } = weekly.designs.find(({ design: one }) => one.id === source.designId)!
			const own = design.steps.filter(({ id }) => id === source.stepId || source.alsoSteps?.includes(id))
			expect(mayBeHome).toBe(own.every(({ places }) => places.includes('home')))
		}
	})

	test('what is done by then is dry when a later session goes on with it', () => {
		const { instance, origin } = weekly.compiled
		let checked = 0
		for (const { taskId, doneBy } of back.steps) {
			if (!doneBy) continue
			for (const { from, to, lag } of instance.arcs) {
				const later = weekly.story.sessions
					.slice(1)
					.flatMap(({ session, tiles }) =>
						tiles
							.filter((tile) => tile.taskId === to)
							.map(({ startMin }) => ({ date: session.date, minuteOfDay: startMin })),
					)[0]
				if (from !== taskId || !later || lag === 'never') continue
				expect(minutesSince(origin, doneBy) + lag).toBeLessThanOrEqual(minutesSince(origin, later))
				checked++
			}
		}
		expect(checked).toBeGreaterThan(0)
	})

	test('what can never be dry is given', () => {
		const { taskId } = back.steps.find(({ doneBy }) => doneBy)!
		const arcs = weekly.compiled.instance.arcs.map((arc) =>
			arc.from === taskId ? { ...arc, lag: 'never' as const } : arc,
		)
		const compiled: CompiledCourse = { ...weekly.compiled, instance: { ...weekly.compiled.instance, arcs } }
		expect(
			findWayBack(compiled, weekly.designs, weekly.story, 0).steps.find((step) => step.taskId === taskId),
		).toMatchObject({
			isTooLate: true,
		})
	})

	test('after the last session nothing waits', () => {
		const last = weekly.story.sessions.length - 1
		const { steps } = findWayBack(weekly.compiled, weekly.designs, weekly.story, last)
		expect(steps.every(({ doneBy, isTooLate }) => doneBy === undefined && !isTooLate)).toBe(true)
	})
})

describe('homework', () => {
	test('is what the plan gives, with what must dry before it and when that was left', () => {
		const home = weekly.compiled.instance.arcs.findIndex(
			(arc, a) => weekly.compiled.arcs[a]?.wait && arc.lag !== 'never',
		)
		const { from, to } = weekly.compiled.instance.arcs[home]!
		const source = weekly.compiled.tasks[to]!
		const story = { ...weekly.story, home: [{ taskId: to, source, minutes: 20, afterSession: 0 }] }
		const [task] = listHomework(weekly.compiled, story)
		const made = weekly.story.sessions.flatMap(({ session, tiles }) =>
			tiles.filter(({ taskId }) => taskId === from).map(({ endMin }) => ({ date: session.date, minuteOfDay: endMin })),
		)

		expect(task).toMatchObject({ taskId: to, minutes: 20, afterSession: 0 })
		expect(task?.waits.map(({ leftAt }) => leftAt)).toContainEqual(made.at(-1))
		expect(listHomework(weekly.compiled, { ...weekly.story, home: [] })).toEqual([])
	})
})
