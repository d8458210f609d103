import { describe, expect, test } from 'vitest'
import type { Session } from '../../../../core/course/course'
import type { CompiledCourse } from '../../../../core/plan/compile/compiled-course'
import type { Plan } from '../../../../core/plan/problem/plan'
import { layTasks } from '../../../../core/plan/tell/plan-story'
import { spinThreads } from '../../../../core/plan/tell/threads'
import { NO_ZONE } from '../../../../core/time/zone'

const session: Session = {
	date: '2026-03-05',
	startMin: 600,
	endMin: 720,
	setUpMinutes: 0,
	clearAwayMinutes: 0,
	breaks: [],
}

/** Six petals cut in five minutes each and dusted in three; three to a flower where they are glued. */
function threadOf(arc: object, dusting: { units: number; unitMinutes: number }, starts: [number, number][]) {
	const compiled: CompiledCourse = {
		instance: {
			name: 'petals',
			windows: [{ open: 0, close: 120, session: 1 }],
			tasks: [
				{ id: 'cut', units: 6, unitMinutes: 5 },
				{ id: 'next', ...dusting },
			],
			arcs: [{ from: 'cut', to: 'next', lag: 10, ...arc }],
		},
		origin: { date: session.date, minuteOfDay: 600, zone: NO_ZONE },
		tasks: {},
		arcs: [{ stage: 'skin', wait: { key: 'w', basis: 'stated', plannedMinutes: 10, usualMinutes: 10 } }],
	}
	const plan: Plan = {
		placements: {
			cut: { place: 'class', runs: [{ start: 0, units: 6 }] },
			next: { place: 'class', runs: starts.map(([start, units]) => ({ start, units })) },
		},
		swaps: [],
		extension: 0,
	}
	return spinThreads(compiled, plan, layTasks(compiled, plan), [session])
}

describe('the piece that waits least', () => {
	test('goes on piece by piece: the sixth is cut by 10:30 and dusted from 10:45 on, so it waits 15 minutes', () => {
		const [thread, ...others] = threadOf({ piecewise: true }, { units: 6, unitMinutes: 3 }, [[30, 6]])

		expect(others).toEqual([])
		expect(thread).toMatchObject({
			hangsMinutes: 0,
			least: { from: { session: 0, minute: 630 }, to: { session: 0, minute: 645 }, minutes: 15 },
		})
	})

	test('is reckoned for each run by itself', () => {
		const threads = threadOf({ piecewise: true }, { units: 6, unitMinutes: 8 }, [
			[30, 3],
			[70, 3],
		])

		// The first is cut by 5 and taken up at 30; the fourth by 20 and at 70.
		expect(threads.map(({ least }) => least.minutes)).toEqual([25, 50])
	})

	test('of three to a flower is the third', () => {
		const [thread] = threadOf({}, { units: 2, unitMinutes: 20 }, [[45, 2]])

		// The first flower's last petal is cut by 15 and glued from 45 on, the second's by 30 and from 65 on.
		expect(thread).toMatchObject({ hangsMinutes: 15, least: { minutes: 30, from: { minute: 615 } } })
	})

	test('of what is put together at once is the last of all', () => {
		const [thread] = threadOf({}, { units: 1, unitMinutes: 20 }, [[45, 1]])

		expect(thread).toMatchObject({ hangsMinutes: 15, least: { minutes: 15, from: { minute: 630 } } })
	})
})
