/** Designs, as the documents that they are exchanged as, with every version there was. Columns only. */
import {
	DataTypes,
	Model,
	type CreationOptional,
	type InferAttributes,
	type InferCreationAttributes,
	type Sequelize,
} from 'sequelize'
import type { Design, DesignKind } from '../../core/design/design'
import type { DesignCard } from '../../core/design/design-card'

export class DesignModel extends Model<InferAttributes<DesignModel>, InferCreationAttributes<DesignModel>> {
	declare id: CreationOptional<number>
	declare studioId: number
	/** The document's own id, unique within the studio. */
	declare slug: string
	declare name: string
	declare kind: DesignKind
	declare level: number
	/** The newest version. */
	declare document: Design
	declare card: DesignCard | null
	declare version: CreationOptional<number>
}

export class DesignVersionModel extends Model<
	InferAttributes<DesignVersionModel>,
	InferCreationAttributes<DesignVersionModel>
> {
	declare id: CreationOptional<number>
	declare designId: number
	declare version: number
	declare document: Design
	declare createdAt: CreationOptional<Date>
}

/** Of a design, or of one of its steps. */
export class PhotoModel extends Model<InferAttributes<PhotoModel>, InferCreationAttributes<PhotoModel>> {
	declare id: CreationOptional<number>
	declare studioId: number
	declare designId: number
	/** Of the step that it shows; null: of the whole. */
	declare stepId: string | null
	declare caption: string
	declare widthPx: number
	declare heightPx: number
	/** JPEG. */
	declare bytes: Buffer
	declare version: CreationOptional<number>
}

/** Registers the models of this file. */
export function defineDesigns(sequelize: Sequelize): void {
	const id = () => ({ type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true })
	const whole = () => ({ type: DataTypes.INTEGER.UNSIGNED, allowNull: false })
	DesignModel.init(
		{
			id: id(),
			studioId: whole(),
			slug: { type: DataTypes.STRING(60), allowNull: false },
			name: { type: DataTypes.STRING(80), allowNull: false },
			kind: { type: DataTypes.STRING(20), allowNull: false },
			level: { type: DataTypes.TINYINT.UNSIGNED, allowNull: false },
			document: { type: DataTypes.JSON, allowNull: false },
			card: { type: DataTypes.JSON, allowNull: true },
			version: { ...whole(), defaultValue: 1 },
		},
		{ sequelize, tableName: 'designs' },
	)
	DesignVersionModel.init(
		{
			id: id(),
			designId: whole(),
			version: whole(),
			document: { type: DataTypes.JSON, allowNull: false },
			createdAt: DataTypes.DATE(3),
		},
		{ sequelize, tableName: 'design_versions', updatedAt: false },
	)
	PhotoModel.init(
		{
			id: id(),
			studioId: whole(),
			designId: whole(),
			stepId: { type: DataTypes.STRING(60), allowNull: true },
			caption: { type: DataTypes.STRING(160), allowNull: false },
			widthPx: whole(),
			heightPx: whole(),
			bytes: { type: DataTypes.BLOB('medium'), allowNull: false },
			version: { ...whole(), defaultValue: 1 },
		},
		{ sequelize, tableName: 'photos' },
	)
}
