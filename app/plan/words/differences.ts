/** What is different between two plans, in words. */
import type { PlanDifference, Whereabouts } from '../../../core/plan/tell/plan-differences'
import { duration } from '../../shared/words/times'
import { nameOfTask } from './tasks'

const LEVEL_WORDS: Record<Extract<PlanDifference, { kind: 'level' }>['level'], string> = {
	shortfall: 'Time missing',
	valueLost: 'Teaching lost',
	prepMinutes: 'Your time before',
	finish: 'The end',
	waiting: 'Waiting',
	splits: 'Steps taken up again',
	crowding: 'Spare minutes that an evening lacks',
	apart: 'Between what belongs together',
}

/** 'petals: dust: session 1 → session 2'. */
export function differenceWords(difference: PlanDifference): string {
	if (difference.kind === 'swap') {
		return `${nameOfTask(difference.source)}: ${difference.isSwapped ? 'now brought dry' : 'no longer brought dry'}`
	}
	if (difference.kind === 'moved') {
		return `${nameOfTask(difference.source)}: ${whereWords(difference.before)} → ${whereWords(difference.after)}`
	}
	const { level, before, after } = difference
	if (level === 'finish') {
		if (before === undefined || after === undefined)
			return `${LEVEL_WORDS.finish}: ${after === undefined ? 'no longer in time' : 'now in time'}`
		return `${LEVEL_WORDS.finish}: ${duration(Math.abs(after - before))} ${after < before ? 'earlier' : 'later'}`
	}
	const said = (value: number | undefined) => {
		if (value === undefined) return '—'
		return level === 'splits' || level === 'valueLost' ? String(value) : duration(value)
	}
	return `${LEVEL_WORDS[level]}: ${said(before)} → ${said(after)}`
}

function whereWords(where: Whereabouts): string {
	if (typeof where === 'object') return where.sessions.map((session) => `session ${session}`).join(' and ')
	return { home: 'at home', ahead: 'made ahead', dropped: 'left out', 'not there': 'not part of it' }[where]
}
