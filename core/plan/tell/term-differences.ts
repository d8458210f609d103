/** What a plan was made with that is otherwise now: the reasons why it is shown as outdated. */
import type { Course } from '../../course/course'
import { isSameData } from '../../sorted-keys'
import { roomOf, storeOf, type PlanTerms } from '../compile/drying-terms'
import { USUAL_STRAIN_TERMS } from '../compile/strain-terms'

export type TermDifference =
	/** The air of a place of the course, or how it moves. */
	| { kind: 'place'; name: string }
	| { kind: 'confidence' }
	/** What has been noted of how pieces dried. */
	| { kind: 'drying notes' }
	/** How long steps really take. */
	| { kind: 'learnt' }
	| { kind: 'tools' }
	| { kind: 'strain' }
	| { kind: 'gauge' }
	| { kind: 'zone' }
	/** The course itself, or its designs. */
	| { kind: 'course' }

/** @returns at least one: what is none of the terms is of the course */
export function compareTerms(course: Course, before: PlanTerms, after: PlanTerms): TermDifference[] {
	const isOther = (of: (terms: PlanTerms) => unknown) => !isSameData(of(before), of(after))
	const places = [
		...course.sessions.map(
			({ roomId }) =>
				(terms: PlanTerms) =>
					roomOf(terms, roomId),
		),
		(terms: PlanTerms) => storeOf(terms, course.storeId),
	]
	const changed = places.flatMap((placeIn) => {
		const isChanged = isOther((terms) => [placeIn(terms).climate, placeIn(terms).movement])
		return isChanged ? [placeIn(after).name] : []
	})
	const found: TermDifference[] = [
		...[...new Set(changed)].map((name) => ({ kind: 'place' as const, name })),
		...(isOther(({ confidence }) => confidence) ? [{ kind: 'confidence' as const }] : []),
		...(isOther(({ observations }) => observations) || places.some((placeIn) => isOther((terms) => placeIn(terms).pace))
			? [{ kind: 'drying notes' as const }]
			: []),
		...(isOther(({ learnt }) => (learnt ? { ...learnt, since: '' } : null)) ? [{ kind: 'learnt' as const }] : []),
		...(isOther(({ ownedTools }) => ownedTools ?? {}) ? [{ kind: 'tools' as const }] : []),
		...(isOther(({ strain }) => strain ?? USUAL_STRAIN_TERMS) ? [{ kind: 'strain' as const }] : []),
		...(isOther(({ standard }) => standard) ? [{ kind: 'gauge' as const }] : []),
		...(isOther(({ zone }) => zone) ? [{ kind: 'zone' as const }] : []),
	]
	return found.length > 0 ? found : [{ kind: 'course' }]
}
