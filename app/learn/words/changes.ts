/** What a course would become with what was learnt, in words. */
import { duration } from '../../shared/words/times'
import type { DearTool, ForeseenChange } from '../foresee-changes.server'

/** Less is no change. */
const LEAST_MINUTES = 2

export function changeWords({ shortfall: [missing, missingThen], work, prepMinutes }: ForeseenChange): string {
	if (missingThen > 0)
		return missing > 0
			? `does not fit, now or then: ${duration(missingThen)} would be missing.`
			: `would no longer fit: ${duration(missingThen)} would be missing.`
	if (missing > 0) return 'would fit, which it does not now.'
	const more = work ? work[1] - work[0] : 0
	const prep = prepMinutes ? prepMinutes[1] - prepMinutes[0] : 0
	const parts = [
		...(Math.abs(more) < LEAST_MINUTES
			? []
			: [`${duration(Math.abs(more))} ${more > 0 ? 'more' : 'less'} work in class`]),
		...(Math.abs(prep) < LEAST_MINUTES
			? []
			: [`${duration(Math.abs(prep))} ${prep > 0 ? 'more' : 'less'} before class`]),
	]
	return parts.length === 0 ? 'stays much as it is.' : `still fits, with ${parts.join(', and ')}.`
}

/** 'is the tool that costs most: in Magnolia on Thursdays each student waits 14 min for it; one more would give back 9 min.' */
export function dearToolWords({ courseName, minutes, oneMore }: DearTool): string {
	const wait = `is the tool that costs most: in ${courseName} each student waits ${duration(Math.round(minutes))} for it`
	return oneMore < 1 ? `${wait}.` : `${wait}; one more would give back ${duration(Math.round(oneMore))}.`
}
