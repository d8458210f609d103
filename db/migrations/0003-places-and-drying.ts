/** Rooms and stores with their climates and readings, what was seen of drying, and where a course meets and keeps its pieces. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn, ensureIndex } from '../repeatable'

const id = { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true }
const required = { allowNull: false }
const time = { type: DataTypes.DATE(3), allowNull: false }

const ownedBy = (model: string) => {
	return { type: DataTypes.INTEGER.UNSIGNED, allowNull: false, references: { model, key: 'id' }, onDelete: 'CASCADE' }
}

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await context.createTable('places', {
		id,
		studio_id: ownedBy('studios'),
		kind: { type: DataTypes.STRING(10), ...required },
		name: { type: DataTypes.STRING(60), ...required },
		climate: { type: DataTypes.JSON, ...required },
		movement: { type: DataTypes.STRING(20), ...required },
		sensor: { type: DataTypes.STRING(20), ...required },
		version: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false, defaultValue: 1 },
		created_at: time,
		updated_at: time,
	})
	await context.createTable('readings', {
		id,
		place_id: ownedBy('places'),
		// Wall clock of the studio.
		at: { type: DataTypes.DATE, ...required },
		temperature_c: { type: DataTypes.DOUBLE, ...required },
		humidity: { type: DataTypes.DOUBLE, ...required },
		source: { type: DataTypes.STRING(10), ...required },
	})
	await ensureIndex(context, 'readings', ['place_id', 'at'], { unique: true })
	await context.createTable('drying_notes', {
		id,
		studio_id: ownedBy('studios'),
		paste: { type: DataTypes.STRING(30), ...required },
		what: { type: DataTypes.STRING(160), ...required },
		model_hours: { type: DataTypes.DOUBLE, ...required },
		not_ready_hours: { type: DataTypes.DOUBLE, ...required },
		ready_hours: { type: DataTypes.DOUBLE, allowNull: true },
		batch_size: { type: DataTypes.SMALLINT.UNSIGNED, ...required },
		created_at: time,
	})
	await ensureColumn(context, 'studios', 'drying_confidence', {
		type: DataTypes.DOUBLE,
		...required,
		defaultValue: 0.9,
	})
	await ensureColumn(context, 'studios', 'reading_max_age_minutes', {
		type: DataTypes.INTEGER.UNSIGNED,
		...required,
		defaultValue: 60,
	})
	await ensureColumn(context, 'studios', 'own_pastes', { type: DataTypes.JSON, allowNull: true })
	const place = {
		type: DataTypes.INTEGER.UNSIGNED,
		allowNull: true,
		references: { model: 'places', key: 'id' },
		onDelete: 'SET NULL',
	}
	await ensureColumn(context, 'course_sessions', 'room_id', place)
	await ensureColumn(context, 'courses', 'store_id', place)
	await ensureColumn(context, 'courses', 'waits', { type: DataTypes.JSON, allowNull: true })
	// Their documents do not say where a wait comes from: plans are made anew when they are next looked at.
	await context.sequelize.query('DELETE FROM plans')
}
