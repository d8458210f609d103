/** Work before class laid into her free time: rules, proofs and best schedules, against enumeration and a general solver. */
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { checkSchedule, worthOf } from '../../../core/prepare/schedule/check-schedule'
import { findOverload, interruptedLateness } from '../../../core/prepare/schedule/overload'
import {
	comparePrep,
	type FreeWindow,
	type PrepJob,
	type PrepObjective,
	type PrepProblem,
	type Schedule,
} from '../../../core/prepare/schedule/prep-problem'
import { scheduleQuickly } from '../../../core/prepare/schedule/schedule-quickly'
import { schedulePreparation } from '../../../core/prepare/schedule/schedule-preparation'
import { askMiniZinc } from '../../support/minizinc'

/** Two stretches on two days, and up to four jobs: small enough to try every schedule. */
const windows = fc
	.tuple(fc.nat(3), fc.integer({ min: 3, max: 6 }), fc.integer({ min: 1, max: 4 }), fc.integer({ min: 3, max: 6 }))
	.map(([open, length, pause, second]): FreeWindow[] => [
		{ open, close: open + length, day: 0 },
		{ open: open + length + pause, close: open + length + pause + second, day: 1 },
	])

const jobsOf = (hasWaits: boolean) =>
	fc
		.array(
			fc.record({
				minutes: fc.integer({ min: 1, max: 3 }),
				release: fc.nat(6),
				due: fc.integer({ min: 3, max: 14 }),
				before: fc.option(fc.nat(3), { nil: undefined }),
				lag: fc.nat(3),
				stay: fc.option(fc.record({ count: fc.integer({ min: 1, max: 2 }), minutes: fc.integer({ min: 1, max: 4 }) }), {
					nil: undefined,
				}),
				isFresh: fc.boolean(),
				isDrying: fc.boolean(),
			}),
			{ minLength: 1, maxLength: 4 },
		)
		.map((list) =>
			list.map(({ minutes, release, due, before, lag, stay, isFresh, isDrying }, j): PrepJob => {
				const waits = hasWaits && before !== undefined && before < j
				return {
					id: `job ${j}`,
					minutes,
					release,
					deadline: Math.max(due, release + minutes),
					after: waits ? [{ id: `job ${before}`, lag }] : [],
					...(hasWaits && stay && { stay: { former: 'tray', ...stay } }),
					isFresh,
					isDrying: !isFresh && isDrying,
				}
			}),
		)

const problems = (hasWaits: boolean) =>
	fc
		.tuple(
			windows,
			jobsOf(hasWaits),
			fc.integer({ min: 2, max: 3 }),
			fc.integer({ min: 3, max: 6 }),
			fc.option(fc.integer({ min: 1, max: 8 }), { nil: undefined }),
			fc.option(fc.record({ count: fc.integer({ min: 1, max: 2 }), until: fc.integer({ min: 1, max: 12 }) }), {
				nil: undefined,
			}),
		)
		.map(([own, jobs, trays, most, other, lying]): PrepProblem => {
			const limits = other === undefined ? {} : { mostMinutesOn: { [own[0]?.day ?? 0]: other } }
			return {
				...{ windows: own, jobs, formers: { tray: trays }, mostMinutesADay: hasWaits ? most : 100 },
				...(hasWaits && limits),
				...(hasWaits && lying && { lying: [{ former: 'tray', ...lying }] }),
			}
		})

/** Every schedule of all jobs, one after another. */
function* everySchedule({ windows: own, jobs }: PrepProblem, placed: Schedule = {}): Generator<Schedule> {
	const job = jobs[Object.keys(placed).length]
	if (!job) {
		yield placed
		return
	}
	for (const { open, close } of own)
		for (let start = Math.max(open, job.release); start + job.minutes <= close; start++)
			yield* everySchedule({ windows: own, jobs } as PrepProblem, { ...placed, [job.id]: start })
}

function bestOf(problem: PrepProblem): PrepObjective | undefined {
	let best: PrepObjective | undefined
	for (const schedule of everySchedule(problem)) {
		const worth = worthOf(problem, schedule)
		if (best && comparePrep(worth, best) >= 0) continue
		if (checkSchedule(problem, schedule).length === 0) best = worth
	}
	return best
}

describe('schedules of small problems', () => {
	test('keep every rule, and are the best that there are where they are proven', () => {
		let proven = 0
		fc.assert(
			fc.property(problems(true), (problem) => {
				const found = schedulePreparation(problem)
				expect(checkSchedule(problem, found.schedule)).toEqual([])
				expect(worthOf(problem, found.schedule)).toEqual(found.objective)
				expect(comparePrep(found.objective, worthOf(problem, scheduleQuickly(problem)))).toBeLessThanOrEqual(0)
				if (found.proven.length < 5) return
				proven++
				expect(found.objective).toEqual(bestOf(problem))
			}),
			{ numRuns: 120 },
		)
		expect(proven).toBeGreaterThan(40)
	})

	test('what is proven not to fit fits in no schedule; without waits, and cut into minutes, it fits otherwise', () => {
		fc.assert(
			fc.property(problems(false), (problem) => {
				const inMinutes = {
					...problem,
					jobs: problem.jobs.flatMap((job) =>
						Array.from({ length: job.minutes }, (_, m): PrepJob => ({ ...job, id: `${job.id} ${m}`, minutes: 1 })),
					),
				}
				const isOverloaded = findOverload(problem) !== undefined
				expect(interruptedLateness(problem) > 0).toBe(isOverloaded)
				const whole = schedulePreparation(problem, { steps: 200_000 })
				if (isOverloaded) expect(whole.objective.unplaced + whole.objective.late).toBeGreaterThan(0)
				const cut = schedulePreparation(inMinutes)
				const isInTime = cut.objective.unplaced + cut.objective.late === 0
				if (cut.proven.includes('late')) expect(isInTime).toBe(!isOverloaded)
			}),
			{ numRuns: 60 },
		)
	})

	test('waits shift what must be done: a stretch that is long enough without them is not with them', () => {
		const own: FreeWindow[] = [{ open: 0, close: 20, day: 0 }]
		const make: PrepJob = { id: 'make', minutes: 5, release: 0, deadline: 20, after: [] }
		const pack: PrepJob = { id: 'pack', minutes: 5, release: 0, deadline: 20, after: [{ id: 'make', lag: 12 }] }

		expect(findOverload({ windows: own, jobs: [make, { ...pack, after: [] }] })).toBeUndefined()
		expect(findOverload({ windows: own, jobs: [make, pack] })?.lackingMinutes).toBeGreaterThan(0)
	})
})

// Source: Chuffed, as the package `minizinc` has it.
test('a general constraint solver finds what is proven best, and nothing better', async () => {
	const known = fc.sample(problems(true), { numRuns: 100, seed: 5 }).flatMap((problem) => {
		const { objective, proven } = schedulePreparation(problem)
		return proven.length === 5 && problem.jobs.length === 4
			? [{ problem, worth: 1000 * objective.late + objective.days }]
			: []
	})
	expect(known.length).toBeGreaterThanOrEqual(2)
	for (const { problem, worth } of known.slice(0, 2)) {
		expect(await askMiniZinc(toMiniZinc(problem, `= ${worth}`), 20_000)).toBe('satisfiable')
		expect(await askMiniZinc(toMiniZinc(problem, `< ${worth}`), 20_000)).toBe('unsatisfiable')
	}
}, 120_000)

/** Late minutes, then days used, as one weighted sum that is held; formers as a cumulative resource. */
function toMiniZinc(
	{ windows: own, jobs, formers, lying = [], mostMinutesADay, mostMinutesOn }: PrepProblem,
	held: string,
): string {
	const starts = jobs.map((_, j) => `s${j}`)
	const last = own.at(-1)?.close ?? 0
	const dayOf = (j: number, day: number) => {
		const inside = own.filter((window) => window.day === day)
		return inside
			.map(({ open, close }) => `(s${j} >= ${open} /\\ s${j} + ${jobs[j]!.minutes} <= ${close})`)
			.join(' \\/ ')
	}
	const days = [...new Set(own.map(({ day }) => day))]
	const laid = [
		...jobs.flatMap(({ stay, minutes }, j) => (stay ? [{ ...stay, end: `s${j} + ${minutes}` }] : [])),
		...lying.map(({ count, until }) => ({ count, minutes: until, end: '0' })),
	]
	return [
		'include "cumulative.mzn";',
		...starts.map((name, j) => `var ${jobs[j]!.release}..${last}: ${name};`),
		...jobs.map((_, j) => `constraint ${days.map((day) => dayOf(j, day)).join(' \\/ ')};`),
		...jobs.flatMap(({ after, id }, j) =>
			after.map(({ id: before, lag }) => {
				const b = jobs.findIndex((job) => job.id === before)
				return `constraint s${j} >= s${b} + ${jobs[b]!.minutes + lag}; % ${id}`
			}),
		),
		`constraint cumulative([${starts.join(',')}], [${jobs.map(({ minutes }) => minutes).join(',')}], [${jobs.map(() => 1).join(',')}], 1);`,
		laid.length > 0
			? `constraint cumulative([${laid.map(({ end }) => end).join(',')}], [${laid.map(({ minutes }) => minutes).join(',')}], [${laid.map(({ count }) => count).join(',')}], ${formers['tray'] ?? 0});`
			: '',
		...days.map(
			(day) =>
				`constraint ${jobs.map(({ minutes }, j) => `${minutes} * bool2int(${dayOf(j, day)})`).join(' + ')} <= ${mostMinutesOn?.[day] ?? mostMinutesADay};`,
		),
		`var int: late = ${jobs.map(({ minutes, deadline }, j) => `max(0, s${j} + ${minutes} - ${deadline})`).join(' + ')};`,
		`var int: days = ${days.map((day) => `bool2int(${jobs.map((_, j) => `(${dayOf(j, day)})`).join(' \\/ ')})`).join(' + ')};`,
		`constraint 1000 * late + days ${held};`,
		'solve satisfy;',
	].join('\n')
}
