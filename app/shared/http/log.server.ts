/** The server's log: one JSON object a line, into CALYCINE_LOG_FILE or standard output. */
import pino, { type DestinationStream } from 'pino'
import { createStream, type RotatingFileStream } from 'rotating-file-stream'
import path from 'node:path'

/** A file of so much gives way to the next one; so many are kept. */
const FILE_SIZE = '10M'
const FILES_KEPT = 5
/** A disk that is full is tried again after so long; what is to be logged meanwhile is lost, and nothing else. */
const RETRY_MS = 10_000
const PLACES_TOLD = 4
const CHARACTERS_TOLD = 160

export const log = pino(
	{
		level: process.env['CALYCINE_LOG_LEVEL'] ?? 'info',
		base: null,
		serializers: { err: briefError },
	},
	destination(process.env['CALYCINE_LOG_FILE']),
)

function destination(file: string | undefined): DestinationStream {
	if (file === undefined) return pino.destination({ dest: 1, sync: false })
	let stream: RotatingFileStream | undefined = open()
	function open(): RotatingFileStream {
		const opened = createStream(path.basename(file ?? ''), {
			path: path.dirname(file ?? ''),
			size: FILE_SIZE,
			maxFiles: FILES_KEPT,
		})
		opened.on('error', () => {
			if (stream !== opened) return
			stream = undefined
			setTimeout(() => {
				stream = open()
			}, RETRY_MS).unref()
		})
		return opened
	}
	return { write: (line) => void stream?.write(line) }
}

interface BriefError {
	type: string
	code?: string | number
	/** Its first line, of our own code and of the platform. */
	message?: string
	place: string[]
}

/**
 * What a log may know of a failure. The text of a database's error holds the statement with its values, people's names
 * and allergies among them: only its code is kept.
 */
export function briefError(error: unknown): BriefError {
	if (!(error instanceof Error)) return { type: typeof error, place: [] }
	const cause = 'original' in error && error.original instanceof Error ? error.original : error.cause
	const code = codeOf(error) ?? codeOf(cause)
	const isOfDatabase =
		'sql' in error || error.name.startsWith('Sequelize') || (cause instanceof Error && 'sql' in cause)
	return {
		type: error.name === 'Error' ? error.constructor.name : error.name,
		...(code !== undefined && { code }),
		...(!isOfDatabase && { message: error.message.split('\n')[0]?.slice(0, CHARACTERS_TOLD) ?? '' }),
		place: placesOf(error),
	}
}

function codeOf(error: unknown): string | number | undefined {
	if (typeof error !== 'object' || error === null) return undefined
	const code = 'code' in error ? error.code : 'errno' in error ? error.errno : undefined
	return typeof code === 'string' || typeof code === 'number' ? code : undefined
}

/** The innermost places of the stack, without its head, which repeats the message. */
function placesOf({ stack = '' }: Error): string[] {
	return stack
		.split('\n')
		.filter((line) => /^\s+at /.test(line))
		.slice(0, PLACES_TOLD)
		.map((line) => line.trim())
}
