/** What is learnt from past classes. Columns only. */
import {
	DataTypes,
	Model,
	type CreationOptional,
	type InferAttributes,
	type InferCreationAttributes,
	type Sequelize,
} from 'sequelize'

export class ObservationModel extends Model<
	InferAttributes<ObservationModel>,
	InferCreationAttributes<ObservationModel>
> {
	declare id: CreationOptional<number>
	declare studioId: number
	/** Of the run that it comes from; null: from elsewhere. */
	declare courseId: number | null
	declare session: number | null
	/** Unique in the studio. */
	declare observationKey: string
	declare className: string
	/** YYYY-MM-DD. */
	declare taughtOn: string
	declare source: string
	/** Of minutes, breakage or paste. */
	declare kind: string
	declare document: object
	/** The document as it was before it was corrected; null: it never was. */
	declare original: CreationOptional<object | null>
	/** Why nothing is learnt from it; null: it is. */
	declare leftOut: CreationOptional<string | null>
}

/** How fast somebody was at a step, of a studio that asks for it. */
export class StudentSpeedModel extends Model<
	InferAttributes<StudentSpeedModel>,
	InferCreationAttributes<StudentSpeedModel>
> {
	declare id: CreationOptional<number>
	declare studioId: number
	declare courseId: number
	declare session: number
	declare person: string
	declare name: string
	/** YYYY-MM-DD. */
	declare taughtOn: string
	declare logRatio: number
}

/** Registers the models of this file. */
export function defineLearning(sequelize: Sequelize): void {
	const whole = () => ({ type: DataTypes.INTEGER.UNSIGNED, allowNull: false })
	ObservationModel.init(
		{
			id: { ...whole(), autoIncrement: true, primaryKey: true },
			studioId: whole(),
			courseId: DataTypes.INTEGER.UNSIGNED,
			session: DataTypes.SMALLINT.UNSIGNED,
			observationKey: { type: DataTypes.STRING(200), allowNull: false },
			className: { type: DataTypes.STRING(160), allowNull: false },
			taughtOn: { type: DataTypes.DATEONLY, allowNull: false },
			source: { type: DataTypes.STRING(12), allowNull: false },
			kind: { type: DataTypes.STRING(12), allowNull: false },
			document: { type: DataTypes.JSON, allowNull: false },
			original: DataTypes.JSON,
			leftOut: DataTypes.STRING(200),
		},
		{ sequelize, tableName: 'observations', timestamps: false },
	)
	const text = () => ({ type: DataTypes.STRING(80), allowNull: false })
	StudentSpeedModel.init(
		{
			id: { ...whole(), autoIncrement: true, primaryKey: true },
			studioId: whole(),
			courseId: whole(),
			session: { type: DataTypes.SMALLINT.UNSIGNED, allowNull: false },
			person: text(),
			name: text(),
			taughtOn: { type: DataTypes.DATEONLY, allowNull: false },
			logRatio: { type: DataTypes.DOUBLE, allowNull: false },
		},
		{ sequelize, tableName: 'student_speeds', timestamps: false },
	)
}
