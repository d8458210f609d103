/** Where something was seen to dry, and the session whose tray it was. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn, ensureIndex } from '../repeatable'

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	const belongsTo = (model: string, onDelete: string) => {
		return { type: DataTypes.INTEGER.UNSIGNED, allowNull: true, references: { model, key: 'id' }, onDelete }
	}
	await ensureColumn(context, 'drying_notes', 'place_id', belongsTo('places', 'SET NULL'))
	await ensureColumn(context, 'drying_notes', 'course_id', belongsTo('courses', 'SET NULL'))
	await ensureColumn(context, 'drying_notes', 'session', { type: DataTypes.SMALLINT.UNSIGNED, allowNull: true })
	await ensureIndex(context, 'drying_notes', ['course_id', 'session'])
}
