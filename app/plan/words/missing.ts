/** What a course lacks that does not fit, in words. */
import { isNever } from '../../../core/plan/problem/never'
import { duration } from '../../shared/words/times'

/** '40 min missing'; no minutes stand for what never dries. */
export function missingWords(minutes: number): string {
	return isNever(minutes) ? 'something never gets dry' : `${duration(minutes)} missing`
}
