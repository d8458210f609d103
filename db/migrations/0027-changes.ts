/** Who has changed what kind of thing and when, by ids alone. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureIndex } from '../repeatable'

const whole = { type: DataTypes.INTEGER.UNSIGNED, allowNull: false }

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await context.createTable('changes', {
		id: { ...whole, autoIncrement: true, primaryKey: true },
		studio_id: { ...whole, references: { model: 'studios', key: 'id' }, onDelete: 'CASCADE' },
		// No reference: what somebody did stays told when she is gone.
		user_id: whole,
		path: { type: DataTypes.STRING(120), allowNull: false },
		intent: { type: DataTypes.STRING(40), allowNull: false },
		at: { type: DataTypes.DATE(3), allowNull: false },
	})
	await ensureIndex(context, 'changes', ['studio_id', 'id'])
	await ensureIndex(context, 'changes', ['at'])
}
