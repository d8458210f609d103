/** Photos that were taken in class: each is taken once, and never changes. */
import { InputError, NotFoundError } from '../../core/errors'
import { inTransaction } from '../connection.server'
import { RunPhotoModel } from '../models/runs.server'
import { requireCourse } from '../require-course.server'

/** Of a course; more than anybody looks at again. */
export const MOST_RUN_PHOTOS = 200

export interface RunPhotoKey {
	courseId: number
	/** As the device named it. */
	photoId: string
}

/**
 * Keeps a photo; one that is there already stays as it is.
 *
 * @param bytes - JPEG, with nothing beside the picture
 * @throws {InputError} the course has as many as it may
 * @throws {NotFoundError} the studio has no such course
 */
export function addRunPhoto(
	studioId: number,
	{ courseId, photoId }: RunPhotoKey,
	bytes: Uint8Array,
	receivedAt: Date,
): Promise<void> {
	return inTransaction(async (transaction) => {
		await requireCourse(studioId, courseId, { transaction, lock: true })
		if (await RunPhotoModel.findOne({ where: { courseId, photoId }, attributes: ['photoId'], transaction })) return
		if ((await RunPhotoModel.count({ where: { courseId }, transaction })) >= MOST_RUN_PHOTOS)
			throw new InputError([{ path: 'photo', message: `At most ${MOST_RUN_PHOTOS} photos a course` }])
		await RunPhotoModel.create({ courseId, photoId, bytes: Buffer.from(bytes), receivedAt }, { transaction })
	})
}

/** @throws {NotFoundError} the studio has no such photo */
export async function readRunPhoto(studioId: number, { courseId, photoId }: RunPhotoKey): Promise<Buffer> {
	await requireCourse(studioId, courseId)
	const row = await RunPhotoModel.findOne({ where: { courseId, photoId }, attributes: ['bytes'] })
	if (!row) throw new NotFoundError('There is no such photo.')
	return row.bytes
}
