import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { Solver, type SolveAnswer } from '../../../../core/plan/kernel/solver'

/** Three to five variables of 0..3, clauses of bound literals, and conditional sums. */
const anyProblem = fc.record({
	count: fc.integer({ min: 3, max: 5 }),
	clauses: fc.array(
		fc.array(fc.record({ x: fc.nat(4), isUpper: fc.boolean(), value: fc.integer({ min: 0, max: 3 }) }), {
			minLength: 1,
			maxLength: 4,
		}),
		{ maxLength: 8 },
	),
	sums: fc.array(
		fc.record({
			condition: fc.option(fc.record({ x: fc.nat(4), isUpper: fc.boolean(), value: fc.integer({ min: 0, max: 3 }) })),
			terms: fc.array(fc.record({ x: fc.nat(4), factor: fc.constantFrom(-2, -1, 1, 2, 3) }), {
				minLength: 1,
				maxLength: 4,
			}),
			bound: fc.integer({ min: -6, max: 6 }),
		}),
		{ maxLength: 6 },
	),
})
type Problem = typeof anyProblem extends fc.Arbitrary<infer T> ? T : never
type Bound = Problem['clauses'][number][number]

const holds = ({ x, isUpper, value }: Bound, values: readonly number[]) => {
	const own = values[x % values.length] ?? 0
	return isUpper ? own <= value : own >= value
}

function* allValues(count: number): Generator<number[]> {
	for (let code = 0; code < 4 ** count; code++) {
		yield Array.from({ length: count }, (_, x) => Math.floor(code / 4 ** x) % 4)
	}
}

function isSolution({ clauses, sums }: Problem, values: readonly number[]): boolean {
	const isFine = sums.every(({ condition, terms, bound }) => {
		const total = terms.reduce((sum, { x, factor }) => sum + factor * (values[x % values.length] ?? 0), 0)
		return (condition && !holds(condition, values)) || total <= bound
	})
	return isFine && clauses.every((clause) => clause.some((literal) => holds(literal, values)))
}

function build({ count, clauses, sums }: Problem) {
	const solver = new Solver()
	const variables = Array.from({ length: count }, () => solver.addVariable(0, 3))
	const literal = ({ x, isUpper, value }: Bound) => {
		const variable = variables[x % count] ?? 0
		return isUpper ? [2 * variable + 1, -value] : [2 * variable, value]
	}
	for (const variable of variables) solver.decideOn(variable)
	for (const clause of clauses) solver.addClause(clause.flatMap(literal))
	for (const { condition, terms, bound } of sums) {
		const bySide = new Map<number, number>()
		for (const { x, factor } of terms) {
			const side = 2 * (variables[x % count] ?? 0) + (factor < 0 ? 1 : 0)
			bySide.set(side, (bySide.get(side) ?? 0) + Math.abs(factor))
		}
		solver.addRule({ conditions: condition ? literal(condition) : [], terms: [...bySide].flat(), bound })
	}
	return { solver, variables, literal }
}

test('finds a solution exactly when there is one (all values tried)', () => {
	fc.assert(
		fc.property(anyProblem, (problem) => {
			const { solver, variables } = build(problem)
			const exists = [...allValues(problem.count)].some((values) => isSolution(problem, values))

			const { status } = solver.solve()

			expect(status).toBe(exists ? 'satisfied' : 'refuted')
			if (exists)
				expect(
					isSolution(
						problem,
						variables.map((x) => solver.trail.min(x)),
					),
				).toBe(true)
		}),
		{ numRuns: 1200, seed: 11 },
	)
})

test('blames assumptions that really cannot hold together, again and again on the same solver', () => {
	const anyQuestion = fc.array(
		fc.record({ x: fc.nat(4), isUpper: fc.boolean(), value: fc.integer({ min: 0, max: 3 }) }),
		{
			minLength: 1,
			maxLength: 4,
		},
	)
	fc.assert(
		fc.property(anyProblem, fc.array(anyQuestion, { minLength: 1, maxLength: 4 }), (problem, questions) => {
			const { solver, literal } = build(problem)
			const all = [...allValues(problem.count)].filter((values) => isSolution(problem, values))
			for (const question of questions) {
				const answer: SolveAnswer = solver.solve({ assumptions: question.flatMap(literal) })
				const isPossible = all.some((values) => question.every((bound) => holds(bound, values)))

				expect(answer.status).toBe(isPossible ? 'satisfied' : 'refuted')
				if (answer.status !== 'refuted') continue
				const { core } = answer
				const blamed = question.filter((bound) => {
					const [side, value] = literal(bound)
					return core.some((part, k) => k % 2 === 0 && part === side && core[k + 1] === value)
				})
				expect(all.some((values) => blamed.every((bound) => holds(bound, values)))).toBe(false)
			}
		}),
		{ numRuns: 600, seed: 12 },
	)
})

describe('the pigeonhole principle', () => {
	test.each([4, 5, 6])('%i pigeons do not fit one hole less', (pigeons) => {
		const solver = new Solver()
		const choices = Array.from({ length: pigeons }, () => {
			return Array.from({ length: pigeons - 1 }, () => {
				const variable = solver.addVariable(0, 1)
				solver.decideOn(variable)
				return variable
			})
		})
		for (const row of choices) solver.addClause(row.flatMap((x) => [2 * x, 1]))
		for (let hole = 0; hole < pigeons - 1; hole++) {
			const terms = choices.flatMap((row) => [2 * (row[hole] ?? 0), 1])
			solver.addRule({ conditions: [], terms, bound: 1 })
		}

		expect(solver.solve().status).toBe('refuted')
		expect(solver.isOpen).toBe(false)
	})
})

test('gives up at its limit of steps, and goes on from there when asked again', () => {
	const solver = new Solver()
	const pigeons = 8
	const choices = Array.from({ length: pigeons }, () =>
		Array.from({ length: pigeons - 1 }, () => {
			const variable = solver.addVariable(0, 1)
			solver.decideOn(variable)
			return variable
		}),
	)
	for (const row of choices) solver.addClause(row.flatMap((x) => [2 * x, 1]))
	for (let hole = 0; hole < pigeons - 1; hole++) {
		for (let a = 0; a < pigeons; a++) {
			for (let b = a + 1; b < pigeons; b++) {
				solver.addClause([2 * (choices[a]?.[hole] ?? 0) + 1, 0, 2 * (choices[b]?.[hole] ?? 0) + 1, 0])
			}
		}
	}

	expect(solver.solve({ steps: 100 }).status).toBe('stopped')
	expect(solver.solve({ shouldStop: () => true }).status).toBe('stopped')
	expect(solver.solve().status).toBe('refuted')
})

test('refuses a variable without values', () => {
	expect(() => new Solver().addVariable(3, 2)).toThrow('min <= max, got 3 and 2')
})
