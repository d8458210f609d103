import type { Run } from '../../device/use-run'
import type { RunPage } from '../../read-run.server'

/** Tools of the step that is going on, else of all of the session: those of which the class has fewer than students first. */
export function toolsAtHand({ cards, sharedTools }: RunPage, { state }: Run): string[] {
	const current = state.entries[state.current]?.entry.id
	const now = (current !== undefined && cards[current]?.out) || []
	const tools = now.length > 0 ? now : [...new Set(Object.values(cards).flatMap((card) => card.out))]
	const shared = new Set(sharedTools)
	return [...tools.filter((tool) => shared.has(tool)), ...tools.filter((tool) => !shared.has(tool))]
}
