/** Advice: what is surely off and worth minutes; nothing where chance alone could have done it. */
import { describe, expect, test } from 'vitest'
import { advise, atMostChance, type Advised } from '../../../core/learn/advice'
import type { PartObservation } from '../../../core/learn/learnt'
import { MinutesBelief, type MinutesObservation } from '../../../core/learn/minutes-belief'

const occasion = (k: number, step: string, real: number): MinutesObservation => ({
	...{ id: `${step} ${k}`, classId: `class ${k}`, date: `2026-01-${10 + k}`, level: 'practised', step },
	...{ statedMinutes: 20, studentCount: 1, doneCount: 1, from: real, to: real },
})
const head = (k: number) => ({ classId: `class ${k}`, date: `2026-01-${10 + k}` })
/** So many classes of steps that take what they state, and of these others. */
function classes(count: number, others: Record<string, number>): MinutesObservation[] {
	return Array.from({ length: count }, (_, k) => [
		...['a', 'b', 'c', 'd'].map((step) => occasion(k, step, 20)),
		...Object.entries(others).map(([step, real]) => occasion(k, step, real)),
	]).flat()
}
const NOTHING: Advised = { minutes: [], breakage: [], paste: [], wires: [], queues: [] }
const adviceOf = (minutes: MinutesObservation[]) => {
	return advise({ ...NOTHING, minutes }, new MinutesBelief(minutes))
}

describe('of steps', () => {
	test('names what is always late and what is always early, the dearest first, and nothing else', () => {
		const told = adviceOf(classes(8, { slow: 34, slower: 44, quick: 11 }))
		expect(told.map((own) => [own.kind, 'step' in own && own.step])).toEqual([
			['late', 'slower'],
			['late', 'slow'],
			['early', 'quick'],
		])
		const [first] = told
		if (first?.kind !== 'late') throw new Error('not late')
		// Of 24 minutes more than stated, most are believed after eight classes.
		expect(first.minutes).toBeGreaterThan(14)
		expect(first.minutes).toBeLessThan(24)
	})

	test('says nothing of two classes, however late', () => {
		expect(adviceOf(classes(2, { slow: 60 }))).toEqual([])
	})
})

describe('of what breaks', () => {
	const part = (made: number, broken: number, level: PartObservation['level'] = 'practised'): PartObservation => {
		return { id: `${made} ${broken}`, part: 'petals', level, stated: 0.1, made, broken }
	}
	const adviceFor = (...breakage: PartObservation[]) => {
		return advise({ ...NOTHING, breakage }, new MinutesBelief([])).map(({ kind }) => kind)
	}

	test('tells sturdy from fragile, and both from chance', () => {
		expect(adviceFor(part(200, 4))).toEqual(['sturdy'])
		expect(adviceFor(part(200, 45))).toEqual(['fragile'])
		expect(adviceFor(part(200, 22))).toEqual([])
		expect(adviceFor(part(10, 0))).toEqual([])
		// As many as children are known to break.
		expect(adviceFor(part(200, 36, 'children'))).toEqual([])
	})

	test('takes Poisson’s distribution as it is in tables', () => {
		// Mean 4: at most 2 with 0.2381, at most 7 with 0.9489 (any table of the distribution; from memory).
		expect(atMostChance(4, 2)).toBeCloseTo(0.2381, 4)
		expect(atMostChance(4, 7)).toBeCloseTo(0.9489, 4)
		expect(atMostChance(4, -1)).toBe(0)
	})
})

test('of paste says what is always over, and nothing of what is as reckoned', () => {
	const paste = (name: string, usedG: number) => {
		return Array.from({ length: 8 }, (_, k) => ({ id: `${name} ${k}`, ...head(k), paste: name, reckonedG: 100, usedG }))
	}
	const told = advise(
		{ ...NOTHING, paste: [...paste('gum paste', 70), ...paste('flower paste', 101)] },
		new MinutesBelief([]),
	)
	expect(told.map((own) => [own.kind, 'paste' in own && own.paste])).toEqual([['over', 'gum paste']])
})

test('of wires says what comes back from every class, and nothing of two classes or of one that used them', () => {
	const wires = (wire: string, used: readonly number[]) => {
		return used.map((pieces, k) => ({ id: `${wire} ${k}`, ...head(k), wire, handed: 100, used: pieces }))
	}
	const told = advise(
		{
			...NOTHING,
			wires: [
				...wires('26 gauge white', [80, 90, 70]),
				...wires('20 gauge green', [60, 60]),
				...wires('24 gauge white', [60, 95, 60]),
			],
		},
		new MinutesBelief([]),
	)
	expect(told).toEqual([{ kind: 'spare wires', wire: '26 gauge white', handed: 300, used: 240, classes: 3 }])
})

test('of tools says what two or more waited for in half of the classes, by the longest queue of each', () => {
	const queue = (tool: string, waiting: readonly number[]) => {
		return waiting.map((many, k) => ({ id: `${tool} ${k}`, ...head(k), tool, waiting: many, studentCount: 8 }))
	}
	const told = advise(
		{
			...NOTHING,
			queues: [
				...queue('ball tool', [2, 3, 2]),
				...queue('petal veiner', [5, 2, 0, 2]),
				// An evening later the same class waited less: it is one class.
				{ id: 'again', ...head(0), tool: 'petal veiner', waiting: 1, studentCount: 8 },
				...queue('glue brush', [1, 1, 1]),
				...queue('leaf veiner', [4, 4, 4, 0, 0, 0, 0]),
			],
		},
		new MinutesBelief([]),
	)
	expect(told).toEqual([
		{ kind: 'queue', tool: 'petal veiner', most: 5, classes: 3, of: 4 },
		{ kind: 'queue', tool: 'ball tool', most: 3, classes: 3, of: 3 },
	])
})
