/** A studio's designs: the newest version of each, and every older one. */
import {
	literal,
	Op,
	type OrderItem,
	QueryTypes,
	type Transaction,
	UniqueConstraintError,
	type WhereOptions,
} from 'sequelize'
import { likeWords } from '../like-words'
import type { Choice, Design, DesignKind } from '../../core/design/design'
import { makeCard, type DesignCard } from '../../core/design/design-card'
import type { DesignFilter, DesignOrder } from '../../core/design/design-filter'
import { ConflictError, MissingInListError, NotFoundError } from '../../core/errors'
import { getDatabase, writing } from '../connection.server'
import { CourseDesignModel, CourseModel } from '../models/courses.server'
import { DesignModel, DesignVersionModel } from '../models/designs.server'
import { rememberRows } from '../row-memory.server'

export interface DesignSummary extends DesignCard {
	slug: string
	name: string
	kind: DesignKind
	level: number
	version: number
}

/** A document with the version that it is. */
export interface VersionedDesign {
	document: Design
	version: number
}

/** A design in the version named, or its newest. */
export interface DesignReference {
	slug: string
	version?: number | undefined
}

const DESIGNS_PER_PAGE = 48

/** One page of the studio's designs by name, without their documents. */
export async function listDesigns(
	studioId: number,
	filter: DesignFilter = {},
	page = 1,
): Promise<{ designs: DesignSummary[]; count: number; pageCount: number }> {
	const where = toWhere(studioId, filter)
	const [rows, count] = await Promise.all([
		DesignModel.findAll({
			where,
			attributes: ['slug', 'name', 'kind', 'level', 'version', 'card'],
			order: [...ORDERS[filter.order ?? 'name'], ['name', 'ASC'], ['id', 'ASC']],
			limit: DESIGNS_PER_PAGE,
			offset: (page - 1) * DESIGNS_PER_PAGE,
		}),
		DesignModel.count({ where }),
	])
	const designs = rows.flatMap(({ slug, name, kind, level, version, card }) => {
		return card ? [{ slug, name, kind, level, version, ...card }] : []
	})
	return { designs, count, pageCount: Math.max(1, Math.ceil(count / DESIGNS_PER_PAGE)) }
}

const ORDERS: Record<DesignOrder, OrderItem[]> = {
	name: [],
	newest: [['updatedAt', 'DESC']],
	easiest: [['level', 'ASC']],
	quickest: [[literal("CAST(JSON_VALUE(card, '$.handsOnMinutes') AS DECIMAL(10, 2))"), 'ASC']],
}

function toWhere(studioId: number, { search = '', kind, level, audience, hasWires }: DesignFilter): WhereOptions {
	const words = likeWords(search)
	return {
		studioId,
		...(kind && { kind }),
		...(level && { level }),
		...(audience && { 'card.audience': audience }),
		...(hasWires !== undefined && { 'card.hasWires': hasWires }),
		...(words.length > 0 && {
			[Op.and]: words.map((word) => ({
				[Op.or]: [{ name: { [Op.like]: word } }, { 'card.summary': { [Op.like]: word } }],
			})),
		}),
	}
}

/** Every design of the studio by name, with its choices: to choose from. */
export async function listDesignOptions(
	studioId: number,
): Promise<{ slug: string; name: string; choices: Choice[] }[]> {
	const rows = await getDatabase().query<{ slug: string; name: string; choices: unknown }>(
		"SELECT slug, name, JSON_EXTRACT(document, '$.choices') AS choices FROM designs WHERE studio_id = :studioId ORDER BY name, id",
		{ replacements: { studioId }, type: QueryTypes.SELECT },
	)
	return rows.map(({ slug, name, choices }) => {
		// Extracted from a column that createDesign wrote; the connector hands it over as text, or read already.
		return { slug, name, choices: (typeof choices === 'string' ? JSON.parse(choices) : choices) as Choice[] }
	})
}

/** @throws {NotFoundError} the studio has no such design, or not in that version */
export async function getDesign(studioId: number, slug: string, version?: number): Promise<VersionedDesign> {
	const [found] = await getDesigns(studioId, [{ slug, version }])
	if (!found) throw new NotFoundError('There is no such design.')
	return found
}

/**
 * The studio's designs in the versions asked for, in that order.
 *
 * @throws {MissingInListError} one of them does not exist
 */
export async function getDesigns(studioId: number, references: readonly DesignReference[]): Promise<VersionedDesign[]> {
	const rows = await DesignModel.findAll({
		where: { studioId, slug: references.map(({ slug }) => slug) },
		attributes: ['id', 'slug', 'version'],
		raw: true,
	})
	const bySlug = new Map(rows.map((row) => [row.slug, row]))
	const wanted = references.map(({ slug, version }) => {
		const row = bySlug.get(slug)
		return row && { designId: row.id, version: version ?? row.version }
	})
	const documents = await readVersions(wanted.flatMap((one) => one ?? []))
	return references.map(({ slug }, position) => {
		const one = wanted[position]
		const document = one && documents.get(keyOf(one))
		if (!document) throw new MissingInListError(`The design "${slug}" is no longer in your design book.`, position)
		return { document, version: one.version }
	})
}

interface VersionKey {
	designId: number
	version: number
}

/** A version is written once and never changed. */
const knownVersions = rememberRows<Design>(500)

function keyOf({ designId, version }: VersionKey): string {
	return `${designId} ${version}`
}

/** The documents of those versions that there are. */
async function readVersions(keys: readonly VersionKey[]): Promise<Map<string, Design>> {
	const documents = new Map<string, Design>()
	for (const key of keys) {
		const known = knownVersions.get(keyOf(key))
		if (known) documents.set(keyOf(key), known)
	}
	const unknown = keys.filter((key) => !documents.has(keyOf(key)))
	if (unknown.length === 0) return documents
	const rows = await DesignVersionModel.findAll({
		where: { [Op.or]: unknown.map(({ designId, version }) => ({ designId, version })) },
		attributes: ['designId', 'version', 'document'],
		raw: true,
	})
	for (const row of rows) documents.set(keyOf(row), knownVersions.keep(keyOf(row), row.document))
	return documents
}

/** The newest versions by id, of all the studio's designs, or of those of these ids that there are. */
export async function listVersions(studioId: number, slugs?: readonly string[]): Promise<Map<string, number>> {
	const where = slugs ? { studioId, slug: [...slugs] } : { studioId }
	const rows = await DesignModel.findAll({ where, attributes: ['slug', 'version'] })
	return new Map(rows.map(({ slug, version }) => [slug, version]))
}

/** All documents of the studio, or those of the ids, by name. */
export async function listDocuments(studioId: number, slugs?: readonly string[]): Promise<Design[]> {
	const where = slugs ? { studioId, slug: [...slugs] } : { studioId }
	const rows = await DesignModel.findAll({ where, attributes: ['document'], order: [['name', 'ASC']] })
	return rows.map(({ document }) => document)
}

/** @throws {ConflictError} the studio has a design of this id */
export async function createDesign(studioId: number, document: Design, transaction: Transaction): Promise<void> {
	try {
		const { id: designId } = await DesignModel.create({ studioId, ...columnsOf(document) }, { transaction })
		await DesignVersionModel.create({ designId, version: 1, document }, { transaction })
	} catch (error) {
		if (error instanceof UniqueConstraintError)
			throw new ConflictError(`There is a design "${document.id}" already.`, { cause: error })
		throw error
	}
}

/**
 * Saves a new version; courses keep the one that they were planned with.
 *
 * @param version - as it was read
 * @returns the new version
 * @throws {ConflictError} someone else has saved it since
 * @throws {NotFoundError} the studio has no such design
 */
export async function updateDesign(
	studioId: number,
	document: Design,
	version: number,
	transaction: Transaction,
): Promise<number> {
	const where = { studioId, slug: document.id }
	const next = { ...columnsOf(document), version: version + 1 }
	const [changed] = await DesignModel.update(next, { where: { ...where, version }, transaction })
	const row = await DesignModel.findOne({ where, attributes: ['id'], transaction })
	if (!row) throw new NotFoundError('There is no such design. It may have been deleted meanwhile.')
	if (changed === 0) throw new ConflictError('This design was changed in another window meanwhile.')
	await DesignVersionModel.create({ designId: row.id, version: version + 1, document }, { transaction })
	return version + 1
}

/** One of the versions of a design that are kept. */
export interface KeptVersion extends VersionedDesign {
	createdAt: Date
}

const VERSIONS_SHOWN = 30

/**
 * The newest versions of a design, the newest first.
 *
 * @throws {NotFoundError} the studio has no such design
 */
export async function listDesignVersions(studioId: number, slug: string): Promise<KeptVersion[]> {
	const design = await DesignModel.findOne({ where: { studioId, slug }, attributes: ['id'] })
	if (!design) throw new NotFoundError('There is no such design.')
	const rows = await DesignVersionModel.findAll({
		where: { designId: design.id },
		order: [['version', 'DESC']],
		limit: VERSIONS_SHOWN,
	})
	return rows.map(({ document, version, createdAt }) => ({ document, version, createdAt }))
}

/**
 * Deletes a design with all its versions.
 *
 * @param version - the newest, as it was read
 * @throws {ConflictError} courses are planned with it; they are named. Or somebody else has changed it since
 * @throws {NotFoundError} the studio has no such design
 */
export async function deleteDesign(studioId: number, slug: string, version: number): Promise<void> {
	const courses = await CourseModel.findAll({
		where: { studioId },
		attributes: ['name'],
		include: [{ model: CourseDesignModel, as: 'designs', where: { slug }, attributes: [] }],
	})
	if (courses.length > 0)
		throw new ConflictError(`It is in use: ${courses.map(({ name }) => name).join(', ')}. Take it out of there first.`)
	if ((await writing(() => DesignModel.destroy({ where: { studioId, slug, version } }))) > 0) return
	await getDesign(studioId, slug)
	throw new ConflictError('This design was changed in another window meanwhile: look at it before it goes.')
}

function columnsOf(document: Design) {
	const { id: slug, name, kind, level } = document
	return { slug, name, kind, level, document, card: makeCard(document) }
}
