/** A course whose plan is there, with its kits and the rooms that it meets in: what its papers are made from. */
import { NotFoundError } from '../../core/errors'
import { roomOf } from '../../core/plan/compile/drying-terms'
import type { Studio } from '../../db/repositories/accounts.server'
import type { StoredCourse } from '../../db/repositories/courses.server'
import { listPlaces } from '../../db/repositories/places.server'
import { requireKit } from '../kit/read-kit.server'
import { toldPlan } from '../plan/told-plan.server'
import type { PlannedCourse } from './papers/make/paper-terms'

/** @throws {NotFoundError} there is no plan */
export async function readPlannedCourse(studio: Studio, course: StoredCourse): Promise<PlannedCourse> {
	const [current, places] = await Promise.all([requireKit(studio, course), listPlaces(studio.id)])
	const told = toldPlan(current)
	if (!told) throw new NotFoundError('There are no papers without a plan.')
	return { ...current, story: told.story, roomName: (roomId) => roomOf({ places }, roomId).name }
}
