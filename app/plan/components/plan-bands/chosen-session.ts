/** One session by itself, on a wider clock. */
import type { PlanStory } from '../../../../core/plan/tell/plan-story'

/**
 * @param index - of the session, from 0; one that there is
 * @returns the session with the waits inside it, and the number of its first tile in the list of all
 */
export function aloneSession(story: PlanStory, index: number): { story: PlanStory; firstNumber: number } {
	const sessions = story.sessions.slice(index, index + 1)
	const threads = story.threads
		.filter(({ from, to }) => from.session === index && to.session === index)
		.map((thread) => ({ ...thread, from: { ...thread.from, session: 0 }, to: { ...thread.to, session: 0 } }))
	const before = story.sessions.slice(0, index).reduce((total, { tiles }) => total + tiles.length, 0)
	const home = story.home
		.filter(({ afterSession = 0 }) => afterSession === index)
		.map((task) => ({ ...task, afterSession: 0 }))
	return { story: { ...story, sessions, threads, home }, firstNumber: before + 1 }
}

/** The session that an address asks for, from 0; undefined where it asks for none that there is. */
export function readSession(asked: string | null, { sessions }: PlanStory): number | undefined {
	const number = Number(asked)
	return Number.isInteger(number) && number >= 1 && number <= sessions.length ? number - 1 : undefined
}
