/** What is missing where a course does not fit: minutes of work, or minutes of drying. */
import { present } from '../../present'
import type { CompiledCourse } from '../compile/compiled-course'
import type { LaidTask } from './laid-task'

export interface ShortfallStory {
	/** The least by which the last session would have to end later, as far as the planner found. */
	minutes: number
	/** Of these, minutes of work. */
	workMinutes: number
	/** Of these, minutes of waiting for paste to dry. */
	dryingMinutes: number
	/** Mostly drying: another session helps, a longer one hardly. */
	isMostlyDrying: boolean
	/** Tasks that end after the last close, in order. */
	lateTaskIds: string[]
}

/** @param extension - minutes, > 0 */
export function tellShortfall(
	{ instance }: CompiledCourse,
	laid: readonly LaidTask[],
	extension: number,
): ShortfallStory {
	const lastClose = present(instance.windows.at(-1), 'the last window').close
	const late = laid
		.filter(({ place, end }) => place === 'class' && end > lastClose)
		.toSorted((a, b) => a.start - b.start)
	const workMinutes = late.reduce((total, { start, end }) => total + end - Math.max(start, lastClose), 0)
	const dryingMinutes = extension - workMinutes
	return {
		minutes: extension,
		workMinutes,
		dryingMinutes,
		isMostlyDrying: dryingMinutes > workMinutes,
		lateTaskIds: [...new Set(late.map(({ taskId }) => taskId))],
	}
}
