/** The people of a course, as far as their kits need to know. */
import type { Pace } from '../course/course'
import { ALLERGENS, type Allergen } from '../vocabulary/allergen'

export const DIETS = ['any', 'vegetarian', 'vegan'] as const
export type Diet = (typeof DIETS)[number]

export interface Student {
	name: string
	/** Of this student; absent: as the group. */
	level?: Pace
	isLeftHanded: boolean
	/** Allergies, and alcohol for whoever wants none. */
	avoids: Allergen[]
	diet: Diet
	isChild: boolean
	notes: string
}

/** One place at the tables. */
export interface Seat {
	/** From 1. */
	number: number
	/** Absent: nobody is named for it yet. */
	student?: Student
}

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
