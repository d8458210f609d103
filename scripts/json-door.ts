/** The command-line doors: a JSON file in, JSON out, and what is wrong with the input in words. */
import { readFileSync } from 'node:fs'
import { InputError } from '../core/errors'
import { placed } from '../exchange/problem-place'

/** Wrong use of a door; its message is all that is said. */
export class UsageError extends Error {}

interface DoorTerms {
	/** The files of the command line; absent: all of its words. */
	words?: () => readonly string[]
	/** Problems are answered as JSON too. */
	hasJsonProblems?: boolean
}

/**
 * Runs a door with the files of the command line and prints what it returns as JSON.
 * A refused input is told on standard error, a problem a line, with exit code 1; wrong use with exit code 2.
 *
 * @param argumentNames - as in `instance.json plan.json`
 */
export function runDoor(
	command: string,
	argumentNames: readonly string[],
	door: (documents: unknown[]) => object,
	{ words = () => process.argv.slice(2), hasJsonProblems = false }: DoorTerms = {},
): void {
	try {
		const files = words()
		if (files.length !== argumentNames.length)
			throw new UsageError(`usage: npm run -s ${command} -- ${USAGES[command] ?? argumentNames.join(' ')}`)
		console.log(JSON.stringify(door(files.map(readJson))))
	} catch (error) {
		if (error instanceof InputError) {
			if (hasJsonProblems) console.log(JSON.stringify({ problems: error.problems.map(placed) }))
			else for (const { path, message } of error.problems.map(placed)) console.error(`${path} ${message}`.trim())
			process.exitCode = 1
		} else if (error instanceof UsageError) {
			console.error(error.message)
			process.exitCode = 2
		} else throw error
	}
}

/** Where there is more to say than the files. */
const USAGES: Record<string, string> = {
	course: 'course.json [--time-ms N]',
	design: 'file.json [--choose axis=option ...]',
	plan: 'instance.json [--time-ms N]',
	rehearse: 'course.json [--classes N] [--seed N]',
}

/** The document under `key` of an envelope, as check files and the other door's answers have it, or the document itself. */
export function unwrap(document: unknown, key: string): unknown {
	const isEnvelope = typeof document === 'object' && document !== null && key in document
	return isEnvelope ? (document as Record<string, unknown>)[key] : document
}

function readJson(file: string): unknown {
	let text: string
	try {
		text = readFileSync(file, 'utf8')
	} catch (error) {
		throw new UsageError(`${file} cannot be read: ${(error as Error).message}`)
	}
	try {
		return JSON.parse(text)
	} catch (error) {
		throw new UsageError(`${file} is not JSON: ${(error as Error).message}`)
	}
}
