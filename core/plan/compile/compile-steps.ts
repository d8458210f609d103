/** Steps of a design as tasks: pieces with the group's spares, minutes at its pace, grouped into batches. */
import { present } from '../../present'
import type { Course } from '../../course/course'
import { INSTRUCTOR_FACTOR, paceFactor } from '../../course/pace'
import type { Teaching } from '../../design/design'
import { countPieces, workedPieces } from '../../design/piece-counts'
import type { ResolvedDesign, ResolvedPart, ResolvedStep } from '../../design/resolve-design'
import { countOfStep, kindsOfStep, minutesOfStep } from '../../design/step-work'
import { piecesOfGroup } from '../../learn/pieces-to-make'
import { sharedMinutesPerPiece, type OwnedTools } from '../../materials/sharing/tool-sharing'
import { batchSizes, groupIntoBatches } from './batches'
import type { DesignInCourse } from './compile-course'
import type { TaskSource } from './compiled-course'
import type { LimitFinder } from './find-limits'
import type { WaitFinder } from './find-waits'
import { goesPieceByPiece } from './piece-by-piece'
import { mergeChain, type MergedSteps } from './merge-steps'
import type { StepTask } from './step-task'
import { claimsOf } from './tool-claims'

/** Value lost when a step is not done in class. "Must" steps are class only; the value counts if they are dropped. */
export const TEACH_VALUES: Record<Teaching, number> = { must: 10, worth: 5, routine: 1 }

/** What asks for the waits and limits of one course. */
export interface Finders {
	findWait: WaitFinder
	findLimit: LimitFinder
}

/**
 * The steps of a design as tasks: pieces with the group's spares, minutes at its pace, with what sharing a
 * tool adds, in batches that a class can pause between.
 */
export function compileSteps(
	course: Course,
	item: DesignInCourse,
	owned: OwnedTools,
	{ findWait, findLimit }: Finders,
): StepTask[] {
	const { pieceCountOf, handsOn, minutesOf } = measureWork(course, item, owned)
	const { design } = item
	return chainPieceByPiece(design.steps).flatMap((chain) => {
		// Of unequal counts, as three petals to a flower, the fewest say what goes on together.
		const pieceCount = Math.max(1, Math.min(...chain.map(pieceCountOf)))
		const minutesOfAll = ({ steps, waitMinutes }: MergedSteps) =>
			steps.reduce((sum, step) => sum + minutesOf(step), waitMinutes * pieceCount)
		const batchesOf = (some: readonly MergedSteps[]) => groupIntoBatches(some.map(minutesOfAll), pieceCount)
		const merged = mergeChain(chain, {
			steps: design.steps,
			batchesOf: (some) =>
				batchesOf(some).map(({ units, unitMinutes }, m) => {
					return { unitMinutes, leastUnits: leastBatches(present(some[m]?.steps[0], 'a step'), pieceCount, units) }
				}),
			limitFor: (from, need) => findLimit(design, from, need),
			waitFor: (from, to, need) => {
				const wait = findWait(design, from, to, need)
				return wait ? (wait.plannedMinutes ?? Infinity) : 0
			},
		})
		const batches = batchesOf(merged)
		return merged.flatMap((one, m): StepTask[] => {
			const [step, ...more] = one.steps
			if (!step) return []
			const { units, unitMinutes } = batches[m] ?? { units: 1, unitMinutes: 1 }
			const isWhole = chain.length === 1 && step.leastPieces === undefined
			const amount = isWhole
				? { minutes: Math.max(1, Math.round(minutesOfAll(one))) }
				: { units, unitMinutes, minChunk: leastBatches(step, pieceCountOf(step), units) }
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
					source: describeStep(design, one.steps, pieceCountOf(step), isWhole ? 1 : units),
					instructorMinutes,
					scarceTools: claimsOf(step).flatMap(({ tool }) =>
						(owned[tool] ?? Infinity) < course.studentCount ? [tool] : [],
					),
					minutesFor: (studentCount) => minutesOf(step, studentCount),
				},
			]
		})
	})
}

interface StepMeasures {
	/** Of one student. */
	pieceCountOf: (step: ResolvedStep) => number
	/** Minutes of a practised student without the fixed ones. */
	handsOn: (step: ResolvedStep) => number
	/** Planned minutes of one student of the group, with what sharing a tool adds: with all of the class, or with so many. */
	minutesOf: (step: ResolvedStep, studentCount?: number) => number
}

/** What a step of the design takes in this course. */
function measureWork(course: Course, { design, flowersPerStudent }: DesignInCourse, owned: OwnedTools): StepMeasures {
	const counts = countPieces(design, flowersPerStudent, {
		toMake: piecesOfGroup(course.pace, course.spareConfidence),
		studentCount: course.studentCount,
	})
	const pace = paceFactor(course.pace, course.planFor)
	const made = new Map(counts.map((count) => [count.part, workedPieces(count, course.studentCount)]))
	const work = { flowers: flowersPerStudent, piecesOf: (kind: ResolvedPart) => made.get(kind) ?? 0 }
	const pieceCountOf = (step: ResolvedStep) => countOfStep(design, step, work)
	const handsOn = (step: ResolvedStep) => minutesOfStep(design, step, work) - step.fixedMinutes
	const minutesOf = (step: ResolvedStep, studentCount = course.studentCount) => {
		const count = pieceCountOf(step)
		const shared = {
			studentCount,
			minutesPerPiece: (handsOn(step) / Math.max(1, count)) * pace,
			claims: claimsOf(step),
		}
		return step.fixedMinutes * pace + count * sharedMinutesPerPiece(shared, owned)
	}
	return { pieceCountOf, handsOn, minutesOf }
}

/** Steps joined by piece-by-piece needs, which must have equally many units, together; the others by themselves. */
function chainPieceByPiece(steps: readonly ResolvedStep[]): ResolvedStep[][] {
	const chains = new Map(steps.map((step) => [step.id, [step]]))
	for (const step of steps) {
		for (const need of step.needs) {
			const [own, other] = [chains.get(step.id), chains.get(need.after)]
			const before = steps.find(({ id }) => id === need.after)
			if (!own || !other || !before || own === other || !goesPieceByPiece(before, step, need)) continue
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
		return (
			place === 'class' ||
			(allowed.includes(place) && (place !== 'home' || course.homeworkMinutes > 0 || (course.homeAfterDays ?? 0) > 0))
		)
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
