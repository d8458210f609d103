/** What the fields of a step's needs work with. Pure. */
import type { Design, Need } from '../../../../../core/design/design'

/** The need with values set, or taken away where they are undefined. */
export function optional(need: Need, change: { [K in keyof Need]?: Need[K] | undefined }): Need {
	const entries = Object.entries({ ...need, ...change }).filter(([, value]) => value !== undefined)
	return { after: need.after, ...Object.fromEntries(entries) }
}

/** How dry what comes before must be: at once, after a time, or a stage. */
export function withStage(need: Need, chosen: string): Need {
	const { stage: _stage, usualMinutes = USUAL_MINUTES, ...rest } = need.wait ?? {}
	if (chosen === AT_ONCE) return optional(need, { wait: undefined })
	const stage = chosen === AFTER_A_TIME ? {} : { stage: chosen as NonNullable<NonNullable<Need['wait']>['stage']> }
	return { ...need, wait: { ...stage, usualMinutes, ...rest } }
}

export const AT_ONCE = 'at once'
export const AFTER_A_TIME = 'after a time'
const USUAL_MINUTES = 60

/** The wait with a mark set, or without it. */
export function withMark(need: Need, mark: 'isSwappable' | 'isByHand', is: boolean): Need {
	if (!need.wait) return need
	const { [mark]: _, ...rest } = need.wait
	return { ...need, wait: is ? { ...rest, [mark]: true } : rest }
}

/** Ids of all steps that come after one, however far. */
export function followersOf({ steps }: Pick<Design, 'steps'>, id: string): Set<string> {
	const found = new Set<string>()
	const queue = [id]
	for (let current = queue.pop(); current !== undefined; current = queue.pop()) {
		for (const step of steps) {
			if (found.has(step.id) || !step.needs.some(({ after }) => after === current)) continue
			found.add(step.id)
			queue.push(step.id)
		}
	}
	return found
}
