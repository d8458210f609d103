/** Time that is to be filled with a class, and what is known of who comes. */
import type { Course, Session } from '../../course/course'
import type { Design } from '../../design/design'
import type { Picks } from '../../design/resolve-design'

export interface Slot extends Pick<Course, 'studentCount' | 'pace' | 'planFor' | 'storeId' | 'homeworkMinutes'> {
	/** In order of time, at least one. */
	sessions: Session[]
	/** Wanted for each student, >= 1. */
	flowersPerStudent: number
	/** Most minutes of the instructor's own before class; 0: nothing is made ahead or brought dried. */
	prepMinutes: number
	/** Designs with wires are wanted too. */
	isWired: boolean
}

/** Each student has enough pieces so surely; as a new course begins with. */
const SPARE_CONFIDENCE = 0.9

/** The course that fills the slot with one design. */
export function toCourse(
	slot: Slot,
	design: Pick<Design, 'id' | 'name'>,
	{ picks, flowers }: { picks: Picks; flowers: number },
): Course {
	const { sessions, studentCount, pace, planFor, storeId, homeworkMinutes } = slot
	return {
		name: design.name,
		studentCount,
		pace,
		planFor,
		spareConfidence: SPARE_CONFIDENCE,
		demoFlowers: 1,
		homeworkMinutes,
		designs: [{ designId: design.id, flowersPerStudent: flowers, picks }],
		sessions,
		...(storeId !== undefined && { storeId }),
	}
}

/** The design where nothing may be made ahead and no dried pieces are brought. */
export function withoutPreparation(design: Design): Design {
	const inClass = <T extends { places?: Design['steps'][number]['places'] }>(terms: T): T => {
		const left = terms.places?.filter((place) => place !== 'ahead') ?? []
		// What can only be made ahead stays so: then the design asks for it, and is none for this slot.
		return terms.places && left.length > 0 ? { ...terms, places: left } : terms
	}
	return {
		...design,
		steps: design.steps.map((step) => ({
			...inClass(step),
			needs: step.needs.map((need) => {
				if (!need.wait?.isSwappable) return need
				const { isSwappable: _, ...wait } = need.wait
				return { ...need, wait }
			}),
			...(step.variants && { variants: step.variants.map(({ when, set }) => ({ when, set: inClass(set) })) }),
		})),
	}
}

/** Every way in which the choices of a design can be made, the usual one first. */
export function listPicks({ choices }: Pick<Design, 'choices'>): Picks[] {
	return choices.reduce<Picks[]>(
		(all, { id, options }) => options.flatMap((option) => all.map((picks) => ({ ...picks, [id]: option.id }))),
		[{}],
	)
}
