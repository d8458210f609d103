/** Work before class: when a member is free, what is done or settled, what was laid; and calendars that others subscribe to. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn, ensureIndex } from '../repeatable'

const required = { allowNull: false }
const moment = { type: DataTypes.DATE(3), ...required }
const whole = { type: DataTypes.INTEGER.UNSIGNED, ...required }

const ownedBy = (model: string) => {
	return { type: DataTypes.INTEGER.UNSIGNED, ...required, references: { model, key: 'id' }, onDelete: 'CASCADE' }
}

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await ensureColumn(context, 'users', 'free_time', { type: DataTypes.JSON, allowNull: true })
	await ensureColumn(context, 'studios', 'prep_terms', { type: DataTypes.JSON, allowNull: true })
	await context.createTable('prep_marks', {
		course_id: { ...ownedBy('courses'), primaryKey: true },
		task_id: { type: DataTypes.STRING(190), ...required, primaryKey: true },
		done_at: { type: DataTypes.DATE(3), allowNull: true },
		// The day on which it is wanted.
		day: { type: DataTypes.DATEONLY, allowNull: true },
	})
	// What is reckoned from a course once, and read by every calendar after.
	await context.createTable('course_preparations', {
		course_id: { ...ownedBy('courses'), primaryKey: true },
		input_key: { type: DataTypes.CHAR(44), ...required },
		document: { type: DataTypes.JSON, ...required },
	})
	await context.createTable('laid_preparations', {
		user_id: { ...ownedBy('users'), primaryKey: true },
		input_key: { type: DataTypes.CHAR(44), ...required },
		document: { type: DataTypes.JSON, ...required },
	})
	await context.createTable('calendar_feeds', {
		user_id: { ...ownedBy('users'), primaryKey: true },
		token_hash: { type: DataTypes.CHAR(64), ...required },
		made_at: moment,
	})
	await ensureIndex(context, 'calendar_feeds', ['token_hash'], { unique: true })
	// Not of the courses table: of a course that is deleted, calendars are still told that its events are off.
	await context.createTable('calendar_events', {
		studio_id: { ...ownedBy('studios'), primaryKey: true },
		uid: { type: DataTypes.STRING(190), ...required, primaryKey: true },
		course_id: whole,
		sequence: whole,
		changed_at: moment,
		cancelled_at: { type: DataTypes.DATE(3), allowNull: true },
		event: { type: DataTypes.JSON, ...required },
	})
}
