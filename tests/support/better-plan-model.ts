/**
 * The class-plan problem in the MiniZinc language, unit by unit: is there a plan that is better than a given vector?
 * Written from the definition, without a look at the product's model: units instead of runs, no bounds, no tricks.
 */
import type { Arc, Instance, Task, Window } from '../../core/plan/problem/instance'
import { FIRST_LEVELS, type Levels, type Objective } from '../../core/plan/problem/objective'

/**
 * @param extension - minutes by which the last window closes later
 * @param worseThan - the vector to beat in a lexicographic comparison; undefined: any plan will do
 * @param judgedBy - what the vector is of
 */
export function betterPlanModel(
	instance: Instance,
	extension: number,
	worseThan: Objective | undefined,
	judgedBy: Levels = FIRST_LEVELS,
): string {
	const windows = instance.windows.map((window, w) => {
		return w === instance.windows.length - 1 ? { ...window, close: window.close + extension } : window
	})
	const tasks = instance.tasks.map((task, t) => ({ task, t, units: unitsOf(task) })).filter(({ units }) => units > 0)
	const lines = [
		...tasks.flatMap(({ task, t }) => declareTask(instance, windows, task, t)),
		...dropGroups(instance),
		...hands(tasks),
		...pauses(instance, windows, tasks),
		...waits(instance),
		...showing(instance),
		...homeworkLimits(instance, tasks),
		...levels(instance, windows, tasks),
		...(judgedBy === FIRST_LEVELS ? [] : feltLevels(instance, windows, tasks)),
	]
	const vector = judgedBy.slice(1)
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
	const swappable = arcs.map(({ lag, swapPrep, swap }) => lag !== 0 && (swapPrep ?? swap) !== undefined)
	return [
		...arcs.map((_, a) => `var bool: swap_${a};\nconstraint swap_${a} -> ${swappable[a] ? 'true' : 'false'};`),
		...arcs.map(({ from }, a) => {
			const t = tasks.findIndex(({ id }) => id === from)
			return unitsOf(tasks[t] as Task) === 0 ? `constraint not swap_${a};` : `constraint swap_${a} -> class_${t};`
		}),
		...waysOf(instance).flatMap((way) => waitLines(tasks, way)),
		...setOrder(instance),
	]
}

/** An arc of a set is swapped only with those of it that lead to steps done before its end. */
function setOrder({ tasks, arcs }: Instance): string[] {
	const indexOf = (id: string) => tasks.findIndex((task) => task.id === id)
	const leadsTo = (from: string, to: string): boolean =>
		arcs.some((arc) => arc.from === from && (arc.to === to || leadsTo(arc.to, to)))
	return arcs.flatMap(({ swap, to }, a) => {
		if (swap === undefined) return []
		return arcs.flatMap((other, o) => {
			const task = tasks[indexOf(other.to)]
			if (o === a || other.swap !== swap || other.to === to || !task || unitsOf(task) === 0) return []
			return leadsTo(other.to, to) ? [`constraint swap_${a} -> (swap_${o} \\/ drop_${indexOf(other.to)});`] : []
		})
	})
}

/** Nothing is used in class that was not shown in class. */
function showing({ tasks, arcs }: Instance): string[] {
	const indexOf = (id: string) => tasks.findIndex((task) => task.id === id)
	return arcs.flatMap(({ from, to }) => {
		const [d, j] = [indexOf(from), indexOf(to)]
		const [shown, user] = [tasks[d], tasks[j]]
		if (!shown?.demo || !user || user.demo || unitsOf(shown) === 0 || unitsOf(user) === 0) return []
		return [`constraint class_${j} -> class_${d};`]
	})
}

/** Breaks inside a window of their session, apart from each other and from all work in class. */
function pauses({ breaks = [] }: Instance, windows: readonly Window[], tasks: readonly Member[]): string[] {
	return breaks.flatMap(({ session, minutes, earliest, latest }, b) => {
		const inside = windows
			.filter((window) => window.session === session)
			.map(({ open, close }) => `(b_${b} >= ${open} /\\ b_${b} + ${minutes} <= ${close})`)
		const others = breaks.slice(b + 1).flatMap((other, k) => {
			const c = b + 1 + k
			return other.session === session
				? [`constraint b_${b} + ${minutes} <= b_${c} \\/ b_${c} + ${other.minutes} <= b_${b};`]
				: []
		})
		const work = tasks.flatMap(({ task, t, units }) =>
			Array.from({ length: units }, (_, k) => {
				const x = `x_${t}_${k}`
				return `constraint class_${t} -> (${x} + ${minutesOf(task)} <= b_${b} \\/ b_${b} + ${minutes} <= ${x});`
			}),
		)
		return [`var ${earliest}..${latest}: b_${b};`, `constraint ${inside.join(' \\/ ')};`, ...others, ...work]
	})
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
		// Nobody gives a demonstration to herself.
		...(first.demo ? [] : [`constraint (${holds} /\\ ahead_${to}) -> ahead_${from};`]),
		`constraint (${holds} /\\ swap_${index}) -> class_${to};`,
	]
	if (maxLag !== undefined) lines.push(`constraint (${holds} /\\ ahead_${from}) -> ahead_${to};`)
	if (arc.lag === 'never') lines.push(`constraint (${placed}) -> swap_${index};`)
	const lag = arc.lag === 'never' ? 0 : arc.lag
	const [n, m] = [unitsOf(first), unitsOf(second)]
	for (let k = 0; k < m; k++) {
		const made = piecewise ? Math.ceil(((k + 1) * n) / m) - 1 : n - 1
		const from1 = `x_${from}_${made} + ${minutesOf(first)}`
		lines.push(`constraint (${placed}) -> x_${to}_${k} >= ${from1} + if swap_${index} then 0 else ${lag} endif;`)
		if (maxLag === undefined) continue
		const oldest = piecewise || arc.limit === 'each' ? Math.floor((k * n) / m) : n - 1
		const since = `x_${from}_${oldest} + ${minutesOf(first)}`
		lines.push(`constraint (${placed} /\\ not swap_${index}) -> x_${to}_${k} <= ${since} + ${maxLag};`)
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
		...(instance.prepared ?? []).map(({ id, minutes }) => {
			const own = instance.arcs.flatMap(({ swap }, a) => (swap === id ? [`swap_${a}`] : []))
			return `bool2int(${own.join(' \\/ ') || 'false'}) * ${minutes}`
		}),
	]
	const open = windows[0]?.open ?? 0
	const end = ({ task, t, units }: Member) => `x_${t}_${units - 1} + ${minutesOf(task)}`
	const ends = tasks.map((member) => `if class_${member.t} then ${end(member)} else ${open} endif`)
	const cuts = tasks.flatMap(({ t, units }) => Array.from({ length: units - 1 }, (_, k) => `bool2int(cut_${t}_${k})`))
	const sessions = [...new Set(windows.map(({ session }) => session))]
	const waited = sessions.map((session) =>
		waitedIn(
			instance,
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

/** Hands-on minutes of a session until its last class unit ends, less the breaks held by then. */
function waitedIn({ breaks = [] }: Instance, windows: readonly Window[], tasks: readonly Member[]): string {
	const [first] = windows
	if (!first) return '0'
	const parts = windows.map(({ open, close }) => `max(0, min(${close}, until) - ${open})`)
	const held = breaks.flatMap(({ session, minutes }, b) => {
		return session === first.session ? [` - bool2int(b_${b} + ${minutes} <= until) * ${minutes}`] : []
	})
	return `(let { var int: until = ${lastEnd(windows, tasks)} } in ${parts.join(' + ')}${held.join('')})`
}

/** When the last class unit of a session ends; its opening where it has none. */
function lastEnd(windows: readonly Window[], tasks: readonly Member[]): string {
	const [first, last] = [windows[0], windows.at(-1)]
	if (!first || !last) return '0'
	const ends = tasks.flatMap(({ task, t, units }) => {
		return Array.from({ length: units }, (_, k) => {
			const x = `x_${t}_${k}`
			const isHere = `class_${t} /\\ ${x} >= ${first.open} /\\ ${x} < ${last.close}`
			return `if ${isHere} then ${x} + ${minutesOf(task)} else ${first.open} endif`
		})
	})
	return `max([${[first.open, ...ends].join(', ')}])`
}

const ANOTHER_SESSION_MINUTES = 60

/** The levels that people mind, and the finer ones. */
function feltLevels(instance: Instance, windows: readonly Window[], tasks: readonly Member[]): string[] {
	const sum = (parts: readonly string[]) => (parts.length > 0 ? parts.join(' + ') : '0')
	const sessions = [...new Set(windows.map(({ session }) => session))]
	const windowsOf = (session: number) => windows.filter((window) => window.session === session)
	const memberOf = (id: string) => tasks.find(({ task }) => task.id === id)
	const opens = sessions.slice(1).map((session) => windowsOf(session)[0]?.open ?? 0)
	/** From 0. */
	const position = (x: string) => `(${sum(opens.map((open) => `bool2int(${x} >= ${open})`))})`
	const handsBefore = (time: string, some: readonly Window[] = windows) =>
		`(${sum(some.map(({ open, close }) => `max(0, min(${close}, ${time}) - ${open})`))})`
	const unitsOfAll = tasks.flatMap(({ task, t, units }) =>
		Array.from({ length: units }, (_, k) => ({ t, x: `x_${t}_${k}`, minutes: minutesOf(task), isDemo: task.demo })),
	)
	const start = ({ t }: Member) => `x_${t}_0`
	const end = ({ task, t, units }: Member) => `x_${t}_${units - 1} + ${minutesOf(task)}`
	/** Of two moments, the first at the end of a unit that begins at `lastUnit`. */
	const apart = (lastUnit: string, from: string, to: string) => {
		const between = (x: string, minutes: number) =>
			`bool2int(${x} >= ${from} /\\ ${x} + ${minutes} <= ${to}) * ${minutes}`
		const off = [
			...(instance.breaks ?? []).map(({ minutes }, b) => between(`b_${b}`, minutes)),
			...unitsOfAll
				.filter(({ isDemo }) => isDemo)
				.map(({ t, x, minutes }) => `bool2int(class_${t}) * ${between(x, minutes)}`),
		]
		const other = `bool2int(${position(lastUnit)} != ${position(to)}) * ${ANOTHER_SESSION_MINUTES}`
		return `if ${to} >= ${from} then ${handsBefore(to)} - ${handsBefore(from)} - (${sum(off)}) + ${other} else 0 endif`
	}
	const lastUnit = ({ t, units }: Member) => `x_${t}_${units - 1}`
	const pairs = [
		...instance.arcs.flatMap(({ from, to, follows }) => {
			const [one, other] = [memberOf(from), memberOf(to)]
			if (!follows || !one || !other || one.task.demo) return []
			const both = `class_${one.t} /\\ class_${other.t}`
			return [`if ${both} then ${apart(lastUnit(one), `(${end(one)})`, start(other))} else 0 endif`]
		}),
		...tasks.flatMap((shown) => {
			const users = instance.arcs
				.flatMap(({ from, to }) => (from === shown.task.id ? (memberOf(to) ?? []) : []))
				.filter(({ task }) => !task.demo)
			if (!shown.task.demo || users.length === 0) return []
			const far = Math.max(...windows.map(({ close }) => close)) + 1
			const first = `min([${users.map((user) => `if class_${user.t} then ${start(user)} else ${far} endif`).join(', ')}])`
			const isUsed = users.map(({ t }) => `class_${t}`).join(' \\/ ')
			const gap = `(let { var int: use = ${first} } in ${apart(lastUnit(shown), `(${end(shown)})`, 'use')})`
			return [`if class_${shown.t} /\\ (${isUsed}) then ${gap} else 0 endif`]
		}),
	]
	const crowded = sessions.map((session) => {
		const buffer = instance.sessions?.find((listed) => listed.session === session)?.bufferMinutes ?? 0
		const own = windowsOf(session)
		const tail = own.map(({ open, close }) => `max(0, ${close} - max(${open}, until))`)
		const isUsed = `until > ${own[0]?.open ?? 0}`
		return `(let { var int: until = ${lastEnd(own, tasks)} } in if ${isUsed} then max(0, ${buffer} - (${sum(tail)})) else 0 endif)`
	})
	const weights = { waiting: 1, split: 6, crowding: 1, apart: 1, ...instance.weights }
	const turned = (instance.sequence ?? []).flatMap((list) =>
		list.slice(1).flatMap((later, k) => {
			const [one, other] = [memberOf(list[k] ?? ''), memberOf(later)]
			if (!one || !other) return []
			return [`bool2int(class_${one.t} /\\ class_${other.t} /\\ ${start(other)} < ${start(one)})`]
		}),
	)
	const soon = tasks.map((member) => {
		const { t, task } = member
		const driesLonger = waysOf(instance)
			.filter(({ arc }) => arc.from === task.id && arc.lag !== 0)
			.flatMap(({ to, over }) => {
				const passed = over.filter((other) => other >= 0).map((other) => `drop_${other}`)
				const isLater = `${position(`x_${to}_0`)} != ${position(lastUnit(member))}`
				return [`(${[...passed, `class_${to}`, isLater].join(' /\\ ')})`]
			})
		const since = sessions.map((session, s) => {
			const before = handsBefore(`(${end(member)})`, windowsOf(session))
			return `bool2int(${position(lastUnit(member))} = ${s}) * ${before}`
		})
		return `if class_${t} /\\ (${driesLonger.join(' \\/ ') || 'false'}) then ${sum(since)} else 0 endif`
	})
	const last = unitsOfAll.map(({ t, x }) => `if class_${t} then 1 + ${position(x)} else 0 endif`)
	return [
		`var int: lastSession = ${(instance.endEarly ?? true) ? `max([0, ${last.join(', ')}])` : '0'};`,
		`var int: crowding = ${sum(crowded)};`,
		`var int: apart = ${sum(pairs)};`,
		`var int: strain = ${weights.waiting} * waiting + ${weights.split} * splits + ${weights.crowding} * crowding + ${weights.apart} * apart;`,
		`var int: late = ${sum(unitsOfAll.map(({ t, x, minutes }) => `bool2int(class_${t}) * ${minutes} * ${position(x)}`))};`,
		`var int: order = ${sum(turned)};`,
		`var int: soon = ${sum(soon)};`,
	]
}
