import { describe, expect, test } from 'vitest'
import { planExactly } from '../../../../core/plan/exact/plan-exactly'
import type { Instance } from '../../../../core/plan/problem/instance'
import { findPinConflict } from '../../../../core/plan/pins/find-pin-conflict'
import { findBrokenPins, type Pin } from '../../../../core/plan/pins/pin'
import { classInstance } from '../../../support/class-instance'

const evenings: Instance = {
	name: 'two evenings',
	windows: [
		{ open: 0, close: 60, session: 1 },
		{ open: 1440, close: 1500, session: 2 },
	],
	tasks: [
		{ id: 'cut', units: 4, unitMinutes: 5 },
		{ id: 'shape', minutes: 20, places: ['class', 'ahead'], teachValue: 3, prepMinutes: 15 },
		{ id: 'join', minutes: 15 },
		{ id: 'leaf', minutes: 10 },
	],
	arcs: [
		{ from: 'cut', to: 'join', lag: 0 },
		{ from: 'shape', to: 'join', lag: 30, swapPrep: 25 },
	],
}

describe('a plan keeps its pins', () => {
	test.each<{ name: string; pins: Pin[] }>([
		{ name: 'a session', pins: [{ kind: 'session', task: 'leaf', session: 2 }] },
		{ name: 'a start', pins: [{ kind: 'start', task: 'shape', minute: 7 }] },
		{ name: 'an order', pins: [{ kind: 'before', first: 'join', second: 'leaf' }] },
		{ name: 'a place', pins: [{ kind: 'place', task: 'shape', place: 'ahead' }] },
		{ name: 'a swap', pins: [{ kind: 'swap', arc: 1, isSwapped: true }] },
		{ name: 'no swap', pins: [{ kind: 'swap', arc: 1, isSwapped: false }] },
		{
			name: 'beside one another',
			pins: [
				{ kind: 'beside', first: 'leaf', second: 'join' },
				{ kind: 'session', task: 'join', session: 2 },
			],
		},
		{ name: 'no earlier', pins: [{ kind: 'notBefore', task: 'cut', minute: 31 }] },
		{
			name: 'what is done',
			pins: [
				{ kind: 'done', task: 'cut', place: 'class', runs: [{ start: 3, units: 2 }] },
				{ kind: 'notBefore', task: 'cut', minute: 40 },
				{ kind: 'notBefore', task: 'leaf', minute: 40 },
			],
		},
	])('$name', ({ pins }) => {
		const free = planExactly(evenings)
		const { plan, status } = planExactly(evenings, { pins })

		expect(status).toBe('optimal')
		expect(findBrokenPins(evenings, plan ?? { placements: {}, swaps: [], extension: 0 }, pins)).toEqual([])
		// The pin says something: without it, the best plan is another.
		if (pins.some(({ kind }) => kind !== 'swap')) {
			const { plan: other } = free
			expect(other && findBrokenPins(evenings, other, pins).length).toBeGreaterThan(0)
		}
	})
})

describe('pins that cannot hold together', () => {
	test('the fewest that conflict are named, and no other', () => {
		const pins: Pin[] = [
			{ kind: 'session', task: 'leaf', session: 2 },
			{ kind: 'session', task: 'join', session: 1 },
			{ kind: 'start', task: 'shape', minute: 15 },
			{ kind: 'swap', arc: 1, isSwapped: false },
		]

		expect(findPinConflict(evenings, pins)).toEqual({ status: 'conflict', pins: pins.slice(1) })
	})

	test('one that is impossible by itself is named alone', () => {
		const pins: Pin[] = [
			{ kind: 'session', task: 'leaf', session: 1 },
			{ kind: 'start', task: 'leaf', minute: 45 },
			{ kind: 'before', first: 'join', second: 'cut' },
		]

		expect(findPinConflict(evenings, pins)).toEqual({ status: 'conflict', pins: [pins[2]] })
		expect(findPinConflict(evenings, [])).toEqual({ status: 'fits' })
	})

	test('a pin of an unknown task is refused', () => {
		const pins: Pin[] = [{ kind: 'start', task: 'petal', minute: 3 }]

		expect(() => planExactly(evenings, { pins })).toThrow('names the task "petal"')
	})
})

test('in the middle of a class: what is done stays, the rest is planned from now on', () => {
	const instance = classInstance(2, 20)
	const { plan } = planExactly(instance, { nodes: 3000 })
	const now = (instance.windows[0]?.open ?? 0) + 45
	const pins = Object.entries(plan?.placements ?? {}).flatMap(([task, placement]): Pin[] => {
		if (!('runs' in placement)) return []
		const done = placement.runs.filter(({ start }) => start < now)
		const later: Pin = { kind: 'notBefore', task, minute: now }
		return done.length > 0 ? [{ kind: 'done', task, place: placement.place, runs: done }, later] : [later]
	})

	const replanned = planExactly(instance, { pins, nodes: 3000, ...(plan && { start: plan }) })

	expect(replanned.plan && findBrokenPins(instance, replanned.plan, pins)).toEqual([])
})
