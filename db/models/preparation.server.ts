/** What is done and settled of the work before class, what was reckoned of it, and calendars that others read. Columns only. */
import { DataTypes, Model, type InferAttributes, type InferCreationAttributes, type Sequelize } from 'sequelize'
import type { CalendarEvent } from '../../exchange/calendar/write-calendar'

export class PrepMarkModel extends Model<InferAttributes<PrepMarkModel>, InferCreationAttributes<PrepMarkModel>> {
	declare courseId: number
	declare taskId: string
	declare doneAt: Date | null
	/** YYYY-MM-DD. */
	declare day: string | null
}

export class CoursePreparationModel extends Model<
	InferAttributes<CoursePreparationModel>,
	InferCreationAttributes<CoursePreparationModel>
> {
	declare courseId: number
	declare inputKey: string
	declare document: object
}

export class LaidPreparationModel extends Model<
	InferAttributes<LaidPreparationModel>,
	InferCreationAttributes<LaidPreparationModel>
> {
	declare userId: number
	declare inputKey: string
	declare document: object
}

export class CalendarFeedModel extends Model<
	InferAttributes<CalendarFeedModel>,
	InferCreationAttributes<CalendarFeedModel>
> {
	declare userId: number
	/** SHA-256 of the token in the address: a copy of the table opens no calendar. */
	declare tokenHash: string
	declare madeAt: Date
}

export class CalendarEventModel extends Model<
	InferAttributes<CalendarEventModel>,
	InferCreationAttributes<CalendarEventModel>
> {
	declare studioId: number
	declare uid: string
	declare courseId: number
	declare sequence: number
	declare changedAt: Date
	declare cancelledAt: Date | null
	declare event: CalendarEvent
}

/** Registers the models of this file. */
export function definePreparation(sequelize: Sequelize): void {
	// Each column has an object of its own: the library writes into it.
	const whole = () => ({ type: DataTypes.INTEGER.UNSIGNED, allowNull: false })
	const key = () => ({ ...whole(), primaryKey: true })
	const json = () => ({ type: DataTypes.JSON, allowNull: false })
	const inputKey = () => ({ type: DataTypes.CHAR(44), allowNull: false })
	const moment = () => ({ type: DataTypes.DATE(3), allowNull: false })
	const terms = { sequelize, timestamps: false }
	PrepMarkModel.init(
		{
			courseId: key(),
			taskId: { type: DataTypes.STRING(190), primaryKey: true },
			doneAt: { type: DataTypes.DATE(3), allowNull: true },
			day: { type: DataTypes.DATEONLY, allowNull: true },
		},
		{ ...terms, tableName: 'prep_marks' },
	)
	CoursePreparationModel.init(
		{ courseId: key(), inputKey: inputKey(), document: json() },
		{ ...terms, tableName: 'course_preparations' },
	)
	LaidPreparationModel.init(
		{ userId: key(), inputKey: inputKey(), document: json() },
		{ ...terms, tableName: 'laid_preparations' },
	)
	CalendarFeedModel.init(
		{ userId: key(), tokenHash: { type: DataTypes.CHAR(64), allowNull: false }, madeAt: moment() },
		{ ...terms, tableName: 'calendar_feeds' },
	)
	CalendarEventModel.init(
		{
			studioId: key(),
			uid: { type: DataTypes.STRING(190), primaryKey: true },
			courseId: whole(),
			sequence: whole(),
			changedAt: moment(),
			cancelledAt: { type: DataTypes.DATE(3), allowNull: true },
			event: json(),
		},
		{ ...terms, tableName: 'calendar_events' },
	)
}
