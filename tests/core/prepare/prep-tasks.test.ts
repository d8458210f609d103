/** Work before class: what there is of it, and how it lies in her free time. */
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { listFreeSpans, USUAL_FREE_TIME, type FreeSpan } from '../../../core/prepare/free-time'
import { layPreparation } from '../../../core/prepare/lay-preparation'
import { listPrepTasks, type CourseToPrepare, type PrepTask } from '../../../core/prepare/prep-tasks'
import { minutesAhead } from '../../../core/plan/tell/drying-ahead'
import { addDays } from '../../../core/time/calendar'
import { toMoment, type WallTime } from '../../../core/time/wall-clock'
import { instantOf } from '../../../core/time/zone'
import { packDemo } from '../../support/demo-kit'

const ZONE = 'Europe/London'

function prepared(name: string, id = 1): CourseToPrepare {
	const { course, story, kit, designs } = packDemo(name)
	return { id, sessions: course.sessions, story, kit, designs }
}

const taster = prepared('Calla lily taster')
const first = taster.sessions[0]!
const tasks = listPrepTasks(taster)
const of = (kind: PrepTask['work']['kind']) => tasks.filter(({ work }) => work.kind === kind)

describe('the work before a course', () => {
	test('has what is brought dry: long enough before the class that it is dry, after its wires and its glue', () => {
		const [make] = of('make')
		const [swap] = taster.story.swaps
		const start = instantOf({ date: first.date, minuteOfDay: first.startMin }, ZONE)

		expect(make?.minutes).toBe(swap?.prepMinutes)
		expect(start - instantOf(make!.latest, ZONE)).toBe(60_000 * Math.ceil(minutesAhead(swap!.wait)))
		expect(make?.after.map(({ id }) => id)).toEqual(expect.arrayContaining([of('wires')[0]?.id, of('glue')[0]?.id]))
		expect(make).toMatchObject({ isDrying: true, work: { isBrought: true } })
	})

	test('has each thing once, each with an id of its own, and nothing waits for what there is not', () => {
		const ids = tasks.map(({ id }) => id)

		expect(new Set(ids).size).toBe(ids.length)
		for (const { after } of tasks) for (const { id } of after) expect(ids).toContain(id)
		for (const kind of ['print', 'tools', 'pack', 'glue'] as const) expect(of(kind).length).toBe(1)
		expect(tasks.every(({ minutes }) => Number.isInteger(minutes) && minutes >= 1)).toBe(true)
	})

	test('is the same, task for task, for the same course', () => {
		expect(listPrepTasks(prepared('Calla lily taster'))).toEqual(tasks)
	})

	test('that nobody does in one go is done in parts, and what waits for it waits for the last', () => {
		const many = listPrepTasks({ ...taster, kit: { ...taster.kit, studentCount: 40 } })
		const parts = many.filter(({ work }) => work.kind === 'pack')

		expect(parts.map(({ minutes }) => minutes)).toEqual([54, 55, 55])
		expect(parts[2]?.id).toBe(of('pack')[0]?.id)
		expect(parts[2]?.after).toEqual([{ id: parts[1]?.id, lag: 0 }])
	})

	test('goes on between sessions: each tray is looked at when it is ready, before it is needed', () => {
		const weekly = prepared('Magnolia on Thursdays')
		const looks = listPrepTasks(weekly).filter(({ work }) => work.kind === 'look')

		expect(looks.length).toBeGreaterThan(0)
		for (const { earliest, latest } of looks) expect(toMoment(earliest) < toMoment(latest)).toBe(true)
	})
})

test('what dries longer than the first session is away is still for the session that goes on with it', () => {
	const weekly = prepared('Magnolia on Thursdays')
	const [thread] = weekly.story.threads
	const wait = { ...thread!.wait, p90Minutes: 14 * 1440 }
	const swap = {
		...{ fromTaskId: thread!.fromTaskId, toTaskIds: [thread!.toTaskId], stage: thread!.stage, wait },
		...{ prepMinutes: 30, neededAt: { session: 1, minute: 1150 } },
	}
	const made = listPrepTasks({ ...weekly, story: { ...weekly.story, swaps: [swap] } }).find(
		({ work }) => work.kind === 'make',
	)

	expect(made?.forDate).toBe(weekly.sessions[1]?.date)
	expect(made!.latest.date < weekly.sessions[0]!.date).toBe(true)
})

describe('with fewer places to dry on than pieces', () => {
	const now: WallTime = { date: addDays(first.date, -5), minuteOfDay: 8 * 60 }
	const places = { 'upright in foam': 4 }
	const narrow = listPrepTasks({ ...taster, places })
	const makes = narrow.filter(({ work }) => work.kind === 'make')
	const lay = (room: Record<string, number>, done?: Map<string, WallTime>) =>
		layPreparation(narrow, {
			...{ zone: ZONE, now, freeTime: USUAL_FREE_TIME, busy: taster.sessions, places: room },
			...(done && { done }),
		})
	const endsOf = ({ laid }: ReturnType<typeof lay>) =>
		laid.filter(({ task }) => task.lies !== undefined).map(({ end }) => instantOf(end, ZONE))

	test('pieces are made in goes, each no more than have room, all of them together', () => {
		expect(makes.map(({ lies }) => lies?.count)).toEqual([3, 3, 4])
		expect(makes.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(taster.story.swaps[0]?.prepMinutes)
		expect(listPrepTasks({ ...taster, places: { 'upright in foam': 10 } })).toHaveLength(tasks.length)
	})

	test('of which there is one, each piece is a go, in however few minutes: none asks for more room than there is', () => {
		const swaps = taster.story.swaps.map((swap) => ({ ...swap, prepMinutes: 4 }))
		const story = { ...taster.story, swaps }
		const goes = listPrepTasks({ ...taster, story, places: { 'upright in foam': 1 } }).filter(({ lies }) => lies)

		expect(goes.map(({ lies }) => lies?.count)).toEqual(Array<number>(10).fill(1))
		expect(goes.every(({ minutes }) => minutes === 1)).toBe(true)
	})

	test('the next go is laid when those of the one before are dry; with room for all it need not wait', () => {
		const apart = (ends: number[]) => ends.slice(1).map((end, e) => end - ends[e]!)
		const dry = 60_000 * makes[0]!.dryMinutes!

		expect(apart(endsOf(lay(places))).every((gap) => gap >= dry)).toBe(true)
		expect(apart(endsOf(lay({ 'upright in foam': 10 }))).some((gap) => gap < dry)).toBe(true)
	})

	test('what was made already lies there until it is dry', () => {
		const [made] = makes
		const next = endsOf(lay(places, new Map([[made!.id, now]])))[0]!

		expect(next - instantOf(now, ZONE)).toBeGreaterThanOrEqual(60_000 * made!.dryMinutes!)
	})
})

describe('laid into her free time', () => {
	const now: WallTime = { date: addDays(first.date, -5), minuteOfDay: 8 * 60 }
	const busy = taster.sessions
	const terms = { zone: ZONE, now, freeTime: USUAL_FREE_TIME, busy }
	const laid = layPreparation(tasks, terms)
	const startOf = (id: string) => laid.laid.find(({ task }) => task.id === id)

	test('all of it is in time, in free spans, one thing after another, with its waits', () => {
		expect([laid.unplaced, laid.objective.late]).toEqual([[], 0])
		const spans = listFreeSpans(USUAL_FREE_TIME, now.date, 14, busy)
		for (const { task, start, end } of laid.laid) {
			const isInside = ({ date, startMin, endMin }: FreeSpan) =>
				date === start.date && startMin <= start.minuteOfDay && end.minuteOfDay <= endMin
			expect(spans.some(isInside)).toBe(true)
			for (const { id, lag } of task.after) {
				const before = startOf(id)!
				expect(instantOf(start, ZONE) - instantOf(before.end, ZONE)).toBeGreaterThanOrEqual(60_000 * lag)
			}
		}
		laid.laid.slice(1).forEach(({ start }, i) => {
			expect(toMoment(laid.laid[i]!.end) <= toMoment(start)).toBe(true)
		})
		expect(laid.proven).toEqual(['unplaced', 'late', 'days', 'age', 'drying'])
	})

	test('what is done is gone, and nothing waits for it any more', () => {
		const done = new Map([of('wires')[0]!.id, of('glue')[0]!.id].map((id) => [id, now]))
		const rest = layPreparation(tasks, { ...terms, done })

		expect(rest.laid.length).toBe(tasks.length - 2)
		expect(rest.unplaced).toEqual([])
	})

	test('what is done still rests and dries: glue that was just mixed is not used yet', () => {
		const [glue] = of('glue')
		const [make] = of('make')
		const lag = make!.after.find(({ id }) => id === glue!.id)!.lag
		const rest = layPreparation(tasks, { ...terms, done: new Map([[glue!.id, now]]) })
		const begun = rest.laid.find(({ task }) => task.id === make!.id)!.start

		expect(lag).toBeGreaterThan(0)
		expect(instantOf(begun, ZONE) - instantOf(now, ZONE)).toBeGreaterThanOrEqual(60_000 * lag)
	})

	test('a day that she has settled holds, and what depends on it comes after', () => {
		const [wires] = of('wires')
		const day = addDays(now.date, 2)
		const moved = layPreparation(tasks, { ...terms, settled: new Map([[wires!.id, day]]) })

		const own = moved.laid.find(({ task }) => task.id === wires!.id)!
		expect(own.start.date).toBe(day)
		const make = moved.laid.find(({ task }) => task.work.kind === 'make')!
		expect(toMoment(own.end) <= toMoment(make.start)).toBe(true)
	})

	test('what cannot fit is proven at once, with how much is lacking; without free time nothing has a place', () => {
		const scarce = { ...USUAL_FREE_TIME, weekly: [{ weekday: 4, startMin: 540, endMin: 590 }] }
		const short = layPreparation(tasks, { ...terms, freeTime: scarce }, { steps: 0 })
		const none = layPreparation(tasks, { ...terms, freeTime: { ...USUAL_FREE_TIME, weekly: [] } })

		expect(short.overload?.lackingMinutes).toBeGreaterThan(0)
		expect(short.objective.unplaced + short.objective.late).toBeGreaterThan(0)
		expect(none.unplaced.length).toBe(tasks.length)
	})

	test('several courses share the same hands', () => {
		const both = [...tasks, ...listPrepTasks(prepared('Magnolia on Thursdays', 2))]
		const shared = layPreparation(both, terms, { steps: 100_000 })
		const sorted = shared.laid.map(({ start, end }) => [toMoment(start), toMoment(end)] as const)

		expect(shared.laid.length + shared.unplaced.length).toBe(both.length)
		sorted.slice(1).forEach(([start], i) => expect(sorted[i]![1] <= start).toBe(true))
		expect(new Set(shared.laid.map(({ task }) => task.courseId)).size).toBe(2)
	})
})

describe('free time', () => {
	const span = fc
		.tuple(fc.integer({ min: 0, max: 1400 }), fc.integer({ min: 1, max: 300 }))
		.map(([startMin, minutes]) => ({ startMin, endMin: Math.min(1440, startMin + minutes) }))
	const dated = fc.tuple(fc.nat(6), span).map(([day, own]) => ({ ...own, date: addDays('2026-03-23', day) }))
	const weekly = fc.array(
		fc.tuple(fc.integer({ min: 1, max: 7 }), span).map(([weekday, own]) => ({ ...own, weekday })),
		{
			maxLength: 8,
		},
	)

	test('is just those minutes of the pattern, or of the exception, in which nothing else is', () => {
		fc.assert(
			fc.property(weekly, fc.array(dated, { maxLength: 4 }), fc.option(dated), (pattern, busy, other) => {
				const exceptions = other ? [{ date: other.date, spans: [other] }] : []
				const spans = listFreeSpans({ weekly: pattern, exceptions, mostMinutesADay: 1440 }, '2026-03-23', 7, busy)
				// Monday is the first day.
				for (let day = 0; day < 7; day++) {
					const date = addDays('2026-03-23', day)
					const own = other?.date === date ? [other] : pattern.filter(({ weekday }) => weekday === day + 1)
					for (let minute = 0; minute < 1440; minute += 7) {
						const holds = (one: { startMin: number; endMin: number }) => one.startMin <= minute && minute < one.endMin
						const isFree = own.some(holds) && !busy.some((one) => one.date === date && holds(one))
						expect(spans.filter((one) => one.date === date && holds(one)).length).toBe(isFree ? 1 : 0)
					}
				}
			}),
			{ numRuns: 60 },
		)
	})
})
