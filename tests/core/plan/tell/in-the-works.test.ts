import { describe, expect, test } from 'vitest'
import { planCourse } from '../../../../core/plan/plan-course'
import { listDryingNow, listWorkAhead } from '../../../../core/plan/tell/in-the-works'
import { tellPlan } from '../../../../core/plan/tell/plan-story'
import { addDays } from '../../../../core/time/calendar'
import { toMoment } from '../../../../core/time/wall-clock'
import { demoCourse, demoDesign } from '../../../support/demo-designs'

function storyOf(name: string, designs: string[], change = {}) {
	const { storeId: _, ...course } = { ...demoCourse(name), ...change }
	const plain = { ...course, sessions: course.sessions.map(({ roomId: __, ...session }) => session) }
	const { compiled, plan } = planCourse(plain, designs.map(demoDesign))
	if (!plan) throw new Error('no plan')
	return tellPlan(compiled, plan, plain.sessions)
}

describe('what dries at a moment', () => {
	const story = storyOf('Magnolia on Thursdays', ['magnolia'])

	test('is what has been made and is not ready yet, the first to be ready first', () => {
		const made = story.sessions[0]?.session
		const after = toMoment({ date: made?.date ?? '', minuteOfDay: (made?.endMin ?? 0) + 10 })

		const drying = listDryingNow(story, after)

		expect(drying.length).toBeGreaterThan(0)
		expect(drying.map(({ readyAt }) => readyAt)).toEqual(drying.map(({ readyAt }) => readyAt).toSorted())
		for (const { readyAt, neededAt } of drying) expect(after < readyAt && readyAt <= neededAt).toBe(true)
		const made1 = story.threads.filter(({ from }) => from.session === 0)
		expect(new Set(drying.map(({ taskId }) => taskId))).toEqual(new Set(made1.map(({ fromTaskId }) => fromTaskId)))
	})

	test('is nothing before the first session, and nothing days after one', () => {
		const first = story.sessions[0]?.session.date ?? ''

		expect(listDryingNow(story, `${addDays(first, -1)}T12:00`)).toEqual([])
		expect(listDryingNow(story, `${addDays(first, 5)}T12:00`)).toEqual([])
	})
})

test('work before class is to be begun a drying time before it is needed', () => {
	const story = storyOf('Calla lily taster', ['calla-lily'])
	const work = listWorkAhead(story)

	expect(work.length).toBe(story.swaps.length + story.ahead.length)
	expect(work.length).toBeGreaterThan(0)
	for (const { beginBy, neededOn } of work) expect(beginBy < neededOn).toBe(true)
	for (const { fromTaskId, wait } of story.swaps) {
		const own = work.find(({ taskId }) => taskId === fromTaskId)
		const days = Math.ceil((wait.plannedMinutes ?? 0) / 1440)
		expect(own?.beginBy).toBe(addDays(own?.neededOn ?? '', -Math.max(1, days)))
	}
})
