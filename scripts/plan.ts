/**
 * `npm run -s plan -- instance.json [--time-ms N] [--levels 1]`: the best plan found in that time, with what is proven of
 * it: `{ status, objective, proven, bounds, plan, ms, nodes }`. Levels 1 are those that plans were judged by at first.
 */
import { planExactly } from '../core/plan/exact/plan-exactly'
import { FIRST_LEVELS, OBJECTIVE_LEVELS } from '../core/plan/problem/objective'
import { readInstance } from '../exchange/read-document'
import { runDoor, unwrap, UsageError } from './json-door'
import { createTimeLimit } from './time-limit'

const limit = createTimeLimit(10_000, ['levels'])

runDoor(
	'plan',
	['instance.json'],
	([document]) => {
		const levels = levelsOf(limit.optionOf('levels'))
		const instance = readInstance(unwrap(document, 'instance'))
		const started = performance.now()
		const { status, objective, proven, bounds, plan, nodes } = planExactly(instance, {
			levels,
			shouldStop: () => limit.isOverSince(started),
		})
		return { status, objective, proven, bounds, plan, ms: Math.round(performance.now() - started), nodes }
	},
	{ words: limit.readWords },
)

/** @throws {UsageError} there are no such levels */
function levelsOf(given = '2') {
	if (given !== '1' && given !== '2') throw new UsageError(`--levels must be 1 or 2, got ${given}`)
	return given === '1' ? FIRST_LEVELS : OBJECTIVE_LEVELS
}
