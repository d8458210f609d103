/** People of courses, packed lines, the shelf and its suppliers. Columns only. */
import {
	DataTypes,
	Model,
	type CreationOptional,
	type InferAttributes,
	type InferCreationAttributes,
	type Sequelize,
} from 'sequelize'
import type { Pace } from '../../core/course/course'
import type { Allergen } from '../../core/vocabulary/allergen'
import type { AmountUnit } from '../../core/kit/bill'
import type { StockKind } from '../../core/kit/stock'
import type { Diet } from '../../core/kit/student'

export class StudentModel extends Model<InferAttributes<StudentModel>, InferCreationAttributes<StudentModel>> {
	declare id: CreationOptional<number>
	declare courseId: number
	declare position: number
	declare name: string
	declare level: Pace | null
	declare isLeftHanded: boolean
	declare avoids: Allergen[]
	declare diet: Diet
	declare isChild: boolean
	declare notes: string
}

export class PackingTickModel extends Model<
	InferAttributes<PackingTickModel>,
	InferCreationAttributes<PackingTickModel>
> {
	declare courseId: number
	declare seat: number
	declare line: string
	declare amount: number
	/** Taken out again otherwise. */
	declare isPacked: boolean
	/** By the clock of the device. */
	declare tickedAt: Date
}

export class StockItemModel extends Model<InferAttributes<StockItemModel>, InferCreationAttributes<StockItemModel>> {
	declare id: CreationOptional<number>
	declare studioId: number
	declare itemKey: string
	declare kind: StockKind
	declare name: string
	declare unit: AmountUnit
	declare onHand: number
	declare version: CreationOptional<number>
}

export class SupplierModel extends Model<InferAttributes<SupplierModel>, InferCreationAttributes<SupplierModel>> {
	declare id: CreationOptional<number>
	declare studioId: number
	declare name: string
	declare leadDays: number
	declare deliveryCents: number
	declare version: CreationOptional<number>
}

export class OfferModel extends Model<InferAttributes<OfferModel>, InferCreationAttributes<OfferModel>> {
	declare id: CreationOptional<number>
	declare studioId: number
	declare supplierId: number
	declare itemKey: string
	declare amount: number
	declare priceCents: number
	declare version: CreationOptional<number>
}

/** Registers the models of this file. */
export function defineKits(sequelize: Sequelize): void {
	const id = () => ({ type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true })
	const whole = () => ({ type: DataTypes.INTEGER.UNSIGNED, allowNull: false })
	const amount = () => ({ type: DataTypes.BIGINT.UNSIGNED, allowNull: false })
	const text = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false })
	const version = () => ({ ...whole(), defaultValue: 1 })
	const flag = () => ({ type: DataTypes.BOOLEAN, allowNull: false })
	StudentModel.init(
		{
			id: id(),
			courseId: whole(),
			position: whole(),
			name: text(80),
			level: DataTypes.STRING(20),
			isLeftHanded: flag(),
			avoids: { type: DataTypes.JSON, allowNull: false },
			diet: text(20),
			isChild: flag(),
			notes: text(300),
		},
		{ sequelize, tableName: 'students', timestamps: false },
	)
	PackingTickModel.init(
		{
			courseId: { ...whole(), primaryKey: true },
			seat: { ...whole(), primaryKey: true },
			line: { ...text(190), primaryKey: true },
			amount: amount(),
			isPacked: flag(),
			tickedAt: { type: DataTypes.DATE(3), allowNull: false },
		},
		{ sequelize, tableName: 'packing_ticks', timestamps: false },
	)
	StockItemModel.init(
		{
			id: id(),
			studioId: whole(),
			itemKey: text(120),
			kind: text(20),
			name: text(80),
			unit: text(10),
			onHand: amount(),
			version: version(),
		},
		{ sequelize, tableName: 'stock_items', timestamps: false },
	)
	SupplierModel.init(
		{ id: id(), studioId: whole(), name: text(80), leadDays: whole(), deliveryCents: whole(), version: version() },
		{ sequelize, tableName: 'suppliers', timestamps: false },
	)
	OfferModel.init(
		{
			id: id(),
			studioId: whole(),
			supplierId: whole(),
			itemKey: text(120),
			amount: amount(),
			priceCents: whole(),
			version: version(),
		},
		{ sequelize, tableName: 'offers', timestamps: false },
	)
}
