/** Who is not done where most are: one or two of whom it was said, by saying it of the others. */
import { taskOfEntry } from './run-plan'
import type { EntryState, RunState } from './fold-run'
import type { Instance } from '../plan/problem/instance'

export interface LeftBehind {
	entry: EntryState
	/** Of the students, from 0. */
	places: number[]
}

/** More are no exception, but the class. */
const MOST_LEFT = 2

/**
 * Of the step that was over last. That the others are done must have been said by name: of a class of which nobody was
 * marked nothing is known.
 *
 * @param tasks - of the course: only work that may be done at home can be finished there
 * @returns undefined: nobody, or nobody knows
 */
export function whoIsLeftBehind(
	state: RunState,
	studentCount: number,
	tasks: Instance['tasks'],
): LeftBehind | undefined {
	const entry = state.entries.slice(0, state.current).findLast((own) => own.entry.kind === 'step')
	if (!entry?.most || entry.all) return undefined
	const task = tasks.find(({ id }) => id === taskOfEntry(entry.entry))
	if (!task?.places?.includes('home')) return undefined
	const isThere = (place: number) => !['away', 'gone'].includes(state.attendance.get(place)?.is ?? 'here')
	const there = Array.from({ length: studentCount }, (_, place) => place).filter(isThere)
	const goesHome = new Set(state.takenHome.flatMap((own) => (own.entry === entry.entry.id ? [own.place] : [])))
	const left = there.filter((place) => !entry.students.has(place))
	const isTold = left.length <= MOST_LEFT && left.length < there.length - left.length
	const places = left.filter((place) => !goesHome.has(place))
	return isTold && places.length > 0 ? { entry, places } : undefined
}
