/** What a session that was taught says of how long its steps take, and of what breaks: observations for learning. */
import { paceFactor } from '../course/pace'
import type { Course } from '../course/course'
import { giveKeys } from '../course/course-items'
import type { BreakageObservation } from '../learn/breakage-belief'
import { learntFactor, learntStepKey, type LearntMinutes } from '../learn/learnt-minutes'
import type { MinutesObservation } from '../learn/minutes-belief'
import type { ResolvedStep } from '../design/resolve-design'
import type { DesignInCourse } from '../plan/compile/compile-course'
import { USUAL_TERMS } from '../rehearse/script'
import { minutesRunning, type EntryState, type RunState } from './fold-run'

export interface TaughtCourse {
	/** Of the group that met, in the studio. */
	classId: string
	course: Pick<Course, 'pace' | 'planFor' | 'studentCount' | 'designs'>
	/** As the plan has them. */
	designs: readonly DesignInCourse[]
	/** That the plan was made with; absent: with what the designs state. */
	learnt?: LearntMinutes | undefined
}

export interface RunObservations {
	minutes: MinutesObservation[]
	/** By part, as the design calls it. */
	breakage: (BreakageObservation & { part: string })[]
}

/**
 * Of what has been begun: its real minutes without breaks and pauses, as an interval where not all was pressed; what was
 * going on at the close took at least so long.
 *
 * @param state - of a session that is over; of one that is not, nothing is said of what goes on
 */
export function observeRun(state: RunState, taught: TaughtCourse): RunObservations {
	const { classId, course } = taught
	const studentCount = presentCount(state, course.studentCount)
	if (studentCount === 0) return { minutes: [], breakage: [] }
	const { session, date } = state.plan
	const minutes = state.entries.flatMap((own): MinutesObservation[] => {
		const { source, id, startMin, endMin } = own.entry
		// The halves of a class do two steps at once: neither has minutes of its own.
		if (source?.type !== 'step' || source.halves) return []
		const took = minutesTaken(own, state)
		if (!took) return []
		const technique = techniqueOf(source, taught.designs)
		// A design that is made in several ways is one design.
		const item = giveKeys(course.designs).find(({ key }) => key === source.designId)
		const keyOf = (stepId: string) => learntStepKey(item?.designId ?? source.designId, stepId)
		const alsoSteps = source.alsoSteps?.map(keyOf)
		return [
			{
				...{ id: `${classId} ${session} ${id}`, classId, date, level: course.pace },
				...(technique !== undefined && { technique }),
				step: keyOf(source.stepId),
				...(alsoSteps && { alsoSteps }),
				statedMinutes:
					(endMin - startMin) / paceFactor(course.pace, course.planFor) / plannedFactor(source, taught, keyOf),
				studentCount,
				doneCount: isOfAll(own) ? studentCount : Math.ceil(USUAL_TERMS.mostShare * studentCount),
				...took,
			},
		]
	})
	return { minutes, breakage: observeBreakage(state, course.pace, studentCount) }
}

function presentCount({ attendance }: RunState, studentCount: number): number {
	const isMissing = ({ is }: { is: string }) => is === 'away' || is === 'gone'
	return studentCount - [...attendance.values()].filter(isMissing).length
}

/** @returns undefined: it was not begun, or says nothing */
function minutesTaken(own: EntryState, state: RunState): Pick<MinutesObservation, 'from' | 'to'> | undefined {
	const { begun, most, status } = own
	if (!begun) return undefined
	if (status === 'running') {
		if (state.closed === undefined) return undefined
		const from = minutesRunning(own, state, state.closed)
		return from > 0 ? { from, to: Infinity } : undefined
	}
	if (!most) return undefined
	const between = (first: number, last: number) => {
		return minutesRunning({ ...own, begun: { when: first } }, state, Math.max(first, last))
	}
	const to = between(begun.from ?? begun.when, most.when)
	const from = between(begun.when, most.from ?? most.when)
	// What was over in no time was not taught, or pressed on the way to something else.
	return to > 0 ? { from: Math.min(from, to), to } : undefined
}

/** Nobody said when most were done. */
function isOfAll({ most, all }: EntryState): boolean {
	return all !== undefined && most?.when === all.when
}

function stepsOf(
	{ designId, stepId, alsoSteps = [] }: { designId: string; stepId: string; alsoSteps?: readonly string[] },
	designs: readonly DesignInCourse[],
): ResolvedStep[] {
	const steps = designs.find(({ design }) => design.id === designId)?.design.steps ?? []
	return steps.filter(({ id }) => id === stepId || alsoSteps.includes(id))
}

function techniqueOf(...task: Parameters<typeof stepsOf>): string | undefined {
	return stepsOf(...task).find(({ technique }) => technique !== undefined)?.technique
}

/** By which the plan's minutes of a task are longer than the stated ones: each of its steps by its own factor. */
function plannedFactor(
	source: Parameters<typeof stepsOf>[0],
	{ course, designs, learnt }: TaughtCourse,
	keyOf: (stepId: string) => string,
): number {
	if (!learnt) return 1
	const minutes = stepsOf(source, designs).map(({ id, technique, minutesPerPiece, fixedMinutes }) => {
		const planned = minutesPerPiece + fixedMinutes
		return { planned, stated: planned / learntFactor(learnt, { pace: course.pace, step: keyOf(id), technique }) }
	})
	const sum = (of: (own: (typeof minutes)[number]) => number) => minutes.reduce((all, own) => all + of(own), 0)
	return sum(({ planned }) => planned) / sum(({ stated }) => stated)
}

/** Pieces of the parts that were worked on to the end, and of them the broken ones. */
function observeBreakage(
	{ entries, broken }: RunState,
	level: Course['pace'],
	studentCount: number,
): RunObservations['breakage'] {
	const made = new Map<string, number>()
	for (const { entry, status } of entries) {
		const { source } = entry
		if (status !== 'done' || source?.type !== 'step' || source.partId === undefined) continue
		made.set(source.partName, Math.max(made.get(source.partName) ?? 0, studentCount * source.pieceCount))
	}
	return [...made].map(([part, count]) => {
		const lost = broken.reduce((sum, own) => sum + (own.kind === part ? own.count : 0), 0)
		return { part, level, made: Math.max(count, lost), broken: lost }
	})
}
