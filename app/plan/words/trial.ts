/** What a plan that is tried costs and gains, beside the one that stands. */
import type { Objective } from '../../../core/plan/problem/objective'
import type { PlanStory } from '../../../core/plan/tell/plan-story'
import { leastSure } from '../../../core/plan/tell/threads'
import { percentSure } from '../../drying/words/waits'
import { count, duration } from '../../shared/words/times'

export interface Figures {
	objective: Objective | undefined
	story: PlanStory | undefined
}

/** '+12 min of waiting'; empty: nothing that is told is different. */
export function gainsAndCosts(before: Figures, after: Figures): string[] {
	const [old, now] = [before.objective, after.objective]
	if (!now || !old) return []
	if (now.shortfall > 0 || old.shortfall > 0) return changeOf(old.shortfall, now.shortfall, 'missing')
	const [oldSessions, newSessions] = [sessionsUsed(before.story), sessionsUsed(after.story)]
	return [
		...taughtWords(old.valueLost ?? 0, now.valueLost ?? 0),
		...changeOf(before.story?.prepMinutes, after.story?.prepMinutes, 'of your time before'),
		...(oldSessions === newSessions ? [] : [`${count(newSessions, 'session')} instead of ${oldSessions}`]),
		...changeOf(old.waiting, now.waiting, 'of waiting'),
		...splitWords(old.splits ?? 0, now.splits ?? 0),
		...changeOf(old.crowding, now.crowding, 'short of time to spare'),
		...changeOf(old.apart, now.apart, 'between what belongs together'),
		...sureWords(leastSure(before.story?.threads ?? []), leastSure(after.story?.threads ?? [])),
	]
}

/** '+12 min of waiting', '−5 min of your time before'. */
function changeOf(before: number | undefined, after: number | undefined, what: string): string[] {
	const change = (after ?? 0) - (before ?? 0)
	if (change === 0) return []
	return [`${change > 0 ? '+' : '−'}${duration(Math.abs(change))} ${what}`]
}

function taughtWords(before: number, after: number): string[] {
	if (before === after) return []
	return [after > before ? 'less is taught in class' : 'more is taught in class']
}

function splitWords(before: number, after: number): string[] {
	if (before === after) return []
	return [`${after > before ? '+' : '−'}${count(Math.abs(after - before), 'step')} taken up again`]
}

/** Of the wait that is least sure; a change that nobody would see is none. */
function sureWords(before: number | undefined, after: number | undefined): string[] {
	if (before === undefined || after === undefined || percentSure(before) === percentSure(after)) return []
	return [`the least sure wait ${percentSure(after)} instead of ${percentSure(before)} sure`]
}

function sessionsUsed(story: PlanStory | undefined): number {
	return story?.sessions.filter(({ tiles }) => tiles.length > 0).length ?? 0
}
