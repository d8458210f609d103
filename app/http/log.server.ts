/** The server's log: one JSON object a line, into CALYCINE_LOG_FILE or standard output. */
import pino from 'pino'

export const log = pino(
	{ level: process.env['CALYCINE_LOG_LEVEL'] ?? 'info', base: null },
	pino.destination({ dest: process.env['CALYCINE_LOG_FILE'] ?? 1, mkdir: true, sync: false }),
)
