/** A studio that is to be deleted, and how long names of people are kept after their course. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn } from '../repeatable'

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await ensureColumn(context, 'studios', 'leaving_at', { type: DataTypes.DATE(3), allowNull: true })
	await ensureColumn(context, 'studios', 'people_months', {
		type: DataTypes.SMALLINT.UNSIGNED,
		allowNull: false,
		defaultValue: 12,
	})
}
