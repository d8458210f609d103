/** Two screens that show the same thing say the same. */
import { beforeAll, beforeEach, describe, expect, test } from 'vitest'
import * as newCourse from '../../app/course/routes/course-new/route'
import * as drying from '../../app/drying/routes/drying/route'
import * as cutting from '../../app/kit/routes/kit-cutting/route'
import * as people from '../../app/kit/routes/kit-people/route'
import * as shelf from '../../app/kit/routes/stock/route'
import * as plan from '../../app/plan/routes/course-plan/route'
import { loadPreparation } from '../../app/prepare/load-preparation.server'
import { answerOf, call } from '../support/call-route'
import { demoCourse } from '../support/demo-designs'
import { makeStudent } from '../support/demo-kit'
import { foundStudio, freshDatabase, type TestStudio } from '../support/studios'

let studio: TestStudio
let params: { courseId: string }

beforeAll(freshDatabase)
beforeEach(async () => {
	process.env['CALYCINE_TODAY'] = '2026-03-02T10:00'
	studio = await foundStudio(['magnolia'])
	const body = demoCourse('Magnolia on Thursdays')
	const { to = '' } = await answerOf(newCourse.action(call(studio, '/courses/new', { body })))
	params = { courseId: to.replace(/\D/g, '') }
})

describe('how sure a piece is to be ready', () => {
	test('is the same on the plan and on the drying screen that it links to', async () => {
		const { story, dryingLinks } = await plan.loader(call(studio, '/', { params }))
		const threads = (story?.threads ?? []).filter(({ wait }) => dryingLinks[wait.key])

		expect(threads.length).toBeGreaterThan(1)
		for (const { sure, wait, isSwapped } of threads) {
			const { answer } = await drying.loader(call(studio, dryingLinks[wait.key] ?? ''))
			expect(answer?.sure, wait.key).toBe(sure)
			// It was planned with nine in ten, for the slowest of all evenings.
			if (!isSwapped) expect(sure).toBeGreaterThanOrEqual(0.899)
		}
	})
})

describe('the wires to cut', () => {
	test('are the same in the days before and on the page of the wires, shelf and people counted', async () => {
		const roster = { students: [makeStudent({ level: 'children' }), makeStudent()], version: 1 }
		await people.action(call(studio, '/', { params, body: roster }))
		const offcut = { intent: 'item', kind: 'offcut', name: '26 white 300 mm', onHand: '20' }
		await shelf.action(call(studio, '/stock', { body: offcut }))

		const { tasks } = await loadPreparation(studio.member, '2026-03-02T08:00')
		const { wires } = await cutting.loader(call(studio, '/', { params }))

		const told = tasks.flatMap(({ work }) => (work.kind === 'wires' ? [work.count] : []))
		const pieces = wires.flatMap(({ lines }) => lines.map(({ shares }) => shares.total))
		expect(told).toEqual([pieces.reduce((sum, count) => sum + count, 0)])
		expect(told[0]).toBeGreaterThan(0)
	})
})
