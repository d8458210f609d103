/** How a studio weighs what strains a class. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn } from '../repeatable'

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await ensureColumn(context, 'studios', 'strain_terms', { type: DataTypes.JSON, allowNull: true })
}
