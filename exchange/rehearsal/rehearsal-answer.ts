/** What the command-line door says of a rehearsed course; moments are clock minutes from the first opening. */
import { findAdvice } from '../../core/rehearse/advice'
import { Rehearsal, type LostFigures } from '../../core/rehearse/rehearsal'
import { USUAL_TERMS } from '../../core/rehearse/script'
import { writeScript, type PlannedCourse } from '../../core/rehearse/write-script'

/** @param classCount - whole, 1 to 10 000 */
export function tellRehearsal(
	planned: PlannedCourse,
	{ classCount, seed }: { classCount: number; seed: number },
): object {
	const terms = { ...USUAL_TERMS, seed }
	const script = writeScript(planned)
	const rehearsal = new Rehearsal(script, terms)
	rehearsal.play(classCount)
	const { course, sessions, items, places, lost } = rehearsal.figures()
	const lostOf = ({ paste, show, help, tools }: LostFigures) => ({
		...{ paste, show, help },
		tools: Object.fromEntries(script.tools.map(({ name }, t) => [name, tools[t]])),
	})
	return {
		classes: rehearsal.classCount,
		seed,
		onTimeShare: terms.mostShare,
		course,
		sessions: sessions.map((figures, s) => ({ session: s + 1, ...figures })),
		steps: items.map(({ session, ...item }) => ({ ...item, session: session + 1 })),
		places: places.map(({ lost: own, ...place }, n) => ({ place: n + 1, ...place, lost: lostOf(own) })),
		lost: lostOf(lost),
		advice: findAdvice(script, terms, rehearsal),
	}
}
