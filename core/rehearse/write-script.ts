/**
 * A planned course as it is really worked: the minutes of a practised adult at each piece without waiting for tools, the
 * tools of which there are too few, what breaks, and how long things dry with what is in doubt about it.
 * Assumes that the breakage of a piece is spread evenly over the steps that are done to it.
 */
import type { Course } from '../course/course'
import { groupBreakage, levelFactor } from '../course/pace'
import { countPieces, workedPieces } from '../design/piece-counts'
import type { ResolvedDesign, ResolvedPart, ResolvedStep } from '../design/resolve-design'
import { kindsOfStep, stepsOfKind, workOfStep, type WorkTerms } from '../design/step-work'
import { Z90 } from '../drying/normal-distribution'
import { piecesOfGroup } from '../learn/pieces-to-make'
import type { OwnedTools } from '../materials/sharing/tool-sharing'
import type { DesignInCourse } from '../plan/compile/compile-course'
import { worksOfTask, type CompiledCourse, type CourseWait } from '../plan/compile/compiled-course'
import { CHANGE_MINUTES } from '../plan/compile/halve-class'
import { claimsOf } from '../plan/compile/tool-claims'
import type { Plan } from '../plan/problem/plan'
import { present } from '../present'
import { callMinutesOf } from './call-minutes'
import { followPlan, type PlannedRun } from './plan-script'
import type { Drying, Script, Stretch, ToolTurn } from './script'

/** Of those who have said so; the others are as the group. */
type Levels = readonly (Course['pace'] | undefined)[]

export interface PlannedCourse {
	course: Course
	designs: readonly DesignInCourse[]
	compiled: CompiledCourse
	plan: Plan
	owned?: OwnedTools
	levels?: Levels
	/** Of those who are known: how many times as long as others of their level they take; absent: as long. */
	speeds?: readonly (number | undefined)[]
}

/** At which a plan's wait is sure. */
const SURE = 0.9

/** @throws {RangeError} the plan and the course are not of each other */
export function writeScript({
	course,
	designs,
	compiled,
	plan,
	owned = {},
	levels = [],
	speeds = [],
}: PlannedCourse): Script {
	const followed = followPlan(compiled.instance, plan)
	const paces = Array.from({ length: course.studentCount }, (_, n) => levels[n] ?? course.pace)
	const tools = new ToolList(owned, course.studentCount)
	const works = new Map(designs.map((item) => [item.design.id, new DesignWork(course, item, tools)]))
	const kinds = new KindList()
	const workIn = (designId: string) => {
		const work = works.get(designId)
		if (!work) throw new RangeError(`the course has no design "${designId}"`)
		return work
	}
	const sourceOf = (id: string) => compiled.tasks[id]
	const groups = [...new Set(compiled.instance.tasks.flatMap(({ optionGroup }) => optionGroup ?? []))]
	return {
		levels: paces.map((pace, n) => levelFactor(pace) * (speeds[n] ?? 1)),
		callMinutes: paces.map(callMinutesOf),
		sessions: followed.sessions,
		shows: followed.shows,
		items: followed.runs.map(({ run, order }) => {
			const source = sourceOf(run.taskId)
			if (source?.type !== 'step') throw new RangeError(`no step of the course is "${run.taskId}"`)
			const parts = worksOfTask(source).map(({ designId, stepIds }) => workIn(designId).of(stepIds))
			const technique = parts.flatMap((part) => part.technique ?? [])[0]
			const doubt = doubtOf(parts)
			const extra = groups.indexOf(compiled.instance.tasks[run.task]?.optionGroup ?? '')
			return {
				...{ kind: 'work', ...order, ...itemOf(parts, run, kinds) },
				...(technique !== undefined && { technique }),
				...(doubt !== undefined && { doubt }),
				...(extra >= 0 && { extra }),
			}
		}),
		tasks: followed.tasks,
		kinds: kinds.counts,
		tools: tools.scarce,
		extras: groups.map((group) => nameOfExtra(designs, group)),
		dryings: followed.dryingArcs.map((arc) => {
			const { lag, from } = present(compiled.instance.arcs[arc], 'an arc of the plan')
			const wait = compiled.arcs[arc]?.wait
			const source = sourceOf(from)
			const last = source?.type === 'step' ? worksOfTask(source).at(-1) : undefined
			const paste = last && workIn(last.designId).of(last.stepIds).paste
			return dryingOf(typeof lag === 'number' ? lag : 0, wait, paste)
		}),
	}
}

/** A group is of one extra of one design. */
function nameOfExtra(designs: readonly DesignInCourse[], group: string): string {
	const found = designs.flatMap(({ design }) =>
		(design.extras ?? []).filter(({ id }) => `${design.id}/${id}` === group).map(({ name }) => name),
	)
	return found[0] ?? group
}

/** As the drying screen has it: half are ready by the one time, nine in ten by the other where the air holds. */
function dryingOf(lag: number, wait: CourseWait | undefined, paste: string | undefined): Drying {
	if (!wait || (wait.basis !== 'drying' && wait.basis !== 'film')) return { kind: 'fixed', minutes: lag }
	const { key, basis, p50Minutes, p90Minutes, plannedMinutes = 0, chance } = wait
	if (p50Minutes === undefined || p90Minutes === undefined) return { kind: 'fixed', minutes: lag }
	return {
		kind: 'lognormal',
		id: key,
		median: p50Minutes,
		sd: Math.max(0, Math.log(p90Minutes / p50Minutes) / Z90),
		...(basis === 'drying' && paste !== undefined && { paste }),
		airChance: chance === undefined ? 1 : Math.min(1, chance / SURE),
		// What asks for more than it takes to dry is kept in any case.
		leastMinutes: lag > plannedMinutes ? lag : 0,
	}
}

/** Tools of which there are fewer than students, each once. */
class ToolList {
	readonly scarce: { name: string; count: number }[] = []
	readonly #owned: OwnedTools
	readonly #studentCount: number

	constructor(owned: OwnedTools, studentCount: number) {
		this.#owned = owned
		this.#studentCount = studentCount
	}

	/** Shares that make more than the whole are of the same time: they are brought down to it. */
	turnsOf(step: ResolvedStep): ToolTurn[] {
		const turns = claimsOf(step).flatMap(({ tool, share }) => {
			const count = this.#owned[tool] ?? Infinity
			return count < this.#studentCount ? [{ tool: this.#indexOf(tool, count), share }] : []
		})
		const scale = Math.max(
			1,
			turns.reduce((sum, { share }) => sum + share, 0),
		)
		return turns.map(({ tool, share }) => ({ tool, share: share / scale }))
	}

	#indexOf(name: string, count: number): number {
		const known = this.scarce.findIndex((tool) => tool.name === name)
		return known < 0 ? this.scarce.push({ name, count: Math.max(1, count) }) - 1 : known
	}
}

/** Kinds of pieces of all designs, each once. */
class KindList {
	readonly counts: { needed: number; made: number }[] = []
	readonly #indices = new Map<ResolvedPart, number>()

	indexOf(kind: ResolvedPart, count: { needed: number; made: number }): number {
		const known = this.#indices.get(kind) ?? this.counts.push(count) - 1
		this.#indices.set(kind, known)
		return known
	}
}

/** What the steps of one design take in this course. */
class DesignWork {
	readonly #course: Course
	readonly #design: ResolvedDesign
	readonly #tools: ToolList
	readonly #counts: Map<ResolvedPart, { needed: number; made: number }>
	readonly #terms: Required<WorkTerms>

	constructor(course: Course, { design, flowersPerStudent }: DesignInCourse, tools: ToolList) {
		this.#course = course
		this.#design = design
		this.#tools = tools
		const counts = countPieces(design, flowersPerStudent, {
			toMake: piecesOfGroup(course.pace, course.spareConfidence),
			studentCount: course.studentCount,
		})
		this.#counts = new Map(
			counts.map((count) => {
				const made = workedPieces(count, course.studentCount)
				return [count.part, { needed: made - count.spares, made }]
			}),
		)
		this.#terms = { flowers: flowersPerStudent, piecesOf: (kind) => this.#counts.get(kind)?.made ?? 0 }
	}

	/** Steps that are done together, one after the other at each piece. */
	of(stepIds: readonly string[]): StepWork {
		const steps = stepIds.flatMap((id) => this.#design.steps.find((step) => step.id === id) ?? [])
		const last = present(steps.at(-1), 'a step of the task')
		const technique = steps.find((step) => step.technique !== undefined)?.technique
		const paste = kindsOfStep(this.#design, last)[0]?.paste
		return {
			...{ technique, paste },
			doubts: steps.map(({ doubt }) => doubt),
			fixedMinutes: steps.reduce((sum, step) => sum + step.fixedMinutes, 0),
			stretchesOf: (run, kinds) => this.#stretchesOf(steps, run, kinds),
		}
	}

	/** Pieces of each kind; steps of one task are done to each piece one after the other. */
	#stretchesOf(steps: readonly ResolvedStep[], run: PlannedRun, kinds: KindList): Stretch[] {
		const step = present(steps[0], 'a step of a task')
		const shares = workOfStep(this.#design, step, this.#terms)
		return shares.flatMap(({ kind, count, minutesEach }): Stretch[] => {
			const more = steps.slice(1).map((other) => this.#minutesAtEach(other, kind, count))
			const all = minutesEach + more.reduce((sum, minutes) => sum + minutes, 0)
			const pieceCount = shareOf(count, run)
			if (pieceCount === 0 || !(all > 0)) return []
			const turns = steps.flatMap((own, s) => {
				const minutes = s === 0 ? minutesEach : (more[s - 1] ?? 0)
				return this.#tools.turnsOf(own).map(({ tool, share }) => ({ tool, share: (share * minutes) / all }))
			})
			const broken = kind && this.#breakage(kind, steps.length)
			return [
				{
					pieceCount,
					minutesEach: all,
					turns,
					...(kind && { kind: kinds.indexOf(kind, present(this.#counts.get(kind), 'a count of pieces')) }),
					breakage: broken ?? 0,
					againMinutes: kind ? this.#minutesUpTo(kind, steps.at(-1) ?? step) : 0,
				},
			]
		})
	}

	/** Of a step that is done at the same piece as another: its minutes, spread over the other's pieces. */
	#minutesAtEach(step: ResolvedStep, kind: ResolvedPart | undefined, count: number): number {
		const shares = workOfStep(this.#design, step, this.#terms)
		const own = shares.find((share) => share.kind === kind) ?? shares[0]
		return own ? (own.count * own.minutesEach) / Math.max(1, count) : 0
	}

	/** Chance that a piece breaks in so many of the steps that are done to it. */
	#breakage(kind: ResolvedPart, stepCount: number): number {
		if (kind.form.type === 'bought') return 0
		const of = Math.max(1, stepsOfKind(this.#design, kind).length)
		return 1 - (1 - groupBreakage(kind.breakage, this.#course.pace)) ** (stepCount / of)
	}

	/** To make one piece again, up to a step. */
	#minutesUpTo(kind: ResolvedPart, last: ResolvedStep): number {
		const steps = stepsOfKind(this.#design, kind)
		return steps.slice(0, steps.indexOf(last) + 1).reduce((sum, step) => {
			const own = workOfStep(this.#design, step, this.#terms).find((share) => share.kind === kind)
			return sum + (own?.minutesEach ?? 0)
		}, 0)
	}
}

/** One of the works of a task. */
interface StepWork {
	technique: string | undefined
	/** Of what is left of its last step. */
	paste: string | undefined
	/** Of each step; undefined: nothing is learnt of it. */
	doubts: (number | undefined)[]
	fixedMinutes: number
	/** What is done of it in one of its runs. */
	stretchesOf: (run: PlannedRun, kinds: KindList) => Stretch[]
}

/** What is done of a task in one of its runs; two works are of the halves of the class, and begin with a change of places. */
function itemOf(works: readonly StepWork[], run: PlannedRun, kinds: KindList) {
	const stretches = works.flatMap((work, w) =>
		work
			.stretchesOf(run, kinds)
			.map((stretch, s) => (w > 0 && s === 0 ? { ...stretch, changeMinutes: CHANGE_MINUTES } : stretch)),
	)
	return {
		fixedMinutes: works.reduce((sum, work) => sum + work.fixedMinutes, 0) * (run.units / Math.max(1, run.unitCount)),
		stretches,
		...(works.length > 1 && { isHalved: true }),
	}
}

/** Of what is done in one task the largest; undefined: of a part of it nothing is learnt. */
function doubtOf(works: readonly StepWork[]): number | undefined {
	const doubts = works.flatMap((work) => work.doubts)
	const learnt = doubts.flatMap((doubt) => doubt ?? [])
	return learnt.length > 0 && learnt.length === doubts.length ? Math.max(...learnt) : undefined
}

/** Of so many pieces, those of one run: whole, and all of them over all runs. */
function shareOf(count: number, { firstUnit, units, unitCount }: PlannedRun): number {
	const upTo = (unit: number) => Math.round((count * unit) / Math.max(1, unitCount))
	return upTo(firstUnit + units) - upTo(firstUnit)
}
