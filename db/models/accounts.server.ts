/** Studios, the people who sign in to them, and their sessions. Columns only. */
import {
	DataTypes,
	Model,
	type CreationOptional,
	type InferAttributes,
	type InferCreationAttributes,
	type NonAttribute,
	type Sequelize,
} from 'sequelize'
import type { OwnPasteLike } from '../../core/design/design'
import type { Learnt } from '../../core/learn/learnt'
import type { StrainTerms } from '../../core/plan/compile/strain-terms'
import type { KitTerms } from '../../core/kit/kit-terms'
import type { Role } from '../../core/vocabulary/role'
import type { FreeTime } from '../../core/prepare/free-time'
import type { PrepTerms } from '../../core/prepare/prep-terms'
import type { UnitSystem } from '../../core/materials/units'
import type { PaperName } from '../../core/outlines/template-sheet'
import type { GaugeStandard } from '../../core/materials/wire-gauge'

export class StudioModel extends Model<InferAttributes<StudioModel>, InferCreationAttributes<StudioModel>> {
	declare id: CreationOptional<number>
	declare name: string
	declare gaugeStandard: GaugeStandard
	/** Name in the IANA database. */
	declare timeZone: string
	/** Lengths in which the studio buys wire, mm. */
	declare wireLengthsMm: number[]
	declare dryingConfidence: CreationOptional<number>
	declare readingMaxAgeMinutes: CreationOptional<number>
	declare ownPastes: CreationOptional<OwnPasteLike[] | null>
	declare units: CreationOptional<UnitSystem>
	/** It prints on. */
	declare paper: CreationOptional<PaperName>
	declare kitTerms: CreationOptional<KitTerms | null>
	declare strainTerms: CreationOptional<StrainTerms | null>
	/** Null: it plans with what its designs state. */
	declare learnt: CreationOptional<Learnt | null>
	/** How fast people are who come again is learnt. */
	declare learnsStudents: CreationOptional<boolean>
	declare prepTerms: CreationOptional<PrepTerms | null>
	/** Null: it stays. */
	declare leavingAt: CreationOptional<Date | null>
	/** Names of people go so long after their course; 0: they stay. */
	declare peopleMonths: CreationOptional<number>
	declare version: CreationOptional<number>
}

export class UserModel extends Model<InferAttributes<UserModel>, InferCreationAttributes<UserModel>> {
	declare id: CreationOptional<number>
	declare studioId: number
	declare name: string
	declare email: string
	declare passwordHash: string
	declare role: CreationOptional<Role>
	/** Of one-time codes, base 32; null: she has none. */
	declare codeSecret: CreationOptional<string | null>
	/** Whether she is asked for a code: not before she has proven that she can make one. */
	declare asksCode: CreationOptional<boolean>
	/** The newest step of time of which a code was taken. */
	declare codeStep: CreationOptional<number>
	/** SHA-256 of each word that was not used yet. */
	declare recoveryHashes: CreationOptional<string[] | null>
	/** What the screens of this person are to look like, in the app's own words. */
	declare look: CreationOptional<Record<string, string> | null>
	/** For work before class. */
	declare freeTime: CreationOptional<FreeTime | null>
	declare studio?: NonAttribute<StudioModel>
}

export class SignInModel extends Model<InferAttributes<SignInModel>, InferCreationAttributes<SignInModel>> {
	/** SHA-256 of the token in the cookie: a copy of the table opens no session. */
	declare tokenHash: string
	declare userId: number
	/** In words, as far as the browser says. */
	declare device: CreationOptional<string>
	/** Null: not since it was made. */
	declare seenAt: CreationOptional<Date | null>
	declare expiresAt: Date
	declare createdAt: CreationOptional<Date>
	declare user?: NonAttribute<UserModel>
}

/** What whoever holds the link may do once: found a studio, join one, choose a new password, show a one-time code. */
export type LinkKind = 'found' | 'join' | 'password' | 'code'

export class LinkModel extends Model<InferAttributes<LinkModel>, InferCreationAttributes<LinkModel>> {
	declare id: CreationOptional<number>
	/** SHA-256 of what is in the address. */
	declare tokenHash: string
	declare kind: LinkKind
	/** Of `join`. */
	declare studioId: CreationOptional<number | null>
	/** Of `password` and `code`. */
	declare userId: CreationOptional<number | null>
	declare email: CreationOptional<string | null>
	declare role: CreationOptional<Role | null>
	declare expiresAt: Date
	declare createdAt: CreationOptional<Date>
	declare studio?: NonAttribute<StudioModel | null>
}

/** One change that somebody made; ids alone. */
export class ChangeModel extends Model<InferAttributes<ChangeModel>, InferCreationAttributes<ChangeModel>> {
	declare id: CreationOptional<number>
	declare studioId: number
	declare userId: number
	/** Of the page, as in the address. */
	declare path: string
	/** What of the things that can be done there; empty where there is one. */
	declare intent: string
	declare at: Date
}

/** Registers the models of this file. */
export function defineAccounts(sequelize: Sequelize): void {
	StudioModel.init(
		{
			id: { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true },
			name: { type: DataTypes.STRING(120), allowNull: false },
			timeZone: { type: DataTypes.STRING(60), allowNull: false },
			gaugeStandard: { type: DataTypes.ENUM('swg', 'awg'), allowNull: false },
			wireLengthsMm: { type: DataTypes.JSON, allowNull: false },
			dryingConfidence: { type: DataTypes.DOUBLE, allowNull: false, defaultValue: 0.9 },
			readingMaxAgeMinutes: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false, defaultValue: 60 },
			ownPastes: { type: DataTypes.JSON, allowNull: true },
			units: { type: DataTypes.STRING(10), allowNull: false, defaultValue: 'metric' },
			paper: { type: DataTypes.STRING(10), allowNull: false, defaultValue: 'a4' },
			kitTerms: { type: DataTypes.JSON, allowNull: true },
			strainTerms: { type: DataTypes.JSON, allowNull: true },
			learnt: { type: DataTypes.JSON, allowNull: true, field: 'learnt_minutes' },
			learnsStudents: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
			prepTerms: { type: DataTypes.JSON, allowNull: true },
			leavingAt: { type: DataTypes.DATE(3), allowNull: true },
			peopleMonths: { type: DataTypes.SMALLINT.UNSIGNED, allowNull: false, defaultValue: 12 },
			version: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false, defaultValue: 1 },
		},
		{ sequelize, tableName: 'studios' },
	)
	UserModel.init(
		{
			id: { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true },
			studioId: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
			name: { type: DataTypes.STRING(120), allowNull: false },
			email: { type: DataTypes.STRING(190), allowNull: false },
			passwordHash: { type: DataTypes.STRING(255), allowNull: false },
			role: { type: DataTypes.STRING(12), allowNull: false, defaultValue: 'owner' },
			codeSecret: { type: DataTypes.STRING(64), allowNull: true },
			asksCode: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
			codeStep: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false, defaultValue: 0 },
			recoveryHashes: { type: DataTypes.JSON, allowNull: true },
			look: { type: DataTypes.JSON, allowNull: true },
			freeTime: { type: DataTypes.JSON, allowNull: true },
		},
		{ sequelize, tableName: 'users' },
	)
	SignInModel.init(
		{
			tokenHash: { type: DataTypes.CHAR(64), primaryKey: true },
			userId: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
			device: { type: DataTypes.STRING(80), allowNull: false, defaultValue: '' },
			seenAt: { type: DataTypes.DATE(3), allowNull: true },
			expiresAt: { type: DataTypes.DATE(3), allowNull: false },
			createdAt: { type: DataTypes.DATE(3), allowNull: false },
		},
		{ sequelize, tableName: 'sign_ins', updatedAt: false },
	)
	LinkModel.init(
		{
			id: { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true },
			tokenHash: { type: DataTypes.CHAR(64), allowNull: false },
			kind: { type: DataTypes.STRING(12), allowNull: false },
			studioId: { type: DataTypes.INTEGER.UNSIGNED, allowNull: true },
			userId: { type: DataTypes.INTEGER.UNSIGNED, allowNull: true },
			email: { type: DataTypes.STRING(190), allowNull: true },
			role: { type: DataTypes.STRING(12), allowNull: true },
			expiresAt: { type: DataTypes.DATE(3), allowNull: false },
			createdAt: { type: DataTypes.DATE(3), allowNull: false },
		},
		{ sequelize, tableName: 'links', updatedAt: false },
	)
	ChangeModel.init(
		{
			id: { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true },
			studioId: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
			userId: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
			path: { type: DataTypes.STRING(120), allowNull: false },
			intent: { type: DataTypes.STRING(40), allowNull: false },
			at: { type: DataTypes.DATE(3), allowNull: false },
		},
		{ sequelize, tableName: 'changes', timestamps: false },
	)
	UserModel.belongsTo(StudioModel, { foreignKey: 'studioId', as: 'studio' })
	SignInModel.belongsTo(UserModel, { foreignKey: 'userId', as: 'user' })
	LinkModel.belongsTo(StudioModel, { foreignKey: 'studioId', as: 'studio' })
}
