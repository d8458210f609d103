/** Courses with their designs and sessions, and the plans made for them. Columns only. */
import {
	DataTypes,
	Model,
	type CreationOptional,
	type InferAttributes,
	type InferCreationAttributes,
	type NonAttribute,
	type Sequelize,
} from 'sequelize'
import type { Break, Pace, PlanFor } from '../../core/course/course'
import type { CoursePin } from '../../core/course/course-pin'
import type { CourseMoney } from '../../core/kit/price-course'
import type { Picks } from '../../core/design/resolve-design'

export class CourseModel extends Model<InferAttributes<CourseModel>, InferCreationAttributes<CourseModel>> {
	declare id: CreationOptional<number>
	declare studioId: number
	declare name: string
	declare studentCount: number
	declare pace: Pace
	declare planFor: PlanFor
	declare spareConfidence: number
	declare demoFlowers: number
	declare homeworkMinutes: number
	/** 0: nothing is finished at home. */
	declare homeAfterDays: CreationOptional<number>
	declare endEarly: CreationOptional<boolean>
	declare storeId: number | null
	declare waits: Record<string, number> | null
	declare pins: CreationOptional<CoursePin[] | null>
	declare money: CreationOptional<CourseMoney | null>
	declare version: CreationOptional<number>
	declare peopleVersion: CreationOptional<number>
	declare moneyVersion: CreationOptional<number>
	/** Ticks of an earlier moment do not count. */
	declare unpackedAt: CreationOptional<Date | null>
	declare designs?: NonAttribute<CourseDesignModel[]>
	declare sessions?: NonAttribute<CourseSessionModel[]>
}

export class CourseDesignModel extends Model<
	InferAttributes<CourseDesignModel>,
	InferCreationAttributes<CourseDesignModel>
> {
	declare id: CreationOptional<number>
	declare courseId: number
	declare position: number
	declare slug: string
	/** Of the item within its course; null: the design's id. */
	declare itemKey: CreationOptional<string | null>
	declare itemName: CreationOptional<string | null>
	declare flowersPerStudent: number
	declare picks: Picks
	declare designVersion: number | null
}

export class CourseSessionModel extends Model<
	InferAttributes<CourseSessionModel>,
	InferCreationAttributes<CourseSessionModel>
> {
	declare id: CreationOptional<number>
	declare courseId: number
	declare position: number
	declare date: string
	declare startMin: number
	declare endMin: number
	declare setUpMinutes: number
	declare clearAwayMinutes: number
	declare breaks: Break[]
	declare roomId: number | null
	/** null: the studio's share. */
	declare bufferMinutes: CreationOptional<number | null>
}

export class PlanModel extends Model<InferAttributes<PlanModel>, InferCreationAttributes<PlanModel>> {
	declare id: CreationOptional<number>
	declare studioId: number
	declare courseId: number
	/** Of the inputs that the plan was made from. */
	declare fingerprint: string
	/** Of the document, for lists: its status and how many minutes are missing. */
	declare status: string
	declare shortfallMinutes: number
	declare document: object
	/** Set aside to compare; null: it stands, or stood. */
	declare asideName: CreationOptional<string | null>
	/** Why it was made, where somebody said so; null: nobody did. */
	declare reason: CreationOptional<string | null>
	declare createdAt: CreationOptional<Date>
}

/** Registers the models of this file. */
export function defineCourses(sequelize: Sequelize): void {
	// Functions: the library writes each column's name into the object that describes it.
	const id = () => ({ type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true })
	const reference = () => ({ type: DataTypes.INTEGER.UNSIGNED, allowNull: false })
	const version = () => ({ ...reference(), defaultValue: 1 })
	const minutes = () => ({ type: DataTypes.SMALLINT.UNSIGNED, allowNull: false })
	CourseModel.init(
		{
			id: id(),
			studioId: reference(),
			name: { type: DataTypes.STRING(120), allowNull: false },
			studentCount: { type: DataTypes.SMALLINT.UNSIGNED, allowNull: false },
			pace: { type: DataTypes.STRING(20), allowNull: false },
			planFor: { type: DataTypes.STRING(20), allowNull: false },
			spareConfidence: { type: DataTypes.DOUBLE, allowNull: false },
			demoFlowers: { type: DataTypes.SMALLINT.UNSIGNED, allowNull: false },
			homeworkMinutes: minutes(),
			homeAfterDays: { type: DataTypes.SMALLINT.UNSIGNED, allowNull: false, defaultValue: 0 },
			endEarly: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
			storeId: DataTypes.INTEGER.UNSIGNED,
			waits: DataTypes.JSON,
			pins: DataTypes.JSON,
			money: DataTypes.JSON,
			version: version(),
			peopleVersion: version(),
			moneyVersion: version(),
			unpackedAt: DataTypes.DATE(3),
		},
		{ sequelize, tableName: 'courses' },
	)
	CourseDesignModel.init(
		{
			id: id(),
			courseId: reference(),
			position: minutes(),
			slug: { type: DataTypes.STRING(60), allowNull: false },
			itemKey: DataTypes.STRING(64),
			itemName: DataTypes.STRING(80),
			flowersPerStudent: minutes(),
			picks: { type: DataTypes.JSON, allowNull: false },
			designVersion: DataTypes.INTEGER.UNSIGNED,
		},
		{ sequelize, tableName: 'course_designs', timestamps: false },
	)
	CourseSessionModel.init(
		{
			id: id(),
			courseId: reference(),
			position: minutes(),
			date: { type: DataTypes.DATEONLY, allowNull: false },
			startMin: minutes(),
			endMin: minutes(),
			setUpMinutes: minutes(),
			clearAwayMinutes: minutes(),
			breaks: { type: DataTypes.JSON, allowNull: false },
			roomId: DataTypes.INTEGER.UNSIGNED,
			bufferMinutes: DataTypes.SMALLINT.UNSIGNED,
		},
		{ sequelize, tableName: 'course_sessions', timestamps: false },
	)
	PlanModel.init(
		{
			id: id(),
			studioId: reference(),
			courseId: reference(),
			fingerprint: { type: DataTypes.CHAR(64), allowNull: false },
			status: { type: DataTypes.STRING(20), allowNull: false },
			shortfallMinutes: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
			document: { type: DataTypes.JSON, allowNull: false },
			asideName: DataTypes.STRING(80),
			reason: DataTypes.STRING(400),
			createdAt: DataTypes.DATE(3),
		},
		{ sequelize, tableName: 'plans', updatedAt: false },
	)
	CourseModel.hasMany(CourseDesignModel, { foreignKey: 'courseId', as: 'designs' })
	CourseModel.hasMany(CourseSessionModel, { foreignKey: 'courseId', as: 'sessions' })
}
