/** How soon a session that is behind is offered ways to go on: the demo's courses, opened late, in one thread. */
import { resolvePins } from '../../core/plan/pins/course-pins'
import { planCourse } from '../../core/plan/plan-course'
import { tellPlan } from '../../core/plan/tell/plan-story'
import { findOffers } from '../../core/run/find-offers'
import { foldRun } from '../../core/run/fold-run'
import { EventWriter } from '../../core/run/run-event'
import { toRunPlan } from '../../core/run/run-plan'
import { demoCourse, demoCourseNames, demoDesign } from '../support/demo-designs'
import { report } from './measure'

const LATE_MINUTES = [10, 25]
/** As the tablet has it. */
const SEARCH_MS = 200

console.log('\nWays to go on')
const firsts: number[] = []
const wholes: number[] = []
let mostTasks = 0
for (const name of demoCourseNames()) {
	const course = demoCourse(name)
	const documents = course.designs.map(({ designId }) => demoDesign(designId))
	const { compiled, plan, objective } = planCourse(course, documents)
	if (!plan || objective.shortfall > 0) continue
	mostTasks = Math.max(mostTasks, compiled.instance.tasks.length)
	const story = tellPlan(compiled, plan, course.sessions)
	const problem = { compiled, plan, pins: resolvePins(course, compiled).pins }
	for (const [s] of course.sessions.entries())
		for (const late of LATE_MINUTES) {
			const opened = toRunPlan(story, s)
			const nowMin = opened.openMin + late
			const now = Date.UTC(2026, 2, 5, 19)
			const writer = new EventWriter({ runId: 'run', device: 'tablet' }, [], () => 'opening')
			const state = foldRun(opened, [writer.write({ type: 'opened' }, now)], now)
			const start = performance.now()
			let first: number | undefined
			const terms = { effortOf: () => ({ shouldStop: within(SEARCH_MS) }) }
			for (const _ of findOffers(problem, opened, state, { nowMin, now }, terms)) first ??= performance.now() - start
			wholes.push(performance.now() - start)
			if (first !== undefined) firsts.push(first)
		}
}
const evenings = `${wholes.length} evenings, courses of up to ${mostTasks} tasks`
report(`  first, of ${firsts.length} with one; ${evenings}`, tellAll(firsts), 'under 1 s for 40 steps')
report('  all that were tried', tellAll(wholes), 'no aim')

function within(ms: number): () => boolean {
	const end = performance.now() + ms
	return () => performance.now() >= end
}

function tellAll(times: readonly number[]): string {
	const sorted = times.toSorted((a, b) => a - b)
	const at = (share: number) => `${Math.round(sorted[Math.floor(share * (sorted.length - 1))] ?? 0)} ms`
	return `median ${at(0.5)}, p95 ${at(0.95)}, worst ${at(1)}`
}
