import { createContext, use } from 'react'
import type { Course } from '../../../../../core/course/course'
import type { CourseEdit } from '../../../../../core/plan/edit/course-edit'

/** What the parts of the plan's page need to change the course by hand. */
export interface Hands {
	/** As it is tried. */
	course: Course
	edit: (edit: CourseEdit) => void
}

export const HandsContext = createContext<Hands | undefined>(undefined)

/** Undefined: without scripts nothing can be tried. */
export function useHands(): Hands | undefined {
	return use(HandsContext)
}
