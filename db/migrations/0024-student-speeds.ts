/** How fast people are who come again: only where a studio asks for it, and gone with its course or by one press. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn, ensureIndex } from '../repeatable'

const whole = { type: DataTypes.INTEGER.UNSIGNED, allowNull: false }

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await ensureColumn(context, 'studios', 'learns_students', {
		type: DataTypes.BOOLEAN,
		allowNull: false,
		defaultValue: false,
	})
	const belongsTo = (model: string) => ({ ...whole, references: { model, key: 'id' }, onDelete: 'CASCADE' })
	await context.createTable('student_speeds', {
		id: { ...whole, autoIncrement: true, primaryKey: true },
		studio_id: belongsTo('studios'),
		course_id: belongsTo('courses'),
		session: { type: DataTypes.SMALLINT.UNSIGNED, allowNull: false },
		person: { type: DataTypes.STRING(80), allowNull: false },
		name: { type: DataTypes.STRING(80), allowNull: false },
		taught_on: { type: DataTypes.DATEONLY, allowNull: false },
		log_ratio: { type: DataTypes.DOUBLE, allowNull: false },
	})
	await ensureIndex(context, 'student_speeds', ['studio_id', 'person'])
	await ensureIndex(context, 'student_speeds', ['course_id', 'session'])
}
