/** The log: what a closed session leaves in it, what is left out of learning, and nobody else's; on the real database. */
import { beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { loadLog } from '../../app/learn/load-log.server'
import * as log from '../../app/learn/routes/log/route'
import { keepObservations } from '../../app/run/keep-observations.server'
import { readRun } from '../../app/run/read-run.server'
import { createPlannedCourse } from '../../app/plan/save-course.server'
import { memberContext } from '../../app/shared/http/contexts'
import { EventWriter, type RunEvent, type RunFact } from '../../core/run/run-event'
import { findMemberById, type Studio } from '../../db/repositories/accounts.server'
import { minutesOfTask } from '../../core/plan/problem/plan-times'
import { planAnew, readPlan } from '../../app/plan/read-plan.server'
import { getCourse } from '../../db/repositories/courses.server'
import { addExamples, listObservations } from '../../db/repositories/observations.server'
import { addRunEvents } from '../../db/repositories/runs.server'
import { answerOf, call } from '../support/call-route'
import { demoCourse } from '../support/demo-designs'
import { contextOf, foundStudio, freshDatabase, type TestStudio } from '../support/studios'
import { makeLearningStudio } from '../support/learning-studio'

let who: TestStudio
let studio: Studio
let courseId: number
let writer: EventWriter

beforeAll(freshDatabase)
beforeEach(async () => {
	who = await foundStudio(['calla-lily'])
	studio = contextOf(who).get(memberContext).studio
	courseId = await createPlannedCourse(studio, demoCourse('Calla lily taster'))
	let count = 0
	writer = new EventWriter({ runId: 'run', device: 'tablet' }, [], () => `event ${count++}`)
})

const OPENING = Date.UTC(2026, 2, 7, 10)
const post = (body: object, by = who) => answerOf(log.action(call(by, '/log', { body })))

/** The first steps of the session, each in so many minutes; and what comes after. */
async function teach(minutes: readonly number[], ...more: RunFact[]): Promise<RunEvent[]> {
	const run = { courseId, session: 1 }
	const page = await readRun(studio, await getCourse(studio.id, courseId), 1)
	const steps = page!.plan.entries.filter(({ kind }) => kind === 'step')
	let now = OPENING
	const events = [writer.write({ type: 'opened', planId: page!.planId }, now)]
	for (const [k, took] of minutes.entries()) {
		events.push(writer.write({ type: 'entry', entry: steps[k]!.id, is: 'begun' }, now))
		now += took * 60_000
		events.push(writer.write({ type: 'entry', entry: steps[k]!.id, is: 'most' }, now))
	}
	for (const fact of more) events.push(writer.write(fact, now))
	await addRunEvents(studio.id, run, events, new Date())
	await keepObservations(studio, run)
	return events
}

describe('a session', () => {
	test('that is closed leaves its real minutes in the log, with the names of its steps', async () => {
		await teach([20, 9], { type: 'closed' })
		const { classes, figures, steps } = await loadLog(studio)
		const [own, ...others] = classes
		expect(others).toEqual([])
		expect(own?.run).toEqual({ courseId, session: 1 })
		expect(own?.occasions.map(({ from, to }) => [from, to])).toEqual([
			[20, 20],
			[9, 9],
		])
		expect(own?.occasions[0]?.stepName).toMatch(/^.+: .+$/)
		expect(figures.count).toBe(2)
		expect(steps).toHaveLength(2)
	})

	test('that goes on leaves nothing, nor does one whose close was taken back', async () => {
		await teach([20])
		expect(await listObservations(studio.id)).toEqual([])
		const events = await teach([20], { type: 'closed' })
		expect(await listObservations(studio.id)).toHaveLength(1)
		const undo = writer.write({ type: 'undo', of: events.at(-1)!.id }, OPENING + 3_600_000)
		await addRunEvents(studio.id, { courseId, session: 1 }, [undo], new Date())
		await keepObservations(studio, { courseId, session: 1 })
		expect(await listObservations(studio.id)).toEqual([])
	})

	test('that is told anew keeps what was left out of it', async () => {
		await teach([20, 9], { type: 'closed' })
		const [first] = await listObservations(studio.id)
		await post({ intent: 'leave-out', id: first!.id, reason: 'the oven was on' })
		await keepObservations(studio, { courseId, session: 1 })
		expect((await listObservations(studio.id)).map(({ leftOut }) => leftOut)).toEqual(['the oven was on', null])
	})
})

describe('an observation', () => {
	test('that is left out is learnt from no more, until it is taken in again', async () => {
		await teach([60, 9], { type: 'closed' })
		const before = await loadLog(studio)
		const { id } = before.classes[0]!.occasions[0]!
		expect((await post({ intent: 'leave-out', id, reason: 'a fire alarm' })).status).toBe(200)
		const without = await loadLog(studio)
		expect(without.steps).toHaveLength(1)
		expect(without.classes[0]!.occasions[0]).toMatchObject({ leftOut: 'a fire alarm', from: 60 })
		expect((await post({ intent: 'take-in', id })).status).toBe(200)
		expect(await loadLog(studio)).toEqual(before)
	})

	test('is left out with a reason, and by nobody else', async () => {
		await teach([20], { type: 'closed' })
		const [own] = await listObservations(studio.id)
		expect((await post({ intent: 'leave-out', id: own!.id, reason: ' ' })).status).toBe(400)
		const stranger = await foundStudio(['calla-lily'])
		expect((await post({ intent: 'leave-out', id: own!.id, reason: 'mine' }, stranger)).status).toBe(404)
		expect((await listObservations(studio.id))[0]?.leftOut).toBeNull()
	})
})

test('a studio that has taught for a while is told whether it is any good', async () => {
	const { observations } = makeLearningStudio(4, 8, 0.1)
	const named = observations.map((observation) => ({
		className: observation.classId,
		stepName: 'petals: cut',
		observation,
	}))
	await addExamples(studio.id, named)
	const { figures, techniques, hasExamples, classes } = await loadLog(studio)
	expect(hasExamples).toBe(true)
	expect(techniques).toHaveLength(10)
	expect(classes).toHaveLength(8)
	// The newest first.
	expect(classes[0]!.occasions[0]!.date > classes[7]!.occasions[0]!.date).toBe(true)
	expect(figures.count).toBe(observations.filter(({ from, to }) => from === to).length)
	expect(figures.error.learnt).toBeLessThan(figures.error.stated)
})

describe('plans', () => {
	const current = async () => {
		// As the next request finds the studio.
		const { studio: now } = contextOf(who).get(memberContext)
		const fresh = (await findMemberById(who.userId))?.studio ?? now
		return readPlan(fresh, await getCourse(fresh.id, courseId))
	}
	const minutesOf = async () => {
		const { compiled } = (await current()).coursePlan
		return compiled.instance.tasks.reduce((sum, task) => sum + minutesOfTask(task), 0)
	}

	test('go by what was learnt from when it is said, each when it is planned anew, and back', async () => {
		await teach([45, 30, 30], { type: 'closed' })
		const before = await minutesOf()
		expect((await current()).isOutdated).toBe(false)

		expect((await post({ intent: 'plan-with' })).status).toBe(200)
		expect(await minutesOf()).toBe(before)
		expect((await current()).isOutdated).toBe(true)
		const fresh = (await findMemberById(who.userId))!.studio
		expect((await loadLog(fresh)).plansSince).toBeDefined()
		await planAnew(fresh, await getCourse(fresh.id, courseId), (await current()).planId)
		expect(await minutesOf()).toBeGreaterThan(before)
		expect((await current()).isOutdated).toBe(false)

		await post({ intent: 'plan-stated' })
		expect((await current()).isOutdated).toBe(true)
		const back = (await findMemberById(who.userId))!.studio
		expect(back.learntMinutes).toBeNull()
		await planAnew(back, await getCourse(back.id, courseId), (await current()).planId)
		expect(await minutesOf()).toBe(before)
	})
})
