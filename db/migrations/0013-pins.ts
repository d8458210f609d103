/** What is settled about a course's plan, and plans that are set aside under a name, to compare. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn } from '../repeatable'

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await ensureColumn(context, 'courses', 'pins', { type: DataTypes.JSON, allowNull: true })
	await ensureColumn(context, 'plans', 'aside_name', { type: DataTypes.STRING(80), allowNull: true })
}
