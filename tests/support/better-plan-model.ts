/**
 * The class-plan problem in the MiniZinc language, unit by unit: is there a plan that is better than a given vector?
 * Written from the definition, without a look at the product's model: units instead of runs, no bounds, no tricks.
 */
import type { Arc, Instance, Task, Window } from '../../core/plan/problem/instance'
import { FIRST_LEVELS, type Objective } from '../../core/plan/problem/objective'

/**
 * @param extension - minutes by which the last window closes later
 * @param worseThan - the vector to beat in a lexicographic comparison; undefined: any plan will do
 */
export function betterPlanModel(instance: Instance, extension: number, worseThan: Objective | undefined): string {
	const windows = instance.windows.map((window, w) => {
		return w === instance.windows.length - 1 ? { ...window, close: window.close + extension } : window
	})
	const tasks = instance.tasks.map((task, t) => ({ task, t, units: unitsOf(task) })).filter(({ units }) => units > 0)
	const lines = [
		...tasks.flatMap(({ task, t }) => declareTask(instance, windows, task, t)),
		...dropGroups(instance),
		...hands(tasks),
		...waits(instance),
		...homeworkLimits(instance, tasks),
		...levels(instance, windows, tasks),
	]
	const vector = FIRST_LEVELS.slice(1)
	if (worseThan) {
		const values = vector.map((level) => worseThan[level] ?? 0)
		lines.push(`constraint lex_less([${vector.join(', ')}], [${values.join(', ')}]);`)
	}
	return ['include "globals.mzn";', ...lines, 'solve satisfy;'].join('\n')
}

interface Member {
	task: Task
	t: number
	units: number
}

function unitsOf(task: Task): number {
	return 'units' in task ? task.units : 1
}

function minutesOf(task: Task): number {
	return 'units' in task ? task.unitMinutes : task.minutes
}

function homesOf(instance: Instance): { open: number; close: number; maxMinutes?: number }[] {
	return (
		instance.homeWindows ??
		instance.windows.flatMap((window, w) => {
			const next = instance.windows[w + 1]
			return next && next.session !== window.session ? [{ open: window.close, close: next.open }] : []
		})
	)
}

function declareTask(instance: Instance, windows: readonly Window[], task: Task, t: number): string[] {
	const [units, minutes] = [unitsOf(task), minutesOf(task)]
	const homes = homesOf(instance)
	const stretches = [...windows, ...homes]
	const from = Math.min(...stretches.map(({ open }) => open))
	const to = Math.max(...stretches.map(({ close }) => close)) + units * minutes
	const places = task.places ?? ['class']
	const allowed = (place: 'class' | 'home' | 'ahead') => (places.includes(place) ? 'true' : 'false')
	const inOne = (k: number, list: readonly { open: number; close: number }[]) => {
		return (
			list
				.map(({ open, close }) => `(x_${t}_${k} >= ${open} /\\ x_${t}_${k} + ${minutes} <= ${close})`)
				.join(' \\/ ') || 'false'
		)
	}
	const lines = [
		`var bool: class_${t}; var bool: home_${t}; var bool: ahead_${t}; var bool: drop_${t};`,
		`constraint class_${t} + home_${t} + ahead_${t} + drop_${t} = 1;`,
		`constraint (class_${t} -> ${allowed('class')}) /\\ (home_${t} -> ${allowed('home')}) /\\ (ahead_${t} -> ${allowed('ahead')});`,
		`constraint drop_${t} -> ${task.dropValue === undefined ? 'false' : 'true'};`,
	]
	for (let k = 0; k < units; k++) {
		lines.push(
			`var ${from}..${to}: x_${t}_${k};`,
			`constraint class_${t} -> (${inOne(k, windows)});`,
			`constraint home_${t} -> (${inOne(k, homes)});`,
			`constraint (ahead_${t} \\/ drop_${t}) -> x_${t}_${k} = ${from + k * minutes};`,
		)
	}
	const chunk = ('units' in task ? task.minChunk : undefined) ?? 1
	for (let k = 0; k + 1 < units; k++) {
		// cut: a break follows unit k; run: units of the run up to k.
		lines.push(
			`constraint x_${t}_${k + 1} >= x_${t}_${k} + ${minutes};`,
			`var bool: cut_${t}_${k} = x_${t}_${k + 1} > x_${t}_${k} + ${minutes};`,
			`var 1..${units}: run_${t}_${k} = ${k === 0 ? '1' : `if cut_${t}_${k - 1} then 1 else run_${t}_${k - 1} + 1 endif`};`,
			`constraint cut_${t}_${k} -> (class_${t} /\\ run_${t}_${k} >= ${Math.min(chunk, units)});`,
		)
	}
	return lines
}

function dropGroups({ tasks }: Instance): string[] {
	const first = new Map<string, number>()
	return tasks.flatMap(({ optionGroup, ...task }, t) => {
		if (optionGroup === undefined || unitsOf(task) === 0) return []
		const leader = first.get(optionGroup)
		if (leader === undefined) first.set(optionGroup, t)
		return leader === undefined ? [] : [`constraint drop_${t} = drop_${leader};`]
	})
}

function hands(tasks: readonly Member[]): string[] {
	return tasks.flatMap((one, n) => {
		return tasks.slice(n + 1).flatMap((other) => {
			const bothPlaced = `(class_${one.t} \\/ home_${one.t}) /\\ (class_${other.t} \\/ home_${other.t})`
			const pairs: string[] = []
			for (let k = 0; k < one.units; k++) {
				for (let l = 0; l < other.units; l++) {
					const [a, b] = [`x_${one.t}_${k}`, `x_${other.t}_${l}`]
					pairs.push(`(${a} + ${minutesOf(one.task)} <= ${b} \\/ ${b} + ${minutesOf(other.task)} <= ${a})`)
				}
			}
			return [`constraint (${bothPlaced}) -> (${pairs.join(' /\\ ')});`]
		})
	})
}

/** An arc, or one that passes over tasks which are dropped or have no units. */
interface Way {
	arc: Arc
	index: number
	to: number
	over: number[]
	piecewise: boolean
}

function waysOf({ tasks, arcs }: Instance): Way[] {
	const indexOf = (id: string) => tasks.findIndex((task) => task.id === id)
	const extend = (way: Way): Way[] => {
		const task = tasks[way.to]
		if (!task) return []
		const isEmpty = unitsOf(task) === 0
		const further = isEmpty || task.dropValue !== undefined ? arcs.filter(({ from }) => from === task.id) : []
		const longer = further.flatMap((next) =>
			extend({
				...way,
				to: indexOf(next.to),
				over: isEmpty ? [...way.over, -1] : [...way.over, way.to],
				piecewise: way.piecewise && (next.piecewise ?? false),
			}),
		)
		return isEmpty ? longer : [way, ...longer]
	}
	return arcs.flatMap((arc, index) => {
		const from = tasks[indexOf(arc.from)]
		if (!from || unitsOf(from) === 0) return []
		return extend({ arc, index, to: indexOf(arc.to), over: [], piecewise: arc.piecewise ?? false })
	})
}

function waits(instance: Instance): string[] {
	const { tasks, arcs } = instance
	const swappable = arcs.map(({ lag, swapPrep }) => lag !== 0 && swapPrep !== undefined)
	return [
		...arcs.map((_, a) => `var bool: swap_${a};\nconstraint swap_${a} -> ${swappable[a] ? 'true' : 'false'};`),
		...arcs.map(({ from }, a) => {
			const t = tasks.findIndex(({ id }) => id === from)
			return unitsOf(tasks[t] as Task) === 0 ? `constraint not swap_${a};` : `constraint swap_${a} -> class_${t};`
		}),
		...waysOf(instance).flatMap((way) => waitLines(tasks, way)),
	]
}

function waitLines(tasks: readonly Task[], { arc, index, to, over, piecewise }: Way): string[] {
	const from = tasks.findIndex(({ id }) => id === arc.from)
	const [first, second] = [tasks[from], tasks[to]]
	if (!first || !second) return []
	const maxLag = over.length === 0 ? arc.maxLag : undefined
	const passed = over.filter((t) => t >= 0).map((t) => `drop_${t}`)
	const holds = [...passed, `not drop_${from}`, `not drop_${to}`].join(' /\\ ')
	const placed = [...passed, `not ahead_${from}`, `not drop_${from}`, `not ahead_${to}`, `not drop_${to}`].join(' /\\ ')
	const lines = [
		`constraint (${holds} /\\ ahead_${to}) -> ahead_${from};`,
		`constraint (${holds} /\\ swap_${index}) -> class_${to};`,
	]
	if (maxLag !== undefined) lines.push(`constraint (${holds} /\\ ahead_${from}) -> ahead_${to};`)
	const [n, m] = [unitsOf(first), unitsOf(second)]
	const pairs =
		piecewise && n === m ? Array.from({ length: n }, (_, k) => [k, k, k] as const) : [[n - 1, 0, m - 1] as const]
	for (const [k, next, last] of pairs) {
		const end = `x_${from}_${k} + ${minutesOf(first)}`
		lines.push(`constraint (${placed}) -> x_${to}_${next} >= ${end} + if swap_${index} then 0 else ${arc.lag} endif;`)
		if (maxLag !== undefined)
			lines.push(`constraint (${placed} /\\ not swap_${index}) -> x_${to}_${last} <= ${end} + ${maxLag};`)
	}
	return lines
}

function homeworkLimits(instance: Instance, tasks: readonly Member[]): string[] {
	return homesOf(instance).flatMap(({ open, close, maxMinutes }) => {
		if (maxMinutes === undefined) return []
		const work = tasks.map(({ task, t, units }) => {
			return `bool2int(home_${t} /\\ x_${t}_0 >= ${open} /\\ x_${t}_0 < ${close}) * ${units * minutesOf(task)}`
		})
		return [`constraint ${work.join(' + ') || '0'} <= ${maxMinutes};`]
	})
}

function levels(instance: Instance, windows: readonly Window[], tasks: readonly Member[]): string[] {
	const sum = (parts: readonly string[]) => (parts.length > 0 ? parts.join(' + ') : '0')
	const value = tasks.map(({ task, t }) => {
		return `bool2int(not class_${t}) * ${task.teachValue ?? 0} + bool2int(drop_${t}) * ${task.dropValue ?? 0}`
	})
	const prep = [
		...tasks.map(({ task, t }) => `bool2int(ahead_${t}) * ${task.prepMinutes ?? 0}`),
		...instance.arcs.map(({ swapPrep = 0 }, a) => `bool2int(swap_${a}) * ${swapPrep}`),
	]
	const open = windows[0]?.open ?? 0
	const end = ({ task, t, units }: Member) => `x_${t}_${units - 1} + ${minutesOf(task)}`
	const ends = tasks.map((member) => `if class_${member.t} then ${end(member)} else ${open} endif`)
	const cuts = tasks.flatMap(({ t, units }) => Array.from({ length: units - 1 }, (_, k) => `bool2int(cut_${t}_${k})`))
	const sessions = [...new Set(windows.map(({ session }) => session))]
	const waited = sessions.map((session) =>
		waitedIn(
			windows.filter((window) => window.session === session),
			tasks,
		),
	)
	const work = tasks.map(({ task, t, units }) => `bool2int(class_${t}) * ${units * minutesOf(task)}`)
	return [
		`var int: valueLost = ${sum(value)};`,
		`var int: prepMinutes = ${sum(prep)};`,
		`var int: finish = max([${[open, ...ends].join(', ')}]);`,
		`var int: waiting = ${sum(waited)} - (${sum(work)});`,
		`var int: splits = ${sum(cuts)};`,
	]
}

/** Hands-on minutes of a session until its last class unit ends. */
function waitedIn(windows: readonly Window[], tasks: readonly Member[]): string {
	const [first, last] = [windows[0], windows.at(-1)]
	if (!first || !last) return '0'
	const ends = tasks.flatMap(({ task, t, units }) => {
		return Array.from({ length: units }, (_, k) => {
			const x = `x_${t}_${k}`
			const isHere = `class_${t} /\\ ${x} >= ${first.open} /\\ ${x} < ${last.close}`
			return `if ${isHere} then ${x} + ${minutesOf(task)} else ${first.open} endif`
		})
	})
	const until = `max([${[first.open, ...ends].join(', ')}])`
	const parts = windows.map(({ open, close }) => `max(0, min(${close}, until) - ${open})`)
	return `(let { var int: until = ${until} } in ${parts.join(' + ')})`
}
