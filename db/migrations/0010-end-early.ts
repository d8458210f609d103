/** A course may be wanted to end an evening earlier if it can. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn } from '../repeatable'

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await ensureColumn(context, 'courses', 'end_early', {
		type: DataTypes.BOOLEAN,
		allowNull: false,
		defaultValue: false,
	})
}
