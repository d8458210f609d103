/** Photos of a studio's designs and their steps; their bytes are read one by one. */
import { ConflictError, InputError, NotFoundError } from '../../core/errors'
import { inTransaction, writing } from '../connection.server'
import { DesignModel, PhotoModel } from '../models/designs.server'

/** All that is known of a photo but its picture. */
export interface Photo {
	id: number
	/** Of the step that it shows; absent: of the whole design. */
	stepId?: string
	caption: string
	widthPx: number
	heightPx: number
	version: number
}

export interface NewPhoto extends Omit<Photo, 'id' | 'version'> {
	/** JPEG, with nothing beside the picture. */
	bytes: Uint8Array
}

export const MOST_PHOTOS = 24

/**
 * Of a design, the oldest first.
 *
 * @throws {NotFoundError} the studio has no such design
 */
export async function listPhotos(studioId: number, slug: string): Promise<Photo[]> {
	const rows = await PhotoModel.findAll({
		where: { studioId, designId: await idOf(studioId, slug) },
		attributes: ['id', 'stepId', 'caption', 'widthPx', 'heightPx', 'version'],
		order: [['id', 'ASC']],
	})
	return rows.map(({ id, stepId, caption, widthPx, heightPx, version }) => {
		return { id, ...(stepId !== null && { stepId }), caption, widthPx, heightPx, version }
	})
}

/**
 * @returns its id
 * @throws {InputError} the design has as many as it may
 * @throws {NotFoundError} the studio has no such design
 */
export async function addPhoto(studioId: number, slug: string, photo: NewPhoto): Promise<number> {
	const { stepId = null, bytes, ...values } = photo
	return inTransaction(async (transaction) => {
		const design = await DesignModel.findOne({
			where: { studioId, slug },
			attributes: ['id'],
			lock: true,
			transaction,
		})
		if (!design) throw new NotFoundError('There is no such design.')
		const where = { studioId, designId: design.id }
		if ((await PhotoModel.count({ where, transaction })) >= MOST_PHOTOS)
			throw new InputError([{ path: 'photo', message: `At most ${MOST_PHOTOS} photos a design` }])
		const row = { ...where, ...values, stepId, bytes: Buffer.from(bytes) }
		return (await PhotoModel.create(row, { transaction })).id
	})
}

/**
 * @param photo.version - as it was read
 * @throws {ConflictError} somebody else has changed it since
 * @throws {NotFoundError} the studio has no such photo
 */
export async function changePhoto(
	studioId: number,
	{ id, version, caption, stepId = null }: Pick<Photo, 'id' | 'version' | 'caption'> & { stepId?: string | null },
): Promise<void> {
	const [changed] = await writing(() =>
		PhotoModel.update({ caption, stepId, version: version + 1 }, { where: { studioId, id, version } }),
	)
	if (changed === 0) await refuse(studioId, id)
}

/**
 * @param version - as it was read
 * @throws {ConflictError} somebody else has changed it since
 * @throws {NotFoundError} the studio has no such photo
 */
export async function deletePhoto(studioId: number, id: number, version: number): Promise<void> {
	if ((await writing(() => PhotoModel.destroy({ where: { studioId, id, version } }))) === 0) await refuse(studioId, id)
}

/** @throws {NotFoundError} the studio has no such photo */
export async function readPhoto(studioId: number, id: number): Promise<Buffer> {
	const row = await PhotoModel.findOne({ where: { studioId, id }, attributes: ['bytes'] })
	if (!row) throw new NotFoundError('There is no such photo.')
	return row.bytes
}

async function idOf(studioId: number, slug: string): Promise<number> {
	const design = await DesignModel.findOne({ where: { studioId, slug }, attributes: ['id'] })
	if (!design) throw new NotFoundError('There is no such design.')
	return design.id
}

async function refuse(studioId: number, id: number): Promise<never> {
	await readPhoto(studioId, id)
	throw new ConflictError('This photo was changed in another window meanwhile.')
}
