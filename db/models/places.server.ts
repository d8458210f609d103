/** Rooms and stores, what their hygrometers read, and what was seen of drying. Columns only. */
import {
	DataTypes,
	Model,
	type CreationOptional,
	type InferAttributes,
	type InferCreationAttributes,
	type Sequelize,
} from 'sequelize'
import type { Paste } from '../../core/vocabulary/paste'
import type { AirMovement } from '../../core/drying/air-film'
import type { Climate } from '../../core/drying/climate'
import type { PlaceKind } from '../../core/drying/place'
import type { ReadingSource, Sensor } from '../../core/readings/reading'

export class PlaceModel extends Model<InferAttributes<PlaceModel>, InferCreationAttributes<PlaceModel>> {
	declare id: CreationOptional<number>
	declare studioId: number
	declare kind: PlaceKind
	declare name: string
	declare climate: Climate
	declare movement: AirMovement
	declare sensor: Sensor
	declare version: CreationOptional<number>
}

export class ReadingModel extends Model<InferAttributes<ReadingModel>, InferCreationAttributes<ReadingModel>> {
	declare id: CreationOptional<number>
	declare placeId: number
	/** The studio's wall clock, kept as if it were UTC. */
	declare at: Date
	declare temperatureC: number
	declare humidity: number
	declare source: ReadingSource
}

export class DryingNoteModel extends Model<InferAttributes<DryingNoteModel>, InferCreationAttributes<DryingNoteModel>> {
	declare id: CreationOptional<number>
	declare studioId: number
	declare paste: Paste
	declare what: string
	declare modelHours: number
	declare notReadyHours: number
	declare readyHours: number | null
	declare batchSize: number
	/** Where it dried; null: nobody has said. */
	declare placeId: CreationOptional<number | null>
	/** Of whose tray it was; null: of none. */
	declare courseId: CreationOptional<number | null>
	declare session: CreationOptional<number | null>
	declare createdAt: CreationOptional<Date>
}

/** Registers the models of this file. */
export function definePlaces(sequelize: Sequelize): void {
	const id = () => ({ type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true })
	const whole = () => ({ type: DataTypes.INTEGER.UNSIGNED, allowNull: false })
	const text = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false })
	const number = () => ({ type: DataTypes.DOUBLE, allowNull: false })
	PlaceModel.init(
		{
			id: id(),
			studioId: whole(),
			kind: text(10),
			name: text(60),
			climate: { type: DataTypes.JSON, allowNull: false },
			movement: text(20),
			sensor: text(20),
			version: { ...whole(), defaultValue: 1 },
		},
		{ sequelize, tableName: 'places' },
	)
	ReadingModel.init(
		{
			id: id(),
			placeId: whole(),
			at: { type: DataTypes.DATE, allowNull: false },
			temperatureC: { ...number(), field: 'temperature_c' },
			humidity: number(),
			source: text(10),
		},
		{ sequelize, tableName: 'readings', timestamps: false },
	)
	DryingNoteModel.init(
		{
			id: id(),
			studioId: whole(),
			paste: text(30),
			what: text(160),
			modelHours: number(),
			notReadyHours: number(),
			readyHours: { type: DataTypes.DOUBLE, allowNull: true },
			batchSize: { type: DataTypes.SMALLINT.UNSIGNED, allowNull: false },
			placeId: DataTypes.INTEGER.UNSIGNED,
			courseId: DataTypes.INTEGER.UNSIGNED,
			session: DataTypes.SMALLINT.UNSIGNED,
			createdAt: DataTypes.DATE(3),
		},
		{ sequelize, tableName: 'drying_notes', updatedAt: false },
	)
}
