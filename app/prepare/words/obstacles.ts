/** What keeps work before class from a day, in words. */
import type { Obstacle } from '../../../core/prepare/find-obstacle'
import { clock, duration, longDay } from '../../shared/words/times'
import { byWords, prepWords } from './prep-work'

/** 'Friday 6 March is too late: it is to be done by Thu 5 Mar, 12:00.' */
export function obstacleWords(obstacle: Obstacle, day: string, minutes: number): string {
	switch (obstacle.kind) {
		case 'over':
			return `${longDay(day)} is over.`
		case 'too late':
			return `${longDay(day)} is too late: it is to be done ${byWords(obstacle.latest)}.`
		case 'too early':
			return `${longDay(day)} is too early: it cannot be done before ${longDay(obstacle.earliest.date)}.`
		case 'not free': {
			const free = obstacle.freeMinutes === 0 ? 'no free time' : `only ${duration(obstacle.freeMinutes)} free`
			return `On ${longDay(day)} you have ${free}, and it takes ${duration(minutes)}.`
		}
		case 'waits': {
			const { date, minuteOfDay } = obstacle.readyAt
			return `It waits for “${prepWords(obstacle.task.work)}”, which is ready on ${longDay(date)} at ${clock(minuteOfDay)}.`
		}
		case 'no room':
			return `On ${longDay(day)} there is no room for it beside what lies there already.`
	}
}
