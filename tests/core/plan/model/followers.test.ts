import { describe, expect, test } from 'vitest'
import { planExactly } from '../../../../core/plan/exact/plan-exactly'
import { findFollowers } from '../../../../core/plan/model/followers'
import type { Instance } from '../../../../core/plan/problem/instance'
import { normalise } from '../../../../core/plan/problem/normal-form'

/** Petals that she may make ahead; what they were shown for is also shown to the class, which makes other pieces. */
const shown: Instance = {
	name: 'shown',
	windows: [
		{ open: 0, close: 26, session: 1 },
		{ open: 100, close: 113, session: 2 },
	],
	tasks: [
		{ id: 'show', minutes: 4, demo: true },
		{ id: 'petals', minutes: 10, places: ['class', 'ahead'], prepMinutes: 1 },
		{ id: 'tape', units: 4, unitMinutes: 4 },
		{ id: 'leaves', minutes: 13 },
		{ id: 'dust', minutes: 3 },
	],
	arcs: [
		{ from: 'show', to: 'petals', lag: 0 },
		{ from: 'petals', to: 'tape', lag: 0 },
		{ from: 'show', to: 'leaves', lag: 0 },
		{ from: 'tape', to: 'dust', lag: 0 },
	],
}

/** An extra between, which may be left out: with the petals made ahead nothing is shown for the taping then. */
const withExtra: Instance = {
	name: 'with an extra',
	windows: [
		{ open: 0, close: 27, session: 1 },
		{ open: 100, close: 113, session: 2 },
	],
	tasks: [
		{ id: 'show', minutes: 4, demo: true },
		{ id: 'extra', minutes: 4, dropValue: 1 },
		{ id: 'petals', minutes: 10, places: ['class', 'ahead'], prepMinutes: 1 },
		{ id: 'tape', units: 3, unitMinutes: 5 },
		{ id: 'leaves', minutes: 9 },
		{ id: 'dust', minutes: 2 },
	],
	arcs: [
		{ from: 'show', to: 'extra', lag: 0 },
		{ from: 'extra', to: 'petals', lag: 0 },
		{ from: 'petals', to: 'tape', lag: 0 },
		{ from: 'show', to: 'leaves', lag: 0 },
		{ from: 'tape', to: 'dust', lag: 30 },
	],
}

/** Ids of what comes after each task, wholly or piece by piece. */
function followersOf(instance: Instance) {
	const normal = normalise(instance)
	const { wholly, inPieces } = findFollowers(normal)
	const named = (sets: readonly ReadonlySet<number>[]) =>
		Object.fromEntries(normal.tasks.map(({ id }, i) => [id, [...(sets[i] ?? [])].map((k) => normal.tasks[k]?.id)]))
	return { wholly: named(wholly), inPieces: named(inPieces) }
}

describe('what comes after a step', () => {
	test('is not what comes of pieces that she makes ahead, for a demonstration: she needs no showing', () => {
		expect(followersOf(shown).wholly).toMatchObject({ show: ['petals', 'leaves'], petals: ['tape', 'dust'] })
	})

	test('is nothing beyond an extra between, which may be left out', () => {
		expect(followersOf(withExtra).wholly).toMatchObject({
			show: ['extra', 'leaves'],
			extra: ['petals', 'tape', 'dust'],
		})
	})

	test('follows piece by piece for as long as nothing waits for all of them', () => {
		const pieces = (id: string) => ({ id, units: 4, unitMinutes: 2 })
		const { wholly, inPieces } = followersOf({
			name: 'pieces',
			windows: [{ open: 0, close: 90, session: 1 }],
			tasks: [pieces('cut'), pieces('vein'), pieces('dust'), { id: 'tape', minutes: 5 }],
			arcs: [
				{ from: 'cut', to: 'vein', lag: 0, piecewise: true },
				{ from: 'vein', to: 'dust', lag: 3, piecewise: true },
				{ from: 'dust', to: 'tape', lag: 0 },
			],
		})

		expect(wholly).toEqual({ cut: ['tape'], vein: ['tape'], dust: ['tape'], tape: [] })
		expect(inPieces.cut?.toSorted()).toEqual(['dust', 'tape', 'vein'])
	})
})

test('a demonstration and what may come before it never overlap, and the search for a better plan ends', () => {
	// It found the same overlapping plan again and again, since no order was ever asked for.
	expect(planExactly(shown, { nodes: 20_000 })).toMatchObject({ status: 'optimal', objective: { prepMinutes: 1 } })
	expect(planExactly(withExtra, { nodes: 20_000 }).status).toBe('optimal')
})
