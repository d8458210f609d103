/** Designs of a course that have a newer version than the one it is planned with, and what is new about them. */
import { compareDesigns, type DesignDifference } from '../../core/design/design-differences'
import type { StoredCourse } from '../../db/repositories/courses.server'
import { getDesigns, listVersions } from '../../db/repositories/designs.server'

export interface NewerDesign {
	slug: string
	name: string
	differences: DesignDifference[]
}

/** Nothing is read of the documents where no version is newer. */
export async function listNewerDesigns(studioId: number, { designs }: StoredCourse): Promise<NewerDesign[]> {
	const newest = await listVersions(
		studioId,
		designs.map(({ designId }) => designId),
	)
	const outdated = designs.filter(({ designId, designVersion }, d) => {
		const isFirst = designs.findIndex((other) => other.designId === designId) === d
		return isFirst && (newest.get(designId) ?? 0) > (designVersion ?? Infinity)
	})
	if (outdated.length === 0) return []
	const [used, current] = await Promise.all([
		getDesigns(
			studioId,
			outdated.map(({ designId, designVersion }) => ({ slug: designId, version: designVersion })),
		),
		getDesigns(
			studioId,
			outdated.map(({ designId }) => ({ slug: designId })),
		),
	])
	return outdated.flatMap(({ designId }, d) => {
		const [before, after] = [used[d]?.document, current[d]?.document]
		return before && after ? [{ slug: designId, name: after.name, differences: compareDesigns(before, after) }] : []
	})
}
