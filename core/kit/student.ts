/** The people of a course, as far as their kits need to know. */
import type { Pace } from '../course/course'
import { ALLERGENS, type Allergen } from '../vocabulary/allergen'

export const DIETS = ['any', 'vegetarian', 'vegan'] as const
export type Diet = (typeof DIETS)[number]

export interface Student {
	name: string
	/** Of this student; absent: as the group. */
	level?: Pace
	/** Her tools and hand-outs are the other way round. */
	isLeftHanded: boolean
	/** Allergies, and alcohol for whoever wants none. */
	avoids: Allergen[]
	/** Keeps away from what it forbids, as an allergy does. */
	diet: Diet
	/** Some materials are exchanged, and cautions are told to the instructor. */
	isChild: boolean
	/** For the instructor alone. */
	notes: string
}

/** One place at the tables. */
export interface Seat {
	/** From 1. */
	number: number
	/** Absent: nobody is named for it yet. */
	student?: Student
}

/** What a diet keeps away from, in the allergens that materials are marked with. */
const DIET_AVOIDS: Record<Diet, readonly Allergen[]> = {
	any: [],
	vegetarian: ['gelatine'],
	vegan: ['egg', 'milk', 'gelatine'],
}

/** So many seats; students beyond them have none. */
export function seatStudents(studentCount: number, roster: readonly Student[]): Seat[] {
	return Array.from({ length: studentCount }, (_, s) => {
		const student = roster[s]
		return { number: s + 1, ...(student && { student }) }
	})
}

/** Everything that must not be in a student's kit, in a fixed order. */
export function avoidedBy({ avoids, diet }: Student): Allergen[] {
	const all = new Set([...avoids, ...DIET_AVOIDS[diet]])
	return ALLERGENS.filter((allergen) => all.has(allergen))
}
