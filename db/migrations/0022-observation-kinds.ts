/** What past classes say of breakage and paste beside minutes; and what was observed, where it was corrected. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn } from '../repeatable'

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	const kind = { type: DataTypes.STRING(12), allowNull: false, defaultValue: 'minutes' }
	await ensureColumn(context, 'observations', 'kind', kind)
	await ensureColumn(context, 'observations', 'original', { type: DataTypes.JSON, allowNull: true })
}
