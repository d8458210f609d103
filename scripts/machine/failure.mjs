/** A failure that the person at the terminal can act on: printed as it is, without a stack. */
export class Failure extends Error {}

/** Runs a script; a Failure ends it with its message and exit code 1, anything else with the stack. */
export async function runScript(work) {
	try {
		await work()
	} catch (error) {
		console.error(error instanceof Failure ? `\n${error.message}\n` : error)
		process.exit(1)
	}
}
