/** `--time-ms N` of doors that search: how long they may. */
import { parseArgs } from 'node:util'
import { UsageError } from './json-door'

export interface TimeLimit {
	/** The other words of the command line; reads the limit too. */
	readWords: () => string[]
	/** Whether the time since then is over. */
	isOverSince: (startedMs: number) => boolean
}

/** @param usualMs - where the command line says nothing */
export function createTimeLimit(usualMs: number): TimeLimit {
	let limitMs = usualMs
	return {
		readWords: () => {
			const { values, positionals } = parse()
			const limit = values['time-ms']
			if (limit !== undefined) {
				limitMs = Number(limit)
				if (!(Number.isInteger(limitMs) && limitMs > 0))
					throw new UsageError(`--time-ms must be whole milliseconds > 0, got ${limit}`)
			}
			return positionals
		},
		isOverSince: (startedMs) => performance.now() - startedMs >= limitMs,
	}
}

function parse() {
	try {
		return parseArgs({ options: { 'time-ms': { type: 'string' } }, allowPositionals: true })
	} catch (error) {
		throw new UsageError((error as Error).message)
	}
}
