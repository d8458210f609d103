/** What an instructor would choose, each as the smallest course that shows it; values by hand. */
import { describe, expect, test } from 'vitest'
import { checkPlan } from '../../../core/plan/checker/check-plan'
import { planExactly } from '../../../core/plan/exact/plan-exactly'
import type { Instance, Task } from '../../../core/plan/problem/instance'
import { FIRST_LEVELS } from '../../../core/plan/problem/objective'
import type { Plan } from '../../../core/plan/problem/plan'
import { runsOf } from '../../../core/plan/problem/plan-times'
import { evenings } from '../../support/evenings'

function planned(instance: Omit<Instance, 'name'>): { plan: Plan } & ReturnType<typeof planExactly> {
	const found = planExactly({ name: 'wanted', ...instance })
	if (!found.plan) throw new Error(found.status)
	expect(checkPlan({ name: 'wanted', ...instance }, found.plan).errors).toEqual([])
	return found
}

const startOf = (plan: Plan, task: string) => runsOf(plan, task)[0]?.start ?? NaN

describe('a plan that an instructor would choose', () => {
	test('does not cut a step in two so that the last evening ends some minutes sooner', () => {
		const instance = {
			name: 'petals',
			windows: evenings(60, 60),
			tasks: [
				{ id: 'cut', minutes: 35 },
				{ id: 'vein', units: 8, unitMinutes: 5 },
				{ id: 'leaf', minutes: 20 },
			],
			arcs: [{ from: 'cut', to: 'vein', lag: 0 }],
		}

		expect(planExactly(instance, { levels: FIRST_LEVELS }).objective?.splits).toBe(1)
		expect(planExactly(instance).objective).toMatchObject({ splits: 0, strain: 0, lastSession: 2 })
	})

	test('moves tea into a wait that cannot be avoided', () => {
		const { plan, objective } = planned({
			windows: evenings(120),
			breaks: [{ session: 1, minutes: 10, earliest: 45, latest: 75 }],
			tasks: [
				{ id: 'shape', minutes: 50 },
				{ id: 'dust', minutes: 30 },
			],
			arcs: [{ from: 'shape', to: 'dust', lag: 10 }],
		})

		expect(plan.breaks).toEqual([50])
		expect(objective).toMatchObject({ waiting: 0, finish: 90 })
	})

	test('takes tea that is not held from what is spare, not from the work', () => {
		const { objective } = planned({
			windows: evenings(60),
			breaks: [{ session: 1, minutes: 10, earliest: 20, latest: 50 }],
			tasks: [{ id: 'shape', minutes: 50 }],
			arcs: [],
		})

		expect(objective).toMatchObject({ finish: 50, waiting: 0, splits: 0 })
	})

	test('shows a technique right before the step that uses it', () => {
		const { plan, objective } = planned({
			windows: evenings(60, 60),
			tasks: [
				{ id: 'show', minutes: 5, demo: true },
				{ id: 'leaf', minutes: 40 },
				{ id: 'vein', minutes: 20 },
				{ id: 'early', minutes: 10 },
			],
			arcs: [
				{ from: 'show', to: 'vein', lag: 0 },
				{ from: 'leaf', to: 'vein', lag: 200 },
			],
		})

		expect(startOf(plan, 'vein') - startOf(plan, 'show')).toBe(5)
		expect(objective).toMatchObject({ apart: 0, strain: 0 })
	})

	test('never has a technique used in class that is not shown there', () => {
		const show: Task = { id: 'show', minutes: 30, demo: true, places: ['class', 'ahead'] }
		const vein: Task = { id: 'vein', minutes: 20, places: ['class', 'ahead'], prepMinutes: 40, teachValue: 5 }
		const course = { windows: evenings(40), arcs: [{ from: 'show', to: 'vein', lag: 0 }] }

		const { plan } = planned({ ...course, tasks: [show, vein] })

		expect(plan.placements).toMatchObject({ vein: { place: 'ahead' } })
		expect(planExactly({ name: 'class', ...course, tasks: [show, { id: 'vein', minutes: 20 }] }).status).toBe(
			'infeasible',
		)
	})

	test('relieves a tight evening where another has room', () => {
		const { plan, objective } = planned({
			windows: evenings(60, 60),
			sessions: [
				{ session: 1, bufferMinutes: 6 },
				{ session: 2, bufferMinutes: 6 },
			],
			endEarly: false,
			tasks: [
				{ id: 'petals', minutes: 40 },
				{ id: 'leaf', minutes: 18 },
				{ id: 'calyx', minutes: 12 },
			],
			arcs: [],
		})

		expect(objective).toMatchObject({ crowding: 0, strain: 0 })
		expect(startOf(plan, 'petals')).toBeLessThan(60)
	})

	test('does not cut petals before the evening in which they are glued, though there were time', () => {
		const { plan } = planned({
			windows: evenings(60, 60),
			endEarly: false,
			tasks: [
				{ id: 'core', minutes: 30 },
				{ id: 'cut', minutes: 20 },
				{ id: 'glue', minutes: 20 },
			],
			arcs: [
				{ from: 'core', to: 'glue', lag: 600 },
				{ from: 'cut', to: 'glue', lag: 0, maxLag: 45, limit: 'each', piecewise: true },
			],
		})

		expect(startOf(plan, 'cut')).toBeGreaterThanOrEqual(10_080)
	})

	test('guards every piece: ten cut early do not lie till late because the last was cut just now', () => {
		const skins = (limit: 'each' | 'last'): Instance => ({
			name: 'skins',
			windows: evenings(200),
			tasks: [
				{ id: 'cut', units: 2, unitMinutes: 10 },
				{ id: 'glue', minutes: 10 },
			],
			arcs: [{ from: 'cut', to: 'glue', lag: 0, maxLag: 15, limit }],
		})
		const late: Plan = {
			placements: {
				cut: { place: 'class', runs: [0, 50].map((start) => ({ start, units: 1 })) },
				glue: { place: 'class', runs: [{ start: 60, units: 1 }] },
			},
			swaps: [],
			extension: 0,
		}

		expect(checkPlan(skins('last'), late).errors).toEqual([])
		expect(checkPlan(skins('each'), late).errors).toEqual(['cut to glue, unit 1: must start by 25, starts at 60'])
	})

	test('brings two pieces dry where one would not do: a children’s morning that does not fit otherwise', () => {
		const { plan, objective } = planned({
			windows: evenings(60),
			tasks: ['shell', 'star'].flatMap((piece) => [
				{ id: `${piece}-form`, minutes: 10 },
				{ id: `${piece}-paint`, minutes: 15 },
			]),
			arcs: ['shell', 'star'].map((piece) => ({ from: `${piece}-form`, to: `${piece}-paint`, lag: 240, swap: piece })),
			prepared: [
				{ id: 'shell', minutes: 20 },
				{ id: 'star', minutes: 25 },
			],
		})

		expect(plan.swaps).toEqual([0, 1])
		expect(objective).toMatchObject({ prepMinutes: 45, waiting: 0 })
	})
})

describe('a set of dried pieces', () => {
	const tasks = ['shape', 'colour', 'tape'].map((id) => ({ id, minutes: 10 }))
	const arcs = [
		{ from: 'shape', to: 'colour', lag: 30, swap: 'petals' },
		{ from: 'shape', to: 'tape', lag: 600, swap: 'petals' },
		{ from: 'colour', to: 'tape', lag: 0 },
	]
	const course = { windows: evenings(60), tasks, arcs, prepared: [{ id: 'petals', minutes: 40 }] }

	test('is paid once for all the steps that go on with it', () => {
		const { plan, objective } = planned(course)

		expect(plan.swaps).toEqual([0, 1])
		expect(objective?.prepMinutes).toBe(40)
	})

	test('is not swapped for a later step alone: nobody colours her own and tapes uncoloured ones', () => {
		const runs = (start: number) => ({ place: 'class' as const, runs: [{ start, units: 1 }] })
		const own: Plan = {
			placements: { shape: runs(0), colour: runs(40), tape: runs(50) },
			swaps: [1],
			extension: 0,
		}

		const { errors } = checkPlan({ name: 'set', ...course }, own)

		expect(errors).toEqual(['swap 1 (shape to tape): colour before it still works on other pieces'])
	})
})

describe('what never gets dry', () => {
	const tasks: Task[] = [
		{ id: 'dip', minutes: 10 },
		{ id: 'pack', minutes: 10 },
	]
	const course = (arc: object) => ({
		name: 'never',
		windows: evenings(60, 60),
		tasks,
		arcs: [{ from: 'dip', to: 'pack', lag: 'never' as const, ...arc }],
		prepared: [{ id: 'dipped', minutes: 5 }],
	})

	test('makes a course impossible, however long the evening', () => {
		expect(planExactly(course({}))).toMatchObject({ status: 'impossible' })
	})

	test('is no matter where dried pieces are brought', () => {
		expect(planExactly(course({ swap: 'dipped' }))).toMatchObject({
			status: 'optimal',
			objective: { prepMinutes: 5 },
			plan: { swaps: [0] },
		})
	})

	test('is no matter to work ahead', () => {
		const [dip, pack] = tasks as [Task, Task]
		const ahead = { ...course({}), tasks: [{ ...dip, places: ['class' as const, 'ahead' as const] }, pack] }

		expect(planExactly(ahead).plan?.placements).toMatchObject({ dip: { place: 'ahead' }, pack: { place: 'class' } })
	})

	test('takes no limit', () => {
		const limited = course({ maxLag: 30 })

		expect(checkPlan(limited, { placements: {}, swaps: [], extension: 0 }).errors).toEqual([
			'instance /arcs/0: an arc that is never over has no maxLag',
		])
	})
})

test('three at a time: a unit waits for those that it is made from, and no piece too long for its own', () => {
	const instance: Instance = {
		name: 'three',
		windows: evenings(120),
		tasks: [
			{ id: 'cut', units: 6, unitMinutes: 2 },
			{ id: 'glue', units: 2, unitMinutes: 6 },
		],
		arcs: [{ from: 'cut', to: 'glue', lag: 1, maxLag: 9, piecewise: true }],
	}
	const at = (glue: number[]): Plan => ({
		placements: {
			cut: { place: 'class', runs: [3, 3].map((units, r) => ({ start: 20 * r, units })) },
			glue: { place: 'class', runs: glue.map((start) => ({ start, units: 1 })) },
		},
		swaps: [],
		extension: 0,
	})

	// The first three are cut by 2, 4 and 6, the others by 22, 24 and 26.
	expect(checkPlan(instance, at([7, 27])).errors).toEqual([])
	expect(checkPlan(instance, at([6, 27])).errors).toEqual(['cut to glue, unit 1: must wait until 7, starts at 6'])
	expect(checkPlan(instance, at([7, 32])).errors).toEqual(['cut to glue, unit 2: must start by 31, starts at 32'])
	expect(planExactly(instance)).toMatchObject({ status: 'optimal', objective: { shortfall: 0 } })
})

describe('breaks', () => {
	const instance: Instance = {
		name: 'tea',
		windows: evenings(100),
		breaks: [
			{ session: 1, minutes: 10, earliest: 20, latest: 40 },
			{ session: 1, minutes: 5, earliest: 25, latest: 60 },
		],
		tasks: [{ id: 'shape', minutes: 20 }],
		arcs: [],
	}
	const plan = (breaks: number[] | undefined, start = 0): Plan => ({
		placements: { shape: { place: 'class', runs: [{ start, units: 1 }] } },
		swaps: [],
		...(breaks && { breaks }),
		extension: 0,
	})

	test.each([
		{ name: 'that are not there', breaks: undefined, error: 'the plan has 0 breaks, the instance 2' },
		{ name: 'too late', breaks: [41, 60], error: 'break 1: must begin between 20 and 40, begins at 41' },
		{ name: 'at half a minute', breaks: [20.5, 60], error: 'break 1: must begin at a whole minute, got 20.5' },
		{ name: 'over one another', breaks: [30, 35], error: 'break 1 and break 2 overlap' },
	])('$name are refused', ({ breaks, error }) => {
		expect(checkPlan(instance, plan(breaks)).errors).toEqual([error])
	})

	test('over work are refused', () => {
		expect(checkPlan(instance, plan([30, 60], 15)).errors).toEqual(['shape: is at work during break 1'])
	})

	test.each([
		{ name: 'no window', pause: { session: 1, minutes: 10, earliest: 95, latest: 99 }, error: /fit into no window/ },
		{
			name: 'no time',
			pause: { session: 1, minutes: 10, earliest: 30, latest: 20 },
			error: /latest must be >= earliest/,
		},
		{ name: 'no session', pause: { session: 2, minutes: 10, earliest: 0, latest: 20 }, error: /fit into no window/ },
	])('with $name make no course', ({ pause, error }) => {
		expect(checkPlan({ ...instance, breaks: [pause] }, plan([0])).errors).toEqual([expect.stringMatching(error)])
	})

	test('lie as near to the middle of their span as nothing is lost by', () => {
		expect(planExactly(instance).plan?.breaks).toEqual([30, 42])
	})
})

test('finishing at home after the last session strains nobody', () => {
	const { objective, plan } = planned({
		windows: evenings(30),
		homeWindows: [{ open: 30, close: 2000 }],
		tasks: [
			{ id: 'shape', minutes: 25 },
			{ id: 'dust', minutes: 20, places: ['class', 'home'], teachValue: 2 },
		],
		arcs: [{ from: 'shape', to: 'dust', lag: 300 }],
		sequence: [['dust', 'shape']],
	})

	expect(plan.placements['dust']).toMatchObject({ place: 'home' })
	expect(objective).toMatchObject({ valueLost: 2, lastSession: 1, strain: 0, late: 0, order: 0 })
})
