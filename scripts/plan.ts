/**
 * `npm run -s plan -- instance.json [--time-ms N]`: the best plan found in that time, with what is proven of it:
 * `{ status, objective, proven, bounds, plan, ms, nodes }`.
 */
import { planExactly } from '../core/plan/exact/plan-exactly'
import { readInstance } from '../exchange/read-document'
import { runDoor, unwrap } from './json-door'
import { createTimeLimit } from './time-limit'

const limit = createTimeLimit(10_000)

runDoor(
	'plan',
	['instance.json'],
	([document]) => {
		const instance = readInstance(unwrap(document, 'instance'))
		const started = performance.now()
		const { status, objective, proven, bounds, plan, nodes } = planExactly(instance, {
			shouldStop: () => limit.isOverSince(started),
		})
		return { status, objective, proven, bounds, plan, ms: Math.round(performance.now() - started), nodes }
	},
	{ words: limit.readWords },
)
