/** What happens in sessions that are taught, and who may look on. Columns only. */
import {
	DataTypes,
	Model,
	type CreationOptional,
	type InferAttributes,
	type InferCreationAttributes,
	type Sequelize,
} from 'sequelize'
import type { RunEvent } from '../../core/run/run-event'

export class RunEventModel extends Model<InferAttributes<RunEventModel>, InferCreationAttributes<RunEventModel>> {
	/** Rises in the order in which events came. */
	declare id: CreationOptional<number>
	declare courseId: number
	declare session: number
	declare eventId: string
	declare event: RunEvent
	declare receivedAt: Date
}

/** A code that opens the wall of a session to whoever has it. */
export class RunCodeModel extends Model<InferAttributes<RunCodeModel>, InferCreationAttributes<RunCodeModel>> {
	declare code: string
	declare courseId: number
	declare session: number
	declare userId: number
	declare expiresAt: Date
}

/** A photo that was taken in class. */
export class RunPhotoModel extends Model<InferAttributes<RunPhotoModel>, InferCreationAttributes<RunPhotoModel>> {
	declare courseId: number
	/** As its device named it. */
	declare photoId: string
	/** JPEG. */
	declare bytes: Buffer
	declare receivedAt: Date
}

/** Registers the models of this file. */
export function defineRuns(sequelize: Sequelize): void {
	const whole = () => ({ type: DataTypes.INTEGER.UNSIGNED, allowNull: false })
	RunEventModel.init(
		{
			id: { ...whole(), autoIncrement: true, primaryKey: true },
			courseId: whole(),
			session: { type: DataTypes.SMALLINT.UNSIGNED, allowNull: false },
			eventId: { type: DataTypes.CHAR(36), allowNull: false },
			event: { type: DataTypes.JSON, allowNull: false },
			receivedAt: { type: DataTypes.DATE(3), allowNull: false },
		},
		{ sequelize, tableName: 'run_events', timestamps: false },
	)
	RunPhotoModel.init(
		{
			courseId: { ...whole(), primaryKey: true },
			photoId: { type: DataTypes.CHAR(36), primaryKey: true },
			bytes: { type: DataTypes.BLOB('medium'), allowNull: false },
			receivedAt: { type: DataTypes.DATE(3), allowNull: false },
		},
		{ sequelize, tableName: 'run_photos', timestamps: false },
	)
	RunCodeModel.init(
		{
			code: { type: DataTypes.CHAR(8), primaryKey: true },
			courseId: whole(),
			session: { type: DataTypes.SMALLINT.UNSIGNED, allowNull: false },
			userId: whole(),
			expiresAt: { type: DataTypes.DATE(3), allowNull: false },
		},
		{ sequelize, tableName: 'run_codes', timestamps: false },
	)
}
