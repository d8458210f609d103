import { describe, expect, test } from 'vitest'
import { checkPlan } from '../../../../core/plan/checker/check-plan'
import type { Arc, Instance, Task } from '../../../../core/plan/problem/instance'
import type { Placement, Plan } from '../../../../core/plan/problem/plan'

const WINDOWS = [
	{ open: 0, close: 60, session: 1 },
	{ open: 70, close: 120, session: 1 },
	{ open: 1000, close: 1060, session: 2 },
]

function instanceOf(tasks: Task[], arcs: Arc[] = [], more: Partial<Instance> = {}): Instance {
	return { name: 'check', windows: WINDOWS, tasks, arcs, ...more }
}

function planOf(placements: Record<string, Placement>, swaps: number[] = [], extension = 0): Plan {
	return { placements, swaps, extension }
}

const at = (...runs: [number, number][]): Placement => ({
	place: 'class',
	runs: runs.map(([start, units]) => ({ start, units })),
})
const home = (start: number, units = 1): Placement => ({ place: 'home', runs: [{ start, units }] })
const ahead: Placement = { place: 'ahead' }
const dropped: Placement = { place: 'dropped' }

const cut: Task = {
	id: 'cut',
	units: 4,
	unitMinutes: 5,
	minChunk: 2,
	places: ['class', 'ahead', 'home'],
	prepMinutes: 12,
	teachValue: 3,
}
const dust: Task = { id: 'dust', units: 4, unitMinutes: 2, teachValue: 5 }
const tape: Task = { id: 'tape', minutes: 10, teachValue: 9 }
const bud: Task = { id: 'bud', minutes: 6, dropValue: 7, teachValue: 2, optionGroup: 'bud' }

describe('refuses', () => {
	test.each<{ name: string; instance: Instance; plan: Plan; error: RegExp }>([
		{
			name: 'a task that is missing',
			instance: instanceOf([tape]),
			plan: planOf({}),
			error: /tape: is not in the plan/,
		},
		{
			name: 'a task that does not exist',
			instance: instanceOf([tape]),
			plan: planOf({ tape: at([0, 1]), glue: ahead }),
			error: /no such task/,
		},
		{
			name: 'a place that is not allowed',
			instance: instanceOf([tape]),
			plan: planOf({ tape: ahead }),
			error: /may not be done ahead/,
		},
		{
			name: 'a mandatory task dropped',
			instance: instanceOf([tape]),
			plan: planOf({ tape: dropped }),
			error: /mandatory/,
		},
		{
			name: 'too few units',
			instance: instanceOf([cut]),
			plan: planOf({ cut: at([0, 3]) }),
			error: /has 4 units, the plan has 3/,
		},
		{
			name: 'a run below the least chunk',
			instance: instanceOf([cut]),
			plan: planOf({ cut: at([0, 1], [20, 3]) }),
			error: /at least 2 units/,
		},
		{
			name: 'two runs that touch',
			instance: instanceOf([cut]),
			plan: planOf({ cut: at([0, 2], [10, 2]) }),
			error: /needs a break/,
		},
		{
			name: 'a whole task split',
			instance: instanceOf([tape]),
			plan: planOf({ tape: at([0, 1], [20, 1]) }),
			error: /may not be split/,
		},
		{
			name: 'homework in two runs',
			instance: instanceOf([cut]),
			plan: planOf({
				cut: {
					place: 'home',
					runs: [
						{ start: 130, units: 2 },
						{ start: 200, units: 2 },
					],
				},
			}),
			error: /homework must be one run/,
		},
		{
			name: 'a false end',
			instance: instanceOf([tape]),
			plan: planOf({ tape: { place: 'class', runs: [{ start: 0, units: 1, end: 11 }] } }),
			error: /ends at 10, not 11/,
		},
		{
			name: 'a run over the close',
			instance: instanceOf([tape]),
			plan: planOf({ tape: at([55, 1]) }),
			error: /lies in no window/,
		},
		{
			name: 'a run across a break',
			instance: instanceOf([cut]),
			plan: planOf({ cut: at([55, 4]) }),
			error: /lies in no window/,
		},
		{
			name: 'homework during class',
			instance: instanceOf([cut]),
			plan: planOf({ cut: home(20, 4) }),
			error: /lies in no home window/,
		},
		{
			name: 'homework in a break of the same session',
			instance: instanceOf([{ ...cut, units: 1 }]),
			plan: planOf({ cut: home(62) }),
			error: /lies in no home window/,
		},
		{
			name: 'more homework than allowed',
			instance: instanceOf([cut], [], { homeWindows: [{ open: 120, close: 1000, maxMinutes: 19 }] }),
			plan: planOf({ cut: home(130, 4) }),
			error: /at most 19 minutes/,
		},
		{
			name: 'two runs at once',
			instance: instanceOf([tape, dust]),
			plan: planOf({ tape: at([0, 1]), dust: at([8, 4]) }),
			error: /before tape ends/,
		},
		{
			name: 'a wait that is too short',
			instance: instanceOf([cut, tape], [{ from: 'cut', to: 'tape', lag: 30 }]),
			plan: planOf({ cut: at([0, 4]), tape: at([45, 1]) }),
			error: /must wait until 50/,
		},
		{
			name: 'a last unit begun on dried paste',
			instance: instanceOf([tape, dust], [{ from: 'tape', to: 'dust', lag: 0, maxLag: 5 }]),
			plan: planOf({ tape: at([0, 1]), dust: at([10, 4]) }),
			error: /must start by 15, starts at 16/,
		},
		{
			name: 'a unit that waits too short',
			instance: instanceOf([cut, dust], [{ from: 'cut', to: 'dust', lag: 10, piecewise: true }]),
			plan: planOf({ cut: at([0, 4]), dust: at([22, 4]) }),
			error: /unit 4: must wait until 30/,
		},
		{
			name: 'a unit that waits too long',
			instance: instanceOf([cut, dust], [{ from: 'cut', to: 'dust', lag: 0, maxLag: 14, piecewise: true }]),
			plan: planOf({ cut: at([0, 4]), dust: at([20, 4]) }),
			error: /unit 1: must start by 19/,
		},
		{
			name: 'work ahead on what students have not made',
			instance: instanceOf([tape, cut], [{ from: 'tape', to: 'cut', lag: 0 }]),
			plan: planOf({ tape: at([0, 1]), cut: ahead }),
			error: /cut is ahead, but tape before it is not/,
		},
		{
			name: 'a maximum lag after work ahead',
			instance: instanceOf([cut, tape], [{ from: 'cut', to: 'tape', lag: 0, maxLag: 9 }]),
			plan: planOf({ cut: ahead, tape: at([0, 1]) }),
			error: /must be too/,
		},
		{
			name: 'half an option group',
			instance: instanceOf([bud, { ...bud, id: 'bud2' }]),
			plan: planOf({ bud: dropped, bud2: at([0, 1]) }),
			error: /option group bud/,
		},
		{
			name: 'a swap that the arc does not allow',
			instance: instanceOf([cut, tape], [{ from: 'cut', to: 'tape', lag: 30 }]),
			plan: planOf({ cut: at([0, 4]), tape: at([20, 1]) }, [0]),
			error: /allows no swap/,
		},
		{
			name: 'a swap of homework',
			instance: instanceOf([cut, tape], [{ from: 'cut', to: 'tape', lag: 900, swapPrep: 4 }]),
			plan: planOf({ cut: home(130, 4), tape: at([1000, 1]) }, [0]),
			error: /both tasks must be done in class/,
		},
		{
			name: 'the same swap twice',
			instance: instanceOf([cut, tape], [{ from: 'cut', to: 'tape', lag: 30, swapPrep: 4 }]),
			plan: planOf({ cut: at([0, 4]), tape: at([20, 1]) }, [0, 0]),
			error: /listed twice/,
		},
		{
			name: 'order broken round a dropped task',
			instance: instanceOf(
				[cut, bud, tape],
				[
					{ from: 'cut', to: 'bud', lag: 30 },
					{ from: 'bud', to: 'tape', lag: 200 },
				],
			),
			plan: planOf({ cut: at([0, 4]), bud: dropped, tape: at([40, 1]) }),
			error: /cut to tape: must wait until 50/,
		},
		{
			name: 'a negative extension',
			instance: instanceOf([tape]),
			plan: planOf({ tape: at([0, 1]) }, [], -1),
			error: /extension/,
		},
		{
			name: 'an instance with a circle',
			instance: instanceOf(
				[cut, tape],
				[
					{ from: 'cut', to: 'tape', lag: 0 },
					{ from: 'tape', to: 'cut', lag: 0 },
				],
			),
			plan: planOf({}),
			error: /circle/,
		},
	])('$name', ({ instance, plan, error }) => {
		const report = checkPlan(instance, plan)

		expect(report.ok).toBe(false)
		expect(report.errors.join('\n')).toMatch(error)
	})
})

describe('values', () => {
	test('the first levels of a plan', () => {
		const instance = instanceOf([cut, dust, tape, bud], [{ from: 'cut', to: 'dust', lag: 30, swapPrep: 8 }])
		const plan = planOf({ cut: at([0, 2], [12, 2]), dust: at([25, 4]), tape: at([1005, 1]), bud: dropped }, [0])

		const { objective } = checkPlan(instance, plan)

		// Value: the bud's own 2 and 7. Waiting: 0-10, 12-22, 25-33 leaves 5; 1005 leaves 5.
		expect(objective).toMatchObject({
			shortfall: 0,
			valueLost: 9,
			prepMinutes: 8,
			finish: 1015,
			waiting: 10,
			splits: 1,
		})
	})

	test('the break of a session not as waiting, nor the idle end', () => {
		const { objective } = checkPlan(instanceOf([cut, tape]), planOf({ cut: at([40, 4]), tape: at([70, 1]) }))

		expect(objective).toMatchObject({ waiting: 40, finish: 80 })
	})

	test('homework and work ahead as lost for teaching, with the minutes of the one alone', () => {
		const both = instanceOf([cut, { ...cut, id: 'cut2' }])

		expect(checkPlan(both, planOf({ cut: ahead, cut2: home(130, 4) })).objective).toMatchObject({
			shortfall: 0,
			valueLost: 6,
			prepMinutes: 12,
			finish: 0,
			waiting: 0,
			splits: 0,
		})
	})

	test('a plan that needs the last window longer by its shortfall alone', () => {
		const report = checkPlan(instanceOf([tape]), planOf({ tape: at([1055, 1]) }, [], 5))

		expect(report).toEqual({ ok: true, errors: [], objective: { shortfall: 5 } })
	})

	test('a task without units as not there, its wait handed on', () => {
		const empty: Task = { id: 'empty', units: 0, unitMinutes: 3, teachValue: 50, dropValue: 50 }
		const arcs = [
			{ from: 'cut', to: 'empty', lag: 12 },
			{ from: 'empty', to: 'tape', lag: 500, maxLag: 501 },
		]

		const report = checkPlan(instanceOf([cut, empty, tape], arcs), planOf({ cut: at([0, 4]), tape: at([32, 1]) }))

		expect(report.objective).toMatchObject({ valueLost: 0, finish: 42 })
	})

	test('a swap through a dropped task, once', () => {
		const arcs = [
			{ from: 'cut', to: 'bud', lag: 300, swapPrep: 8 },
			{ from: 'bud', to: 'tape', lag: 0 },
			{ from: 'bud', to: 'dust', lag: 0 },
		]
		const plan = planOf({ cut: at([0, 4]), bud: dropped, tape: at([20, 1]), dust: at([30, 4]) }, [0])

		expect(checkPlan(instanceOf([cut, bud, tape, dust], arcs), plan).objective).toMatchObject({
			prepMinutes: 8,
			finish: 38,
		})
	})
})
