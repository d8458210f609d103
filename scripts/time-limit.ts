/** `--time-ms N` of doors that search: how long they may; and what else such a door may be told. */
import { parseArgs } from 'node:util'
import { UsageError } from './json-door'

export interface TimeLimit {
	/** The other words of the command line; reads the limit and the options too. */
	readWords: () => string[]
	/** What an option of the door's own was given, once the words are read. */
	optionOf: (name: string) => string | undefined
	/** Whether the time since then is over. */
	isOverSince: (startedMs: number) => boolean
}

/**
 * @param usualMs - where the command line says nothing
 * @param names - of the door's own options, each with a value
 */
export function createTimeLimit(usualMs: number, names: readonly string[] = []): TimeLimit {
	let limitMs = usualMs
	let given: Record<string, string | undefined> = {}
	return {
		readWords: () => {
			const { values, positionals } = parse(names)
			given = values
			const limit = values['time-ms']
			if (limit !== undefined) {
				limitMs = Number(limit)
				if (!(Number.isInteger(limitMs) && limitMs > 0))
					throw new UsageError(`--time-ms must be whole milliseconds > 0, got ${limit}`)
			}
			return positionals
		},
		optionOf: (name) => given[name],
		isOverSince: (startedMs) => performance.now() - startedMs >= limitMs,
	}
}

function parse(names: readonly string[]) {
	const options = Object.fromEntries(['time-ms', ...names].map((name) => [name, { type: 'string' as const }]))
	try {
		const { values, positionals } = parseArgs({ options, allowPositionals: true })
		return { values: values as Record<string, string | undefined>, positionals }
	} catch (error) {
		throw new UsageError((error as Error).message)
	}
}
