/**
 * `npm run -s plan -- instance.json [--time-ms N]`: the best plan found in that time, with what is proven of it:
 * `{ status, objective, proven, bounds, plan, ms, nodes }`.
 */
import { parseArgs } from 'node:util'
import { planExactly } from '../core/plan/exact/plan-exactly'
import { readInstance } from '../exchange/read-document'
import { runDoor, unwrap, UsageError } from './json-door'

const DEFAULT_TIME_MS = 10_000

let timeMs = DEFAULT_TIME_MS

runDoor(
	'plan',
	['instance.json'],
	([document]) => {
		const instance = readInstance(unwrap(document, 'instance'))
		const started = performance.now()
		const { status, objective, proven, bounds, plan, nodes } = planExactly(instance, {
			shouldStop: () => performance.now() - started >= timeMs,
		})
		return { status, objective, proven, bounds, plan, ms: Math.round(performance.now() - started), nodes }
	},
	readWords,
)

function readWords(): string[] {
	const { values, positionals } = parse()
	const limit = values['time-ms']
	if (limit !== undefined) {
		timeMs = Number(limit)
		if (!(Number.isInteger(timeMs) && timeMs > 0))
			throw new UsageError(`--time-ms must be whole milliseconds > 0, got ${limit}`)
	}
	return positionals
}

function parse() {
	try {
		return parseArgs({ options: { 'time-ms': { type: 'string' } }, allowPositionals: true })
	} catch (error) {
		throw new UsageError((error as Error).message)
	}
}
