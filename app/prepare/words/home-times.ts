/** Times of drying as they are said to somebody who takes her flower home. */
import { addWallMinutes, toMoment, type WallTime } from '../../../core/time/wall-clock'
import type { DryingStage } from '../../../core/vocabulary/drying-stage'
import { STAGE_WORDS } from '../../drying/words/drying'
import { longDay, wait } from '../../shared/words/times'

/** Hours until nine in ten are ready; undefined: never there. */
export interface HomeDrying {
	dry: number | undefined
	damp: number | undefined
}

const PARTS_OF_DAY = [
	{ until: 5, words: 'night' },
	{ until: 11, words: 'morning' },
	{ until: 14, words: 'noon' },
	{ until: 18, words: 'afternoon' },
	{ until: 24, words: 'evening' },
] as const

/** 'Sunday noon': as near as anybody needs it. */
export function dayPart(moment: string): string {
	const hour = Number(moment.slice(11, 13))
	const weekday = longDay(moment.slice(0, 10)).split(' ')[0] ?? ''
	return `${weekday} ${PARTS_OF_DAY.find(({ until }) => hour < until)?.words ?? 'evening'}`
}

/** 'firm by Sunday noon in a dry room, by Monday evening in a damp one'. */
export function readyWords(stage: DryingStage | undefined, from: WallTime, { dry, damp }: HomeDrying): string {
	const what = stage ? STAGE_WORDS[stage] : 'ready'
	const at = (hours: number) => dayPart(addWallMinutes(toMoment(from), Math.ceil(60 * hours)))
	if (dry === undefined) return `${what}: bring it to the class, it needs drier air than most homes have`
	if (damp === undefined) return `${what} by ${at(dry)} in a dry room; in a damp one it stays soft`
	const [inDry, inDamp] = [at(dry), at(damp)]
	return inDry === inDamp ? `${what} by ${inDry}` : `${what} by ${inDry} in a dry room, by ${inDamp} in a damp one`
}

/** 'until firm: about 8 h in a dry room, 14 h in a damp one'. */
export function waitWords(stage: DryingStage | undefined, { dry, damp }: HomeDrying): string {
	const what = stage ? `until ${STAGE_WORDS[stage]}` : 'a while'
	const about = (hours: number) => wait(Math.max(5, 5 * Math.round(12 * hours)))
	if (dry === undefined) return `${what}: only in air that is drier than most homes have`
	if (damp === undefined) return `${what}: about ${about(dry)} in a dry room; in a damp one it stays soft`
	return about(dry) === about(damp)
		? `${what}: about ${about(dry)}`
		: `${what}: about ${about(dry)} in a dry room, ${about(damp)} in a damp one`
}
