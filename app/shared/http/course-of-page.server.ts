/** The course of a page, which its frame and what stands in the frame both ask for. */
import { createContext, type RouterContextProvider } from 'react-router'
import { getCourse, type StoredCourse } from '../../../db/repositories/courses.server'
import { memberContext } from './contexts'
import { readId } from './read-input.server'

const courseContext = createContext<{ courseId: string; course: Promise<StoredCourse> } | null>(null)

/**
 * For loaders, which all see one request: read once. An action reads for itself, since it changes what is read.
 *
 * @throws {NotFoundError} the studio has no such course
 */
export function courseOfPage(
	context: Readonly<RouterContextProvider>,
	{ courseId }: { courseId: string },
): Promise<StoredCourse> {
	const begun = context.get(courseContext)
	if (begun?.courseId === courseId) return begun.course
	const course = getCourse(context.get(memberContext).studio.id, readId(courseId))
	context.set(courseContext, { courseId, course })
	return course
}
