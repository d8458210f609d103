/** The pins of a course, told by steps, sessions and the clock, as pins of the problem that it compiles to. */
import type { Course } from '../../course/course'
import type { CoursePin } from '../../course/course-pin'
import { minutesSince } from '../../time/zone'
import { taskOfStep, type CompiledCourse } from '../compile/compiled-course'
import type { Pin } from './pin'

export interface ResolvedPins {
	pins: Pin[]
	/** By position in `pins`: what each came from. */
	sources: CoursePin[]
	/** Those that speak of a step, a session or an exchange that there is no longer: they hold nothing. */
	idle: CoursePin[]
}

/** A pin of an exchange stands for every wait between the two tasks. */
export function resolvePins({ pins = [], sessions }: Course, compiled: CompiledCourse): ResolvedPins {
	const resolved: ResolvedPins = { pins: [], sources: [], idle: [] }
	for (const source of pins) {
		const own = resolvePin(source, sessions, compiled)
		if (own.length === 0) resolved.idle.push(source)
		for (const pin of own) {
			resolved.pins.push(pin)
			resolved.sources.push(source)
		}
	}
	return resolved
}

function resolvePin(source: CoursePin, sessions: Course['sessions'], compiled: CompiledCourse): Pin[] {
	const { instance, origin } = compiled
	const taskOf = (id: string) => {
		const [designId = '', ...step] = id.split('/')
		const known = instance.tasks.some((task) => task.id === id) ? id : taskOfStep(compiled, designId, step.join('/'))
		return instance.tasks.some((task) => task.id === known) ? [known] : []
	}
	switch (source.kind) {
		case 'start': {
			const session = sessions[source.session - 1]
			if (!session) return []
			const minute = minutesSince(origin, { date: session.date, minuteOfDay: source.minuteOfDay })
			return taskOf(source.task).map((task) => ({ kind: 'start', task, minute }))
		}
		case 'session':
			if (!sessions[source.session - 1]) return []
			return taskOf(source.task).map((task) => ({ kind: 'session', task, session: source.session }))
		case 'place':
			return taskOf(source.task).map((task) => ({ kind: 'place', task, place: source.place }))
		case 'before':
		case 'beside': {
			const [[first], [second]] = [taskOf(source.first), taskOf(source.second)]
			// Two steps that are done as one are beside one another anyway.
			if (!first || !second || first === second) return []
			return [{ kind: source.kind, first, second }]
		}
		case 'swap':
			return instance.arcs.flatMap(({ from, to, swap, swapPrep }, arc) => {
				const isHere = from === source.from && to === source.to
				const isPossible = swap !== undefined || swapPrep !== undefined
				return isHere && (isPossible || source.isSwapped) ? [{ kind: 'swap', arc, isSwapped: source.isSwapped }] : []
			})
	}
}
