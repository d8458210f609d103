/** What the command-line door says of a rehearsed course; moments are clock minutes from the first opening. */
import { listChanges, playAgain, rankAdvice, tryChange } from '../../core/rehearse/advice'
import type { ChangeableCourse } from '../../core/rehearse/course-changes'
import { Rehearsal, type LostFigures } from '../../core/rehearse/rehearsal'
import { USUAL_TERMS } from '../../core/rehearse/script'
import { writeScript } from '../../core/rehearse/write-script'

/** Of the search for each changed plan. */
const TRIED_NODES = 200

/** @param classCount - whole, 1 to 10 000 */
export function tellRehearsal(
	planned: ChangeableCourse,
	{ classCount, seed }: { classCount: number; seed: number },
): object {
	const terms = { ...USUAL_TERMS, seed }
	const script = writeScript(planned)
	const rehearsal = new Rehearsal(script, terms)
	rehearsal.play(classCount)
	const { course, sessions, items, places, lost, eveningShare } = rehearsal.figures()
	const trial = {
		...{ script, terms, before: rehearsal, again: playAgain({ script, terms }, classCount) },
		...{ changeable: planned, effortOf: () => ({ nodes: TRIED_NODES }) },
	}
	const tried = listChanges(trial).flatMap((change) => tryChange(trial, change) ?? [])
	const lostOf = ({ paste, show, help, tools }: LostFigures) => ({
		...{ paste, show, help },
		tools: Object.fromEntries(script.tools.map(({ name }, t) => [name, tools[t]])),
	})
	return {
		classes: rehearsal.classCount,
		seed,
		onTimeShare: terms.mostShare,
		evenings: eveningShare,
		course,
		sessions: sessions.map((figures, s) => ({ session: s + 1, ...figures })),
		steps: items.map(({ session, ...item }) => ({ ...item, session: session + 1 })),
		places: places.map(({ lost: own, ...place }, n) => ({ place: n + 1, ...place, lost: lostOf(own) })),
		lost: lostOf(lost),
		advice: rankAdvice(tried),
	}
}
