/**
 * From a course and its resolved designs to the class-plan problem: each step becomes a task of one student's minutes,
 * each need an arc, each technique a demonstration before its first use. Waits are asked of the drying model.
 * Assumes that all students do the same at the same time, so that they wait for tools which they share.
 */
import { present } from '../../present'
import type { Need, Teaching } from '../../design/design'
import { limitOf } from '../../design/need-limit'
import type { ResolvedDesign, ResolvedPart, ResolvedStep } from '../../design/resolve-design'
import { InputError } from '../../errors'
import { passOn } from '../../design/bypass-steps'
import { countPieces, workedPieces } from '../../design/piece-counts'
import { countOfStep, kindsOfStep, minutesOfStep } from '../../design/step-work'
import { sharedMinutesPerPiece, type OwnedTools } from '../../materials/sharing/tool-sharing'
import type { Arc, Instance } from '../problem/instance'
import { batchSizes, groupIntoBatches } from './batches'
import type { ArcSource, CompiledCourse, TaskSource } from './compiled-course'
import type { Course } from '../../course/course'
import { compileDemos } from './compile-demos'
import { ORDINARY_TERMS, type PlanTerms } from './drying-terms'
import { createLimitFinder, type LimitFinder } from './find-limits'
import { createWaitFinder, waitKey, type WaitFinder } from './find-waits'
import { groupBreakage, INSTRUCTOR_FACTOR, paceFactor } from '../../course/pace'
import { mergeChain, type MergedSteps } from './merge-steps'
import { toWindows } from './session-windows'
import type { StepTask } from './step-task'
import { claimsOf } from './tool-claims'

/** Value lost when a step is not done in class. "Must" steps are class only; the value counts if they are dropped. */
export const TEACH_VALUES: Record<Teaching, number> = { must: 10, worth: 5, routine: 1 }

/** One design of the course, resolved, in the order of `course.designs`. */
export interface DesignInCourse {
	design: ResolvedDesign
	flowersPerStudent: number
}

/**
 * Compiles the course.
 *
 * @param terms - rooms, stores and what is known of the pastes; an ordinary room if absent
 * @throws {InputError} by field: sessions that cannot be, or no design
 * @complexity O(steps · needs)
 */
export function compileCourse(
	course: Course,
	designs: readonly DesignInCourse[],
	terms: PlanTerms = ORDINARY_TERMS,
): CompiledCourse {
	if (designs.length === 0) throw new InputError([{ path: 'designs', message: 'Choose at least one design' }])
	const { origin, windows } = toWindows(course.sessions, terms.zone)
	const finders = {
		findWait: createWaitFinder(course, terms, origin),
		findLimit: createLimitFinder(course, terms, origin),
	}
	const perDesign = designs.map((item) => compileSteps(course, item, terms.ownedTools ?? {}, finders))
	const steps = perDesign.flat()
	const arcs = designs.flatMap(({ design }, d) => {
		return compileArcs(design, present(perDesign[d], `the steps of ${design.name}`), finders)
	})
	const demos = compileDemos(
		steps,
		designs.map(({ design }) => design),
	)
	const instance: Instance = {
		name: course.name,
		windows,
		...(course.homeworkMinutes === 0
			? { homeWindows: [] }
			: { homeWindows: gapsBetweenSessions(windows, course.homeworkMinutes) }),
		tasks: [...demos.tasks, ...steps.map(({ task }) => task)],
		arcs: [...demos.arcs, ...arcs.map(({ arc }) => arc)],
	}
	return {
		instance,
		origin,
		tasks: { ...demos.sources, ...Object.fromEntries(steps.map(({ id, source }) => [id, source])) },
		arcs: [...demos.arcs.map((): ArcSource => ({ stage: undefined })), ...arcs.map(({ source }) => source)],
	}
}

interface Finders {
	findWait: WaitFinder
	findLimit: LimitFinder
}

/** Time at home lies between two sessions, so many minutes of it in each. */
function gapsBetweenSessions(windows: Instance['windows'], maxMinutes: number): Instance['homeWindows'] {
	return windows.flatMap((window, w) => {
		const next = windows[w + 1]
		return next && next.session !== window.session ? [{ open: window.close, close: next.open, maxMinutes }] : []
	})
}

/**
 * The steps of a design as tasks: pieces with the group's spares, minutes at its pace, with what sharing a
 * tool adds, in batches that a class can pause between.
 */
function compileSteps(
	course: Course,
	{ design, flowersPerStudent }: DesignInCourse,
	owned: OwnedTools,
	{ findWait, findLimit }: Finders,
): StepTask[] {
	const counts = countPieces(design, flowersPerStudent, {
		confidence: course.spareConfidence,
		breakageOf: (breakage) => groupBreakage(breakage, course.pace),
		studentCount: course.studentCount,
	})
	const pace = paceFactor(course.pace, course.planFor)
	const made = new Map(counts.map((count) => [count.part, workedPieces(count, course.studentCount)]))
	const work = { flowers: flowersPerStudent, piecesOf: (kind: ResolvedPart) => made.get(kind) ?? 0 }
	const pieceCountOf = (step: ResolvedStep) => countOfStep(design, step, work)
	const handsOn = (step: ResolvedStep) => minutesOfStep(design, step, work) - step.fixedMinutes
	const minutesOf = (step: ResolvedStep) => {
		const count = pieceCountOf(step)
		const shared = {
			studentCount: course.studentCount,
			minutesPerPiece: (handsOn(step) / Math.max(1, count)) * pace,
			claims: claimsOf(step),
		}
		return step.fixedMinutes + count * sharedMinutesPerPiece(shared, owned)
	}
	return chainPieceByPiece(design.steps).flatMap((chain) => {
		const pieceCount = chain[0] ? pieceCountOf(chain[0]) : 0
		const alone = groupIntoBatches(chain.map(minutesOf), Math.max(1, pieceCount))
		const merged = mergeChain(chain, {
			batchMinutesOf: (step) => alone[chain.indexOf(step)]?.unitMinutes ?? 0,
			limitFor: (from, need) => findLimit(design, from, need),
			waitFor: (from, to, need) => findWait(design, from, to, need)?.plannedMinutes ?? 0,
		})
		const minutesOfAll = ({ steps, waitMinutes }: MergedSteps) =>
			steps.reduce((sum, step) => sum + minutesOf(step), waitMinutes * pieceCount)
		const batches = groupIntoBatches(merged.map(minutesOfAll), Math.max(1, pieceCount))
		return merged.flatMap((one, m): StepTask[] => {
			const [step, ...more] = one.steps
			if (!step) return []
			const { units, unitMinutes } = batches[m] ?? { units: 1, unitMinutes: 1 }
			const isWhole = chain.length === 1 && step.leastPieces === undefined
			const amount = isWhole
				? { minutes: Math.max(1, Math.round(minutesOfAll(one))) }
				: { units, unitMinutes, minChunk: leastBatches(step, pieceCount, units) }
			const instructor = one.steps.reduce(
				(sum, { fixedMinutes }, s) => sum + fixedMinutes + course.studentCount * handsOn(one.steps[s] ?? step),
				0,
			)
			const instructorMinutes = Math.ceil(INSTRUCTOR_FACTOR * instructor)
			const id = `${design.id}/${step.id}`
			return [
				{
					id,
					step,
					more,
					task: { id, ...amount, ...taskTerms(course, design, one.steps, instructorMinutes) },
					source: describeStep(design, one.steps, pieceCount, isWhole ? 1 : units),
					instructorMinutes,
				},
			]
		})
	})
}

/** Steps joined by piece-by-piece needs, which must have equally many units, together; the others by themselves. */
function chainPieceByPiece(steps: readonly ResolvedStep[]): ResolvedStep[][] {
	const chains = new Map(steps.map((step) => [step.id, [step]]))
	for (const step of steps) {
		for (const { after, isPieceByPiece } of step.needs) {
			const [own, other] = [chains.get(step.id), chains.get(after)]
			if (!isPieceByPiece || !own || !other || own === other) continue
			const joined = [...other, ...own]
			for (const { id } of joined) chains.set(id, joined)
		}
	}
	return [...new Set(chains.values())]
}

/** Fewest units of a run: the design says so in pieces, and a unit may hold several. */
function leastBatches({ leastPieces }: ResolvedStep, pieceCount: number, units: number): number {
	if (leastPieces === undefined) return units
	return Math.min(units, Math.max(1, Math.ceil((leastPieces * units) / Math.max(1, pieceCount))))
}

/** Where a step may be done, what it is worth to practise it, and what it costs the instructor elsewhere. */
function taskTerms(course: Course, design: ResolvedDesign, steps: readonly ResolvedStep[], instructorMinutes: number) {
	const step = present(steps[0], 'the first step of a task')
	const allowed = steps.some(({ teaching }) => teaching === 'must')
		? []
		: step.places.filter((place) => steps.every(({ places }) => places.includes(place)))
	const places = (['class', 'ahead', 'home'] as const).filter((place) => {
		return place === 'class' || (allowed.includes(place) && (place !== 'home' || course.homeworkMinutes > 0))
	})
	const extra = design.extras?.find(({ id }) => id === step.extra)
	const firstOfExtra = design.steps.find((other) => other.extra === step.extra)
	const isFirstOfExtra = firstOfExtra !== undefined && steps.includes(firstOfExtra)
	return {
		places,
		teachValue: Math.max(...steps.map(({ teaching }) => TEACH_VALUES[teaching])),
		...(places.includes('ahead') && { prepMinutes: instructorMinutes }),
		...(extra && { dropValue: isFirstOfExtra ? extra.value : 0, optionGroup: `${design.id}/${extra.id}` }),
	}
}

/** What screens need to name the task and to find its step again. */
function describeStep(
	design: ResolvedDesign,
	steps: readonly ResolvedStep[],
	pieceCount: number,
	units: number,
): TaskSource {
	const [step, ...more] = steps
	if (!step) throw new TypeError('a task has a step')
	const [part] = kindsOfStep(design, step)
	return {
		type: 'step',
		designId: design.id,
		designName: design.name,
		stepId: step.id,
		...(more.length > 0 && { alsoSteps: more.map(({ id }) => id) }),
		...(part && { partId: part.of }),
		partName: part?.partName ?? design.name,
		tint: part?.tint,
		label: steps.map(({ label }, s) => (s === 0 ? label : label.toLowerCase())).join(' and '),
		sentence: steps.map(({ sentence }) => sentence).join(' '),
		pieceCount,
		batchSizes: batchSizes(pieceCount, units),
	}
}

/** An arc for each need of each step that is made at all, with the wait that was found for it. */
function compileArcs(
	design: ResolvedDesign,
	steps: readonly StepTask[],
	{ findWait, findLimit }: Finders,
): { arc: Arc; source: ArcSource }[] {
	const byStep = new Map(steps.flatMap((item) => [item.step, ...item.more].map((step) => [step.id, { item, step }])))
	return [...byStep.values()].flatMap(({ item: to, step: toStep }) => {
		return [...toStep.needs, ...needsPastExtras(design, toStep)].flatMap((need) => {
			const before = byStep.get(need.after)
			// What is done at the same piece in the same task has its order there.
			if (!before || before.item === to) return []
			const { item: from, step: fromStep } = before
			const wait = findWait(design, fromStep, toStep, need)
			const key = waitKey(design.id, fromStep.id, toStep.id)
			const source: ArcSource = {
				stage: need.wait?.stage,
				...(wait && { wait: { ...wait, key, usualMinutes: need.wait?.usualMinutes ?? 0 } }),
			}
			const found = findLimit(design, fromStep, need)
			const lag = Math.max(wait?.plannedMinutes ?? 0, found?.fromMinutes ?? 0)
			return [{ arc: compileArc(from, to, need, { steps, lag, limitMinutes: found?.untilMinutes }), source }]
		})
	})
}

/**
 * What a step needs of those before an extra that may be dropped, where that asks for a drier piece than the extra itself:
 * without the extra the piece must still be as dry as the step needs it.
 */
function needsPastExtras({ steps }: ResolvedDesign, to: ResolvedStep): Need[] {
	return to.needs.flatMap((outer) => {
		const extra = steps.find(({ id }) => id === outer.after)
		if (extra?.extra === undefined || extra.extra === to.extra) return []
		return extra.needs.flatMap((inner): Need[] => {
			const first = steps.find(({ id }) => id === inner.after)
			const past = passOn(outer, inner, { leftOut: extra, isSamePiece: first?.part === extra.part })
			const isStricter = past.wait?.stage !== undefined && past.wait.stage !== inner.wait?.stage
			// With dried pieces in exchange nothing of it is waited for.
			return isStricter && !past.wait?.isSwappable && past.after !== to.id ? [past] : []
		})
	})
}

/** Least and most minutes between two tasks, and what it costs to have dried pieces in exchange for the wait. */
function compileArc(
	from: StepTask,
	to: StepTask,
	need: Need,
	{ steps, lag, limitMinutes }: { steps: readonly StepTask[]; lag: number; limitMinutes: number | undefined },
): Arc {
	const { wait, isPieceByPiece } = need
	const limit = limitOf(need)
	// The limit was stated beside the usual wait: a longer wait keeps the time that it leaves.
	const slack = limit === undefined ? undefined : limit - (wait?.usualMinutes ?? 0)
	const stated = limit === undefined ? undefined : Math.max(limit, lag + (slack ?? 0))
	const tightest = Math.min(stated ?? Infinity, limitMinutes ?? Infinity)
	return {
		from: from.id,
		to: to.id,
		lag,
		// No limit is shorter than the wait that it stands beside.
		...(tightest !== Infinity && { maxLag: Math.max(tightest, lag) }),
		...(isPieceByPiece && { piecewise: true }),
		...(wait?.isSwappable && { swapPrep: driedPiecesMinutes(from, steps) }),
	}
}

/** Instructor's minutes for dried pieces of all students: every step that leads up to the wait, done alone. */
function driedPiecesMinutes(last: StepTask, steps: readonly StepTask[]): number {
	const byStep = new Map(steps.flatMap((item) => [item.step, ...item.more].map((step) => [step.id, item])))
	const needed = new Set([last])
	for (const { step, more } of needed) {
		for (const { after } of [step, ...more].flatMap(({ needs }) => needs)) {
			const before = byStep.get(after)
			if (before) needed.add(before)
		}
	}
	return [...needed].reduce((total, { instructorMinutes }) => total + instructorMinutes, 0)
}
