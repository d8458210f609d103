/** Studios and their people, designs, courses and plans. Every table hangs on a studio, and goes with it. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureIndex } from '../repeatable'

const id = { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true }
const required = { allowNull: false }
const time = { type: DataTypes.DATE(3), allowNull: false }
const number = { type: DataTypes.SMALLINT.UNSIGNED, allowNull: false }
const version = { type: DataTypes.INTEGER.UNSIGNED, allowNull: false, defaultValue: 1 }

const ownedBy = (model: string) => {
	return { type: DataTypes.INTEGER.UNSIGNED, allowNull: false, references: { model, key: 'id' }, onDelete: 'CASCADE' }
}

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await context.createTable('studios', {
		id,
		name: { type: DataTypes.STRING(120), ...required },
		gauge_standard: { type: DataTypes.ENUM('swg', 'awg'), ...required },
		wire_lengths_mm: { type: DataTypes.JSON, ...required },
		version,
		created_at: time,
		updated_at: time,
	})
	await context.createTable('users', {
		id,
		studio_id: ownedBy('studios'),
		name: { type: DataTypes.STRING(120), ...required },
		email: { type: DataTypes.STRING(190), ...required, unique: true },
		password_hash: { type: DataTypes.STRING(255), ...required },
		created_at: time,
		updated_at: time,
	})
	await context.createTable('sign_ins', {
		token_hash: { type: DataTypes.CHAR(64), primaryKey: true },
		user_id: ownedBy('users'),
		expires_at: time,
		created_at: time,
	})
	await context.createTable('designs', {
		id,
		studio_id: ownedBy('studios'),
		slug: { type: DataTypes.STRING(60), ...required },
		name: { type: DataTypes.STRING(80), ...required },
		kind: { type: DataTypes.STRING(20), ...required },
		level: { type: DataTypes.TINYINT.UNSIGNED, ...required },
		document: { type: DataTypes.JSON, ...required },
		version,
		created_at: time,
		updated_at: time,
	})
	await ensureIndex(context, 'designs', ['studio_id', 'slug'], { unique: true })
	await context.createTable('courses', {
		id,
		studio_id: ownedBy('studios'),
		name: { type: DataTypes.STRING(120), ...required },
		student_count: number,
		pace: { type: DataTypes.STRING(20), ...required },
		plan_for: { type: DataTypes.STRING(20), ...required },
		spare_confidence: { type: DataTypes.DOUBLE, ...required },
		demo_flowers: number,
		homework_minutes: number,
		version,
		created_at: time,
		updated_at: time,
	})
	await context.createTable('course_designs', {
		id,
		course_id: ownedBy('courses'),
		position: number,
		slug: { type: DataTypes.STRING(60), ...required },
		flowers_per_student: number,
		picks: { type: DataTypes.JSON, ...required },
	})
	await context.createTable('course_sessions', {
		id,
		course_id: ownedBy('courses'),
		position: number,
		date: { type: DataTypes.DATEONLY, ...required },
		start_min: number,
		end_min: number,
		set_up_minutes: number,
		clear_away_minutes: number,
		breaks: { type: DataTypes.JSON, ...required },
	})
	await ensureIndex(context, 'course_sessions', ['date'])
	await context.createTable('plans', {
		id,
		studio_id: ownedBy('studios'),
		course_id: ownedBy('courses'),
		fingerprint: { type: DataTypes.CHAR(64), ...required },
		status: { type: DataTypes.STRING(20), ...required },
		shortfall_minutes: { type: DataTypes.INTEGER.UNSIGNED, ...required },
		document: { type: DataTypes.JSON, ...required },
		created_at: time,
	})
	await ensureIndex(context, 'plans', ['course_id', 'created_at'])
}
