/** Students may finish at home for some days after the last session of a course. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn } from '../repeatable'

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await ensureColumn(context, 'courses', 'home_after_days', {
		type: DataTypes.SMALLINT.UNSIGNED,
		allowNull: false,
		defaultValue: 0,
	})
}
