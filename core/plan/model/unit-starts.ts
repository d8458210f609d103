/** When each unit of a task starts, tied to its runs: what waits piece by piece needs. */
import type { NormalInstance } from '../problem/normal-form'
import type { Expression, Literal } from './literal'
import type { ModelBuilder } from './model-builder'
import type { RunVariables } from './run-variables'

/** The start of each unit of a task, made when a piecewise wait first asks for them. */
export class UnitStarts {
	readonly #builder: ModelBuilder
	readonly #instance: NormalInstance
	readonly #runs: readonly (readonly RunVariables[])[]
	readonly byTask = new Map<number, readonly Expression[]>()

	constructor(builder: ModelBuilder, instance: NormalInstance, runs: readonly (readonly RunVariables[])[]) {
		this.#builder = builder
		this.#instance = instance
		this.#runs = runs
	}

	/** Starts of all units of a task, made when they are first asked for: most tasks need none. */
	of(i: number): readonly Expression[] {
		const known = this.byTask.get(i)
		if (known) return known
		const task = this.#instance.tasks[i]
		const own = this.#runs[i] ?? []
		const first = own[0]
		if (!task || !first) return []
		const starts = Array.from({ length: task.units }, (_, k): Expression => {
			if (own.length === 1) return { variable: first.start.variable, plus: k * task.unitMinutes }
			return { variable: this.#addUnit(first.start.variable), plus: 0 }
		})
		if (own.length > 1) this.#tie(starts, own, task.unitMinutes)
		this.byTask.set(i, starts)
		return starts
	}

	/** A variable with the span of the run that the unit belongs to. */
	#addUnit(like: number): number {
		const { solver } = this.#builder
		return solver.addVariable(solver.trail.min(like), solver.trail.max(like))
	}

	/** A unit of run r starts so many units after it. */
	#tie(starts: readonly Expression[], runs: readonly RunVariables[], unitMinutes: number): void {
		const builder = this.#builder
		starts.forEach((unit, k) => {
			const next = starts[k + 1]
			if (next) builder.before(unit, next, unitMinutes)
			runs.forEach((run) => {
				const isInside: Literal[] = [
					[2 * run.unitsBefore.variable + 1, run.unitsBefore.plus - k],
					[2 * run.unitsAfter.variable, k + 1 - run.unitsAfter.plus],
				]
				const difference = [
					{ of: run.start, factor: 1 },
					{ of: run.unitsBefore, factor: -unitMinutes },
					{ of: unit, factor: -1 },
				]
				const conditions = isInside.filter(([side]) => side >> 1 !== builder.always)
				if (isInside.some(([side, value]) => builder.solver.trail.isFalse(side, value))) return
				builder.equal(difference, -k * unitMinutes, conditions)
			})
		})
	}
}
