/**
 * What earlier rules have made sure of. Where it is missing all the same our own code is wrong, and says so instead of
 * going on with an invented amount.
 *
 * @param what - for the message, as "the supplier of an offer"
 * @throws {Error} it is not there
 */
export function present<T>(value: T | undefined, what: string): T {
	if (value === undefined) throw new Error(`${what} is missing`)
	return value
}
