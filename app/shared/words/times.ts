/** Dates and times in words, the same on the server and in the browser. */
import dayjs from 'dayjs'
import utc from 'dayjs/plugin/utc'
import { twoDigits } from '../../../core/time/wall-clock'

export { clock } from '../../../core/time/wall-clock'

dayjs.extend(utc)

/** 'Thu 3 Dec'. */
export function shortDay(date: string): string {
	return dayjs.utc(date).format('ddd D MMM')
}

/** 'Thursday 3 December'. */
export function longDay(date: string): string {
	return dayjs.utc(date).format('dddd D MMMM')
}

/** '3 December 2027': of a day that is far away. */
export function farDay(date: string): string {
	return dayjs.utc(date).format('D MMMM YYYY')
}

/** 'Thursday 3 December, 19:05' of a moment on the wall clock. */
export function momentWords(moment: string): string {
	const [day = '', time = ''] = moment.split('T')
	return `${longDay(day)}, ${time}`
}

/** '45 min', '2 h', '2 h 05'. */
export function duration(minutes: number): string {
	if (minutes < 60) return `${minutes} min`
	const rest = minutes % 60
	return `${Math.floor(minutes / 60)} h${rest === 0 ? '' : ` ${twoDigits(rest)}`}`
}

/** A wait as the trade says it: '30 min', '18 h', '2 days'. */
export function wait(minutes: number): string {
	if (minutes >= 2880) return `${Math.round(minutes / 1440)} days`
	return minutes >= 90 ? `${Math.round(minutes / 30) / 2} h`.replace('.5 h', '½ h') : `${minutes} min`
}

/** 'today', 'tomorrow', 'in 4 days', '3 days ago'. */
export function daysAway(days: number): string {
	if (days === 0) return 'today'
	if (days === 1) return 'tomorrow'
	if (days === -1) return 'yesterday'
	return days > 0 ? `in ${days} days` : `${-days} days ago`
}

/** 'a week', '3 days', 'the same day'. */
export function gap(days: number): string {
	if (days === 0) return 'the same day'
	if (days === 1) return 'a night'
	if (days % 7 === 0) return days === 7 ? 'a week' : `${days / 7} weeks`
	return `${days} days`
}

/** 'Morning 1': what an instructor calls her sessions. */
export function sessionName(startMin: number, number: number): string {
	const part = startMin < 720 ? 'Morning' : startMin < 1020 ? 'Afternoon' : 'Evening'
	return `${part} ${number}`
}

/** '1 student', '8 students'. */
export function count(number: number, one: string, many = `${one}s`): string {
	return `${number} ${number === 1 ? one : many}`
}
