/** Why a plan took the place of the one before, where that was said: settled in class. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn } from '../repeatable'

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await ensureColumn(context, 'plans', 'reason', { type: DataTypes.STRING(400), allowNull: true })
}
