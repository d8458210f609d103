/** What somebody in a watched class is at, in words. */
import type { Doing, ToldMoment } from '../../../core/rehearse/watched-class'
import { duration } from '../../shared/words/times'
import type { PlayedCourse } from '../read-rehearsal.server'

const WORDS: Record<Doing, string> = {
	away: 'is away',
	coming: 'comes to her place',
	working: 'works',
	drying: 'waits for something that dries',
	shown: 'waits to be shown',
	tool: 'waits for a tool',
	help: 'waits for help',
	helped: 'is helped',
	done: 'is done',
}

export function doingWords(doing: Doing, tool: number | undefined, { script }: PlayedCourse): string {
	const name = tool === undefined ? undefined : script.tools[tool]?.name
	return name === undefined ? WORDS[doing] : `waits for the ${name}`
}

/** 'petals: vein'; empty: there is none. */
export function itemWords(item: number, { script, names }: PlayedCourse): string {
	const own = script.items[item]
	const id = own && script.tasks[own.task]?.id
	return (id !== undefined && names.tasks[id]) || ''
}

export function toldWords(told: ToldMoment, played: PlayedCourse): string {
	switch (told.kind) {
		case 'shows':
			return 'Something is shown, and everybody looks.'
		case 'pauses':
			return 'Tea, or a pause.'
		case 'first':
			return `Place ${told.student + 1} is the first at ${itemWords(told.item, played)}.`
		case 'last':
			return `Place ${told.student + 1} is the last who begins ${itemWords(told.item, played)}.`
		case 'waits':
			return `Place ${told.student + 1} ${doingWords(told.doing, told.tool, played)}: ${duration(Math.round(told.minutes))}.`
		case 'done':
			return `Place ${told.student + 1} is done for this session.`
	}
}
