/** The log: what a closed session leaves in it, what is left out of learning, and nobody else's; on the real database. */
import { beforeAll, beforeEach, describe, expect, test, vi } from 'vitest'
import { foreseeChanges } from '../../app/learn/foresee-changes.server'
import { loadBelief } from '../../app/learn/load-belief.server'
import { loadLog } from '../../app/learn/load-log.server'
import * as log from '../../app/learn/routes/log/route'
import * as files from '../../app/learn/routes/log-files/route'
import * as told from '../../app/learn/routes/told/route'
import type { ToldPage } from '../../app/learn/told-session.server'
import { keepObservations } from '../../app/run/keep-observations.server'
import { readRun } from '../../app/run/read-run.server'
import { createPlannedCourse } from '../../app/plan/save-course.server'
import { memberContext } from '../../app/shared/http/contexts'
import { EventWriter, type RunEvent, type RunFact } from '../../core/run/run-event'
import type { Studio } from '../../db/repositories/accounts.server'
import { findMemberById } from '../../db/repositories/sign-ins.server'
import { minutesOfTask } from '../../core/plan/problem/plan-times'
import { planAnew, readPlan } from '../../app/plan/read-plan.server'
import { getCourse } from '../../db/repositories/courses.server'
import { listDryingNotes } from '../../db/repositories/drying-notes.server'
import { addObservations, listObservations } from '../../db/repositories/observations.server'
import { addRunEvents } from '../../db/repositories/runs.server'
import { saveStockItem } from '../../db/repositories/stock/shelf.server'
import { listStudentSpeeds } from '../../db/repositories/student-speeds.server'
import { replaceStudents } from '../../db/repositories/students.server'
import { readRehearsal } from '../../app/rehearse/read-rehearsal.server'
import { answerOf, call } from '../support/call-route'
import { makeStudent } from '../support/demo-kit'
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
		expect(own?.occasions.flatMap((one) => (one.kind === 'minutes' ? [[one.from, one.to]] : []))).toEqual([
			[20, 20],
			[9, 9],
		])
		expect(own?.occasions[0]?.name).toMatch(/^.+: .+$/)
		expect(figures.count).toBe(2)
		expect(steps).toHaveLength(2)
	})

	test('that goes on leaves nothing, nor does one whose close was taken back', async () => {
		await teach([20])
		expect(await listObservations(studio.id)).toEqual([])
		const events = await teach([20], { type: 'closed' })
		expect((await listObservations(studio.id)).map(({ kind }) => kind)).toEqual(['minutes', 'breakage'])
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
		expect((await listObservations(studio.id)).map(({ leftOut }) => leftOut)).toEqual(['the oven was on', null, null])
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
		kind: 'minutes' as const,
		className: observation.classId,
		stepName: 'petals: cut',
		observation,
	}))
	await addObservations(studio.id, { source: 'example', observations: named })
	const { figures, techniques, hasExamples, classes } = await loadLog(studio)
	expect(hasExamples).toBe(true)
	expect(techniques).toHaveLength(10)
	expect(classes).toHaveLength(8)
	// The newest first.
	expect(classes[0]!.date > classes[7]!.date).toBe(true)
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
		expect(back.learnt).toBeNull()
		await planAnew(back, await getCourse(back.id, courseId), (await current()).planId)
		expect(await minutesOf()).toBe(before)
	})
})

describe('a correction', () => {
	test('counts in place of what was observed, which is kept and can come back', async () => {
		await teach([60, 9], { type: 'closed' })
		const before = await loadLog(studio)
		const [first] = await listObservations(studio.id)
		expect((await post({ intent: 'correct-minutes', id: first!.id, minutes: 25 })).status).toBe(200)
		const corrected = await loadLog(studio)
		expect(corrected.classes[0]!.occasions[0]).toMatchObject({ from: 25, to: 25, isCorrected: true })
		expect(corrected.steps).not.toEqual(before.steps)
		// Told anew, it stays corrected; what was observed is kept beside it.
		await keepObservations(studio, { courseId, session: 1 })
		expect(await loadLog(studio)).toEqual(corrected)
		expect((await listObservations(studio.id))[0]?.original).toMatchObject({ observation: { from: 60, to: 60 } })
		await post({ intent: 'correct-minutes', id: first!.id, minutes: 30 })
		await post({ intent: 'as-observed', id: first!.id })
		expect(await loadLog(studio)).toEqual(before)
	})

	test('of what makes no sense is refused beside its field, and so is another’s', async () => {
		await teach([20], { type: 'closed' })
		const rows = await listObservations(studio.id)
		const [minutes, breakage] = rows
		const problemsOf = async (body: object) => (await post(body)).refusal?.problems.map(({ path }) => path)
		expect(await problemsOf({ intent: 'correct-minutes', id: minutes!.id, minutes: 0 })).toEqual(['minutes'])
		expect(await problemsOf({ intent: 'correct-breakage', id: breakage!.id, made: 3, broken: 4 })).toEqual(['broken'])
		expect(await problemsOf({ intent: 'correct-paste', id: breakage!.id, usedG: 40 })).toEqual(['intent'])
		const stranger = await foundStudio(['calla-lily'])
		expect((await post({ intent: 'correct-minutes', id: minutes!.id, minutes: 5 }, stranger)).status).toBe(404)
		expect(await listObservations(studio.id)).toEqual(rows)
	})
})

describe('a session told by hand', () => {
	const params = () => ({ courseId: String(courseId), session: '1' })
	const page = async () => (await told.loader(call(who, '/told', { params: params() }))) as ToldPage
	const tell = (body: object, by = who) => answerOf(told.action(call(by, '/told', { body, params: params() })))
	const nothing = { studentCount: 5, told: 'all', minutes: [], broken: [], waiting: [], left: [], wires: [] }

	test('is learnt from like one of the tablet, and shows what was told when it is opened again', async () => {
		const { tasks, parts, pastes } = await page()
		const body = {
			...nothing,
			minutes: [{ task: tasks[0]!.id, minutes: 33 }],
			broken: [{ part: parts[0]!.name, pieces: 1 }],
			left: [{ paste: pastes[0]!.paste, leftG: 20 }],
		}
		expect((await tell(body)).status).toBe(200)
		const { classes, steps } = await loadLog(studio)
		expect(classes).toHaveLength(1)
		expect(classes[0]!.source).toBe('form')
		expect(steps).toHaveLength(1)
		const rows = await listObservations(studio.id)
		expect(rows.find(({ kind }) => kind === 'minutes')!.observation).toMatchObject({
			...{ from: 33, to: 33, studentCount: 5, doneCount: 5 },
		})
		const [seen, ...none] = rows.filter(({ kind }) => kind === 'breakage')
		// Of parts of which nothing is told nothing is learnt, not that none broke.
		expect(none).toEqual([])
		expect(seen!.observation).toMatchObject({ partName: parts[0]!.name, broken: 1 })
		expect(rows.find(({ kind }) => kind === 'paste')!.observation).toMatchObject({
			...{ usedG: pastes[0]!.handedG - 20, reckonedG: pastes[0]!.reckonedG },
		})
		const again = await page()
		expect(again).toMatchObject({ studentCount: 5, told: 'all' })
		expect(again.tasks[0]!.real).toBe(33)
		expect(again.pastes[0]!.leftG).toBe(20)
		// What is told now takes the place of what was told before.
		await tell({ ...nothing, minutes: [{ task: tasks[1]!.id, minutes: 12 }] })
		const [own, ...others] = (await listObservations(studio.id)).filter(({ kind }) => kind === 'minutes')
		expect(others).toEqual([])
		expect(own!.observation).toMatchObject({ from: 12 })
	})

	test('tells wires that came back, paste by what it was for, and who waited for a tool that is shared', async () => {
		await saveStockItem(studio.id, { kind: 'tool', name: 'ball tool', unit: 'piece', onHand: 2 }, {})
		const { tools, pastes, pasteKinds, wires } = await page()
		expect(tools.map(({ tool }) => tool)).toEqual(['ball tool'])
		const [kind, wire] = [pasteKinds[0]!, wires[0]!]
		const body = {
			...nothing,
			waiting: [{ tool: 'ball tool', students: 3 }],
			left: [{ paste: kind.key, leftG: 4 }],
			wires: [{ wire: wire.wire, pieces: 2 }],
		}
		expect((await tell(body)).status).toBe(200)
		const rows = await listObservations(studio.id)
		expect(rows.map(({ kind: own }) => own).toSorted()).toEqual(['paste', 'queue', 'wires'])
		expect(rows.find((row) => row.kind === 'paste')!.observation).toMatchObject({
			...{ paste: kind.paste, kind: kind.kind, usedG: kind.handedG - 4, reckonedG: kind.reckonedG },
		})
		const again = await page()
		expect(again.tools[0]!.waiting).toBe(3)
		expect(again.pasteKinds[0]!.leftG).toBe(4)
		expect(again.wires[0]).toMatchObject({ handed: wire.handed, left: 2 })
		const said = (await loadLog(studio)).classes[0]!.occasions.map(({ name }) => name)
		expect(said).toContain(wire.wire)
		expect(said).toContain('ball tool')

		// Weighed twice it would count twice; and what was not handed out cannot come back.
		const problems = async (change: object) => (await tell({ ...nothing, ...change })).refusal?.problems[0]?.path
		const twice = [
			{ paste: pastes.find((one) => one.paste === kind.paste)!.key, leftG: 9 },
			{ paste: kind.key, leftG: 4 },
		]
		expect(await problems({ left: twice })).toBe('left[0].leftG')
		expect(await problems({ wires: [{ wire: wire.wire, pieces: wire.handed }] })).toBe('wires[0].pieces')

		const { id } = rows.find((row) => row.kind === 'wires')!
		expect((await post({ intent: 'correct-wires', id, used: 9, handed: 4 })).refusal?.problems[0]?.path).toBe('used')
		expect((await post({ intent: 'correct-wires', id, used: 4, handed: 9 })).status).toBe(200)
		const queue = rows.find((row) => row.kind === 'queue')!.id
		expect((await post({ intent: 'correct-queue', id: queue, waiting: 1 })).status).toBe(200)
		const corrected = await listObservations(studio.id)
		expect(corrected.find((row) => row.id === id)!.observation).toMatchObject({ used: 4, handed: 9 })
		expect(corrected.find((row) => row.id === queue)!.observation).toMatchObject({ waiting: 1 })
	})

	test('that was taught on the tablet tells its paste alone', async () => {
		await teach([20], { type: 'closed' })
		const { isOnTablet, tasks, pastes } = await page()
		expect(isOnTablet).toBe(true)
		const left = [{ paste: pastes[0]!.paste, leftG: 5 }]
		await tell({ ...nothing, minutes: [{ task: tasks[0]!.id, minutes: 99 }], left })
		const rows = await listObservations(studio.id)
		expect(rows.map(({ kind, source }) => `${kind} ${source}`).toSorted()).toEqual([
			'breakage run',
			'minutes run',
			'paste form',
		])
		// And keeps it when the tablet's is told anew.
		await keepObservations(studio, { courseId, session: 1 })
		expect(await listObservations(studio.id)).toHaveLength(rows.length)
	})

	test('is refused beside its field, and of another studio altogether', async () => {
		const { pastes, tasks } = await page()
		const problems = async (body: object) => (await tell(body)).refusal?.problems.map(({ path }) => path)
		const left = [{ paste: pastes[0]!.paste, leftG: 9_999 }]
		expect(await problems({ ...nothing, left })).toEqual(['left[0].leftG'])
		expect(await problems({ ...nothing, studentCount: 0 })).toEqual(['studentCount'])
		expect(await problems({ ...nothing, minutes: [{ task: tasks[0]!.id, minutes: 'long' }] })).toEqual([
			'minutes[0].minutes',
		])
		expect((await tell(nothing, await foundStudio(['calla-lily']))).status).toBe(404)
		expect(await listObservations(studio.id)).toEqual([])
	})
})

describe('files', () => {
	const csvOf = async (by: TestStudio) => {
		const answer = await files.loader(call(by, '/log/files/log.csv', { params: { file: 'log.csv' } }))
		return (answer as Response).text()
	}

	test('go out of one studio and into another, each line once', async () => {
		await teach([20, 9], { type: 'closed' })
		const csv = await csvOf(who)
		const many = (await listObservations(studio.id)).length
		expect(many).toBeGreaterThan(2)
		const other = await foundStudio(['calla-lily'])
		const there = contextOf(other).get(memberContext).studio
		expect(await log.action(call(other, '/log', { body: { intent: 'import', text: csv } }))).toMatchObject({
			told: `${many} lines taken.`,
		})
		const own = (rows: Awaited<ReturnType<typeof listObservations>>) => rows.map(({ observation }) => observation)
		expect(own(await listObservations(there.id))).toEqual(own(await listObservations(studio.id)))
		expect(await log.action(call(other, '/log', { body: { intent: 'import', text: csv } }))).toMatchObject({
			told: `0 lines taken, ${many} were there already.`,
		})
	})

	test('with a line that makes no sense are refused whole', async () => {
		const text = 'class,date,level,name,stated,students,from,to\r\nA,2026-01-01,beginners,cut,10,8,9,9\r\nA,soon'
		const { status, refusal } = await post({ intent: 'import', text })
		expect(status).toBe(400)
		expect(refusal!.problems[0]!.message).toMatch(/^Line 3: /)
		expect(await listObservations(studio.id)).toEqual([])
	})
})

test('a step and its technique are told with what was foretold in each class; what nobody has taught is not found', async () => {
	const { observations } = makeLearningStudio(4, 5)
	const named = observations.map((observation) => {
		return {
			kind: 'minutes' as const,
			className: observation.classId,
			stepName: `step ${observation.step}`,
			observation,
		}
	})
	await addObservations(studio.id, { source: 'example', observations: named })
	const [first] = observations
	const step = await loadBelief(studio, { kind: 'step', key: first!.step })
	expect(step.occasions).toHaveLength(5)
	expect(step.technique!.key).toBe(first!.technique)
	// The more classes, the narrower what is foretold.
	const width = ({ ninety: [from, to] }: (typeof step.occasions)[number]) => Math.log(to / from)
	expect(width(step.occasions[4]!)).toBeLessThan(width(step.occasions[0]!))
	const technique = await loadBelief(studio, { kind: 'technique', key: first!.technique! })
	expect(technique.steps.map(({ key }) => key)).toContain(first!.step)
	await expect(loadBelief(studio, { kind: 'step', key: 'none' })).rejects.toThrow('Nothing is known')
})

test('what would change is foretold of coming courses, and nothing of it is kept', async () => {
	vi.stubEnv('CALYCINE_TODAY', '2026-01-10')
	await teach([90, 60, 45], { type: 'closed' })
	const before = await readPlan(studio, await getCourse(studio.id, courseId))
	const { changes, dearest } = await foreseeChanges(studio)
	const [change, ...others] = changes
	vi.unstubAllEnvs()
	expect(others).toEqual([])
	expect(change).toMatchObject({ courseId, name: 'Calla lily taster' })
	// Of a studio that counts no tools nobody knows who waits for one.
	expect(dearest).toBeUndefined()
	const [now, then] = change!.shortfall
	expect(now).toBe(0)
	// Steps that take three times as long: it does not fit, or asks for more.
	expect(then > 0 || change!.work![1] > change!.work![0]).toBe(true)
	expect((await readPlan(studio, await getCourse(studio.id, courseId))).planId).toBe(before.planId)
})

test('trays that were looked at are entries of the log of drying, taken back with the close', async () => {
	const page = await readRun(studio, await getCourse(studio.id, courseId), 1)
	const batch = page!.plan.batches.find(({ waits }) => waits.some((wait) => wait.stage && wait.p50Minutes))
	if (!batch) throw new Error('nothing dries')
	const { stage } = batch.waits[0]!
	const looks: RunFact[] = [
		{ type: 'tray', batch: batch.id },
		{ type: 'look', batch: batch.id, stage: stage!, isReached: false },
		{ type: 'closed' },
	]
	const events = await teach([20], ...looks)
	// Laid down and looked at in the same moment it says nothing.
	expect(await listDryingNotes(studio.id)).toEqual([])
	const later = writer.write({ type: 'look', batch: batch.id, stage: stage!, isReached: false }, OPENING + 7_200_000)
	await addRunEvents(studio.id, { courseId, session: 1 }, [later], new Date())
	await keepObservations(studio, { courseId, session: 1 })
	await keepObservations(studio, { courseId, session: 1 })
	const [note, ...others] = await listDryingNotes(studio.id)
	expect(others).toEqual([])
	expect(note).toMatchObject({ what: expect.stringContaining('Calla lily taster') as string })
	expect(note!.notReadyHours).toBeGreaterThan(1)
	expect(note!.readyHours).toBeUndefined()
	const undo = writer.write({ type: 'undo', of: events.at(-1)!.id }, OPENING + 7_300_000)
	await addRunEvents(studio.id, { courseId, session: 1 }, [undo], new Date())
	await keepObservations(studio, { courseId, session: 1 })
	expect(await listDryingNotes(studio.id)).toEqual([])
})

describe('how fast people are', () => {
	const fresh = async () => (await findMemberById(who.userId))!.studio
	const teachMira = async () => {
		const page = await readRun(studio, await getCourse(studio.id, courseId), 1)
		const entry = page!.plan.entries.find(({ kind }) => kind === 'step')!.id
		await teach([20], { type: 'student', entry, place: 0 }, { type: 'closed' })
		await keepObservations(await fresh(), { courseId, session: 1 })
	}
	beforeEach(async () => {
		await replaceStudents(studio.id, courseId, { students: [makeStudent({ name: 'Mira' })] })
	})

	test('is not learnt unless somebody asks for it', async () => {
		await teachMira()
		expect((await loadLog(await fresh())).students).toBeUndefined()
		expect(await listStudentSpeeds(studio.id)).toEqual([])
	})

	test('is played in rehearsals, is in no file, and gone with one press', async () => {
		await post({ intent: 'learn-students', learns: true })
		await teachMira()
		const known = await fresh()
		const { students } = await loadLog(known)
		expect(students!.map(({ name, steps }) => [name, steps])).toEqual([['Mira', 1]])
		const course = await getCourse(studio.id, courseId)
		const levels = async (by: Studio) => (await readRehearsal(by, course)).played!.script.levels
		const [hers, others] = await levels(known)
		expect(hers! / others!).toBeCloseTo(students![0]!.factor.at, 9)
		const csv = (await files.loader(
			call(who, '/log/files/log.csv', { params: { file: 'log.csv' } }),
		)) as unknown as Response
		expect(await csv.text()).not.toContain('Mira')
		expect((await post({ intent: 'forget-student', person: 'mira' }, await foundStudio([]))).status).toBe(404)
		expect((await post({ intent: 'forget-student', person: 'mira' })).status).toBe(200)
		expect(await listStudentSpeeds(studio.id)).toEqual([])
		await keepObservations(known, { courseId, session: 1 })
		expect(await listStudentSpeeds(studio.id)).toHaveLength(1)
		// Whoever is forgotten with the people of the course is forgotten altogether.
		await replaceStudents(studio.id, courseId, { students: [makeStudent({ name: 'Bo' })] })
		expect(await listStudentSpeeds(studio.id)).toEqual([])
		await replaceStudents(studio.id, courseId, { students: [makeStudent({ name: 'Mira' })] })
		await keepObservations(known, { courseId, session: 1 })
		expect(await listStudentSpeeds(studio.id)).toHaveLength(1)
		await post({ intent: 'learn-students', learns: false })
		expect(await listStudentSpeeds(studio.id)).toEqual([])
		const [plain, other] = await levels(await fresh())
		expect(plain).toBe(other)
	})
})
