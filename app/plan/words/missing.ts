/** What a course lacks that does not fit, in words. */
import { duration } from '../../shared/words/times'

/** '40 min missing'. */
export function missingWords(minutes: number): string {
	return `${duration(minutes)} missing`
}

/** Of a course that cannot be made, however long it is. */
export const IMPOSSIBLE_WORDS = 'cannot be made as it is'
