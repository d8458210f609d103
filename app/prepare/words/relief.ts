/** What would bring all work before class in time, in words. */
import type { Relief } from '../../../core/prepare/find-relief'
import type { PrepTask } from '../../../core/prepare/prep-tasks'
import { clock, duration, longDay } from '../../shared/words/times'
import { prepWords } from './prep-work'

/** 'An hour more on Thursday 5 March, 18:00 to 19:00'. */
export function reliefWords(relief: Relief, tasks: readonly PrepTask[]): string {
	switch (relief.kind) {
		case 'more time': {
			const { date, span } = relief
			const minutes = span.endMin - span.startMin
			return `${duration(minutes)} more on ${longDay(date)}, ${clock(span.startMin)} to ${clock(span.endMin)}`
		}
		case 'longer days':
			return `up to ${duration(relief.mostMinutesADay)} of it on one day`
		case 'helper': {
			const task = tasks.find(({ id }) => id === relief.taskId)
			return `somebody else does one thing: “${task ? prepWords(task.work) : 'a task'}”`
		}
	}
}
