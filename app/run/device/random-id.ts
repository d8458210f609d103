const BYTES = 16

/** A name that nobody else makes; also on an address that is not secure, where browsers make no UUIDs. */
export function randomId(): string {
	return Array.from(crypto.getRandomValues(new Uint8Array(BYTES)), (byte) => byte.toString(16).padStart(2, '0')).join(
		'',
	)
}
