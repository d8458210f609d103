/** What a taught session says of its steps: real minutes, without breaks and pauses, and only as exactly as it was pressed. */
import { describe, expect, test } from 'vitest'
import { paceFactor } from '../../../core/course/pace'
import { withLearnt } from '../../../core/learn/learnt'
import type { StepSource } from '../../../core/plan/compile/compiled-course'
import { foldRun } from '../../../core/run/fold-run'
import { observeForm, observeRun, partsOf } from '../../../core/run/observe-run'
import { EventWriter, type RunFact } from '../../../core/run/run-event'
import { toRunPlan } from '../../../core/run/run-plan'
import { packDemo } from '../../support/demo-kit'

const { course, designs, story } = packDemo('Magnolia on Thursdays')
const PLAN = toRunPlan(story, 0)
const OPENING = Date.UTC(2026, 2, 5, 19)
const at = (minutes: number) => OPENING + minutes * 60_000
const steps = PLAN.entries.filter(({ kind }) => kind === 'step')
const [first, second] = steps

function observe(...facts: readonly (readonly [minutes: number, fact: RunFact])[]) {
	let count = 0
	const writer = new EventWriter({ runId: 'run', device: 'tablet' }, [], () => `event ${count++}`)
	const events = ([[0, { type: 'opened' }], ...facts] as const).map(([minutes, fact]) =>
		writer.write(fact, at(minutes)),
	)
	const state = foldRun(PLAN, events, at(500))
	return observeRun(state, { classId: 'course 1', course, designs })
}

const entry = (id: string, is: 'begun' | 'most' | 'all' = 'most'): RunFact => ({ type: 'entry', entry: id, is })

describe('a step', () => {
	test('that was pressed took its minutes, against what the design states of a practised adult', () => {
		const [own, ...others] = observe([31, entry(first!.id)], [31, { type: 'closed' }]).minutes
		expect(others).toEqual([])
		expect(own).toMatchObject({ from: 31, to: 31, level: course.pace, date: PLAN.date, classId: 'course 1' })
		expect(own!.statedMinutes).toBeCloseTo(
			(first!.endMin - first!.startMin) / paceFactor(course.pace, course.planFor),
			9,
		)
		expect(own!.doneCount).toBe(Math.ceil(0.8 * course.studentCount))
		const source = first!.source
		if (source?.type !== 'step') throw new Error('not a step')
		expect(own!.step).toBe(`${source.designId}/${source.stepId}`)
		const step = designs[0]!.design.steps.find(({ id }) => id === source.stepId)
		expect(own!.technique).toBe(step?.technique)
	})

	test('has no pause in its minutes', () => {
		const paused = [
			[10, { type: 'paused' }],
			[16, { type: 'resumed' }],
		] as const
		expect(observe(...paused, [31, entry(first!.id)], [31, { type: 'closed' }]).minutes[0]).toMatchObject({
			from: 25,
			to: 25,
		})
	})

	test('that all had done, and of which nothing else was said, is of all who were there', () => {
		const facts = [
			[1, { type: 'attendance', place: 0, is: 'away' }],
			[31, entry(first!.id, 'all')],
		] as const
		const [own] = observe(...facts, [31, { type: 'closed' }]).minutes
		expect(own).toMatchObject({ studentCount: course.studentCount - 1, doneCount: course.studentCount - 1 })
	})

	test('that went on at the close took at least so long', () => {
		const [, own] = observe([31, entry(first!.id)], [50, entry(second!.id, 'begun')], [62, { type: 'closed' }]).minutes
		expect(own).toMatchObject({ from: 12, to: Infinity })
	})

	test('whose beginning nobody pressed lies between what may be', () => {
		// Something is shown before it, which ends by itself.
		const [, own] = observe([31, entry(first!.id)], [60, entry(second!.id)], [60, { type: 'closed' }]).minutes
		expect(own!.from).toBeLessThan(own!.to)
		expect(own!.to).toBe(29)
	})

	test('that was never begun says nothing, and a session that goes on nothing of what is going on', () => {
		expect(observe().minutes).toEqual([])
		expect(observe([31, entry(first!.id)]).minutes).toHaveLength(1)
	})
})

test('what broke is told of the pieces that were made', () => {
	const source = first!.source
	if (source?.type !== 'step') throw new Error('not a step')
	const broken = { type: 'broken', kind: source.partName, count: 2 } as const
	const { breakage } = observe([20, broken], [31, entry(first!.id)], [31, { type: 'closed' }])
	const { steps, parts } = designs.find(({ design }) => design.id === source.designId)!.design
	// As far as it is spread over the steps that are done to each.
	const stepCount = steps.filter(({ part }) => part === source.partId).length
	expect(breakage).toMatchObject([
		{
			...{ part: `${source.designId}/${source.partId}`, partName: source.partName, level: course.pace, broken: 2 },
			stated: parts.find(({ of }) => of === source.partId)!.breakage,
		},
	])
	expect(breakage[0]!.made).toBeCloseTo(
		(course.studentCount * source.pieceCount * (1 + (source.alsoSteps?.length ?? 0))) / stepCount,
		9,
	)
})

test('of a class that nobody came to nothing is learnt', () => {
	const away = Array.from({ length: course.studentCount }, (_, place) => {
		return [0, { type: 'attendance', place, is: 'away' }] as const
	})
	expect(observe(...away, [31, entry(first!.id)], [31, { type: 'closed' }])).toEqual({
		minutes: [],
		breakage: [],
		queues: [],
	})
})

test('of a plan that was made with what was learnt, the stated minutes are the design’s again', () => {
	const source = first!.source
	if (source?.type !== 'step') throw new Error('not a step')
	const id = `${source.designId}/${source.stepId}`
	const learnt = { since: '2026-03-01', levels: { [course.pace]: 1.1 }, techniques: {}, steps: { [id]: 1.5 } }
	const writer = new EventWriter({ runId: 'run', device: 'tablet' }, [], () => crypto.randomUUID())
	const events = [writer.write({ type: 'opened' }, at(0)), writer.write(entry(first!.id), at(31))]
	const state = foldRun(PLAN, events, at(40))
	const taught = { classId: 'course 1', course, designs }
	const [[plain], [other]] = [observeRun(state, taught).minutes, observeRun(state, { ...taught, learnt }).minutes]
	expect(other!.statedMinutes).toBeCloseTo(plain!.statedMinutes / (1.1 * 1.5), 9)
})

test('steps that are done together count each by its own factor', () => {
	const [one, two] = designs[0]!.design.steps
	const source = { ...(first!.source as StepSource), stepId: one!.id, alsoSteps: [two!.id] }
	const designId = designs[0]!.design.id
	const learnt = { since: '2026-03-01', levels: {}, techniques: {}, steps: { [`${designId}/${two!.id}`]: 2 } }
	const planned = designs.map((own) => ({ ...own, design: withLearnt(own.design, learnt, course.pace) }))
	const plan = { ...PLAN, entries: [{ ...first!, source: { ...source, designId } }, ...PLAN.entries.slice(1)] }
	const writer = new EventWriter({ runId: 'run', device: 'tablet' }, [], () => crypto.randomUUID())
	const events = [writer.write({ type: 'opened' }, at(0)), writer.write(entry(first!.id), at(31))]
	const state = foldRun(plan, events, at(40))
	const [own] = observeRun(state, { classId: 'course 1', course, designs: planned, learnt }).minutes
	const minutesOf = ({ minutesPerPiece, fixedMinutes }: typeof one & object) => minutesPerPiece + fixedMinutes
	const share = (minutesOf(one!) + minutesOf(two!)) / (minutesOf(one!) + 2 * minutesOf(two!))
	expect(own!.statedMinutes).toBeCloseTo(
		((first!.endMin - first!.startMin) / paceFactor(course.pace, course.planFor)) * share,
		9,
	)
	expect(own!.alsoSteps).toEqual([`${designId}/${two!.id}`])
})

test('of parts of two designs that have one name nobody knows which broke', () => {
	const source = first!.source as StepSource
	const twin = { ...designs[0]!, design: { ...designs[0]!.design, id: 'twin' } }
	const plan = {
		...PLAN,
		entries: [first!, { ...first!, id: 'twin#0', source: { ...source, designId: 'twin' } }],
	}
	const form = { studentCount: 8, told: 'all', minutes: {}, broken: { [source.partName]: 2 }, waiting: {} } as const
	const told = (of: typeof plan) => {
		return observeForm(form, of, { classId: 'course 1', course, designs: [...designs, twin] }).breakage
	}
	expect(told(plan)).toEqual([])
	expect(told({ ...plan, entries: [first!] })).toMatchObject([{ partName: source.partName, broken: 2 }])
})

test('of steps done in halves each part has its own pieces', () => {
	const source = first!.source as StepSource
	const { design } = designs[0]!
	const fragile = design.parts.filter(({ breakage, of }) => breakage > 0 && of !== source.partId)
	const other = design.steps.find(({ part }) => fragile.some(({ of }) => of === part))!
	const { name: partName } = fragile.find(({ of }) => of === other.part)!
	const half = { ...source, stepId: source.stepId }
	const second = { stepId: other.id, partId: other.part!, partName, label: other.label, pieceCount: 4 }
	const pair = { ...source, halves: { first: half, second, changeAfterMinutes: 10 } }
	const plan = { ...PLAN, entries: [{ ...first!, source: pair }] }
	const broken = { [source.partName]: 1, [partName]: 3 }
	const form = { studentCount: 8, told: 'all', minutes: {}, broken, waiting: {} } as const
	const { breakage, minutes } = observeForm(form, plan, { classId: 'course 1', course, designs })
	const stepsOf = (part: string | undefined) => design.steps.filter((step) => step.part === part).length

	expect(partsOf(plan)).toEqual([source.partName, partName])
	expect(minutes).toEqual([])
	expect(breakage).toMatchObject([
		{ partName: source.partName, broken: 1 },
		{ partName, broken: 3 },
	])
	expect(breakage[0]!.made).toBeCloseTo((8 * source.pieceCount) / stepsOf(source.partId), 9)
	expect(breakage[1]!.made).toBeCloseTo(Math.max(3, (8 * 4) / stepsOf(other.part)), 9)
})

test('who stood waiting is told by the longest queue of each tool, and never more than were there', () => {
	const writer = new EventWriter({ runId: 'run', device: 'tablet' }, [], () => crypto.randomUUID())
	const waited = (tool: string, count: number) => writer.write({ type: 'waited', tool, count }, at(5))
	const events = [
		writer.write({ type: 'opened' }, at(0)),
		...[waited('ball tool', 2), waited('petal veiner', 3), waited('petal veiner', 1), waited('ball tool', 99)],
		writer.write({ type: 'closed' }, at(40)),
	]
	const taught = { classId: 'course 1', course, designs }
	const { queues } = observeRun(foldRun(PLAN, events, at(40)), taught)
	expect(queues.map(({ tool, waiting }) => [tool, waiting])).toEqual([
		['ball tool', course.studentCount],
		['petal veiner', 3],
	])
	// What was pressed by mistake is taken back like anything else.
	const undone = [...events, writer.write({ type: 'undo', of: events[2]!.id }, at(41))]
	expect(observeRun(foldRun(PLAN, undone, at(42)), taught).queues[1]).toMatchObject({ waiting: 1 })

	const form = { studentCount: 4, told: 'all', minutes: {}, broken: {}, waiting: { 'ball tool': 0 } } as const
	expect(observeForm(form, PLAN, taught).queues).toMatchObject([{ tool: 'ball tool', waiting: 0, studentCount: 4 }])
})
