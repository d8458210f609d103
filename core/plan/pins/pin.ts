/** What the instructor has settled: extra constraints of a plan, checked apart from the rules that always hold. */
import type { Instance } from '../problem/instance'
import { sessionAt } from '../problem/session-at'
import type { Placement, Plan, Run } from '../problem/plan'
import { endOf, runsOf } from '../problem/plan-times'

/** One thing that is settled. */
export type Pin =
	/** All class work of the task falls into this session. */
	| { kind: 'session'; task: string; session: number }
	/** The task begins at this clock minute. */
	| { kind: 'start'; task: string; minute: number }
	/** The first is done before the second begins, if both are placed. */
	| { kind: 'before'; first: string; second: string }
	/** Both are in class, all of them in one session. */
	| { kind: 'beside'; first: string; second: string }
	| { kind: 'place'; task: string; place: Placement['place'] }
	/** The wait of this arc (by index) is waived by dried pieces, or never. */
	| { kind: 'swap'; arc: number; isSwapped: boolean }
	/** These runs are done: the task's first ones, in class or at home. */
	| { kind: 'done'; task: string; place: 'class' | 'home'; runs: readonly Run[] }
	/** No run begins earlier, but those that a `done` pin holds. */
	| { kind: 'notBefore'; task: string; minute: number }

/** The pins that a plan breaks. */
export function findBrokenPins(instance: Instance, plan: Plan, pins: readonly Pin[]): Pin[] {
	const doneRuns = new Map(pins.flatMap((pin) => (pin.kind === 'done' ? [[pin.task, pin.runs.length] as const] : [])))
	const sessionOf = (time: number) => sessionAt(instance.windows, time)

	const holds = (pin: Pin): boolean => {
		switch (pin.kind) {
			case 'session':
				return (
					plan.placements[pin.task]?.place === 'class' &&
					runsOf(plan, pin.task).every(({ start }) => sessionOf(start) === pin.session)
				)
			case 'start':
				return runsOf(plan, pin.task)[0]?.start === pin.minute
			case 'before': {
				const [end, start] = [endOf(instance, plan, pin.first), runsOf(plan, pin.second)[0]?.start]
				return end === undefined || start === undefined || end <= start
			}
			case 'beside': {
				const both = [pin.first, pin.second]
				const sessions = both.flatMap((task) => runsOf(plan, task).map(({ start }) => sessionOf(start)))
				return both.every((task) => plan.placements[task]?.place === 'class') && new Set(sessions).size === 1
			}
			case 'place':
				return plan.placements[pin.task]?.place === pin.place
			case 'swap':
				return plan.swaps.includes(pin.arc) === pin.isSwapped
			case 'done':
				return (
					plan.placements[pin.task]?.place === pin.place &&
					pin.runs.every(({ start, units }, r) => {
						const run = runsOf(plan, pin.task)[r]
						return run?.start === start && run.units === units
					})
				)
			case 'notBefore':
				return runsOf(plan, pin.task)
					.slice(doneRuns.get(pin.task) ?? 0)
					.every(({ start }) => start >= pin.minute)
		}
	}
	return pins.filter((pin) => !holds(pin))
}
