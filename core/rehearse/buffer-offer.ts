/** What is to be spare at the end of an evening, so that nine in ten end on time, and whether that can be planned. */
import type { SessionFigures } from './rehearsal'

/** Of an evening, more than can be given away. */
const MOST_SHARE = 0.5

/**
 * `there`: the plan leaves it already; `wanted`: the course asks for it, and the plan cannot; `too much`: more than half
 * of the evening.
 */
export type BufferOffer = 'there' | 'wanted' | 'too much' | 'offered'

/**
 * @param open - of the evening, clock minutes as its close
 * @param wantedMinutes - that the course, or the studio, asks for
 */
export function bufferOffer(
	{ bufferMinutes, plannedEnd, close }: Pick<SessionFigures, 'bufferMinutes' | 'plannedEnd' | 'close'>,
	open: number,
	wantedMinutes: number,
): BufferOffer {
	if (plannedEnd === undefined || bufferMinutes <= close - plannedEnd) return 'there'
	if (bufferMinutes > MOST_SHARE * (close - open)) return 'too much'
	return wantedMinutes >= bufferMinutes ? 'wanted' : 'offered'
}
