/** The designs of a course in the versions that it is planned with. */
import { present } from '../../core/present'
import type { Course } from '../../core/course/course'
import type { Design } from '../../core/design/design'
import { InputError, MissingInListError } from '../../core/errors'
import { getDesigns } from '../../db/repositories/designs.server'

export interface PinnedCourse<T extends Course> {
	/** With the version of each design. */
	course: T
	documents: Design[]
}

/**
 * Reads the designs of a course; those without a version are taken as they are now.
 *
 * @throws {InputError} a design that is gone, at its field
 */
export async function pinDesigns<T extends Course>(studioId: number, course: T): Promise<PinnedCourse<T>> {
	const found = await readDesigns(studioId, course)
	const designs = course.designs.map((item, d) => {
		return { ...item, designVersion: present(found[d], `the design ${item.designId}`).version }
	})
	return { course: { ...course, designs }, documents: found.map(({ document }) => document) }
}

async function readDesigns(studioId: number, { designs }: Course) {
	const references = designs.map(({ designId, designVersion }) => ({ slug: designId, version: designVersion }))
	try {
		return await getDesigns(studioId, references)
	} catch (error) {
		if (!(error instanceof MissingInListError)) throw error
		const { position, message } = error
		throw new InputError([{ path: `designs[${position}].designId`, message }], { cause: error })
	}
}
