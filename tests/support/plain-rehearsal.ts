/**
 * The rules of a rehearsal once more, plainly: each student is a process that asks for work, tools, help and time, piece by
 * piece, and a clock that gives them one event after another. For scripts without homework. Shares the luck with the fast
 * player, and nothing else.
 */
import { ClassLuck } from '../../core/rehearse/class-luck'
import { drawFrom, exponential, hashOf, numberOf, pieceQuantiles, uniform } from '../../core/rehearse/luck'
import {
	mostOf,
	type RehearsalTerms,
	type Script,
	type Stretch,
	type Wait,
	type WorkItem,
} from '../../core/rehearse/script'

type Request =
	| { type: 'work'; left: number }
	| { type: 'tool'; tool: number; minutes: number }
	| { type: 'until'; time: number }
	| { type: 'show'; show: number }
	| { type: 'see'; show: number }

type Doing =
	| { is: 'coming' }
	| { is: 'working'; left: number; tool?: number }
	| { is: 'calling'; left: number; tool?: number }
	| { is: 'helped'; left: number; tool?: number }
	| { is: 'queuing'; tool: number; minutes: number }
	| { is: 'watching'; show: number }
	| { is: 'asking'; show: number }
	| { is: 'seeing'; show: number }
	| { is: 'waiting' }
	| { is: 'done' }
	| { is: 'away' }

interface Student {
	n: number
	item: number
	process: Generator<Request, void> | undefined
	doing: Doing
	/** Of her next event; Infinity: somebody else's. */
	next: number
	callLeft: number
	callNumber: number
	waitSince: number
	whole: number[]
	processed: number[]
	taskEnds: number[]
	pieceEnds: number[][]
	/** By extra; undefined: she has not come to it. */
	extras: (boolean | undefined)[]
	seen: Set<number>
	/** Dryings of which she has taken dried pieces. */
	dried: Set<number>
}

/** What came of one class. */
export interface PlainClass {
	/** By student, then item. */
	itemEnds: number[][]
	/** By student, then session; Infinity: later than the close. */
	doneAt: number[][]
	lost: { paste: number; show: number; help: number; tools: number[] }[]
	pieces: { begun: number; broken: number; made: number; left: number }
}

export function playPlainly(script: Script, terms: RehearsalTerms, classNumber: number): PlainClass {
	const luck = new ClassLuck(terms, classNumber)
	const noise = pieceQuantiles(terms.spreads.piece)
	const dryMinutes = script.dryings.map((drying) => luck.dryingMinutes(drying))
	const share = script.callMinutes.map((minutes) => 1 / (1 + terms.helpMinutes / minutes))
	const stated = script.tasks.map((_, t) =>
		script.items.filter(({ task }) => task === t).reduce((sum, item) => sum + piecesOf(item), 0),
	)
	const shown = new Set<number>()
	const driedLeft = script.dryings.map(() => terms.driedSets)
	const pieces = { begun: 0, broken: 0, made: 0, left: 0 }
	let [now, session, pausedMinutes, pauseUntil, nextShow, showEnds] = [0, 0, 0, 0, 0, Infinity]
	let freeTools: number[] = []
	let freeHelpers = 0
	let callers: Student[] = []
	let queues: Student[][] = []
	const result: PlainClass = {
		itemEnds: script.levels.map(() => script.items.map(() => Infinity)),
		doneAt: script.levels.map(() => script.sessions.map(() => Infinity)),
		lost: script.levels.map(() => ({ paste: 0, show: 0, help: 0, tools: script.tools.map(() => 0) })),
		pieces,
	}
	const students = script.levels.map((_, n): Student => {
		const student: Student = {
			...{ n, item: 0, process: undefined, doing: { is: 'coming' }, next: Infinity, callLeft: 0, callNumber: 0 },
			waitSince: 0,
			whole: script.kinds.map(({ made }) => made),
			processed: script.tasks.map(() => 0),
			taskEnds: script.tasks.map(({ homeEnd }) => homeEnd ?? -Infinity),
			pieceEnds: script.tasks.map(() => []),
			extras: script.extras.map(() => undefined),
			dried: new Set(),
			seen: new Set(),
		}
		student.callLeft = drawCall(student)
		return student
	})

	function drawCall({ n, callNumber }: Student): number {
		const mean = script.callMinutes[n]!
		return mean === Infinity ? Infinity : exponential(mean, hashOf(luck.callHash(n), callNumber))
	}

	function factorOf({ n }: Student, item: WorkItem): number {
		const technique = item.technique === undefined ? undefined : numberOf(item.technique)
		const ofClass = luck.classFactor() * luck.taskFactor(numberOf(script.tasks[item.task]!.id), item.doubt)
		const ofStudent = script.levels[n]! * luck.studentFactor(n) * share[n]!
		if (technique === undefined) return ofClass * ofStudent
		const ofTechnique = item.doubt === undefined ? luck.techniqueFactor(technique) : 1
		return ofClass * ofStudent * ofTechnique * luck.studentTechniqueFactor(n, technique)
	}

	function* workOn(student: Student, item: WorkItem): Generator<Request, void> {
		const { n, whole, processed, taskEnds, pieceEnds } = student
		const factor = factorOf(student, item)
		const name = numberOf(script.tasks[item.task]!.id)
		for (const show of item.shows) {
			while (!shown.has(show)) yield { type: 'show', show }
			while (terms.showsOneByOne && !student.seen.has(show)) yield { type: 'see', show }
		}
		const drying = item.waits.filter((wait) => wait.drying !== undefined)
		for (;;) {
			const whole_ = item.isFirst ? drying.filter(({ isPiecewise }) => !isPiecewise) : []
			const ends = whole_.map((wait) => ({ wait, end: taskEnds[wait.from]! + dryMinutes[wait.drying!]! }))
			const ready = readyFor(student, ends, terms.mayBeginEarly ? now : item.start)
			if (ready <= now) break
			yield { type: 'until', time: ready }
		}
		const isSecondHalf = n >= script.levels.length / 2
		const stretches: readonly Stretch[] = item.isHalved && isSecondHalf ? item.stretches.toReversed() : item.stretches
		if (item.fixedMinutes > 0) yield { type: 'work', left: item.fixedMinutes * factor }
		for (const stretch of stretches) {
			const { kind } = stretch
			const made = kind === undefined ? 0 : script.kinds[kind]!.made
			const count =
				kind === undefined || whole[kind] === made
					? stretch.pieceCount
					: Math.round((stretch.pieceCount * whole[kind]!) / made)
			if (stretch.changeMinutes !== undefined) yield { type: 'work', left: stretch.changeMinutes }
			for (let p = 0; p < count; p++) {
				const number = processed[item.task]!
				for (;;) {
					const ends_ = drying
						.filter(({ isPiecewise }) => isPiecewise)
						.map((wait) => {
							const { from } = wait
							const wanted = Math.ceil(((number + 1) * stated[from]!) / stated[item.task]! - 1e-9) - 1
							const ends = pieceEnds[from]!
							const end = ends.length === 0 ? taskEnds[from]! : ends[Math.min(wanted, ends.length - 1)]!
							return { wait, end: end + dryMinutes[wait.drying!]! }
						})
					const ready = readyFor(student, ends_, now)
					if (ready <= now) break
					yield { type: 'until', time: ready }
				}
				pieces.begun++
				const draw = stretch.isSteady ? 1 : drawFrom(noise, hashOf(hashOf(luck.pieceHash(n), name), number))
				const minutes = stretch.minutesEach * factor * draw
				const free = 1 - stretch.turns.reduce((sum, turn) => sum + turn.share, 0)
				yield { type: 'work', left: minutes * Math.max(0, free) }
				for (const turn of stretch.turns) yield { type: 'tool', tool: turn.tool, minutes: minutes * turn.share }
				const isBroken =
					kind !== undefined && uniform(hashOf(hashOf(luck.breakageHash(n), name), number)) < stretch.breakage
				if (isBroken && whole[kind]! > script.kinds[kind]!.needed) {
					whole[kind]!--
					pieces.broken++
				} else {
					if (isBroken) yield { type: 'work', left: stretch.againMinutes * factor }
					pieces.made++
				}
				processed[item.task]!++
				pieceEnds[item.task]!.push(now)
			}
		}
	}

	/** Dried pieces are taken where nothing else keeps her waiting. */
	function readyFor({ dried }: Student, ends: readonly { wait: Wait; end: number }[], earliest: number): number {
		const late = ends.filter(({ wait, end }) => end > now && !dried.has(wait.drying!))
		const isThere = ({ wait }: { wait: Wait }) => wait.mayBeDried === true && driedLeft[wait.drying!]! > 0
		const others = late.filter((one) => !isThere(one))
		const ready = Math.max(earliest, ...others.map(({ end }) => end))
		if (ready <= now)
			for (const drying of new Set(late.map(({ wait }) => wait.drying!))) {
				driedLeft[drying]!--
				dried.add(drying)
			}
		return ready
	}

	/** Decided when she comes to the first step of it. */
	function leavesOut({ extras }: Student, { extra, start }: WorkItem): boolean {
		if (extra === undefined) return false
		return !(extras[extra] ??= now <= start + terms.leaveOutAfter)
	}

	/** To her next request. */
	function goOn(student: Student): void {
		for (;;) {
			const item = script.items[student.item]
			if (!student.process) {
				if (!item || item.session > session) {
					student.doing = { is: 'done' }
					student.next = Infinity
					result.doneAt[student.n]![session] = now
					return
				}
				if (leavesOut(student, item)) {
					result.itemEnds[student.n]![student.item] = NaN
					student.item++
					continue
				}
				student.process = workOn(student, item)
			}
			const { done, value } = student.process.next()
			if (!done) {
				ask(student, value)
				return
			}
			result.itemEnds[student.n]![student.item] = now
			student.taskEnds[item!.task] = now
			student.item++
			student.process = undefined
		}
	}

	function ask(student: Student, request: Request): void {
		if (request.type === 'work') work(student, request.left)
		else if (request.type === 'tool') takeTool(student, request.tool, request.minutes)
		else if (request.type === 'see') {
			student.doing = { is: 'asking', show: request.show }
			student.next = Infinity
			student.waitSince = now - pausedMinutes
			callers.push(student)
			serve()
		} else {
			student.doing = request.type === 'show' ? { is: 'watching', show: request.show } : { is: 'waiting' }
			student.next = request.type === 'show' ? Infinity : request.time
			student.waitSince = now - pausedMinutes
		}
	}

	function work(student: Student, left: number, tool?: number): void {
		student.doing = { is: 'working', left, ...(tool !== undefined && { tool }) }
		student.next = now + Math.min(left, student.callLeft)
	}

	function takeTool(student: Student, tool: number, minutes: number): void {
		if (freeTools[tool]! > 0) {
			freeTools[tool]!--
			work(student, minutes, tool)
		} else {
			student.doing = { is: 'queuing', tool, minutes }
			student.next = Infinity
			student.waitSince = now - pausedMinutes
			queues[tool]!.push(student)
		}
	}

	function waited(student: Student): number {
		return now - pausedMinutes - student.waitSince
	}

	function beginHelp(student: Student, left: number, tool: number | undefined): void {
		freeHelpers--
		student.doing = { is: 'helped', left, ...(tool !== undefined && { tool }) }
		student.next = now + exponential(terms.helpMinutes, hashOf(luck.helpHash(student.n), student.callNumber))
		student.callNumber++
	}

	function happen(student: Student): void {
		const { doing } = student
		if (doing.is === 'working') {
			if (student.callLeft < doing.left) {
				const left = doing.left - student.callLeft
				student.callLeft = 0
				if (freeHelpers > 0) {
					beginHelp(student, left, doing.tool)
					return
				}
				student.doing = { ...doing, is: 'calling', left }
				student.next = Infinity
				student.waitSince = now - pausedMinutes
				callers.push(student)
				return
			}
			student.callLeft -= doing.left
			if (doing.tool !== undefined) giveBack(doing.tool)
			goOn(student)
		} else if (doing.is === 'helped') {
			freeHelpers++
			serve()
			student.callLeft = drawCall(student)
			work(student, doing.left, doing.tool)
		} else if (doing.is === 'seeing') {
			freeHelpers++
			serve()
			student.seen.add(doing.show)
			goOn(student)
		} else if (doing.is === 'waiting') {
			result.lost[student.n]!.paste += waited(student)
			goOn(student)
		} else come(student)
	}

	function serve(): void {
		while (freeHelpers > 0 && callers.length > 0) {
			const first = callers.shift()!
			if (first.doing.is === 'calling') {
				result.lost[first.n]!.help += waited(first)
				beginHelp(first, first.doing.left, first.doing.tool)
			} else if (first.doing.is === 'asking') {
				const { show } = first.doing
				result.lost[first.n]!.show += waited(first)
				freeHelpers--
				first.doing = { is: 'seeing', show }
				first.next = now + script.shows[show]!.minutes
			}
		}
	}

	function showToSome(own: number): void {
		const { minutes, itemsBefore } = script.shows[own]!
		for (const one of students) {
			const { doing } = one
			if (doing.is === 'away') one.seen.add(own)
			else if (doing.is === 'working' && one.item >= itemsBefore) {
				one.seen.add(own)
				one.next += minutes
			} else if (doing.is === 'waiting') {
				one.seen.add(own)
				one.next = Math.max(one.next, now + minutes)
				one.waitSince += minutes
			} else if (doing.is === 'watching') {
				one.seen.add(own)
				result.lost[one.n]!.show += waited(one)
				one.doing = { is: 'coming' }
				one.next = now + minutes
			}
		}
		pauseUntil = now + minutes
		showEnds = pauseUntil
		freeHelpers--
	}

	function giveBack(tool: number): void {
		const first = queues[tool]!.shift()
		if (first?.doing.is !== 'queuing') {
			freeTools[tool]!++
			return
		}
		result.lost[first.n]!.tools[tool]! += waited(first)
		work(first, first.doing.minutes, tool)
	}

	/** What each was at when she left. */
	const laidDown = new Map<Student, Request>()

	function come(student: Student): void {
		const request = laidDown.get(student)
		laidDown.delete(student)
		if (request) ask(student, request)
		else goOn(student)
	}

	function pause(minutes: number): void {
		const until = now + minutes
		for (const student of students) {
			if (student.next === Infinity) continue
			if (['working', 'helped', 'seeing'].includes(student.doing.is)) student.next += minutes
			else student.next = Math.max(student.next, until)
		}
		pausedMinutes += minutes
		pauseUntil = until
	}

	script.sessions.forEach(({ open, close, pauses }, s) => {
		session = s
		pauseUntil = open
		freeTools = script.tools.map(({ count }) => count)
		freeHelpers = terms.helperCount
		showEnds = Infinity
		callers = []
		queues = script.tools.map(() => [])
		for (const student of students) {
			const isAway = luck.isAway(student.n, s)
			student.doing = { is: isAway ? 'away' : 'coming' }
			student.next = isAway ? Infinity : open + luck.arrival(student.n, s)
		}
		const open_ = [...pauses]
		for (;;) {
			const student = students.reduce((first, one) => (one.next < first.next ? one : first))
			const show = script.shows[nextShow]
			const here = students.filter(({ doing }) => doing.is !== 'away')
			const come_ = here.filter(({ doing, item }) => doing.is !== 'coming' && show && item >= show.itemsBefore)
			const due = show && show.session <= s ? Math.max(show.start, pauseUntil) : Infinity
			const isReady = come_.length >= mostOf(terms.mostShare, here.length)
			const latest = show ? Math.max(show.start + terms.showPatience, pauseUntil) : Infinity
			const showTime = due === Infinity ? Infinity : isReady ? Math.min(latest, Math.max(due, now)) : latest
			const tea = open_[0]
			const pauseTime = tea ? Math.max(tea.start, pauseUntil) : Infinity
			const roomTime = Math.min(showTime, pauseTime, showEnds)
			if (student.next <= roomTime) {
				if (student.next > close) break
				now = student.next
				happen(student)
			} else if (roomTime >= close) break
			else if (showEnds <= roomTime) {
				now = showEnds
				showEnds = Infinity
				freeHelpers++
				serve()
			} else if (showTime <= pauseTime) {
				now = showTime
				const own = nextShow++
				shown.add(own)
				if (terms.showsOneByOne) {
					showToSome(own)
					continue
				}
				pause(script.shows[own]!.minutes)
				for (const watcher of students)
					if (watcher.doing.is === 'watching') {
						result.lost[watcher.n]!.show += pauseUntil - pausedMinutes - watcher.waitSince
						watcher.doing = { is: 'coming' }
						watcher.next = pauseUntil
					}
			} else {
				now = pauseTime
				open_.shift()
				pause(tea!.minutes)
			}
		}
		now = close
		for (const student of students) closeFor(student, s)
	})

	function closeFor(student: Student, s: number): void {
		const { doing, n } = student
		if (doing.is === 'away') {
			result.doneAt[n]![s] = NaN
			laidDown.delete(student)
			for (; (script.items[student.item]?.session ?? Infinity) <= s; student.item++) {
				const { task } = script.items[student.item]!
				const upTo = script.items.slice(0, student.item + 1).filter((item) => item.task === task)
				const count = upTo.reduce((sum, item) => sum + piecesOf(item), 0)
				for (let p = student.processed[task]!; p < count; p++) student.pieceEnds[task]!.push(now)
				student.processed[task] = Math.max(student.processed[task]!, count)
				student.taskEnds[task] = now
				result.itemEnds[n]![student.item] = NaN
				student.process = undefined
			}
			return
		}
		if (doing.is === 'working') {
			const worked = Math.min(doing.left, student.callLeft) - (student.next - now)
			student.callLeft -= worked
			lay(student, doing.left - worked, doing.tool)
		} else if (doing.is === 'helped' || doing.is === 'calling') {
			if (doing.is === 'calling') result.lost[n]!.help += waited(student)
			student.callLeft = drawCall(student)
			lay(student, doing.left, doing.tool)
		} else if (doing.is === 'queuing') {
			result.lost[n]!.tools[doing.tool]! += waited(student)
			laidDown.set(student, { type: 'tool', tool: doing.tool, minutes: doing.minutes })
		} else if (doing.is === 'watching' || doing.is === 'asking') result.lost[n]!.show += waited(student)
		else if (doing.is === 'waiting') result.lost[n]!.paste += waited(student)
	}

	function lay(student: Student, left: number, tool: number | undefined): void {
		laidDown.set(student, tool === undefined ? { type: 'work', left } : { type: 'tool', tool, minutes: left })
	}
	return result
}

function piecesOf({ stretches }: WorkItem): number {
	return stretches.reduce((sum, { pieceCount }) => sum + pieceCount, 0)
}
