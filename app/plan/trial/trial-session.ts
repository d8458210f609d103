/** What is tried on the plan's picture: each change is answered at once, and nothing stands on the server before it is kept. */
import type { Course } from '../../../core/course/course'
import type { CourseEdit } from '../../../core/plan/edit/course-edit'
import type { CourseConflict } from '../../../core/plan/edit/find-conflict'
import { compareObjectives } from '../../../core/plan/problem/objective'
import type { Plan } from '../../../core/plan/problem/plan'
import {
	beginLog,
	courseOf,
	onNewBase,
	withCursor,
	withEdit,
	withEditInstead,
	withKept,
	withoutLast,
	withPlan,
	type TrialLog,
} from './trial-log'
import { keepTrialInMind, recallTrial } from './trial-memory'
import { TrialThreads } from './trial-threads'
import type { Foreseen, TrialAnswer } from './try-course'

export type TrialPhase =
	/** Nothing is tried: what stands is seen. */
	| { kind: 'kept' }
	/** The first answer is not there yet. */
	| { kind: 'laying' }
	/** It is there; a better one, or its proof, is being looked for. */
	| { kind: 'improving' }
	| { kind: 'laid' }
	/** There is no plan with all that is settled; what the last change would do is foreseen. */
	| { kind: 'conflict'; conflict: CourseConflict; foreseen: readonly Foreseen[] }
	/** The course was changed elsewhere since. */
	| { kind: 'stale' }
	| { kind: 'failed' }

export interface TrialState {
	/** Absent: nothing has been changed here. */
	log?: TrialLog
	phase: TrialPhase
	/** Of the place in the log, or of the last one that had a plan. */
	answer?: TrialAnswer
	/** Why the last change was not made. */
	refused?: string
}

/** The course as it is on the server. */
export interface Standing {
	course: Course
	version: number
}

const NOTHING: TrialState = { phase: { kind: 'kept' } }

/** One course under somebody's hands, for as long as its page is open. */
export class TrialSession {
	readonly #courseId: number
	readonly #threads: TrialThreads
	readonly #listeners = new Set<() => void>()
	#standing: Standing
	#state: TrialState = NOTHING
	#selected: string | null = null
	/** The log as it is meant to be, whatever is still being worked out. */
	#log: TrialLog | undefined
	/** What was asked before is over. */
	#turn = 0
	#isKeeping = false

	constructor(courseId: number, standing: Standing) {
		this.#courseId = courseId
		this.#threads = new TrialThreads(courseId)
		this.#standing = standing
	}

	readonly subscribe = (listener: () => void): (() => void) => {
		this.#listeners.add(listener)
		return () => this.#listeners.delete(listener)
	}

	readonly read = (): TrialState => this.#state

	/** What was tried before the page was left. */
	async recall(): Promise<void> {
		const recalled = await recallTrial(this.#courseId)
		if (!recalled || this.#log) return
		if (recalled.version === this.#standing.version) return this.#answer(recalled)
		if (recalled.cursor === recalled.keptAt) return this.#forget()
		this.#log = recalled
		this.#show({ log: recalled, phase: { kind: 'stale' } })
	}

	/** Called whenever the page has been loaded again: the course may be another by what was kept here, or elsewhere. */
	meet(standing: Standing): void {
		const isOther = standing.version !== this.#standing.version
		this.#standing = standing
		if (!isOther) return
		this.#threads.close()
		const log = this.#log
		if (!log) return
		if (this.#isKeeping) {
			this.#isKeeping = false
			void this.#answer(withKept(log, standing.version))
		} else if (log.cursor === log.keptAt) {
			this.#forget()
		} else {
			this.#turn++
			this.#show({ ...this.#state, phase: { kind: 'stale' } })
		}
	}

	/** The card of a step is opened, or closed. */
	async select(taskId: string | null): Promise<void> {
		this.#selected = taskId
		const [log, own] = [this.#log, this.#turn]
		const plan = log?.plans[log.cursor]
		if (!log || !plan || log.cursor === log.keptAt || !this.#state.answer) return
		const answer = await (await this.#threads.quick()).show(courseOf(log), plan, taskId)
		const now = this.#state.answer
		if (!answer || !now || own !== this.#turn || taskId !== this.#selected) return
		// A better plan has come meanwhile, with a card of its own.
		if (this.#log?.plans[log.cursor] !== plan) return
		this.#show({ ...this.#state, answer: withCardOf(now, answer) })
	}

	/** The course as it is tried. */
	get course(): Course {
		return this.#log && this.#state.phase.kind !== 'stale' ? courseOf(this.#log) : this.#standing.course
	}

	/** The edit that holds last; undefined: none does. */
	get lastEdit(): CourseEdit | undefined {
		return this.#log?.edits[this.#log.cursor - 1]
	}

	readonly edit = (edit: CourseEdit): void => {
		void this.#answer(withEdit(this.#log ?? this.#begin(), edit))
	}

	/** Another change in place of the last one, which could not be. */
	readonly instead = (edit: CourseEdit): void => {
		if (this.#log) void this.#answer(withEditInstead(this.#log, edit))
	}

	/** @param steps - so many edits back, or forward where it is negative */
	readonly undo = (steps = 1): void => {
		if (this.#log) void this.#answer(withCursor(this.#log, this.#log.cursor - steps))
	}

	/** Back to what is kept; what was tried can be redone. */
	readonly giveUp = (): void => {
		const log = this.#log
		if (!log) return
		if (log.version === this.#standing.version && log.keptAt >= 0) void this.#answer(withCursor(log, log.keptAt))
		else this.#forget()
	}

	/** The same changes on the course as it is now. */
	readonly tryAgain = (): void => {
		const { course, version } = this.#standing
		if (this.#log) void this.#answer(onNewBase(this.#log, course, version))
	}

	/** What is tried is being kept: the next version of the course is it; or, after all, is not. */
	readonly keeping = (isKeeping: boolean): void => {
		this.#isKeeping = isKeeping
	}

	close(): void {
		this.#turn++
		this.#threads.close()
	}

	#begin(): TrialLog {
		return beginLog(this.#standing.course, this.#standing.version)
	}

	#forget(): void {
		this.#turn++
		this.#log = undefined
		void keepTrialInMind(this.#courseId, this.#begin())
		this.#show(NOTHING)
	}

	#show(state: TrialState): void {
		this.#state = state
		for (const listener of this.#listeners) listener()
	}

	#remember(log: TrialLog): TrialLog {
		this.#log = log
		void keepTrialInMind(this.#courseId, log)
		return log
	}

	/** The answer for a place in the log: its plan first, then a better one. */
	async #answer(log: TrialLog): Promise<void> {
		const own = ++this.#turn
		const isOver = () => own !== this.#turn
		this.#remember(log)
		this.#threads.stopImproving()
		if (log.cursor === log.keptAt) return this.#show({ log, phase: { kind: 'kept' } })
		this.#show({ ...this.#state, log, phase: { kind: 'laying' } })
		try {
			const answered = await this.#lay(log, isOver)
			if (isOver() || !answered) return
			if ('refused' in answered) return this.#takeBack(log, answered.refused)
			if ('conflict' in answered) return this.#show({ ...this.#state, log, phase: { kind: 'conflict', ...answered } })
			const { isRemembered } = answered
			const answer = await this.#withCard(log, answered.answer)
			if (isOver()) return
			const isToImprove = answer.plan !== undefined && !isRemembered
			this.#take(log, answer, isToImprove ? 'improving' : 'laid')
			if (!isToImprove || !answer.plan) return
			const found = await this.#threads.improve(courseOf(log), answer.plan)
			const better = found && isAsGood(found, answer) ? await this.#withCard(log, found) : undefined
			if (isOver()) return
			if (better) this.#take(log, better, 'laid')
			else this.#show({ ...this.#state, phase: { kind: 'laid' } })
		} catch {
			if (!isOver()) this.#show({ ...this.#state, phase: { kind: 'failed' } })
		}
	}

	/** The answer with the card that is open now: while it was worked out another may have been opened. */
	async #withCard(log: TrialLog, answer: TrialAnswer): Promise<TrialAnswer> {
		const taskId = this.#selected
		if (taskId === null || !answer.plan) return answer
		const told = await (await this.#threads.quick()).show(courseOf(log), answer.plan, taskId)
		return taskId === this.#selected ? withCardOf(answer, told ?? answer) : this.#withCard(log, answer)
	}

	#take(log: TrialLog, answer: TrialAnswer, kind: 'improving' | 'laid'): void {
		const known = this.#remember(answer.plan ? withPlan(log, log.cursor, answer.plan) : log)
		this.#show({ log: known, answer, phase: { kind } })
	}

	/** A change that cannot be is not made, and it is said why. */
	#takeBack(log: TrialLog, refused: string): void {
		const back = this.#remember(withoutLast(log))
		const { answer } = this.#state
		const isKept = back.cursor === back.keptAt
		this.#show({ log: back, phase: { kind: isKept ? 'kept' : 'laid' }, refused, ...(!isKept && answer && { answer }) })
	}

	/** The plan that was seen at that place before, or a new one beside the one before it; undefined: nobody waits any more. */
	async #lay(log: TrialLog, isOver: () => boolean): Promise<Answered | undefined> {
		const quick = await this.#threads.quick()
		const course = courseOf(log)
		const known = log.plans[log.cursor]
		const shown = known && (await quick.show(course, known, null))
		if (shown) return { answer: shown, isRemembered: true }
		if (isOver()) return undefined
		const near = nearestPlan(log) ?? (await this.#threads.standing())
		const laid = await quick.lay(course, near)
		if (isOver()) return undefined
		if ('problems' in laid) return { refused: laid.problems.map(({ message }) => message).join('; ') }
		const { answer } = laid
		if (answer.shown.objective?.shortfall === 0 || !course.pins?.length) return { answer, isRemembered: false }
		const conflict = await quick.findConflict(course)
		if (conflict.kind !== 'pins') return { answer, isRemembered: false }
		const last = log.edits[log.cursor - 1]
		const pin = last?.kind === 'pin' && last.pin.kind === 'start' ? last.pin : undefined
		return { conflict, foreseen: pin && near ? await quick.foresee(course, near, pin) : [] }
	}
}

type Answered =
	| { answer: TrialAnswer; isRemembered: boolean }
	| { refused: string }
	| { conflict: CourseConflict; foreseen: readonly Foreseen[] }

function withCardOf(answer: TrialAnswer, { shown: { selected, why } }: TrialAnswer): TrialAnswer {
	return { ...answer, shown: { ...answer.shown, selected, why } }
}

/** A better plan than the first one, or the same with its proof. */
function isAsGood({ shown: now }: TrialAnswer, { shown: before }: TrialAnswer): boolean {
	if (!now.objective || !before.objective) return false
	return compareObjectives(now.objective, before.objective) <= 0
}

/** Of the places before this one, the nearest that a plan is known of. */
function nearestPlan({ plans, cursor }: TrialLog): Plan | undefined {
	for (let at = cursor - 1; at >= 0; at--) if (plans[at]) return plans[at]
	return undefined
}
