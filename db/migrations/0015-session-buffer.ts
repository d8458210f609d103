/** A session may say itself how many minutes should be spare at its end. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn } from '../repeatable'

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await ensureColumn(context, 'course_sessions', 'buffer_minutes', {
		type: DataTypes.SMALLINT.UNSIGNED,
		allowNull: true,
	})
}
