/** What a studio plans with of what it has learnt from past classes. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn } from '../repeatable'

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await ensureColumn(context, 'studios', 'learnt_minutes', { type: DataTypes.JSON, allowNull: true })
}
