/** A session that is being taught, in words. */
import type { NoteTopic, WayBackChoice } from '../../../core/run/run-event'
import type { EntryState, Mark, RunState } from '../../../core/run/fold-run'
import { minutesRunning } from '../../../core/run/fold-run'
import { toldBehind, type Projection } from '../../../core/run/project-end'
import { inTen } from '../../shared/words/chances'
import { count, duration } from '../../shared/words/times'
import type { RunPage } from '../read-run.server'

/** '10 min behind'; empty: in time. */
export function behindWords(projection: Projection): string {
	const minutes = toldBehind(projection)
	return minutes > 0 ? `${minutes} min behind` : ''
}

/** '8 in 10 to end in time'. */
export function endWords(chance: number): string {
	if (chance >= 0.975) return 'all but sure to end in time'
	return chance < 0.025 ? 'hardly a chance to end in time' : `${inTen(chance)} to end in time`
}

/** '8 here, 1 late'. */
export function hereWords({ attendance }: RunState, studentCount: number): string {
	const of = (is: string) => [...attendance.values()].filter((one) => one.is === is).length
	const [late, gone, away] = [of('late'), of('gone'), of('away')]
	const here = studentCount - late - gone - away
	return [
		`${here} here`,
		...(late > 0 ? [`${late} late`] : []),
		...(gone + away > 0 ? [`${gone + away} not`] : []),
	].join(', ')
}

export function networkWords({ isCutOff, unsentCount }: { isCutOff: boolean; unsentCount: number }): string {
	if (!isCutOff) return unsentCount > 0 ? 'being sent' : 'all is kept'
	return unsentCount > 0 ? `no network, ${count(unsentCount, 'press', 'presses')} kept here` : 'no network, all is kept'
}

/** '14 of 24 min'. */
export function minutesWords(entry: EntryState, state: RunState, now: number): { gone: number; of: string } {
	const planned = entry.entry.endMin - entry.entry.startMin
	return { gone: Math.floor(minutesRunning(entry, state, now)), of: `of ${duration(planned)}` }
}

/** How an entry was: '31 min', or '20 to 31 min' where it was not pressed. */
export function tookWords({ begun, most }: EntryState): string {
	if (!begun || !most) return ''
	const minutes = (ms: number) => Math.max(0, Math.round(ms / 60_000))
	const longest = minutes(most.when - earliest(begun))
	const shortest = minutes(earliest(most) - begun.when)
	return shortest >= longest ? `${longest} min` : `${shortest} to ${longest} min`
}

/** 'Broke: inner petals 2. Given dried: centre 1.'; empty: nothing did. */
export function brokenWords({ broken, spares }: Pick<RunState, 'broken' | 'spares'>): string {
	const told = [listed(broken, 'Broke'), listed(spares, 'Given dried')].filter((words) => words !== '')
	return told.length > 0 ? `${told.join('. ')}.` : ''
}

/** 'Broke: inner petals 2, centre 1', by kind. */
function listed(pieces: RunState['broken'] | RunState['spares'], verb: string): string {
	const byKind = new Map<string, number>()
	for (const { kind, count: many } of pieces) byKind.set(kind, (byKind.get(kind) ?? 0) + many)
	const all = [...byKind].map(([kind, many]) => `${kind.toLowerCase()} ${many}`)
	return all.length > 0 ? `${verb}: ${all.join(', ')}` : ''
}

/** 'Waited for: petal veiner, 3 at once.' */
export function waitedWords({ queues }: Pick<RunState, 'queues'>): string {
	const most = new Map<string, number>()
	for (const { tool, count: many } of queues) most.set(tool, Math.max(many, most.get(tool) ?? 0))
	const all = [...most].map(([tool, many]) => `${tool}, ${many} at once`)
	return all.length > 0 ? `Waited for: ${all.join('; ')}.` : ''
}

/** The lines that are finished by hand, as what is asked. */
export const TOPIC_WORDS: Record<NoteTopic, string> = {
	'paste over': 'Paste that was over, grams',
	'wires over': 'Wires that were over',
	'waited for': 'What they waited for',
	'who needs what': 'Who needs something next time',
	'next time': 'To do otherwise next time',
}

/** How who was away comes level, as it is chosen. */
export const WAY_BACK_WORDS: Record<WayBackChoice, string> = {
	open: 'open',
	dried: 'dried pieces',
	home: 'at home',
	smaller: 'a smaller piece',
}

/** 'inner petals 6, centre 1: 25 min of your time, in Prepare'. */
export function wayBackWords(is: WayBackChoice, { makeUp, wayBack }: Pick<RunPage, 'makeUp' | 'wayBack'>): string {
	switch (is) {
		case 'open':
			return 'not settled yet'
		case 'dried': {
			if (!makeUp) return ''
			const pieces = makeUp.pieces.map(({ name, count: many }) => `${name.toLowerCase()} ${many}`).join(', ')
			return `${pieces}: ${duration(makeUp.minutes)} of your time, in Prepare`
		}
		case 'home': {
			const { homeMinutes, otherMinutes } = wayBack
			const withYou = otherMinutes > 0 ? `, and ${duration(otherMinutes)} that need you` : ''
			return `${duration(homeMinutes)} with the hand-out${withYou}`
		}
		case 'smaller':
			return 'goes on without what she missed'
	}
}

function earliest({ when, from }: Mark): number {
	return from ?? when
}
