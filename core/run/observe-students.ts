/** What a session says of how fast its people are: of those whom somebody marked as done, against the middle of the class. */
import { levelFactor } from '../course/pace'
import type { Pace } from '../course/course'
import { AMONG_STUDENTS_SD, scoreOfDone } from '../learn/minutes-belief'
import { personOf, type StudentObservation } from '../learn/student-speed'
import { mostOf, USUAL_TERMS } from '../rehearse/script'
import { minutesRunning, type RunState } from './fold-run'

/** Who sits at a place. */
export interface SeatedPerson {
	/** As she is called; absent: nobody is named. */
	name?: string
	/** Of herself; absent: of the group. */
	level?: Pace | undefined
	isChild: boolean
}

export interface SeenStudent extends StudentObservation {
	/** Unique in the session. */
	id: string
	/** As she is called. */
	name: string
}

/** Of children, and of places without a name, nothing is said. */
export function observeStudents(
	state: RunState,
	{ people, pace, studentCount }: { people: readonly SeatedPerson[]; pace: Pace; studentCount: number },
): SeenStudent[] {
	const middle = -AMONG_STUDENTS_SD * scoreOfDone(mostOf(USUAL_TERMS.mostShare, studentCount), studentCount)
	return state.entries.flatMap((own) => {
		const { begun, most, students, entry } = own
		// Only what was pressed is known to the minute.
		if (entry.kind !== 'step' || !begun || begun.from !== undefined || !most || most.from !== undefined) return []
		const ofMost = minutesRunning(own, state, most.when)
		if (ofMost <= 0) return []
		return [...students].flatMap(([place, when]): SeenStudent[] => {
			const person = people[place]
			const hers = minutesRunning(own, state, when)
			if (person?.name === undefined || hers <= 0) return []
			const herPace = person.level ?? pace
			if (person.isChild || herPace === 'children') return []
			const level = levelFactor(herPace) / levelFactor(pace)
			return [
				{
					id: `${entry.id} ${place}`,
					...{ person: personOf(person.name), name: person.name, date: state.plan.date },
					logRatio: Math.log(hers / ofMost) - middle - Math.log(level),
				},
			]
		})
	})
}
