/**
 * Floral tape from the geometry of its winding, independent of the width: k turns round a stem, and the spiral down it.
 * Source: a helix unrolled; stretch is common practice, no source.
 */

/** Tape is pulled to this many times its length before it sticks. */
export const USUAL_STRETCH = 1.5

/** Of unstretched tape for turns on the spot: k·π·d/s. */
export function turnsLengthMm(turns: number, diameterMm: number, stretch = USUAL_STRETCH): number {
	return (turns * Math.PI * diameterMm) / stretch
}

/**
 * Of unstretched tape laid down a stem: l/(s·cos θ).
 *
 * @param angleRad - between tape and stem, in [0, π/2)
 */
export function spiralLengthMm(stemMm: number, angleRad = Math.PI / 4, stretch = USUAL_STRETCH): number {
	if (!(angleRad >= 0 && angleRad < Math.PI / 2)) throw new RangeError(`angleRad must be in [0, π/2), got ${angleRad}`)
	return stemMm / (stretch * Math.cos(angleRad))
}
