/**
 * A year of past classes for the demo, played by the rehearsal's engine from a hidden truth: techniques and steps of the
 * demo's designs take longer or shorter than they state, and each class has its own pace. All of it is made up.
 */
import { paceFactor } from '../core/course/pace'
import type { Course } from '../core/course/course'
import { learntStepKey } from '../core/learn/learnt-minutes'
import type { MinutesObservation } from '../core/learn/minutes-belief'
import type { SeenInClass } from '../core/learn/seen'
import type { StepSource } from '../core/plan/compile/compiled-course'
import { Rehearsal } from '../core/rehearse/rehearsal'
import { USUAL_TERMS, type RehearsalTerms, type Script, type WorkItem } from '../core/rehearse/script'
import { writeScript } from '../core/rehearse/write-script'
import { addDays, daysBetween } from '../core/time/calendar'
import { OCCASION_SD, STEP_SD, TECHNIQUE_SD } from '../core/vocabulary/spreads'
import { playPastPieces } from './demo-pieces'
import { truthOf, type PastClass, type PlannedDemo } from './demo-truth'

const CLASSES_EACH = 5
const DAYS_OF_A_YEAR = 360
/** Longer than any step takes. */
const LONG_MINUTES = 5_000

/**
 * @param today - YYYY-MM-DD: the year before it is told
 * @param seed - of the classes; the truth is the same for all
 */
export function playPastClasses(planned: PlannedDemo, terms: { today: string; seed: number }): SeenInClass[] {
	const script = writeScript({ ...planned, owned: {}, levels: [] })
	return pastClasses(planned, terms).flatMap((own) => [
		...playOne(planned, script, own),
		...playPastPieces(planned, own),
	])
}

function pastClasses({ course }: PlannedDemo, { today, seed }: { today: string; seed: number }): PastClass[] {
	return Array.from({ length: CLASSES_EACH }, (_, k) => {
		const about = addDays(today, Math.floor(DAYS_OF_A_YEAR / CLASSES_EACH) * k - DAYS_OF_A_YEAR)
		return { seed: seed + k, classId: `example ${course.name} ${k}`, first: onSameWeekday(about, course) }
	})
}

/**
 * One class, which begins each step together; what was going on when its evening was over is cut off, and what would have
 * come after it was not begun.
 */
function playOne(planned: PlannedDemo, script: Script, { seed, classId, first }: PastClass): SeenInClass[] {
	const { course } = planned
	const luck = { ...USUAL_TERMS.spreads, technique: 0, step: OCCASION_SD }
	const terms = { ...USUAL_TERMS, seed, awayChance: 0, lateChance: 0, spreads: luck }
	const truth = asItReallyIs(script)
	const left = script.sessions.map((_, s) => handsOnMinutes(script, s))
	return truth.items.flatMap((item, i): SeenInClass[] => {
		const { session } = item
		const mostLeft = left[session] ?? 0
		const minutes = Math.round(minutesOfMost(truth, item, terms))
		left[session] = mostLeft - minutes
		const source = planned.compiled.tasks[truth.tasks[item.task]?.id ?? '']
		if (mostLeft < 1 || minutes < 1 || source?.type !== 'step' || source.halves) return []
		const took = minutes > mostLeft ? { from: Math.floor(mostLeft), to: Infinity } : { from: minutes, to: minutes }
		const date = addDays(first, daysOf(course, session))
		const named = nameOccasion(item, source, planned)
		const head = { id: `${classId} ${i}`, classId, date, level: course.pace, studentCount: course.studentCount }
		return [
			{
				...{ kind: 'minutes', className: course.name, stepName: named.stepName },
				...(named.techniqueName !== undefined && { techniqueName: named.techniqueName }),
				observation: { ...head, ...named.occasion, ...took },
			},
		]
	})
}

/** Until most are done, of the work alone: tea, demonstrations and drying are no part of a step's minutes. */
function minutesOfMost(script: Script, item: WorkItem, terms: RehearsalTerms): number {
	const alone = {
		...script,
		sessions: [{ open: item.start, close: item.start + LONG_MINUTES, pauses: [], homeMinutes: 0 }],
		shows: [],
		items: [{ ...item, session: 0, shows: [], waits: [], mayGoHome: false }],
	}
	const rehearsal = new Rehearsal(alone, terms)
	rehearsal.play(1)
	return (rehearsal.figures().items[0]?.end.p50 ?? item.end) - item.start
}

/** Of an evening, without what is no work. */
function handsOnMinutes({ sessions, shows }: Script, s: number): number {
	const session = sessions[s]
	if (!session) return 0
	const paused = session.pauses.reduce((sum, { minutes }) => sum + minutes, 0)
	const shown = shows.reduce((sum, show) => sum + (show.session === s ? show.minutes : 0), 0)
	return session.close - session.open - paused - shown
}

function nameOccasion({ start, end }: WorkItem, source: StepSource, { course, designs }: PlannedDemo) {
	const design = designs.find((own) => own.design.id === source.designId)?.design
	const technique = design?.steps.find(({ id }) => id === source.stepId)?.technique
	const occasion: Pick<MinutesObservation, 'technique' | 'step' | 'statedMinutes' | 'doneCount'> = {
		...(technique !== undefined && { technique }),
		step: learntStepKey(source.designId, source.stepId),
		statedMinutes: (end - start) / paceFactor(course.pace, course.planFor),
		doneCount: Math.ceil(USUAL_TERMS.mostShare * course.studentCount),
	}
	return {
		occasion,
		stepName: `${source.partName.toLowerCase()}: ${source.label.toLowerCase()}`,
		techniqueName: design?.techniques.find(({ id }) => id === technique)?.name,
	}
}

/** From that day on, the first that is of the weekday on which the course begins. */
function onSameWeekday(date: string, { sessions }: Course): string {
	const wanted = sessions[0]?.date ?? date
	const days = daysBetween(date, wanted) % 7
	return addDays(date, days < 0 ? days + 7 : days)
}

/** Days from the first session to that one. */
function daysOf({ sessions }: Course, session: number): number {
	const [first, own] = [sessions[0], sessions[session]]
	return first && own ? daysBetween(first.date, own.date) : 0
}

/** What nobody knows: each technique and each step by its name takes so many times what is stated. */
function asItReallyIs(script: Script): Script {
	return {
		...script,
		items: script.items.map((item) => {
			const step = script.tasks[item.task]?.id ?? ''
			const ofTechnique = item.technique === undefined ? 1 : truthOf(item.technique, TECHNIQUE_SD)
			const factor = truthOf(step, STEP_SD) * ofTechnique
			return {
				...item,
				fixedMinutes: item.fixedMinutes * factor,
				stretches: item.stretches.map((stretch) => ({ ...stretch, minutesEach: stretch.minutesEach * factor })),
			}
		}),
	}
}
