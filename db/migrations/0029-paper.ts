/** The sheets that a studio prints on: as it was until now, by how it measures. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn } from '../repeatable'

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await ensureColumn(context, 'studios', 'paper', { type: DataTypes.STRING(10), allowNull: true })
	await context.sequelize.query("UPDATE studios SET paper = IF(units = 'imperial', 'letter', 'a4') WHERE paper IS NULL")
	await context.changeColumn('studios', 'paper', { type: DataTypes.STRING(10), allowNull: false, defaultValue: 'a4' })
}
