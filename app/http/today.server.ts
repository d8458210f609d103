/** The day that counts as today: CALYCINE_TODAY, for demos and tests, or the clock's. */

/** YYYY-MM-DD on the machine's wall clock. */
export function today(): string {
	const given = process.env['CALYCINE_TODAY']
	if (given) return given
	const now = new Date()
	return [now.getFullYear(), String(now.getMonth() + 1).padStart(2, '0'), String(now.getDate()).padStart(2, '0')].join(
		'-',
	)
}
