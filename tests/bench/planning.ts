/** The exact planner on the reference instances and on classes of 40 and 150 tasks; the checker's speed. */
import { checkPlan } from '../../core/plan/checker/check-plan'
import { planExactly, type ExactPlan } from '../../core/plan/exact/plan-exactly'
import type { Instance } from '../../core/plan/problem/instance'
import {
	compareObjectives,
	FIRST_LEVELS,
	OBJECTIVE_LEVELS,
	type Levels,
	type Objective,
	type ObjectiveLevel,
} from '../../core/plan/problem/objective'
import { betterPlanModel } from '../support/better-plan-model'
import { classInstance } from '../support/class-instance'
import { askMiniZinc } from '../support/minizinc'
import { mixedCourse } from '../support/mixed-course'
import { listReferenceInstances } from '../support/reference-instances'
import { report, summarise, tell, time } from './measure'

interface Timed {
	plan: ExactPlan
	/** ms from the start; absent: not reached. */
	first?: number
	proven: Partial<Record<ObjectiveLevel, number>>
	total: number
}

/** Medians of so many runs, for the small ones. */
const RUNS = 5
const SMALL_LIMIT_MS = 10_000
const LARGE_LIMIT_MS = 10_000
const HUGE_LIMIT_MS = 5_000
const MIXED_COURSES = 30
/** A tenth of an evening of these classes. */
const BUFFER_MINUTES = 12
/** Middling instances go to the general solver too, with so much time. */
const CHUFFED_LIMIT_MS = 30_000
const CHUFFED_TASKS = 14

function solveTimed(instance: Instance, limitMs: number, levels: Levels): Timed {
	const started = performance.now()
	const timed: Omit<Timed, 'plan' | 'total'> = { proven: {} }
	const plan = planExactly(instance, {
		levels,
		shouldStop: () => performance.now() - started >= limitMs,
		onProgress: ({ proven, plan }) => {
			const now = performance.now() - started
			if (plan) timed.first ??= now
			for (const level of Object.keys(proven) as ObjectiveLevel[]) timed.proven[level] ??= now
		},
	})
	return { plan, ...timed, total: performance.now() - started }
}

const references = listReferenceInstances()

/** How far the planner gets with the instances of one form, to the level that people mind and in all. */
function benchReferences(title: string, levels: Levels, goal: ObjectiveLevel): void {
	console.log(`\n${title}: ms to the first plan, to ${goal} proven, and in all (* = all levels proven)`)
	const ofForm = references.filter((reference) => reference.levels === levels)
	const toGoal = { small: [] as number[], large: [] as number[] }
	const whole: number[] = []
	const firsts: number[] = []
	let [asGood, goalProven, smallProven] = [0, 0, 0]
	for (const { instance, reference, file } of ofForm) {
		const isSmall = instance.tasks.length <= 25
		const runs = Array.from({ length: isSmall ? RUNS : 1 }, () =>
			solveTimed(instance, isSmall ? SMALL_LIMIT_MS : LARGE_LIMIT_MS, levels),
		)
		const [last] = runs.slice(-1)
		if (!last?.plan.objective) throw new Error(`${file}: no plan`)
		const medianOf = (values: readonly (number | undefined)[]) =>
			summarise(values.map((value) => value ?? Infinity)).median
		const reached = medianOf(
			runs.map(({ proven, plan: { status } }) => (status === 'infeasible' ? proven.shortfall : proven[goal])),
		)
		const isOptimal = runs.every(isKnown)
		// Levels that the reference does not prove say nothing.
		const known = levels === FIRST_LEVELS ? reference.best : (reference.proven as Objective)
		const comparison = compareObjectives(last.plan.objective, known, levels)
		if (comparison <= 0) asGood++
		if (reached < Infinity) goalProven++
		if (isSmall && isOptimal) smallProven++
		toGoal[isSmall ? 'small' : 'large'].push(reached)
		if (isSmall) whole.push(medianOf(runs.map(({ total }) => (isOptimal ? total : Infinity))))
		firsts.push(medianOf(runs.map(({ first }) => first)))
		const against =
			comparison < 0 ? 'better than the reference' : comparison === 0 ? 'as the reference' : 'WORSE than the reference'
		report(
			`  ${file} ${instance.tasks.length} tasks`,
			`${firsts.at(-1)?.toFixed(0)} / ${reached.toFixed(0)} / ${last.total.toFixed(0)}${isOptimal ? '*' : ''} ms, ${last.plan.nodes} nodes, ${against}`,
		)
	}
	report('  as good as the best known, or better', `${asGood} of ${ofForm.length}`)
	report('  the first plan', tell(summarise(firsts)), '< 50 ms up to 40 tasks')
	report(`  ${goal} proven`, `${goalProven} of ${ofForm.length} in 10 s`, '>= 90 %')
	report('  the same, up to 25 tasks', tell(summarise(toGoal.small)), 'median < 1 s, worst < 5 s')
	report(
		'  all levels, up to 25 tasks',
		`${tell(summarise(whole))}; ${smallProven} of ${whole.length} proven`,
		'median < 3 s',
	)
}

benchReferences('Instances of the first form', FIRST_LEVELS, 'finish')
benchReferences('Instances with breaks that move, demonstrations and strain', OBJECTIVE_LEVELS, 'strain')

/** Nothing is left to find, or to ask: of a course that does not fit, how much is missing is proven. */
function isKnown({ plan: { status }, proven }: Timed): boolean {
	return status === 'optimal' || (status === 'infeasible' && proven.shortfall !== undefined)
}

/** How many of these are proven in ten seconds, to the strain and in all. */
function benchLarge(title: string, instances: readonly { name: string; instance: Instance }[]): void {
	console.log(`\n${title}: s to the strain proven, and to all levels`)
	const timed = instances.map(({ name, instance }) => {
		const found = solveTimed(instance, LARGE_LIMIT_MS, OBJECTIVE_LEVELS)
		const toAll = isKnown(found) ? found.total : Infinity
		const toStrain = found.proven.strain ?? toAll
		const { status, objective } = found.plan
		report(
			`  ${name}, ${instance.tasks.length} steps`,
			`${(toStrain / 1000).toFixed(1)} / ${(toAll / 1000).toFixed(1)} s, ${status}, strain ${objective?.strain}`,
		)
		return { toStrain, toAll }
	})
	const tellShare = (name: string, of: readonly number[], aim: string) => {
		const done = of.filter((ms) => ms < Infinity)
		report(`  ${name} proven`, `${done.length} of ${of.length}; ${tell(summarise(of))}`, `>= ${aim} in 10 s`)
	}
	tellShare(
		'first five levels',
		timed.map(({ toStrain }) => toStrain),
		'90 %',
	)
	tellShare(
		'all levels',
		timed.map(({ toAll }) => toAll),
		'70 %',
	)
}

benchLarge(
	'Instances of the first form with 26 to 40 steps, by the levels of today',
	references
		.filter(({ levels, instance: { tasks } }) => levels === FIRST_LEVELS && tasks.length > 25)
		.map(({ file, instance }) => ({ name: file, instance })),
)
benchLarge(
	'Courses of demo designs together, 26 to 40 steps, tea and spare minutes',
	Array.from({ length: MIXED_COURSES }, (_, k) => {
		return { name: `course ${k + 1}`, instance: mixedCourse(k + 1, { least: 26, most: 40 }) }
	}),
)

console.log(
	'\nAgainst a general solver (Chuffed) on the same instances: its time to prove that nothing is better, by ours for everything',
)
const ratios: number[] = []
const ofFirstForm = references.filter(
	({ instance: { tasks }, levels }) => levels === FIRST_LEVELS && tasks.length <= CHUFFED_TASKS,
)
for (const { instance, file } of ofFirstForm) {
	const own = solveTimed(instance, SMALL_LIMIT_MS, FIRST_LEVELS)
	const started = performance.now()
	const answer = await askMiniZinc(betterPlanModel(instance, 0, own.plan.objective), CHUFFED_LIMIT_MS)
	const theirs = performance.now() - started
	ratios.push(theirs / own.total)
	report(
		`  ${file}`,
		`${theirs.toFixed(0)} ms (${answer}) by ${own.total.toFixed(0)} ms = ${(theirs / own.total).toFixed(0)}`,
	)
}
if (ratios.length > 0) report('  ratio', `median ${summarise(ratios).median.toFixed(0)}`, '>= 10')

console.log('\nClasses with the structure of a real one')
for (const tasks of [40, 150]) {
	for (let seed = 1; seed <= 3; seed++) {
		const limit = tasks === 40 ? LARGE_LIMIT_MS : HUGE_LIMIT_MS
		const instance = classInstance(seed, tasks)
		const { plan, first, proven } = solveTimed(instance, limit, FIRST_LEVELS)
		const { finish = 0 } = plan.objective ?? {}
		const handsOn = instance.windows.reduce(
			(total, { open, close }) => total + Math.max(0, Math.min(close, finish) - open),
			0,
		)
		const gap = (100 * (finish - (plan.bounds.finish ?? 0))) / handsOn
		report(
			`  ${tasks} tasks, instance ${seed}`,
			`first ${first?.toFixed(0)} ms, finish ${proven.finish === undefined ? `within ${gap.toFixed(2)} % of its bound after ${limit / 1000} s` : `proven after ${proven.finish.toFixed(0)} ms`}`,
			tasks === 40 ? '50 ms; 10 s' : '300 ms; 2 %',
		)
	}
}
for (let seed = 1; seed <= 3; seed++) {
	const bare = classInstance(seed, 150)
	const sessions = bare.windows.map(({ session }) => ({ session, bufferMinutes: BUFFER_MINUTES }))
	const { plan, proven } = solveTimed({ ...bare, sessions }, HUGE_LIMIT_MS, OBJECTIVE_LEVELS)
	const { strain = 0 } = plan.objective ?? {}
	const gap = strain - (plan.bounds.strain ?? 0)
	report(
		`  150 tasks with spare minutes, instance ${seed}`,
		`strain ${strain}, ${proven.strain === undefined ? `${gap} above its bound after ${HUGE_LIMIT_MS / 1000} s` : `proven after ${proven.strain.toFixed(0)} ms`}`,
		'within 3 % after 5 s',
	)
}
report('  memory of the process', `${Math.round(process.memoryUsage().rss / 1e6)} MB`, '< 400 MB')

const large = classInstance(1, 150)
const { plan } = solveTimed(large, 500, FIRST_LEVELS).plan
if (!plan) throw new Error('no plan for the large instance')
report('  the checker on 150 tasks', tell(time(50, () => checkPlan(large, plan))), '< 5 ms')
