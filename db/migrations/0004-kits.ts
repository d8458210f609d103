/** The people of a course, what it costs, which lines of its kits are packed; the studio's shelf and its suppliers. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn, ensureIndex } from '../repeatable'

const id = { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true }
const required = { allowNull: false }
const text = (length: number) => ({ type: DataTypes.STRING(length), ...required })
const whole = { type: DataTypes.INTEGER.UNSIGNED, ...required }
const amount = { type: DataTypes.BIGINT.UNSIGNED, ...required }
const flag = { type: DataTypes.BOOLEAN, ...required }

const ownedBy = (model: string) => {
	return { type: DataTypes.INTEGER.UNSIGNED, allowNull: false, references: { model, key: 'id' }, onDelete: 'CASCADE' }
}

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await context.createTable('students', {
		id,
		course_id: ownedBy('courses'),
		position: whole,
		name: text(80),
		level: { type: DataTypes.STRING(20), allowNull: true },
		is_left_handed: flag,
		avoids: { type: DataTypes.JSON, ...required },
		diet: text(20),
		is_child: flag,
		notes: text(300),
	})
	await context.createTable('packing_ticks', {
		course_id: { ...ownedBy('courses'), primaryKey: true },
		// 0: the instructor's own.
		seat: { type: DataTypes.SMALLINT.UNSIGNED, ...required, primaryKey: true },
		line: { ...text(190), primaryKey: true },
		amount,
		ticked_at: { type: DataTypes.DATE(3), ...required },
	})
	await context.createTable('stock_items', {
		id,
		studio_id: ownedBy('studios'),
		item_key: text(120),
		kind: text(20),
		name: text(80),
		unit: text(10),
		on_hand: amount,
	})
	await ensureIndex(context, 'stock_items', ['studio_id', 'item_key'], { unique: true })
	await context.createTable('suppliers', {
		id,
		studio_id: ownedBy('studios'),
		name: text(80),
		lead_days: { type: DataTypes.SMALLINT.UNSIGNED, ...required },
		delivery_cents: whole,
	})
	await ensureIndex(context, 'suppliers', ['studio_id', 'name'], { unique: true })
	await context.createTable('offers', {
		id,
		studio_id: ownedBy('studios'),
		supplier_id: ownedBy('suppliers'),
		item_key: text(120),
		amount,
		price_cents: whole,
	})
	await ensureIndex(context, 'offers', ['supplier_id', 'item_key', 'amount'], { unique: true })
	await ensureColumn(context, 'studios', 'units', { ...text(10), defaultValue: 'metric' })
	await ensureColumn(context, 'studios', 'kit_terms', { type: DataTypes.JSON, allowNull: true })
	await ensureColumn(context, 'courses', 'money', { type: DataTypes.JSON, allowNull: true })
}
