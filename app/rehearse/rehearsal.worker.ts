/** A course played beside the page: figures that sharpen, then what would help, change by change. */
import { expose } from 'comlink'
import type { Course } from '../../core/course/course'
import type { Design } from '../../core/design/design'
import type { PlanTerms } from '../../core/plan/compile/drying-terms'
import { adoptPlan, resolveCourse } from '../../core/plan/plan-course'
import type { Plan } from '../../core/plan/problem/plan'
import { beginTrial, listChanges, rankAdvice, tryChange, type Advice } from '../../core/rehearse/advice'
import type { ChangeableCourse } from '../../core/rehearse/course-changes'
import { Rehearsal, type RehearsalFigures } from '../../core/rehearse/rehearsal'
import type { RehearsalTerms, Script } from '../../core/rehearse/script'
import type { PlannedCourse } from '../../core/rehearse/write-script'

/** Played at a time; the page has something to show soon, and is not told too often later. */
const FIRST_BATCH = 100
const LARGEST_BATCH = 800
/** Each change is tried on so many classes, and its plan is looked for so long. */
const ADVICE_CLASSES = 600
const PLAN_MS = 350

export interface Asked {
	script: Script
	terms: RehearsalTerms
}

/** What the plan was made from; people and shelf as the script has them. */
export interface CourseBasis extends Pick<PlannedCourse, 'owned' | 'levels' | 'speeds'> {
	course: Course
	plan: Plan
	designs: readonly Design[]
	terms: PlanTerms
}

export interface TriedAdvice {
	/** Those that help, the most helpful first. */
	advice: Advice[]
	triedCount: number
	changeCount: number
}

const worker = {
	async rehearse({ script, terms }: Asked, tell: (figures: RehearsalFigures) => void): Promise<void> {
		const rehearsal = new Rehearsal(script, terms)
		for (let batch = FIRST_BATCH; !rehearsal.isSure; batch = Math.min(LARGEST_BATCH, 2 * batch)) {
			rehearsal.play(batch)
			tell(rehearsal.figures())
			await letMessagesOut()
		}
	},

	/** @param basis - absent: only the room is changed */
	async advise(
		{ script, terms }: Asked,
		basis: CourseBasis | undefined,
		tell: (tried: TriedAdvice) => void,
	): Promise<void> {
		const changeable = basis && toChangeable(basis)
		const trial = beginTrial({ script, terms, ...(changeable && { changeable }), effortOf }, ADVICE_CLASSES)
		const advice: Advice[] = []
		const changes = listChanges(trial)
		for (const [k, change] of changes.entries()) {
			const one = tryChange(trial, change)
			if (one) advice.push(one)
			tell({ advice: rankAdvice(advice), triedCount: k + 1, changeCount: changes.length })
			await letMessagesOut()
		}
		if (changes.length === 0) tell({ advice: [], triedCount: 0, changeCount: 0 })
	},
}

export type RehearsalWorker = typeof worker

function effortOf() {
	const end = performance.now() + PLAN_MS
	return { shouldStop: () => performance.now() >= end }
}

/** @returns undefined: it is no plan of the course any more */
function toChangeable({ course, plan, designs, terms, ...people }: CourseBasis): ChangeableCourse | undefined {
	const adopted = adoptPlan(course, designs, terms, plan)
	return (
		adopted && {
			...people,
			...adopted,
			course,
			documents: designs,
			designs: resolveCourse(course, designs, terms),
			terms,
		}
	)
}

function letMessagesOut(): Promise<void> {
	return new Promise((resolve) => setTimeout(resolve))
}

expose(worker)
