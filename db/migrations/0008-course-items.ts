/** A design may be made several times in a course: each item has a key, and perhaps a name, of its own. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn } from '../repeatable'

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await ensureColumn(context, 'course_designs', 'item_key', { type: DataTypes.STRING(64), allowNull: true })
	await ensureColumn(context, 'course_designs', 'item_name', { type: DataTypes.STRING(80), allowNull: true })
}
