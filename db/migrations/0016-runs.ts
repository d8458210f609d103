/** What happens in sessions that are taught: events that are only added to, each once. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureIndex } from '../repeatable'

const required = { allowNull: false }
const whole = { type: DataTypes.INTEGER.UNSIGNED, ...required }

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await context.createTable('run_events', {
		// In the order in which they came: what a device knows already ends at one of these.
		id: { ...whole, autoIncrement: true, primaryKey: true },
		course_id: { ...whole, references: { model: 'courses', key: 'id' }, onDelete: 'CASCADE' },
		session: { type: DataTypes.SMALLINT.UNSIGNED, ...required },
		event_id: { type: DataTypes.CHAR(36), ...required },
		event: { type: DataTypes.JSON, ...required },
		received_at: { type: DataTypes.DATE(3), ...required },
	})
	await ensureIndex(context, 'run_events', ['course_id', 'session', 'event_id'], { unique: true })
}
