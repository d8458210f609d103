/** The designs of a course in the versions that it is planned with. */
import type { Course } from '../../core/course/course'
import type { Design } from '../../core/design/design'
import { InputError, NotFoundError } from '../../core/errors'
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
	const designs = course.designs.map((item, d) => ({ ...item, designVersion: found[d]?.version ?? 1 }))
	return { course: { ...course, designs }, documents: found.map(({ document }) => document) }
}

async function readDesigns(studioId: number, { designs }: Course) {
	const references = designs.map(({ designId, designVersion }) => ({ slug: designId, version: designVersion }))
	try {
		return await getDesigns(studioId, references)
	} catch (error) {
		if (!(error instanceof NotFoundError)) throw error
		const missing = designs.findIndex(({ designId }) => error.message.includes(`"${designId}"`))
		throw new InputError([{ path: `designs[${Math.max(0, missing)}].designId`, message: error.message }], {
			cause: error,
		})
	}
}
