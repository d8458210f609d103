/** Which tables hold what belongs to a studio, and which of their columns name a row of another. */
import type { Model, ModelStatic } from 'sequelize'
import { makeCard } from '../../core/design/design-card'
import type { Design } from '../../core/design/design'
import type { Row } from '../../exchange/studio/studio-archive'
import { CourseDesignModel, CourseModel, CourseSessionModel, PlanModel } from '../models/courses.server'
import { DesignModel, DesignVersionModel, PhotoModel } from '../models/designs.server'
import { OfferModel, PackingTickModel, StockItemModel, StudentModel, SupplierModel } from '../models/kits.server'
import { ObservationModel, StudentSpeedModel } from '../models/learning.server'
import { DryingNoteModel, PlaceModel, ReadingModel } from '../models/places.server'
import { PrepMarkModel } from '../models/preparation.server'
import { RunEventModel, RunPhotoModel } from '../models/runs.server'

export interface StudioTable {
	model: ModelStatic<Model>
	/** By the column that names it: the table. A column `studioId` names the studio itself. */
	references: Readonly<Record<string, string>>
	/** The column of whose row it is part, where it does not name the studio. */
	partOf?: string
	/** The column that holds the bytes of a picture. */
	picture?: string
	/** Columns that follow from the others: they are left out, and made again. */
	derive?: Readonly<Record<string, (row: Row) => unknown>>
}

/**
 * In an order in which each names only rows of those before it. What is not here does not leave with the studio: who signs
 * in and with what, links, codes and calendars that hang on them, the list of changes, and what is reckoned anew.
 */
export const STUDIO_TABLES = {
	places: { model: PlaceModel, references: {} },
	readings: { model: ReadingModel, references: { placeId: 'places' }, partOf: 'placeId' },
	designs: {
		model: DesignModel,
		references: {},
		derive: { card: ({ document }: Row) => makeCard(document as Design) },
	},
	designVersions: { model: DesignVersionModel, references: { designId: 'designs' }, partOf: 'designId' },
	photos: { model: PhotoModel, references: { designId: 'designs' }, picture: 'bytes' },
	stockItems: { model: StockItemModel, references: {} },
	suppliers: { model: SupplierModel, references: {} },
	offers: { model: OfferModel, references: { supplierId: 'suppliers' } },
	courses: { model: CourseModel, references: { storeId: 'places' } },
	courseDesigns: { model: CourseDesignModel, references: { courseId: 'courses' }, partOf: 'courseId' },
	courseSessions: {
		model: CourseSessionModel,
		references: { courseId: 'courses', roomId: 'places' },
		partOf: 'courseId',
	},
	plans: { model: PlanModel, references: { courseId: 'courses' } },
	students: { model: StudentModel, references: { courseId: 'courses' }, partOf: 'courseId' },
	packingTicks: { model: PackingTickModel, references: { courseId: 'courses' }, partOf: 'courseId' },
	prepMarks: { model: PrepMarkModel, references: { courseId: 'courses' }, partOf: 'courseId' },
	runEvents: { model: RunEventModel, references: { courseId: 'courses' }, partOf: 'courseId' },
	runPhotos: { model: RunPhotoModel, references: { courseId: 'courses' }, partOf: 'courseId', picture: 'bytes' },
	dryingNotes: { model: DryingNoteModel, references: { placeId: 'places', courseId: 'courses' } },
	observations: { model: ObservationModel, references: { courseId: 'courses' } },
	studentSpeeds: { model: StudentSpeedModel, references: { courseId: 'courses' } },
} as const satisfies Record<string, StudioTable>

export type TableName = keyof typeof STUDIO_TABLES

/** In their order. */
export const TABLE_NAMES = Object.keys(STUDIO_TABLES) as TableName[]

export function tableOf(name: TableName): StudioTable {
	return STUDIO_TABLES[name]
}

/** Whether rows are named by a number that other rows may hold. */
export function hasOwnId(name: TableName): boolean {
	return 'id' in tableOf(name).model.getAttributes()
}
