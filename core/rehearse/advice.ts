/** What would help, tried with the same luck as the rehearsal: what a change of the room gives, in evenings that end on time. */
import { NORMAL_975 } from './luck'
import { Rehearsal } from './rehearsal'
import type { RehearsalTerms, Script } from './script'

export type Change =
	/** One more of a tool. */
	| { kind: 'tool'; name: string; count: number }
	/** Somebody who helps beside the instructor. */
	| { kind: 'assistant' }
	/** One evening so many minutes longer, by its index. */
	| { kind: 'longer evening'; session: number; minutes: number }

export interface Advice {
	change: Change
	/** More courses of which every evening ends on time, in [−1, 1]; and by how much that may be off, at 95 %. */
	gain: number
	uncertainty: number
}

const MORE_MINUTES = 10

/** Changes that can be tried on a course as it is planned; each by itself. */
export function listChanges({ tools, sessions, items, callMinutes, levels }: Script): Change[] {
	return [
		...tools.flatMap(({ name, count }): Change[] =>
			count < levels.length ? [{ kind: 'tool', name, count: count + 1 }] : [],
		),
		...(callMinutes.some((minutes) => minutes < Infinity) ? [{ kind: 'assistant' } as const] : []),
		...sessions.flatMap((_, session): Change[] =>
			items.some((item) => item.session === session)
				? [{ kind: 'longer evening', session, minutes: MORE_MINUTES }]
				: [],
		),
	]
}

/**
 * Each change played as often as the course was, those that help most first.
 *
 * @param before - of the same script and terms, played already
 */
export function findAdvice(script: Script, terms: RehearsalTerms, before: Rehearsal): Advice[] {
	return listChanges(script)
		.map((change) => tryChange(script, terms, before, change))
		.toSorted((a, b) => b.gain - a.gain)
}

export function tryChange(script: Script, terms: RehearsalTerms, before: Rehearsal, change: Change): Advice {
	const changed = applyChange(script, terms, change)
	const after = new Rehearsal(changed.script, changed.terms)
	after.play(before.classCount)
	const [old, own] = [before.onTimeByClass, after.onTimeByClass]
	let [sum, squares] = [0, 0]
	for (let c = 0; c < old.length; c++) {
		const difference = own[c]! - old[c]!
		sum += difference
		squares += difference * difference
	}
	const count = Math.max(1, old.length)
	const gain = sum / count
	return { change, gain, uncertainty: NORMAL_975 * Math.sqrt(Math.max(0, squares / count - gain * gain) / count) }
}

function applyChange(script: Script, terms: RehearsalTerms, change: Change): { script: Script; terms: RehearsalTerms } {
	switch (change.kind) {
		case 'tool':
			return {
				script: {
					...script,
					tools: script.tools.map((tool) => (tool.name === change.name ? { ...tool, count: change.count } : tool)),
				},
				terms,
			}
		case 'assistant':
			return { script, terms: { ...terms, helperCount: terms.helperCount + 1 } }
		case 'longer evening':
			return {
				script: {
					...script,
					sessions: script.sessions.map((session, s) =>
						s === change.session ? { ...session, close: session.close + change.minutes } : session,
					),
				},
				terms,
			}
	}
}
