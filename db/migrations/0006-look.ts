/** Each person has her own light and reach. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn } from '../repeatable'

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await ensureColumn(context, 'users', 'look', { type: DataTypes.JSON, allowNull: true })
}
