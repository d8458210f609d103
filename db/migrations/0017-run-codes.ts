/** Codes under which students' phones see the wall of one session, for one evening. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureIndex } from '../repeatable'

const required = { allowNull: false }
const whole = { type: DataTypes.INTEGER.UNSIGNED, ...required }

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await context.createTable('run_codes', {
		code: { type: DataTypes.CHAR(8), ...required, primaryKey: true },
		course_id: { ...whole, references: { model: 'courses', key: 'id' }, onDelete: 'CASCADE' },
		session: { type: DataTypes.SMALLINT.UNSIGNED, ...required },
		// Whose studio it is of.
		user_id: { ...whole, references: { model: 'users', key: 'id' }, onDelete: 'CASCADE' },
		expires_at: { type: DataTypes.DATE(3), ...required },
	})
	await ensureIndex(context, 'run_codes', ['course_id', 'session'])
}
